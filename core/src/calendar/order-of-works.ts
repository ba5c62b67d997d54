import type { WorkKind } from './calendar-input';
import { pathsTo } from './covering-work';
import type { ScheduledWork } from './schedule';

/** Works of which the first is done before the second begins, where both are on one part of a house. */
const ORDER: readonly (readonly [first: WorkKind, second: WorkKind])[] = [
  ['goodsOnSite', 'wallStood'],
  ['wallStood', 'trussesSet'],
  ['trussesSet', 'roofDeckOver'],
  ['coat', 'partitionStood'],
  ['foamFirst', 'services'],
  ['foamFirst', 'insulation'],
  ['bareTest', 'services'],
  ['services', 'insulation'],
  ['services', 'servicesTest'],
  ['netting', 'insulation'],
  ['outsideInsulation', 'cladding'],
  ['insulation', 'lining'],
  ['membrane', 'lining'],
  ['servicesTest', 'lining'],
  ['servicesTest', 'ceilingLining'],
  ['lining', 'fixtureTrim'],
  ['fixtureTrim', 'finishedTest'],
];

/** Where a work is: its scopes, and all that lead to them. */
interface Whereabouts {
  readonly scopes: readonly string[];
  readonly paths: ReadonlySet<string>;
}

function whereaboutsOf({ work }: ScheduledWork): Whereabouts {
  const paths = work.scopes.map(pathsTo);
  return { scopes: paths.map((all) => all.at(-1) ?? ''), paths: new Set(paths.flat()) };
}

/** True where a scope of one leads to one of the other, or on from it. */
const overlap = (one: Whereabouts, other: Whereabouts): boolean =>
  one.scopes.some((scope) => other.paths.has(scope)) || other.scopes.some((scope) => one.paths.has(scope));

/**
 * Works that begin before one is done that has to be done by then. Those without a date say nothing.
 * @example outOfOrder(schedule(examples['calendar.holdPoints'].works, new Workdays())).length // 0
 */
export function outOfOrder(
  works: readonly ScheduledWork[],
): readonly { readonly work: ScheduledWork; readonly needs: ScheduledWork }[] {
  const placed = works.map((each) => ({ each, where: whereaboutsOf(each) }));
  return ORDER.flatMap(([first, second]) => {
    const firsts = placed.filter(({ each }) => each.work.kind === first);
    return placed
      .filter(({ each }) => each.work.kind === second)
      .flatMap(({ each: work, where }) =>
        firsts
          .filter(({ each: { end } }) => end !== null && work.start !== null && work.start <= end)
          .filter((needs) => overlap(needs.where, where))
          .map((needs) => ({ work, needs: needs.each })),
      );
  });
}
