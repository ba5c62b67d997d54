import { notStored, ownFields, type AreaBody, type Change, type Storey, type Stored } from '@calvet/contract';
import { areaToBe, asDrawn } from '@calvet/contract/plan/as-drawn';
import { itemId } from '@calvet/contract/plan/item-key';
import { measureDrawing } from '@calvet/contract/plan/measured-drawing';
import { drawnAreas } from '@calvet/contract/plan/planned-areas';
import { drawHouse } from './draw-house';
import { idOf, idsOfHouse } from './ids';
import { groundFloorLookedAt } from './looked-at';
import { photoPlans } from './photos/photo-plans';
import { demoHouses, type DemoHouse } from './scenario';

/** The changes that create a house of the scenario, by the id of the house; the first makes the house. */
export interface SeedBatch {
  readonly houseId: string;
  readonly changes: readonly Change[];
}

function create(kind: Change['kind'], key: string, day: string, id: string, body: Change['body']): Change {
  return { changeId: idOf(`change ${key}`, day), kind, id, baseRevision: 0, op: 'create', body };
}

/** The areas of a house of the scenario of which there is a grade or a photo, under the ids that every device gives them. */
export function keptAreas({ key, begun, plan, gradeOf }: DemoHouse): readonly Stored<AreaBody>[] {
  const houseId = idsOfHouse(key, begun).house;
  const drawing = drawHouse(key, begun, plan);
  const isShown = (name: string) =>
    (photoPlans[key] ?? []).some(({ of }) => of?.kind === 'area' && of.name === name);
  return drawnAreas(drawing, measureDrawing(drawing)).flatMap((area) => {
    const grade = gradeOf(area);
    const record = areaToBe(houseId, itemId(houseId, area.key), area.key, area.name);
    return grade === null && !isShown(area.name) ? [] : [{ ...record, grade }];
  });
}

/** A house of the scenario as a device shows it: its sizes and areas as they were drawn. */
export function viewOfDemo(demo: DemoHouse) {
  const { key, begun, house, plan } = demo;
  const record = { ...house, ...notStored(idsOfHouse(key, begun).house, idsOfHouse(key, begun).house) };
  return asDrawn({ ...drawHouse(key, begun, plan), house: record, areas: keptAreas(demo) });
}

/** What was found on the walk through a house, if somebody has walked it. */
function lookedAt({ key, begun, walkedOn }: DemoHouse, storeys: readonly Storey[]): readonly Change[] {
  if (walkedOn === undefined) return [];
  const { verdicts, penetrations, leaks } = groundFloorLookedAt(storeys, { day: walkedOn, name: key });
  const made = (kind: Change['kind'], bodies: readonly Change['body'][]): readonly Change[] =>
    bodies.map((body, i) => {
      const name = `${key} ${kind} ${i}`;
      return create(kind, name, begun, idOf(name, walkedOn, i), body);
    });
  return [...made('verdict', verdicts), ...made('penetration', penetrations), ...made('mend', leaks)];
}

function batchOf(demo: DemoHouse): SeedBatch {
  const { key, begun, house, plan, tests } = demo;
  const ids = idsOfHouse(key, begun);
  const { plans, storeys, zones, roofs, openings, features, works } = drawHouse(key, begun, plan);
  const made = (kind: Change['kind'], records: readonly Stored<object>[]): readonly Change[] =>
    records.map((record) =>
      create(
        kind,
        `${key} ${kind} ${record.id}`,
        begun,
        record.id,
        ownFields(record) as unknown as Change['body'],
      ),
    );
  return {
    houseId: ids.house,
    changes: [
      create('house', key, begun, ids.house, house),
      ...made('plan', plans),
      ...made('storey', storeys),
      ...made('zone', zones),
      ...made('roof', roofs),
      ...made('opening', openings),
      ...made('feature', features),
      ...made('work', works),
      ...made('area', keptAreas(demo)),
      ...lookedAt(demo, storeys),
      ...tests.map((test, i) =>
        create('airtightnessTest', `${key} test ${i}`, test.performedOn, ids.test(i, test.performedOn), test),
      ),
    ],
  };
}

/** The whole scenario as changes, as a device would send them. Sent twice, they count once. */
export const seedBatches: readonly SeedBatch[] = demoHouses.map(batchOf);
