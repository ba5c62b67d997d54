import type { HoldItem, HousePath, WorkKind } from './calendar-input';
import type { ScheduledWork } from './schedule';

/** The later work that covers a place too, where none of a kind is planned: its day is the latest. */
const STAND_INS: Partial<Readonly<Record<WorkKind, WorkKind>>> = {
  netting: 'insulation',
  sheathingOn: 'wallStood',
  trussesSet: 'roofDeckOver',
  outsideInsulation: 'cladding',
  ceilingLining: 'lining',
  partitionClosed: 'lining',
  partitionStood: 'lining',
  tubSet: 'lining',
  fireplaceSet: 'lining',
  stairSet: 'lining',
};

/**
 * A path and all that lead to it, by names that no others have, the shortest first.
 * @example pathsTo(['house', 'g']).length // 2
 */
export const pathsTo = (path: HousePath): readonly string[] =>
  path.map((_, i) => JSON.stringify(path.slice(0, i + 1)));

/** The earliest of works by where they are; those without a date last, of equals the first. */
class Earliest {
  private readonly works = new Map<string, ScheduledWork>();

  add(kind: WorkKind, path: string, work: ScheduledWork): void {
    const key = `${kind} ${path}`;
    const before = this.works.get(key);
    if (before === undefined || (work.start ?? Infinity) < (before.start ?? Infinity))
      this.works.set(key, work);
  }

  at(kind: WorkKind, path: string): ScheduledWork | null {
    return this.works.get(`${kind} ${path}`) ?? null;
  }
}

/** The work that covers a thing, and whether it stands in for one that is not planned. */
export interface Covering {
  readonly covering: ScheduledWork | null;
  readonly standIn: boolean;
}

/** Finds the works that cover things. */
export class CoveringWorks {
  /** By each of their scopes, and by each path that leads to one. */
  private readonly on = new Earliest();
  private readonly within = new Earliest();

  constructor(works: readonly ScheduledWork[]) {
    for (const each of works) {
      for (const scope of each.work.scopes) {
        const paths = pathsTo(scope);
        paths.forEach((path) => this.within.add(each.work.kind, path, each));
        this.on.add(each.work.kind, paths.at(-1) ?? '', each);
      }
    }
  }

  private ofKind(kind: WorkKind, paths: readonly string[]): ScheduledWork | null {
    const holding = paths.map((path) => this.on.at(kind, path)).findLast((work) => work !== null);
    return holding ?? this.within.at(kind, paths.at(-1) ?? '');
  }

  /**
   * The work that covers a thing: of its kind the one on the narrowest part of the house that holds the thing, else the first
   * on a part of where it is, else the same of the kind that stands in.
   */
  of({ coverEvent, path }: HoldItem): Covering {
    if (coverEvent === 'none') return { covering: null, standIn: false };
    const paths = pathsTo(path);
    const own = this.ofKind(coverEvent, paths);
    const other = STAND_INS[coverEvent];
    if (own !== null || other === undefined) return { covering: own, standIn: false };
    const covering = this.ofKind(other, paths);
    return { covering, standIn: covering !== null };
  }
}
