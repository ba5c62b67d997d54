import type { UnitSystem } from '@calvet/core/units/quantity';
import type { PenetrationRule } from '@calvet/core/penetrations/penetration-rule';
import {
  FLAG_WORDS,
  PENETRATION_WORDS,
  SEAL_WORDS,
  THROUGH_WORDS,
} from '@calvet/core/penetrations/penetration-words';
import { figureWithUnit } from '../../ui/format';

/** Of more than so many the first are named. */
const NAMED = 3;

function wordsOf<Word extends string>(
  words: readonly Word[] | undefined,
  all: Readonly<Record<Word, string>>,
  between: string,
): readonly string[] {
  if (words === undefined || words.length === 0) return [];
  const named = words.slice(0, NAMED).map((word) => all[word].toLowerCase());
  const rest = words.length - named.length;
  return [rest > 0 ? `${named.join(', ')} and ${rest} more` : named.join(between)];
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** When a rule on holes holds, in words: with which seal, of what, through what, how wide. */
export function ruleWords({ when }: PenetrationRule, units: UnitSystem): string {
  const { seal, sealOnly, sealAll, what, whatOr, through, flags, flagsOr, gapAboveMm, gapUpToMm } = when;
  const width = (mm: number): string => figureWithUnit(mm, 'gap', units);
  const isThroughAll = through?.length === Object.keys(THROUGH_WORDS).length;
  const gap =
    gapAboveMm === undefined
      ? gapUpToMm === undefined
        ? []
        : [`up to ${width(gapUpToMm)}`]
      : [`over ${width(gapAboveMm)}${gapUpToMm === undefined ? '' : `, up to ${width(gapUpToMm)}`}`];
  const parts = [
    ...wordsOf(seal ?? sealOnly, SEAL_WORDS, ' or '),
    ...wordsOf(sealAll, SEAL_WORDS, ' and '),
    ...wordsOf(what, PENETRATION_WORDS, ' or '),
    ...wordsOf(whatOr, PENETRATION_WORDS, ' or '),
    ...(isThroughAll ? [] : wordsOf(through, THROUGH_WORDS, ' or ').map((words) => `through ${words}`)),
    ...wordsOf(flags, FLAG_WORDS, ' and '),
    ...wordsOf(flagsOr, FLAG_WORDS, ' or '),
    ...gap,
  ];
  return capital(parts.join(' · '));
}
