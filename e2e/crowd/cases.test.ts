import type { AirtightnessTest, Area, TestReading } from '@calvet/contract';
import { v7 } from 'uuid';
import type { Store } from '../../app/src/data/store';
import { sampleHouse } from '../../contract/test/sample-house';
import { ask } from '../../server/test/asking';
import { areaBody, createHouse, testBody } from '../../server/test/records';
import { startServer, type RunningServer } from '../../server/test/running-server';
import { Device, type Weather } from './device';

jest.setTimeout(120_000);

let server: RunningServer;
let houseId: string;
let weather: Weather | ((path: string, body: string) => Weather | Response) = 'fine';
let devices: Device[] = [];

beforeAll(async () => {
  server = await startServer();
});
afterAll(() => server.close());
beforeEach(async () => {
  weather = 'fine';
  houseId = v7();
  await ask(changesUrl(), { json: { changes: [createHouse(houseId, sampleHouse)] } });
});
afterEach(async () => {
  weather = 'fine';
  for (const device of devices) await device.close();
  devices = [];
});

const changesUrl = (id = houseId) => `${server.url}/api/v1/ledgers/${id}/changes`;
const pause = (milliseconds: number) => new Promise((resolve) => setTimeout(resolve, milliseconds));

/** Long enough for a machine that has other work. */
const UNTIL_MS = 60_000;

async function until(holds: () => boolean | Promise<boolean>, what: string): Promise<void> {
  const end = Date.now() + UNTIL_MS;
  while (Date.now() < end) {
    if (await holds()) return;
    await pause(10);
  }
  throw new Error(`It never came to this: ${what}.`);
}

/** A device, here with one tab that knows the house. */
async function open(): Promise<Store> {
  const device = new Device({ server: () => server.url, weather: () => weather, random: () => 0.5 });
  devices.push(device);
  const tab = await device.openTab();
  await tab.refreshLedger(houseId);
  return tab;
}

const isSent = (tab: Store) => () => tab.outbox.getState().pending.length === 0;
const sent = (tab: Store) => until(isSent(tab), 'everything is sent');

async function serverRecord<T>(id: string): Promise<T> {
  const { body } = await ask(`${changesUrl()}?since=0`);
  return body.records.find(({ record }) => record.id === id)?.record as unknown as T;
}

const reading = (pressurePa: number): TestReading => ({
  id: v7(),
  pressurePa,
  flowM3h: 400,
  fanPressurePa: null,
  fanRange: null,
  struckOut: null,
});

/** What a tab shows of a record. */
const shown = <T>(tab: Store, id: string) => tab.copies.recordOf(houseId, id)?.record as T;

test('what is typed after an answer was lost goes under an id of its own, over a reload too', async () => {
  const tab = await open();
  const id = tab.createRecord(houseId, 'airtightnessTest', { ...testBody, depressurise: null });
  await sent(tab);
  const readings = [reading(-50)];
  const run = () => ({ baselineBeforePa: [], baselineAfterPa: [], readings: [...readings] });
  weather = 'answer lost';
  const seen = shown<AirtightnessTest>(tab, id);
  tab.updateRecord('airtightnessTest', seen, { depressurise: run() });
  await until(() => tab.outbox.getState().phase === 'unreachable', 'the answer is lost');
  for (let i = 1; i <= 8; i++) {
    const before = { ...seen, depressurise: run() };
    readings.push(reading(-50 + i));
    tab.updateRecord('airtightnessTest', before, { depressurise: run(), note: `reading ${i}` });
    if (i === 4) {
      const [device] = devices;
      await device?.kill(tab);
      const again = await device?.openTab();
      expect(again?.outbox.getState().pending.length).toBeGreaterThan(1);
      break;
    }
  }
  weather = 'fine';
  const [later] = devices[0]?.tabs ?? [];
  if (later === undefined) throw new Error('The tab is gone.');
  later.tryNow();
  await sent(later);
  const kept = await serverRecord<AirtightnessTest>(id);
  expect(kept.depressurise?.readings.map(({ pressurePa }) => pressurePa)).toEqual([-50, -49, -48, -47, -46]);
  expect(kept.note).toBe('reading 4');
});

