/** True where two lists hold the very same things in the same order. */
const isSameList = (before: unknown, next: unknown): boolean =>
  Array.isArray(before) &&
  Array.isArray(next) &&
  before.length === next.length &&
  next.every((each, i) => each === before[i]);

/**
 * A view with each list of the one before that holds the same records, so that what was worked out from that list stands. The
 * one before itself, where nothing in it changed.
 */
export function steadyView<View extends object>(before: View | undefined, next: View): View {
  if (before === undefined) return next;
  const known = before as Readonly<Record<string, unknown>>;
  const members = Object.entries(next).map(([name, held]): [string, unknown] => [
    name,
    isSameList(known[name], held) ? known[name] : held,
  ]);
  return members.every(([name, held]) => known[name] === held) && members.length === Object.keys(known).length
    ? before
    : (Object.fromEntries(members) as View);
}

/** The view that was seen last, of one ledger at a time. */
export class SteadyViews<View extends object> {
  private last: { readonly id: string; readonly view: View } | null = null;

  /** A view of a ledger with the lists of the last one of it wherever they hold the same. */
  of(id: string, next: View): View {
    const view = steadyView(this.last?.id === id ? this.last.view : undefined, next);
    this.last = { id, view };
    return view;
  }
}
