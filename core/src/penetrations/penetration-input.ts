import { as, fields, list, nonNegative, optional, wordedOption } from '../schema';
import {
  FLAG_WORDS,
  PENETRATION_WORDS,
  SEAL_WORDS,
  THROUGH_WORDS,
  type PenetrationFlag,
  type PenetrationThrough,
  type PenetrationWhat,
  type Seal,
} from './penetration-words';

/** A hole, and how it is closed in one plane. */
export interface PenetrationInput {
  readonly what: PenetrationWhat;
  readonly through: PenetrationThrough;
  /** Width of the gap round what goes through, mm; left out: not known. */
  readonly gapMm?: number;
  /** All that closes it in this plane; `none` alone where nothing does. */
  readonly seals: readonly Seal[];
  readonly flags?: readonly PenetrationFlag[];
}

const lengthOf = (words: object): number => Object.keys(words).length;

/** Schema of a hole that is judged. */
export const penetrationSchema = fields<PenetrationInput>({
  what: as('What goes through', wordedOption(PENETRATION_WORDS)),
  through: as('Through what', wordedOption(THROUGH_WORDS)),
  gapMm: as('Width of the gap', optional(nonNegative('gap'))),
  seals: as('Closed by', list(wordedOption(SEAL_WORDS), 1, lengthOf(SEAL_WORDS)), 'seal'),
  flags: as('What else is known', optional(list(wordedOption(FLAG_WORDS), 0, lengthOf(FLAG_WORDS))), 'point'),
});
