import type { Change } from '@calvet/contract';
import { idOf, idsOfHouse } from './ids';
import { demoHouses, type DemoHouse } from './scenario';

/** The changes that create a house of the scenario, by the id of the house. */
export interface SeedBatch {
  readonly houseId: string;
  readonly changes: readonly Change[];
}

function create(kind: Change['kind'], key: string, day: string, id: string, body: Change['body']): Change {
  return { changeId: idOf(`change ${key}`, day), kind, id, baseRevision: 0, op: 'create', body };
}

function batchOf({ key, begun, house, areas, tests }: DemoHouse): SeedBatch {
  const ids = idsOfHouse(key, begun);
  return {
    houseId: ids.house,
    changes: [
      create('house', key, begun, ids.house, house),
      ...areas.map((area, i) => create('area', `${key} area ${i}`, begun, ids.area(i), area)),
      ...tests.map((test, i) =>
        create('airtightnessTest', `${key} test ${i}`, test.performedOn, ids.test(i, test.performedOn), test),
      ),
    ],
  };
}

/** The whole scenario as changes, as a device would send them. Sent twice, they count once. */
export const seedBatches: readonly SeedBatch[] = demoHouses.map(batchOf);
