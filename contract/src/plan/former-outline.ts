/** Once, the corners of an outline had no ids: each is known by the wall that began there. */
export function cornersWithIds(_recordId: string, value: unknown): unknown {
  if (!Array.isArray(value)) return value;
  return value.map((wall: unknown) =>
    typeof wall === 'object' && wall !== null && 'id' in wall && !('corner' in wall)
      ? { ...wall, corner: wall.id }
      : wall,
  );
}
