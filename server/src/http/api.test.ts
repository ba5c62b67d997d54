import { v7 } from 'uuid';
import { change, createHouse } from '../../test/records';
import { ask, startServer, type RunningServer } from '../../test/running-server';

let server: RunningServer;

beforeAll(async () => {
  server = await startServer();
});
afterAll(() => server.close());

const api = (path: string) => `${server.url}/api/v1${path}`;
const changes = () => api(`/ledgers/${v7()}/changes`);

test('health and readiness answer', async () => {
  expect(await ask(api('/health'))).toMatchObject({ status: 200, body: { status: 'ok' } });
  expect(await ask(api('/ready'))).toMatchObject({ status: 200, body: { status: 'ready' } });
});

test('a connection that nothing goes over is kept longer than proxies keep theirs', async () => {
  const { headers } = await fetch(api('/health'));
  const [, seconds] = /timeout=(\d+)/.exec(headers.get('keep-alive') ?? '') ?? [];
  expect(Number(seconds)).toBeGreaterThan(60);
});

describe('compute', () => {
  test('answers an operation of the core', async () => {
    const { status, body } = await ask(api('/compute/air.dewPoint'), {
      json: { temperatureC: 20, relativeHumidity: 0.5 },
    });
    expect(status).toBe(200);
    expect(body.dewPointC).toBeCloseTo(9.269, 3);
  });

  const reading = (pressurePa: number, flowM3h = 400) => ({ pressurePa, flowM3h });
  const multiPoint = (readings: unknown[]) => ({
    method: 'iso9972',
    building: { volumeM3: 400, envelopeAreaM2: 420, floorAreaM2: 150, heightM: 5.5 },
    conditions: { indoorTemperatureC: 20, outdoorTemperatureC: 5 },
    runs: [{ direction: 'depressurise', baselineBeforePa: [-1], baselineAfterPa: [-1], readings }],
  });
  const good = [reading(-20, 200), reading(-35, 300), reading(-50, 400)];
  const range = { coefficient: 10, exponent: 0.5, minPa: 20, maxPa: 200 };

  test.each<[string, unknown, string, string]>([
    [
      'volume 0',
      { ...multiPoint(good), building: { volumeM3: 0, envelopeAreaM2: 1, floorAreaM2: 1, heightM: 1 } },
      'out-of-range',
      'building.volumeM3',
    ],
    [
      'text for a number',
      { ...multiPoint(good), conditions: { indoorTemperatureC: '20', outdoorTemperatureC: 5 } },
      'not-a-number',
      'conditions.indoorTemperatureC',
    ],
    ['flow 0', multiPoint([...good, reading(-60, 0)]), 'out-of-range', 'runs[0].readings[3].flowM3h'],
    [
      'a pressure of the wrong sign',
      multiPoint([...good, reading(60)]),
      'wrong-sign',
      'runs[0].readings[3].pressurePa',
    ],
    [
      'equal pressures',
      multiPoint([reading(-50), reading(-50), reading(-50)]),
      'no-spread',
      'runs[0].readings',
    ],
    ['two readings', multiPoint(good.slice(1)), 'too-few-readings', 'runs[0].readings'],
    [
      'a fan pressure outside its range',
      multiPoint([...good, { pressurePa: -60, fanPressurePa: 300, range }]),
      'fan-pressure-out-of-range',
      'runs[0].readings[3].fanPressurePa',
    ],
    ['no input', null, 'not-an-object', ''],
    ['a number as input', 5, 'not-an-object', ''],
    [
      'figures out of all proportion',
      { ...multiPoint(good), building: { volumeM3: 1e-320, envelopeAreaM2: 1, floorAreaM2: 1, heightM: 1 } },
      'not-finite',
      '',
    ],
  ])('refuses %s', async (_name, json, code, field) => {
    const { status, type, body } = await ask(api('/compute/airtightness.multiPoint'), { json });
    expect([status, body.code, body.field]).toEqual([422, code, field]);
    expect(type).toContain('application/problem+json');
  });

  test('three readings are computed, and found too few', async () => {
    const { status, body } = await ask(api('/compute/airtightness.multiPoint'), { json: multiPoint(good) });
    expect(status).toBe(200);
    expect(body.findings.map(({ rule }) => rule)).toContain('few-readings');
  });

  test('an operation that nobody knows', async () => {
    const { status, body } = await ask(api('/compute/air.guess'), { json: {} });
    expect([status, body.code, body.field]).toEqual([404, 'unknown-operation', 'operation']);
  });

  test('names of built-in properties are no operations', async () => {
    for (const name of ['constructor', '__proto__', 'toString']) {
      expect((await ask(api(`/compute/${name}`), { json: {} })).status).toBe(404);
    }
  });
});

describe('requests that cannot be read', () => {
  const json = { 'content-type': 'application/json' };

  test.each<[string, () => string, RequestInit, number, string]>([
    ['a malformed house id', () => api('/ledgers/nope/changes'), {}, 400, 'malformed-id'],
    ['an unknown house', changes, {}, 404, 'unknown-ledger'],
    ['a change number that is none', () => `${changes()}?since=x`, {}, 400, 'out-of-range'],
    ['a negative change number', () => `${changes()}?since=-1`, {}, 400, 'out-of-range'],
    ['broken JSON', changes, { method: 'POST', headers: json, body: '{"changes":[' }, 400, 'malformed-json'],
    ['no changes', changes, { method: 'POST', headers: json, body: '{}' }, 422, 'list-length'],
    [
      'an empty batch',
      changes,
      { method: 'POST', headers: json, body: '{"changes":[]}' },
      422,
      'list-length',
    ],
    [
      'another kind of body',
      changes,
      { method: 'POST', headers: { 'content-type': 'text/csv' }, body: 'a,b' },
      415,
      'not-json',
    ],
    [
      'a body over 1 MB',
      changes,
      { method: 'POST', headers: json, body: `"${'x'.repeat(1_100_000)}"` },
      413,
      'body-too-large',
    ],
    [
      'a file of 5 MB',
      changes,
      { method: 'POST', headers: { 'content-type': 'text/csv' }, body: 'x'.repeat(5_000_000) },
      413,
      'body-too-large',
    ],
    ['a path that nothing answers', () => api('/nothing/here'), {}, 404, 'unknown-path'],
    ['a path with broken encoding', () => api('/ledgers/%E0%A4%A/changes'), {}, 400, 'malformed-path'],
  ])('%s', async (_name, url, init, status, code) => {
    const answer = await ask(url(), init);
    expect([answer.status, answer.body.code]).toEqual([status, code]);
    expect(answer.type).toContain('application/problem+json');
  });

  test('201 changes at once', async () => {
    const id = v7();
    const many = [createHouse(id), ...Array.from({ length: 200 }, () => change({}))];
    const { status, body } = await ask(api(`/ledgers/${id}/changes`), { json: { changes: many } });
    expect([status, body.code, body.field]).toEqual([422, 'list-length', 'changes']);
  });

  test('a body nested a hundred thousand deep', async () => {
    const deep = `{"temperatureC":20,"relativeHumidity":null,"extra":${'['.repeat(100_000)}${']'.repeat(100_000)}}`;
    const { status } = await ask(api('/compute/air.density'), { method: 'POST', headers: json, body: deep });
    expect(status).toBeLessThan(500);
  });
});
