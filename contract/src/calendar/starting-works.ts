import type { WorkKind } from '@calvet/core/calendar/calendar-input';
import { v7 } from 'uuid';
import type { Need } from '../catalogue/catalogue';
import type { PlanBody } from '../plan/plan';
import { newWork, type WorkBody } from '../plan/work';
import type { Trade } from '../plan/work-words';

/** A work to begin with: what, how long, by whom, and how many workdays after the one before it. */
interface Step {
  readonly what: WorkKind;
  readonly days: number;
  readonly trade: Trade;
  readonly lagDays?: number;
}

type Built = Pick<PlanBody, 'schools' | 'insulationAbove' | 'insulationBelow'>;

const fills = ({ schools, insulationAbove, insulationBelow }: Built): ReadonlySet<string> =>
  new Set([...(schools.insulation ?? []), ...(insulationAbove ?? []), ...(insulationBelow ?? [])]);

/**
 * The works of a house in the order that follows from how it is built, each after the one before it. Foam goes in before
 * services where it is to hold vapour back or fills the walls; a net goes up before inner walls; a membrane after the fill
 * behind it, but before fill that is blown behind it.
 * @param has what the house is drawn with, and has
 */
export function stepsFor(built: Built, has: (need: Need) => boolean): readonly Step[] {
  const { airBarrier, vapour, framing, insulation } = built.schools;
  const all = fills(built);
  const isMasonry = framing === 'frameMasonry';
  const isFoamFirst = vapour === 'vapourFoamFirst' || insulation?.includes('fillHybrid') === true;
  const hasSheet =
    airBarrier === 'barrierInnerMembrane' ||
    vapour === 'vapourInsideSheet' ||
    vapour === 'vapourVariableMembrane';
  const isBlownBehindIt = insulation?.includes('fillDensePacked') === true;
  const isBareTight =
    airBarrier === 'barrierOuterSheathing' || airBarrier === 'barrierInnerSheathing' || isMasonry;
  const when = (isSo: boolean, step: Step): readonly Step[] => (isSo ? [step] : []);
  return [
    ...when(!isMasonry, { what: 'goodsOnSite', days: 1, trade: 'siteLead' }),
    ...when(has('slabOnGround') || has('basement'), { what: 'slabPoured', days: 1, trade: 'concrete' }),
    ...when(has('basement'), { what: 'backfill', days: 2, trade: 'concrete', lagDays: 3 }),
    { what: 'wallStood', days: isMasonry ? 12 : 5, trade: isMasonry ? 'mason' : 'carpenter' },
    ...when(!isMasonry, { what: 'sheathingOn', days: 3, trade: 'carpenter' }),
    { what: 'trussesSet', days: 2, trade: 'carpenter' },
    { what: 'roofDeckOver', days: 5, trade: 'roofer' },
    ...when(isBareTight && !isMasonry, { what: 'bareTest', days: 1, trade: 'inspector' }),
    ...when(all.has('fillOutsideBoard') || framing === 'frameOutrigger', {
      what: 'outsideInsulation',
      days: 4,
      trade: 'insulator',
    }),
    { what: 'cladding', days: 8, trade: isMasonry ? 'mason' : 'cladder' },
    ...when(isMasonry, { what: 'coat', days: 4, trade: 'plasterer' }),
    ...when(isFoamFirst, { what: 'foamFirst', days: 2, trade: 'insulator' }),
    ...when(all.has('fillNetted'), { what: 'netting', days: 1, trade: 'insulator' }),
    ...when(hasSheet && isBlownBehindIt, { what: 'membrane', days: 3, trade: 'airSealer' }),
    { what: 'partitionStood', days: 3, trade: isMasonry ? 'mason' : 'carpenter' },
    { what: 'services', days: 10, trade: 'electrician' },
    { what: 'insulation', days: 3, trade: 'insulator' },
    ...when(hasSheet && !isBlownBehindIt, { what: 'membrane', days: 3, trade: 'airSealer' }),
    { what: 'servicesTest', days: 1, trade: 'inspector' },
    { what: 'ceilingLining', days: 3, trade: 'liner' },
    { what: 'lining', days: 6, trade: 'liner' },
    { what: 'fixtureTrim', days: 5, trade: 'carpenter' },
    { what: 'finishedTest', days: 1, trade: 'inspector' },
  ];
}

/**
 * The works of a house to begin with, the first on a day that somebody gives.
 * @param idAt the id of each by its place; new ones, if nothing else is said
 */
export function startingWorks(
  built: Built,
  has: (need: Need) => boolean,
  houseId: string,
  start: string,
  idAt: (i: number) => string = () => v7(),
): readonly { readonly id: string; readonly body: WorkBody }[] {
  const steps = stepsFor(built, has);
  const ids = steps.map((_, i) => idAt(i));
  return steps.map(({ what, days, trade, lagDays = 0 }, i) => ({
    id: ids[i] ?? '',
    body: {
      ...newWork(what, houseId),
      days,
      trade,
      after: i === 0 ? [] : [{ id: ids[i - 1] ?? '', lagDays }],
      pinnedStart: i === 0 ? start : null,
    },
  }));
}
