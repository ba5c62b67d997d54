import type { Change } from '@calvet/contract/changes/change';
import type { House } from '@calvet/contract/house/house';
import type { KindedRecord } from '@calvet/contract/kinds';
import { houseWith } from '../../test/records';
import { EMPTY_COPY, withRecords, type LedgerCopy } from './ledger-copy';
import type { OutboxState } from './outbox';
import type { Pending } from './outbox-rules';
import { viewWithWaiting, withNewerHouses } from './waiting';

const house = (id: string, more: Partial<House> = {}): House =>
  houseWith({ id, ledgerId: id, name: `House ${id}`, ...more });
const copyWith = (...records: KindedRecord[]): LedgerCopy => withRecords(EMPTY_COPY, records, 1);
const held = (record: House): [string, LedgerCopy] => [record.id, copyWith({ kind: 'house', record })];
const waiting = (ledgerId: string, part: Partial<Change>): Pending => ({
  ledgerId,
  change: {
    changeId: 'c',
    kind: 'house',
    id: ledgerId,
    baseRevision: 1,
    op: 'update',
    body: {},
    ...part,
  } as Change,
  isSealed: false,
});
const stateOf = (...pending: Pending[]): OutboxState => ({ pending, troubled: [], phase: 'idle' });
const namesOf = (houses: readonly House[]) => houses.map(({ name }) => name);

test('a house that nobody knows is undefined, one that was deleted is null', () => {
  expect(viewWithWaiting('house', undefined, 'a', stateOf())).toBeUndefined();
  expect(
    viewWithWaiting(
      'house',
      copyWith({ kind: 'house', record: house('a', { deletedAt: 'then' }) }),
      'a',
      stateOf(),
    ),
  ).toBeNull();
});

test('a house that was only just created is seen before the server has it', () => {
  const { id, ledgerId, ...body } = house('a');
  const view = viewWithWaiting(
    'house',
    undefined,
    'a',
    stateOf(waiting('a', { op: 'create', baseRevision: 0, body })),
  );
  expect(view?.house.name).toBe('House a');
});

test('what waits for one house does not touch another', () => {
  const state = stateOf(waiting('b', { body: { name: 'Other' } }));
  expect(
    viewWithWaiting('house', copyWith({ kind: 'house', record: house('a') }), 'a', state)?.house.name,
  ).toBe('House a');
});

describe('the list of houses', () => {
  test('stands by name', () => {
    expect(namesOf(withNewerHouses([house('b'), house('a')], new Map(), stateOf()))).toEqual([
      'House a',
      'House b',
    ]);
  });

  test('takes the newer of what the server told and what is held', () => {
    const newer = house('a', { revision: 4, name: 'Renamed here' });
    const older = house('b', { revision: 1, name: 'Old' });
    const told = [house('a', { revision: 3 }), house('b', { revision: 2, name: 'Renamed there' })];
    expect(namesOf(withNewerHouses(told, new Map([held(newer), held(older)]), stateOf()))).toEqual([
      'Renamed here',
      'Renamed there',
    ]);
  });

  test('drops a house whose deletion was taken while the list is still the old one', () => {
    const gone = house('a', { revision: 2, deletedAt: 'then' });
    expect(withNewerHouses([house('a')], new Map([held(gone)]), stateOf())).toEqual([]);
  });

  test('has what is held on the device where the server could not be asked', () => {
    const copies = new Map([
      held(house('b', { name: 'Kept here' })),
      held(house('c', { deletedAt: 'then' })),
    ]);
    expect(namesOf(withNewerHouses([], copies, stateOf()))).toEqual(['Kept here']);
  });

  test('shows what waits: new houses, new names, deletions', () => {
    const { id, ledgerId, ...body } = house('c', { name: 'Added' });
    const state = stateOf(
      waiting('a', { op: 'delete' }),
      waiting('b', { body: { name: 'Named anew' } }),
      waiting('c', { op: 'create', baseRevision: 0, body }),
    );
    expect(namesOf(withNewerHouses([house('a'), house('b')], new Map(), state))).toEqual([
      'Added',
      'Named anew',
    ]);
  });

  test('leaves it to nobody else’s areas to make a house', () => {
    const orphan = waiting('x', { kind: 'area', id: 'area', op: 'create', baseRevision: 0 });
    expect(withNewerHouses([], new Map(), stateOf(orphan))).toEqual([]);
  });
});
