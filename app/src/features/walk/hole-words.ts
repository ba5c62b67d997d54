import { PENETRATION_WORDS, SEAL_WORDS } from '@calvet/core/penetrations/penetration-words';
import type { Phase } from '@calvet/contract/plan/own-checkpoint';
import { isDueIn, type JudgedPenetration } from '@calvet/contract/walk/judged-penetration';
import { JUDGED_WORDS, type Judged, type Penetration } from '@calvet/contract/walk/penetration';
import type { Mark } from '../../ui/line-mark';
import type { Holes } from './use-holes';

export const MARK_OF_JUDGED: Readonly<Record<Judged, Mark>> = {
  fits: 'solid',
  doubtful: 'half',
  wrong: 'broken',
};

/** In which colour it is said. */
export const TONE_OF_JUDGED: Readonly<Record<Judged, 'lake' | 'straw' | 'ember'>> = {
  fits: 'lake',
  doubtful: 'straw',
  wrong: 'ember',
};

const NEWER = 'from a newer version';

/** What goes through, and how many. */
export const holeName = ({ what, count }: Pick<Penetration, 'what' | 'count'>): string => {
  const word = (PENETRATION_WORDS as Readonly<Record<string, string>>)[what] ?? `Something ${NEWER}`;
  return count > 1 ? `${count} × ${word}` : word;
};

/** What closes it, in words; null: nothing does. */
export function sealWords({ seals }: Pick<Penetration, 'seals'>): string | null {
  const words = [
    ...new Set(
      seals
        .filter(({ seal }) => seal !== 'none')
        .map(({ seal }) => (SEAL_WORDS as Readonly<Record<string, string>>)[seal] ?? `a seal ${NEWER}`),
    ),
  ];
  return words.length === 0 ? null : words.join(' · ');
}

/** How holes are closed, in a word: one that nothing closes yet is open. */
export const judgedWord = ({ verdict, isOpen }: JudgedPenetration): string =>
  isOpen && verdict === 'wrong' ? 'Open' : JUDGED_WORDS[verdict];

/** Seals that are still to be made, those of now and those of later. */
export function askedWords({ asked, isOpen }: JudgedPenetration, phase: Phase): string | null {
  if (isOpen || asked.length === 0) return null;
  const [next] = asked;
  if (next === undefined) return null;
  return `${isDueIn(next, phase) ? 'now' : 'later'}: ${next.what.toLowerCase()}`;
}

/** Holes of a place that are to be closed in another layer by now, or were opened again since somebody looked. */
export const holesDue = ({ here }: Pick<Holes, 'here'>, phase: Phase): number =>
  here.filter(
    ({ judged: { asked, isOpen }, again }) =>
      again !== null || (!isOpen && asked.some((each) => isDueIn(each, phase))),
  ).length;
