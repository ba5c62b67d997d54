/**
 * Connected components of a graph: which nodes hang together over its links. Pieces and their members come in the order
 * of the nodes.
 * @example connectedPieces(['a', 'b', 'c'], [['c', 'a']]) // [['a', 'c'], ['b']]
 */
export function connectedPieces(
  nodes: readonly string[],
  links: readonly (readonly string[])[],
): readonly (readonly string[])[] {
  const parent = new Map(nodes.map((node) => [node, node]));
  const rootOf = (node: string): string => {
    let root = node;
    for (let up = parent.get(root); up !== undefined && up !== root; up = parent.get(root)) root = up;
    parent.set(node, root);
    return root;
  };
  for (const [first, ...others] of links) {
    for (const other of first === undefined ? [] : others) parent.set(rootOf(other), rootOf(first ?? other));
  }
  const pieces = new Map<string, string[]>();
  for (const node of nodes) {
    const root = rootOf(node);
    const piece = pieces.get(root);
    if (piece === undefined) pieces.set(root, [node]);
    else piece.push(node);
  }
  return [...pieces.values()];
}
