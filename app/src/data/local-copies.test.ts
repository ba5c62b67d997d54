/** @jest-environment node */
import 'fake-indexeddb/auto';
import type { KindedRecord } from '@calvet/contract/kinds';
import { copiesOf } from './ledger-copy';
import { LocalDatabase } from './local-database';

/* What several tabs of one browser write down of one house. */

let count = 0;
const freshName = () => `copies-${count++}`;
const open = (name: string) =>
  LocalDatabase.open({
    name,
    rewrite: () => undefined,
    onTrouble: (trouble, error) => {
      if (trouble !== null) throw error ?? new Error(trouble);
    },
  });
const area = (id: string, name: string, revision = 1): KindedRecord =>
  ({
    kind: 'area',
    record: { id, ledgerId: 'h', revision, deletedAt: null, name },
  }) as unknown as KindedRecord;

test('of two tabs that write one house the newer records stay, and the house is told as far as both know it', async () => {
  const name = freshName();
  const [one, other] = [await open(name), await open(name)];
  one.keepCopy({ ledgerId: 'h', upTo: 9 }, [area('a', 'Newer', 4), area('b', 'Roof')]);
  await one.settled();
  other.keepCopy({ ledgerId: 'h', upTo: 7 }, [area('a', 'Older', 3)]);
  await other.settled();
  const copy = copiesOf(await one.load()).get('h');
  expect(copy?.upTo).toBe(9);
  expect([...(copy?.records.values() ?? [])].map(({ record }) => (record as { name: string }).name)).toEqual([
    'Newer',
    'Roof',
  ]);
  one.close();
  other.close();
});

test('a tab that has written since another one wrote lays nothing older over that', async () => {
  const name = freshName();
  const one = await open(name);
  one.keepCopy({ ledgerId: 'h', upTo: 1 }, [area('a', 'First')]);
  await one.settled();
  const other = await open(name);
  await other.load();
  one.keepCopy({ ledgerId: 'h', since: 1, upTo: 9 }, [area('a', 'Newer', 4)]);
  await one.settled();
  // As a batch of answers comes in: each record by itself, all in one go.
  other.keepCopy({ ledgerId: 'h', upTo: 0 }, [area('b', 'Roof')]);
  other.keepCopy({ ledgerId: 'h', upTo: 0 }, [area('a', 'Older', 3)]);
  await other.settled();
  other.keepCopy({ ledgerId: 'h', upTo: 0 }, [area('a', 'Older still', 2)]);
  await other.settled();
  const copy = copiesOf(await one.load()).get('h');
  expect(copy?.upTo).toBe(9);
  expect(copy?.records.get('a')?.record).toMatchObject({ name: 'Newer', revision: 4 });
  one.close();
  other.close();
});

test('a house is told no further than its records are here, whatever a tab that ended had told', async () => {
  const local = await open(freshName());
  local.keepCopy({ ledgerId: 'h', upTo: 5 }, [area('a', 'Wall')]);
  // What came between 5 and 9 was another tab's to write.
  local.keepCopy({ ledgerId: 'h', since: 9, upTo: 12 }, [area('b', 'Roof')]);
  await local.settled();
  const copy = copiesOf(await local.load()).get('h');
  expect([copy?.upTo, copy?.records.size]).toEqual([5, 2]);
  local.close();
});
