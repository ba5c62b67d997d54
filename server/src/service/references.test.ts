import { v7 } from 'uuid';
import { change, createHouse, photoOf, testBody } from '../../test/records';
import { ask, startServer, type RunningServer } from '../../test/running-server';

let server: RunningServer;
const ledgerId = v7();
const postTo = (house: string, ...changes: readonly unknown[]) =>
  ask(`${server.url}/api/v1/ledgers/${house}/changes`, { json: { changes } });
const post = (...changes: readonly unknown[]) => postTo(ledgerId, ...changes);

beforeAll(async () => {
  server = await startServer();
  await post(createHouse(ledgerId));
});
afterAll(() => server.close());

test('an id is that of one record, over all kinds and houses', async () => {
  const area = change({});
  await post(area);
  const isTaken = { status: 422, body: { field: 'changes[0].id', code: 'conflict' } };
  expect(await post(change({ id: area.id, kind: 'airtightnessTest', body: testBody }))).toMatchObject(
    isTaken,
  );
  const elsewhere = v7();
  await postTo(elsewhere, createHouse(elsewhere));
  expect(
    await postTo(elsewhere, change({ id: area.id, kind: 'photo', body: photoOf('house', elsewhere) })),
  ).toMatchObject(isTaken);
  const { body } = await post(
    change({ id: area.id }),
    change({ id: area.id, kind: 'airtightnessTest', body: testBody }),
  );
  expect(body.results).toMatchObject([{ outcome: 'applied' }, { outcome: 'refused' }]);
});

test('what a photo shows is in its house; a record of the same batch, or a deleted one, is', async () => {
  const shows = (kind: string, id: string) => change({ kind: 'photo', body: photoOf(kind, id) });
  const area = change({});
  expect((await post(shows('area', area.id))).body).toMatchObject({
    field: 'changes[0].body.subject',
    code: 'unknown-reference',
  });
  expect((await post(area, shows('area', area.id))).status).toBe(200);
  await post(change({ id: area.id, op: 'delete', baseRevision: 1 }));
  expect((await post(shows('area', area.id))).status).toBe(200);
  expect((await post(shows('airtightnessTest', area.id))).body).toMatchObject({
    code: 'unknown-reference',
  });
  expect((await post(shows('house', ledgerId))).status).toBe(200);
});
