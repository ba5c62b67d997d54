import type { Change } from '@calvet/contract';
import { idOf } from './ids';
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
  const houseId = idOf(key, begun);
  return {
    houseId,
    changes: [
      create('house', key, begun, houseId, house),
      ...areas.map((area, i) => {
        const name = `${key} area ${i}`;
        return create('area', name, begun, idOf(name, begun, i), area);
      }),
      ...tests.map((test, i) => {
        const name = `${key} test ${i}`;
        return create('airtightnessTest', name, test.performedOn, idOf(name, test.performedOn), test);
      }),
    ],
  };
}

/** The whole scenario as changes, as a device would send them. Sent twice, they count once. */
export const seedBatches: readonly SeedBatch[] = demoHouses.map(batchOf);
