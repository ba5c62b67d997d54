import type { HousePath, WorkKind } from '@calvet/core/calendar/calendar-input';
import type { Subject } from '../catalogue/catalogue';
import type { Work } from '../plan/work';
import type { CheckpointHere, Walk } from './generate-walk';
import { HOUSE_PATH } from './paths';
import type { Penetration } from './penetration';

/** What of the catalogue a work may break again, by what it is part of, or one by one. */
interface Breaks {
  readonly subjects?: readonly Subject[];
  readonly checkpoints?: readonly string[];
}

/** Works after which somebody looks again at what was good. */
const BREAKS: Readonly<Partial<Record<WorkKind, Breaks>>> = {
  services: {
    subjects: ['rim', 'framing', 'sheet', 'foam', 'masonry', 'ceilingPlane'],
    checkpoints: ['net-tight', 'netted-fill-firm', 'net-closed-again'],
  },
  battens: { subjects: ['sheet'] },
  openings: {
    checkpoints: ['outer-sheathing-joints', 'inner-sheathing-joints', 'sheathing-edge-gaskets'],
  },
  lifting: { subjects: ['buriedBarrier'] },
  connecting: { checkpoints: ['stubs-closed-until-connected', 'service-sleeve-lines'] },
};

/** True where a work may break what was good at a checkpoint. */
function mayBreak(
  { what }: Work,
  { checkpoint, subject }: Pick<CheckpointHere, 'checkpoint' | 'subject'>,
): boolean {
  const { subjects = [], checkpoints = [] } = BREAKS[what] ?? {};
  return (subject !== null && subjects.includes(subject)) || checkpoints.includes(checkpoint);
}

/** One of them holds the other. */
const isOver = (scope: HousePath, path: HousePath): boolean =>
  Array.from({ length: Math.min(scope.length, path.length) }, (_, i) => i).every((i) => scope[i] === path[i]);

/** Left closed with nothing in it, or with lines that lead nowhere yet: opened again to connect them. */
const STUBS: ReadonlySet<string> = new Set(['conduit', 'sleeve', 'serviceLine', 'duct']);

/** Finds the works that began after something was seen, and may have broken it. */
export class Reopening {
  private readonly areaPaths: ReadonlyMap<string, HousePath>;
  private readonly works: readonly { readonly work: Work; readonly scopes: readonly HousePath[] }[];

  constructor(works: readonly Work[], { paths, areas }: Pick<Walk, 'paths' | 'areas'>, houseId: string) {
    this.areaPaths = new Map(
      areas.map(({ key, at }) => [key, paths.get(at.wall ?? at.roof ?? at.storeyId ?? '') ?? [HOUSE_PATH]]),
    );
    this.works = works
      .filter(({ what, begunOn }) => begunOn !== null && BREAKS[what] !== undefined)
      .map((work) => ({
        work,
        scopes: work.on.flatMap(({ id }): readonly HousePath[] => {
          const path = id === houseId ? [HOUSE_PATH] : paths.get(id);
          return path === undefined ? [] : [path];
        }),
      }));
  }

  /**
   * The first work that may have broken what was good at a checkpoint; null: none.
   * @param seenOn the day on which somebody looked, YYYY-MM-DD. What began on that day they saw.
   */
  after(here: Pick<CheckpointHere, 'checkpoint' | 'subject' | 'path'>, seenOn: string): Work | null {
    return this.first(here.path, seenOn, (work) => mayBreak(work, here));
  }

  /** The first work that connected what was left as a stub; null: none, or it was looked at since. */
  afterHole({ what, item, seenOn }: Pick<Penetration, 'what' | 'item' | 'seenOn'>): Work | null {
    if (!STUBS.has(what)) return null;
    return this.first(this.areaPaths.get(item) ?? [HOUSE_PATH], seenOn, (work) => work.what === 'connecting');
  }

  private first(path: HousePath, seenOn: string, breaks: (work: Work) => boolean): Work | null {
    let first: Work | null = null;
    for (const { work, scopes } of this.works) {
      if (work.begunOn === null || work.begunOn <= seenOn || !breaks(work)) continue;
      if (!scopes.some((scope) => isOver(scope, path))) continue;
      if (first?.begunOn == null || work.begunOn < first.begunOn) first = work;
    }
    return first;
  }
}
