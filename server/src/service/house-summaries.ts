import {
  asKindedRecord,
  houseSummary,
  type AirtightnessTest,
  type Area,
  type House,
  type HouseSummary,
  type LedgerRecord,
} from '@calvet/contract';
import type { Database } from '../store/database';
import { recordsChanged } from '../store/records';
import { may, type Principal } from './rights';

/** So many houses are read at once. */
const HOUSES_AT_ONCE = 50;
const SUMMARISED = ['area', 'airtightnessTest'] as const;

interface Known {
  readonly upTo: number;
  /** Undefined where the records of the house do not add up. */
  readonly summary: HouseSummary | undefined;
}

const present = (records: readonly LedgerRecord[], houseId: string) =>
  records
    .filter((record) => record.ledgerId === houseId && record.deletedAt === null)
    .map((record) => asKindedRecord(record).record);

function summarised(
  house: House,
  areas: readonly LedgerRecord[],
  tests: readonly LedgerRecord[],
): HouseSummary | undefined {
  try {
    return houseSummary({
      house,
      areas: present(areas, house.id) as readonly Area[],
      tests: present(tests, house.id) as readonly AirtightnessTest[],
    });
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
      const [areas = [], tests = []] = await Promise.all(
        SUMMARISED.map((kind) => recordsChanged(this.db, kind, ranges, Number.MAX_SAFE_INTEGER)),
      );
      for (const house of some)
        this.known.set(house.id, { upTo: upToOf(house), summary: summarised(house, areas, tests) });
    }
    return Object.fromEntries(
      houses.flatMap(({ id }): [string, HouseSummary][] => {
        const summary = this.known.get(id)?.summary;
        return summary === undefined ? [] : [[id, summary]];
      }),
    );
  }
}