test('two people’s readings both stay, and an answer lays nothing older over them', async () => {
  const [one, other] = [await open(), await open()];
  const id = one.createRecord(houseId, 'airtightnessTest', { ...testBody, depressurise: null });
  await sent(one);
  await other.refreshLedger(houseId);
  const run = (...readings: TestReading[]) => ({ baselineBeforePa: [], baselineAfterPa: [], readings });
  const [mine, theirs, next] = [reading(-50), reading(-40), reading(-30)];
  one.updateRecord('airtightnessTest', shown(one, id), { depressurise: run(mine) });
  other.updateRecord('airtightnessTest', shown(other, id), { depressurise: run(theirs) });
  await Promise.all([sent(one), sent(other)]);
  await one.refreshLedger(houseId);
  const seen = shown<AirtightnessTest>(one, id);
  one.updateRecord('airtightnessTest', seen, {
    depressurise: run(...(seen.depressurise?.readings ?? []), next),
  });
  await sent(one);
  const kept = (await serverRecord<AirtightnessTest>(id)).depressurise?.readings ?? [];
  expect(new Set(kept.map(({ pressurePa }) => pressurePa))).toEqual(new Set([-50, -40, -30]));
  expect(one.outbox.getState().troubled).toEqual([]);
  expect(other.outbox.getState().troubled).toEqual([]);
});

test.each<Weather>(['portal', 'empty', 'gateway', 'too many'])(
  'an answer that is not the server’s (%s) makes nothing sent, and nothing known',
  async (kind) => {
    const tab = await open();
    weather = kind;
    const id = tab.createRecord(houseId, 'area', areaBody);
    await until(() => tab.outbox.getState().phase === 'unreachable', 'it is told');
    await pause(60);
    expect(tab.outbox.getState().pending).toHaveLength(1);
    await expect(tab.refreshHouses()).rejects.toThrow();
    await expect(tab.freeHouse(houseId)).resolves.toBeUndefined();
    expect(tab.copies.has(houseId)).toBe(true);
    weather = 'fine';
    tab.tryNow();
    await sent(tab);
    expect(await serverRecord<Area>(id)).toMatchObject(areaBody);
  },
);

const posted = (body: string) =>
  body === '' ? [] : (JSON.parse(body) as { readonly changes: readonly { readonly body: object }[] }).changes;

test('one change that leads to a fault is found and set aside with what it holds; all others go', async () => {
  const tab = await open();
  weather = (_path, body) =>
    posted(body).some((each) => 'name' in each.body && each.body.name === 'Poison')
      ? new Response('<h1>500</h1>', { status: 500, headers: { 'content-type': 'text/html' } })
      : 'fine';
  const names = Array.from({ length: 20 }, (_, i) => (i === 7 ? 'Poison' : `Wall ${i}`));
  const ids = names.map((name) => tab.createRecord(houseId, 'area', { ...areaBody, name }));
  await sent(tab);
  const { troubled } = tab.outbox.getState();
  expect(troubled.map(({ change }) => change.body)).toMatchObject([{ ...areaBody, name: 'Poison' }]);
  for (const [i, id] of ids.entries()) {
    if (i !== 7) expect(await serverRecord<Area>(id)).toMatchObject({ name: `Wall ${i}` });
  }
});

test('a batch that is too large for a proxy goes in parts', async () => {
  const tab = await open();
  let largest = 0;
  weather = (_path, body) => {
    if (posted(body).length > 3) return new Response('<h1>413</h1>', { status: 413 });
    largest = Math.max(largest, posted(body).length);
    return 'fine';
  };
  const ids = Array.from({ length: 20 }, () => tab.createRecord(houseId, 'area', areaBody));
  await sent(tab);
  expect(largest).toBeGreaterThan(0);
  expect(tab.outbox.getState().troubled).toEqual([]);
  for (const id of ids) expect(await serverRecord<Area>(id)).toMatchObject(areaBody);
});

test('a house that the server will not make holds up no other, and is named by its field', async () => {
  const tab = await open();
  const wrong = tab.createHouse({ ...sampleHouse, volumeM3: 0 });
  tab.createRecord(wrong, 'area', areaBody);
  const id = tab.createRecord(houseId, 'area', areaBody);
  await until(async () => (await serverRecord(id)) !== undefined, 'the other house is sent');
  await until(() => tab.outbox.getState().troubled.length > 0, 'the wrong one is told');
  expect(tab.outbox.getState().troubled[0]?.trouble).toMatchObject({ field: 'changes[0].body.volumeM3' });
});

test('2,000 creations are entered in one go, and all of them arrive', async () => {
  const tab = await open();
  tab.writeAll(
    Array.from({ length: 2000 }, (_, i) => ({
      ledgerId: houseId,
      kind: 'area' as const,
      id: v7(),
      op: 'create' as const,
      body: { ...areaBody, name: `Wall ${i}` },
    })),
  );
  expect(tab.outbox.getState().pending).toHaveLength(2000);
  await until(isSent(tab), 'everything is sent');
  const { body } = await ask(`${changesUrl()}?since=1001`);
  expect(body.records).toHaveLength(1000);
});
