import type { PenetrationInput } from './penetration-input';
import type { PenetrationRule } from './penetration-rule';
import type { Seal } from './penetration-words';

/** True where the list is not given, or the value is in it. */
const isIn = <T>(list: readonly T[] | undefined, value: T): boolean =>
  list === undefined || list.includes(value);

/** True where the list is not given, or one of the values is in it. */
const areSome = <T>(list: readonly T[] | undefined, values: readonly T[]): boolean =>
  list === undefined || values.some((value) => list.includes(value));

/** True where the list is not given, or none of the values is in it. */
const areNone = <T>(list: readonly T[] | undefined, values: readonly T[]): boolean =>
  list === undefined || !values.some((value) => list.includes(value));

/** True where the list is not given, or holds nothing that is not among the values. */
const areAll = <T>(list: readonly T[] | undefined, values: readonly T[]): boolean =>
  list === undefined || list.every((value) => values.includes(value));

/**
 * True where a rule says something of a hole.
 * @param tried the seals that are looked at; all of them where the rule is of the thing
 * @example ruleHolds({ when: { what: ['flue'] } }, { what: 'flue', through: 'board', seals: ['none'] }, ['none']) // true
 */
export function ruleHolds(
  { when }: Pick<PenetrationRule, 'when'>,
  { what, through, gapMm, seals, flags = [] }: PenetrationInput,
  tried: readonly Seal[],
): boolean {
  const { gapAboveMm, gapUpToMm, notSealAll, whatOr, flagsOr } = when;
  const isByWidth = gapAboveMm !== undefined || gapUpToMm !== undefined;
  return (
    isIn(when.what, what) &&
    when.whatNot?.includes(what) !== true &&
    isIn(when.through, through) &&
    areSome(when.seal, tried) &&
    areNone(when.sealNot, tried) &&
    (when.sealOnly === undefined || areAll(seals, when.sealOnly)) &&
    areAll(when.sealAll, seals) &&
    (notSealAll === undefined || !areAll(notSealAll, seals)) &&
    areNone(when.sealNone, seals) &&
    areAll(when.flags, flags) &&
    areNone(when.flagsNot, flags) &&
    ((whatOr === undefined && flagsOr === undefined) ||
      whatOr?.includes(what) === true ||
      flags.some((flag) => flagsOr?.includes(flag) === true)) &&
    (!isByWidth ||
      (gapMm !== undefined && gapMm > (gapAboveMm ?? -Infinity) && gapMm <= (gapUpToMm ?? Infinity)))
  );
}
