import {
  AIR_BARRIER_WORDS,
  FRAMING_WORDS,
  INSULATION_WORDS,
  VAPOUR_WORDS,
  type Schools,
} from '@calvet/contract/plan/schools';

const yesNo = (value: boolean | null, yes: string, no: string): readonly string[] =>
  value === null ? [] : [value ? yes : no];

/** What is said of a way to build, in a line; empty where nothing is. */
export function schoolsInWords(schools: Schools): string {
  const { airBarrier, vapour, framing, insulation, sealsSeams, hasServiceSpace, isForSound } = schools;
  return [
    ...(airBarrier === null ? [] : [`barrier: ${AIR_BARRIER_WORDS[airBarrier].toLowerCase()}`]),
    ...(vapour === null ? [] : [`vapour: ${VAPOUR_WORDS[vapour].toLowerCase()}`]),
    ...(framing === null ? [] : [FRAMING_WORDS[framing].toLowerCase()]),
    ...(insulation ?? []).map((word) => INSULATION_WORDS[word].toLowerCase()),
    ...yesNo(sealsSeams, 'seams sealed', 'seams not sealed'),
    ...yesNo(hasServiceSpace, 'service space', 'no service space'),
    ...yesNo(isForSound, 'against sound', 'not against sound'),
  ].join(' · ');
}
