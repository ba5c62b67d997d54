/** Rounding must not cost a pack. */
const SLACK = 1e-9;

/**
 * The next whole number, where rounding alone adds none.
 * @example wholeUp(3 * (1 / 3)) // 1
 */
export const wholeUp = (value: number): number => Math.ceil(value - SLACK);

/**
 * The whole number below, where rounding alone takes none.
 * @example wholeDown(0.3 / 0.1) // 3
 */
export const wholeDown = (value: number): number => Math.floor(value + SLACK);
