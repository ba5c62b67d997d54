/**
 * Work that is asked for in several places of a page with the very same things: done once, until one of these is another.
 * Only the last result is held.
 */
export function asLastTime<Given extends readonly unknown[], Result>(
  work: (...given: Given) => Result,
): (...given: Given) => Result {
  let last: { readonly given: Given; readonly result: Result } | null = null;
  return (...given) => {
    if (last === null || given.some((each, i) => each !== last?.given[i]))
      last = { given, result: work(...given) };
    return last.result;
  };
}
