import {
  asKindedRecord,
  type Bodies,
  houseSummary,
  type House,
  type HouseSummary,
  type LedgerRecord,
  type Stored,
} from '@calvet/contract';
import { asDrawn } from '@calvet/contract/plan/as-drawn';
import type { Database } from '../store/database';
import { recordsChanged } from '../store/records';
import { may, type Principal } from './rights';

/** So many houses are read at once. */
const HOUSES_AT_ONCE = 50;
const SUMMARISED = ['area', 'airtightnessTest', 'plan', 'storey', 'zone', 'roof', 'opening'] as const;

type Read = Readonly<Record<(typeof SUMMARISED)[number], readonly LedgerRecord[]>>;

interface Known {
  readonly upTo: number;
  /** Undefined where the records of the house do not add up. */
  readonly summary: HouseSummary | undefined;
}

function summarised(house: House, read: Read): HouseSummary | undefined {
  const present = <K extends keyof Read>(kind: K) =>
    read[kind]
      .filter(({ ledgerId, deletedAt }) => ledgerId === house.id && deletedAt === null)
      .map((record) => asKindedRecord(record).record as unknown as Stored<Bodies[K]>);
  try {
    const drawn = asDrawn({
      house,
      areas: present('area'),
      plans: present('plan'),
      storeys: present('storey'),
      zones: present('zone'),
      roofs: present('roof'),
      openings: present('opening'),
    });
    return houseSummary({ ...drawn, tests: present('airtightnessTest') });
  } catch {
    // One strange record takes the list from nobody.
    return undefined;
  }
}

/** What a list says of houses; computed again only of those that have changed since. */
export class HouseSummaries {
  private readonly known = new Map<string, Known>();

  constructor(private readonly db: Database) {}

  /**
   * Of some houses, by id.
   * @param counters numbers of their last changes, read before the houses were
   */
  async of(
    principal: Principal,
    houses: readonly House[],
    counters: ReadonlyMap<string, number>,
  ): Promise<Readonly<Record<string, HouseSummary>>> {
    if (!SUMMARISED.every((kind) => may(principal, 'see', kind))) return {};
    const upToOf = ({ id }: House): number => counters.get(id) ?? 0;
    const stale = houses.filter((house) => this.known.get(house.id)?.upTo !== upToOf(house));
    for (let i = 0; i < stale.length; i += HOUSES_AT_ONCE) {
      const some = stale.slice(i, i + HOUSES_AT_ONCE);
      const ranges = some.map(({ id }) => ({ ledgerId: id, since: 0, upTo: Number.MAX_SAFE_INTEGER }));
      const lists = await Promise.all(
        SUMMARISED.map(async (kind) => [
          kind,
          await recordsChanged(this.db, kind, ranges, Number.MAX_SAFE_INTEGER),
        ]),
      );
      const read = Object.fromEntries(lists) as Read;
      for (const house of some)
        this.known.set(house.id, { upTo: upToOf(house), summary: summarised(house, read) });
    }
    return Object.fromEntries(
      houses.flatMap(({ id }): [string, HouseSummary][] => {
        const summary = this.known.get(id)?.summary;
        return summary === undefined ? [] : [[id, summary]];
      }),
    );
  }
}
