/** One step of a computation, written so that it can be done again by hand. */
export interface Step {
  /** What is found, in plain words. */
  readonly what: string;
  /**
   * `symbol = expression` with + − · / ^, brackets, √( ) exp( ) ln( ) min( ) max( ) and symbols; null where the result comes
   * from a procedure (a simulation, a search, a walk round the house) that `what` names.
   */
  readonly formula: string | null;
  /** Numbers for the symbols, in SI. */
  readonly values: Readonly<Record<string, number>>;
  /** What symbols stand for that were neither given nor found in a step before: a table's figure, a sum, a choice. */
  readonly where: Readonly<Record<string, string>>;
  readonly result: number;
  /** Unit of the result. */
  readonly unit: string;
}

/** A step by a formula. */
export function step(
  what: string,
  formula: string,
  values: Readonly<Record<string, number>>,
  result: number,
  unit = '',
  where: Readonly<Record<string, string>> = {},
): Step {
  return { what, formula, values, where, result, unit };
}

/** A step by a procedure that no formula says. */
export function found(what: string, result: number, unit = ''): Step {
  return { what, formula: null, values: {}, where: {}, result, unit };
}

const SYMBOL = /\p{L}[\p{L}\p{N}_′″]*/gu;
export const FUNCTIONS: readonly string[] = ['exp', 'ln', 'min', 'max', 'ceil'];

/**
 * The right-hand side of a step's formula with its numbers put in.
 * @example withNumbers(step('Area', 'A = b·h', { b: 2, h: 3 }, 6), String) // '2·3'
 */
export function withNumbers({ formula, values }: Step, format: (value: number) => string): string | null {
  if (formula === null) return null;
  const right = formula.slice(formula.indexOf('=') + 1).trim();
  return right.replace(SYMBOL, (symbol, at: number) => {
    const value = values[symbol];
    if (value === undefined || FUNCTIONS.includes(symbol)) return symbol;
    // A negative number that is raised, or follows a sign, keeps its brackets.
    const alone = at === 0 && right.length === symbol.length;
    return value < 0 && !alone ? `(${format(value)})` : format(value);
  });
}

/**
 * A sum written out: its formula's right-hand side and its numbers.
 * @example sumOf('R', [1, 2]) // { terms: 'R1 + R2', values: { R1: 1, R2: 2 } }
 */
export function sumOf(
  symbol: string,
  numbers: readonly number[],
): { readonly terms: string; readonly values: Record<string, number> } {
  return {
    terms: numbers.map((_, i) => `${symbol}${i + 1}`).join(' + '),
    values: Object.fromEntries(numbers.map((value, i) => [`${symbol}${i + 1}`, value])),
  };
}

/** What the symbols of constants stand for that several computations use. */
export const RHO0_IS = 'density of dry air at 20 °C and 101 325 Pa, kg/m³';
export const MU0_IS = 'viscosity of air at 20 °C, Pa·s';

/** The same words for every term of a sum. */
export const eachTerm = (
  values: Readonly<Record<string, number>>,
  words: (position: number) => string,
): Readonly<Record<string, string>> =>
  Object.fromEntries(Object.keys(values).map((symbol, i) => [symbol, words(i + 1)]));

/** Words for those figures that were not given; what was given speaks for itself. */
export const whereNotGiven = (
  figures: Readonly<Record<string, number | undefined>>,
  words: string,
): Readonly<Record<string, string>> =>
  Object.fromEntries(
    Object.entries(figures).flatMap(([symbol, value]) => (value === undefined ? [[symbol, words]] : [])),
  );
