import type { Break } from '@calvet/core/continuity/trace';
import { isOpenBreak, junctionOf, type BarrierHere } from './barrier-here';

/** Where a break is, as it is called. */
export function breakName({ areas, junctions }: BarrierHere, broken: Break): string {
  const key = junctionOf(broken);
  const junction = junctions.find((each) => each.key === key);
  if (junction !== undefined) return junction.name;
  return areas.find(({ key: area }) => area === broken.areaId)?.name ?? 'a part of the envelope';
}

/** What is wrong at a break, in words. */
export const BREAK_WORDS: Readonly<Record<Break['kind'], string>> = {
  'no-air-barrier': 'no air barrier is named',
  'area-not-verified': 'nobody has shown its air barrier',
  'loose-edge': 'joined to nothing',
  'junction-open': 'to be mended',
  'junction-not-seen': 'not seen',
  'penetration-open': 'an open hole',
  'penetration-not-seen': 'a hole not shown to be tight',
};

/** Whether the air barrier is whole, and where it breaks first, in one sentence. */
export function brokenFirst(barrier: BarrierHere): string {
  const { trace } = barrier;
  if (trace.continuous) return 'The air barrier is whole: every part of it was seen and is sealed';
  const open = trace.breaks.filter(isOpenBreak);
  const unknown = trace.breaks.length - open.length;
  const [first] = open;
  const rest = unknown === 0 ? '' : `; ${unknown} not shown yet`;
  if (first !== undefined) {
    const where = breakName(barrier, first);
    return open.length === 1
      ? `Broken at ${where}${rest}`
      : `Broken in ${open.length} places, first at ${where}${rest}`;
  }
  const [unseen] = trace.breaks;
  if (unseen === undefined) return `Its parts do not hang together: ${trace.pieces.length} pieces`;
  return `${unknown} not shown yet, first ${breakName(barrier, unseen)}`;
}
