import type { KeptHouseView } from '../data/ledger-copy';
import { useToday } from '../ui/use-today';
import useSWR from 'swr';
import { lookAhead } from './walk-door';
import type { LookAhead } from './walk-messages';

/** What was found of a house, with the records that it was found from. */
const found = new WeakMap<KeptHouseView, { readonly today: string; readonly ahead: LookAhead }>();

/** The same again for a house of which nothing has changed that day. */
async function aheadOf(view: KeptHouseView, today: string): Promise<LookAhead> {
  const before = found.get(view);
  if (before?.today === today) return before.ahead;
  const ahead = await lookAhead({ planned: view, houseId: view.house.id, today });
  found.set(view, { today, ahead });
  return ahead;
}

let count = 0;
const numbers = new WeakMap<readonly KeptHouseView[], number>();
/** A number for a list of views, by which what was found of it is known. */
function numberOf(views: readonly KeptHouseView[]): number {
  const known = numbers.get(views) ?? ++count;
  numbers.set(views, known);
  return known;
}

/** What has to be looked at in several houses, and by when, by their ids; the last that was found while it is found anew. */
export function useLookAheads(views: readonly KeptHouseView[]): {
  readonly ahead: ReadonlyMap<string, LookAhead> | undefined;
  readonly error: Error | undefined;
  readonly retry: () => void;
} {
  const today = useToday();
  const { data, error, mutate } = useSWR<ReadonlyMap<string, LookAhead>, Error>(
    ['what is ahead', numberOf(views), today],
    async () =>
      new Map(
        await Promise.all(views.map(async (view) => [view.house.id, await aheadOf(view, today)] as const)),
      ),
    {
      keepPreviousData: true,
      revalidateOnFocus: false,
      revalidateOnReconnect: false,
      revalidateIfStale: false,
    },
  );
  return { ahead: data, error, retry: () => void mutate() };
}
