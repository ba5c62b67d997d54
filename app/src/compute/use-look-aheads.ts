import { useCallback } from 'react';
import type { KeptHouseView } from '../data/ledger-copy';
import { useToday } from '../ui/use-today';
import { useFound, type Found } from './use-found';
import { lookAhead } from './walk-door';
import type { LookAhead } from './walk-messages';

/** What was found of a house, with the day on which it was. */
const found = new WeakMap<KeptHouseView, { readonly today: string; readonly ahead: LookAhead }>();

/** The same again for a house of which nothing has changed that day. */
async function aheadOf(view: KeptHouseView, today: string): Promise<LookAhead> {
  const before = found.get(view);
  if (before?.today === today) return before.ahead;
  const ahead = await lookAhead({ planned: view, verdicts: view.verdicts, houseId: view.house.id, today });
  found.set(view, { today, ahead });
  return ahead;
}

/** What has to be looked at in several houses, and by when, by their ids. */
export function useLookAheads(views: readonly KeptHouseView[]): Found<ReadonlyMap<string, LookAhead>> {
  const today = useToday();
  const find = useCallback(
    async () =>
      new Map(
        await Promise.all(views.map(async (view) => [view.house.id, await aheadOf(view, today)] as const)),
      ),
    [views, today],
  );
  return useFound(find);
}
