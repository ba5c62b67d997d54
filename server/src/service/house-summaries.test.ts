import { apiPaths, houseSummary, type AirtightnessTest, type Area, type House } from '@calvet/contract';
import { createConnection } from 'mysql2/promise';
import { v7 } from 'uuid';
import { areaBody, change, createHouse, testBody } from '../../test/records';
import { ask, startServer, type RunningServer } from '../../test/running-server';

let server: RunningServer;
beforeAll(async () => {
  server = await startServer();
});
afterAll(() => server.close());

const post = (houseId: string, ...changes: readonly unknown[]) =>
  ask(server.url + apiPaths.changes(houseId), { json: { changes } });
const list = async () => (await ask(server.url + apiPaths.houses)).body;

const reading = (pressurePa: number, flowM3h: number) => ({
  id: v7(),
  pressurePa,
  flowM3h,
  fanPressurePa: null,
  fanRange: null,
  struckOut: null,
});
const withFigures = {
  ...testBody,
  depressurise: {
    ...testBody.depressurise!,
    readings: [reading(-60, 700), reading(-50, 620), reading(-40, 540), reading(-30, 450), reading(-20, 350)],
  },
};

/** What a device that holds all of the house would say of it. */
async function summaryFromRecords(houseId: string) {
  const { records } = (await ask(`${server.url}${apiPaths.changes(houseId)}?since=0`)).body;
  const of = (kind: string) =>
    records
      .filter((each) => each.kind === kind && each.record.deletedAt === null)
      .map(({ record }) => record);
  return houseSummary({
    house: of('house')[0] as unknown as House,
    areas: of('area') as unknown as readonly Area[],
    tests: of('airtightnessTest') as unknown as readonly AirtightnessTest[],
  });
}

test('the list says of each house what its records come to, and follows every change of them', async () => {
  const [one, other] = [v7(), v7()];
  const test = change({ kind: 'airtightnessTest', body: withFigures });
  const area = change({});
  await post(one, createHouse(one), area, test);
  await post(other, createHouse(other));
  const before = (await list()).summaries;
  expect(before[one]).toEqual(JSON.parse(JSON.stringify(await summaryFromRecords(one))));
  expect(before[one]?.latest?.id).toBe(test.id);
  expect(before[other]).toMatchObject({ latest: null, tightness: null, envelope: { built: null } });

  await post(one, change({ id: area.id, op: 'update', baseRevision: 1, body: { areaM2: 12 } }));
  const changed = (await list()).summaries[one];
  expect(changed?.envelope).not.toEqual(before[one]?.envelope);
  expect(changed).toEqual(JSON.parse(JSON.stringify(await summaryFromRecords(one))));

  await post(one, change({ kind: 'airtightnessTest', id: test.id, op: 'delete', baseRevision: 1 }));
  await post(one, change({ id: area.id, op: 'delete', baseRevision: 2 }));
  expect((await list()).summaries[one]).toEqual({ ...before[other], envelope: before[other]?.envelope });
});

test('another process tells the same, and what it did not see change either', async () => {
  const houseId = v7();
  await post(houseId, createHouse(houseId), change({}));
  const second = await startServer({ databaseUrl: server.databaseUrl });
  const told = async () => (await ask(second.url + apiPaths.houses)).body.summaries[houseId];
  expect(await told()).toEqual((await list()).summaries[houseId]);
  await post(houseId, change({ body: { ...areaBody, name: 'Roof', areaM2: 90 } }));
  expect(await told()).toEqual((await list()).summaries[houseId]);
  await second.close();
});

test('one strange record takes the list from nobody', async () => {
  const [strange, sound] = [v7(), v7()];
  const area = change({});
  await post(strange, createHouse(strange), area);
  await post(sound, createHouse(sound), change({}));
  const connection = await createConnection(server.databaseUrl);
  await connection.query("update area set build_up = '7', change_number = change_number where id = ?", [
    area.id,
  ]);
  await connection.query('update ledger set last_change = last_change + 1 where id = ?', [strange]);
  await connection.end();
  const { houses, summaries } = await list();
  expect(houses.map(({ id }) => id)).toEqual(expect.arrayContaining([strange, sound]));
  expect([summaries[strange], summaries[sound]?.envelope.unsized]).toEqual([undefined, 0]);
});
