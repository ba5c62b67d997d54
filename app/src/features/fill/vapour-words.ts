import type { BuildUpMoisture, HeldAt } from '@calvet/contract/installation/moisture-of-build-up';
import type { VapourPlan, VapourSchool } from '@calvet/core/moisture/vapour-plan';
import { decimals } from '../../ui/format';

/** How a build-up is kept dry, to follow “Kept dry ”. */
const SCHOOLS: Readonly<Record<VapourSchool, string>> = {
  innerSheathing: 'by sheathing on the warm side',
  variableMembrane: 'by a membrane inside that opens when it is damp',
  insideSheet: 'by a tight sheet inside',
  insideBrake: 'by a layer inside that slows vapour',
  foamFirst: 'by foam that keeps what lies inside of it warm',
  warmSheathing: 'by insulation outside that keeps the sheathing warm',
  open: 'by letting vapour through everywhere',
};

const DRIVES = {
  outward: 'Vapour is driven outwards here.',
  inward: 'Vapour is driven inwards here.',
  both: 'Vapour is driven both ways over the year here.',
} as const;

const percent = (share: number): string => `${decimals(share * 100, 0)} %`;

/** In which way a build-up is kept dry, and how much insulation its plane has outside of it against what it needs. */
export function schoolSentence({ schools, drive, plane }: VapourPlan, parts: readonly string[]): string {
  const kept =
    schools.length === 0
      ? 'By no way of keeping dry that is known here.'
      : `Kept dry ${schools.map((each) => SCHOOLS[each]).join(', and ')}.`;
  const name = plane === null ? '' : (parts[plane.layer] ?? '');
  const at =
    plane === null || plane.leastShareOutside === null || plane.leastShareOutside <= 0
      ? ''
      : ` ${percent(plane.shareOutside)} of the R lies from ${name} outwards; to stay warm enough it needs ${percent(plane.leastShareOutside)}.`;
  return `${kept} ${DRIVES[drive]}${at}`;
}

/** Where water is held, in words. */
export const placeName = ({ inner, outer }: HeldAt): string =>
  inner === outer ? `Within ${inner}` : `Between ${inner} and ${outer}`;

/** Where most of the water of a build-up gathers, or why nobody can tell. */
export function whereWater(moisture: BuildUpMoisture | null): string {
  if (moisture === null) return 'say in which climate the house stands';
  if (moisture.state === 'unknown') return `how tight to vapour is: ${moisture.layers.join(', ')}?`;
  if (moisture.state === 'too-little') return 'nowhere';
  const [most] = [...moisture.held].sort((a, b) => b.peakKgM2 - a.peakKgM2);
  return most === undefined ? 'nowhere' : placeName(most);
}
