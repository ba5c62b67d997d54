import { v7 } from 'uuid';
import { areaBody, change, createHouse, houseBody, testBody } from '../../test/records';
import { ask, cutConnections, startServer, type RunningServer } from '../../test/running-server';

let server: RunningServer;
let ledgerId: string;
let changesUrl: string;

const post = (...changes: unknown[]) => ask(changesUrl, { json: { changes } });
const since = (number: number) => ask(`${changesUrl}?since=${number}`);

beforeAll(async () => {
  server = await startServer();
});
afterAll(() => server.close());

beforeEach(async () => {
  ledgerId = v7();
  changesUrl = `${server.url}/api/v1/ledgers/${ledgerId}/changes`;
  await post(createHouse(ledgerId));
});

describe('what is written is read again', () => {
  test('a house, an area and a test come back whole, with their revision', async () => {
    const area = change({});
    const tested = change({ kind: 'airtightnessTest', body: testBody });
    const { status, body } = await post(area, tested);
    expect(status).toBe(200);
    expect(body.results.map(({ outcome, changeNumber }) => [outcome, changeNumber])).toEqual([
      ['applied', 2],
      ['applied', 3],
    ]);
    const page = (await since(0)).body;
    expect(page).toMatchObject({ upTo: 3, more: false });
    expect(page.records.map(({ kind }) => kind)).toEqual(['house', 'area', 'airtightnessTest']);
    expect(page.records[0]?.record).toMatchObject({
      ...houseBody,
      id: ledgerId,
      revision: 1,
      deletedAt: null,
    });
    expect(page.records[1]?.record).toMatchObject({ ...areaBody, ledgerId });
    expect(page.records[2]?.record).toMatchObject(testBody);
  });

  test('only what is new comes after a change number', async () => {
    const area = change({});
    await post(area);
    await post(change({ ...area, changeId: v7(), op: 'update', baseRevision: 1, body: { grade: 'II' } }));
    const page = (await since(2)).body;
    expect(page.records).toHaveLength(1);
    expect(page.records[0]?.record).toMatchObject({ ...areaBody, grade: 'II', revision: 2 });
    expect((await since(3)).body).toEqual({ records: [], upTo: 3, more: false });
  });

  test('a deleted record stays known as deleted, and can be restored', async () => {
    const area = change({});
    await post(area);
    await post(change({ id: area.id, op: 'delete', baseRevision: 1 }));
    expect((await since(2)).body.records[0]?.record.deletedAt).toMatch(/^\d{4}-\d{2}-\d{2}T.*Z$/);
    await post(change({ id: area.id, op: 'restore', baseRevision: 2 }));
    expect((await since(3)).body.records[0]?.record).toMatchObject({
      ...areaBody,
      deletedAt: null,
      revision: 3,
    });
  });

  test('a deleted house leaves the list', async () => {
    const listed = async () =>
      (await ask(`${server.url}/api/v1/houses`)).body.houses.map(({ id }) => id).includes(ledgerId);
    expect(await listed()).toBe(true);
    await post(change({ kind: 'house', id: ledgerId, op: 'delete', baseRevision: 1 }));
    expect(await listed()).toBe(false);
  });

  test('more than a page comes in pages, without a gap', async () => {
    const batches = Array.from({ length: 6 }, () => Array.from({ length: 200 }, () => change({})));
    for (const batch of batches) expect((await post(...batch)).status).toBe(200);
    const first = (await since(0)).body;
    const second = (await since(first.upTo)).body;
    expect([first.records.length, first.more, second.records.length, second.more]).toEqual([
      1000,
      true,
      201,
      false,
    ]);
    const ids = new Set([...first.records, ...second.records].map(({ record }) => record.id));
    expect(ids.size).toBe(1201);
  });

  test('the author is kept', async () => {
    await ask(changesUrl, {
      json: { changes: [change({})] },
      headers: { 'x-calvet-author': encodeURIComponent('Zoë') },
    });
    expect((await since(1)).body.records[0]?.record.updatedBy).toBe('Zoë');
  });
});

describe('what is sent twice counts once', () => {
  test('the same batch three times', async () => {
    const batch = [change({}), change({})];
    const first = await post(...batch);
    const again = await post(...batch);
    const third = await post(...batch);
    expect(first.body.results.map(({ outcome }) => outcome)).toEqual(['applied', 'applied']);
    expect(again.body.results.map(({ outcome }) => outcome)).toEqual(['already-applied', 'already-applied']);
    expect(third.body.results.map(({ changeNumber }) => changeNumber)).toEqual([2, 3]);
    expect((await since(0)).body.records).toHaveLength(3);
  });

  test('the same change twice within one batch', async () => {
    const twice = change({});
    const { body } = await post(twice, twice);
    expect(body.results.map(({ outcome }) => outcome)).toEqual(['applied', 'already-applied']);
  });
});

describe('a change against an old revision', () => {
  test('is answered with the state of the server and changes nothing', async () => {
    const area = change({});
    await post(area);
    await post(change({ id: area.id, op: 'update', baseRevision: 1, body: { name: 'Theirs' } }));
    const { status, type, body } = await post(
      change({ id: area.id, op: 'update', baseRevision: 1, body: { name: 'Mine' } }),
    );
    expect(status).toBe(409);
    expect(type).toContain('application/problem+json');
    expect(body).toMatchObject({ code: 'old-revision', field: 'changes[0].baseRevision', status: 409 });
    expect(body.results[0]).toMatchObject({
      outcome: 'conflict',
      current: { kind: 'area', record: { name: 'Theirs', revision: 2 } },
    });
    expect((await since(0)).body.records.at(-1)?.record.name).toBe('Theirs');
  });

  test('merges where it touches other fields; what it names as seen is no dispute, and which device sends it decides nothing', async () => {
    const [phone, tablet] = [v7(), v7()];
    const from = (device: string, ...sent: unknown[]) =>
      ask(changesUrl, { json: { changes: sent }, headers: { 'x-calvet-device': device } });
    const area = change({});
    await from(phone, area);
    const edit = (body: object) => change({ id: area.id, op: 'update', baseRevision: 1, body });
    const first = edit({ grade: 'II' });
    expect((await from(phone, first)).status).toBe(200);
    expect((await from(tablet, edit({ name: 'West wall' }))).status).toBe(200);
    expect((await from(phone, edit({ grade: 'I' }))).status).toBe(409);
    expect((await from(phone, { ...edit({ grade: 'I' }), seen: [first.changeId] })).status).toBe(200);
    const { status, body } = await from(tablet, edit({ grade: 'III' }));
    expect(status).toBe(409);
    expect(body.results[0]).toMatchObject({ outcome: 'conflict', fields: [{ field: 'grade' }] });
    const { record } = (await since(0)).body.records.at(-1) ?? {};
    expect(record).toMatchObject({ ...areaBody, name: 'West wall', grade: 'I', revision: 4 });
  });

  test('a deletion of what another device edited asks', async () => {
    const area = change({});
    await post(area);
    await post(change({ id: area.id, op: 'update', baseRevision: 1, body: { grade: 'II' } }));
    const { status, body } = await post(change({ id: area.id, op: 'delete', baseRevision: 1 }));
    expect([status, body.results[0]?.outcome]).toEqual([409, 'conflict']);
    expect((await since(0)).body.records.at(-1)?.record.deletedAt).toBeNull();
  });

  test('does not hold up the changes around it', async () => {
    const area = change({});
    await post(area);
    const { status, body } = await post(
      change({}),
      change({ id: area.id, op: 'update', baseRevision: 7, body: { name: 'Mine' } }),
      change({}),
    );
    expect(status).toBe(409);
    expect(body.results.map(({ outcome }) => outcome)).toEqual(['applied', 'conflict', 'applied']);
    expect((await since(0)).body.records).toHaveLength(4);
  });

  test('an edit of what was deleted meanwhile asks', async () => {
    const area = change({});
    await post(area, change({ id: area.id, op: 'delete', baseRevision: 1 }));
    const { status } = await post(
      change({ id: area.id, op: 'update', baseRevision: 2, body: { name: 'X' } }),
    );
    expect(status).toBe(409);
  });

  test('creating a record that is there already says what it says of it; something else asks', async () => {
    const area = change({ body: { ...areaBody, grade: null } });
    await post(area);
    const again = { ...area, changeId: v7(), body: { ...areaBody, areaM2: null, grade: 'II' } };
    expect((await post(again)).status).toBe(200);
    expect((await since(2)).body.records[0]?.record).toMatchObject({ ...areaBody, grade: 'II', revision: 2 });
    expect((await post({ ...area, changeId: v7(), body: { ...areaBody, areaM2: 7 } })).status).toBe(409);
  });
});

describe('what does not fit is refused with its field', () => {
  const wrongChanges: readonly [string, () => unknown, string, string][] = [
    [
      'a day that no calendar has',
      () => change({ kind: 'airtightnessTest', body: { ...testBody, performedOn: '2027-02-29' } }),
      'not-a-day',
      'changes[0].body.performedOn',
    ],
    ['an unknown kind', () => change({ kind: 'ghost' as never }), 'unknown-kind', 'changes[0].kind'],
    ['an unknown op', () => change({ op: 'burn' as never }), 'unknown-option', 'changes[0].op'],
    ['a malformed record id', () => change({ id: 'not-a-uuid' }), 'malformed-id', 'changes[0].id'],
    ['a malformed change id', () => change({ changeId: '1234' }), 'malformed-id', 'changes[0].changeId'],
    ['a negative revision', () => change({ baseRevision: -1 }), 'out-of-range', 'changes[0].baseRevision'],
    ['a change that is no object', () => 5, 'not-an-object', 'changes[0]'],
    ['a change that is null', () => null, 'not-an-object', 'changes[0]'],
    ['area 0', () => change({ body: { ...areaBody, areaM2: 0 } }), 'out-of-range', 'changes[0].body.areaM2'],
    [
      'text for a number',
      () => change({ body: { ...areaBody, areaM2: '80' as never } }),
      'not-a-number',
      'changes[0].body.areaM2',
    ],
    [
      'a name of blanks',
      () => change({ body: { ...areaBody, name: '  ' } }),
      'empty',
      'changes[0].body.name',
    ],
    [
      'a grade IV',
      () => change({ body: { ...areaBody, grade: 'IV' as never } }),
      'unknown-option',
      'changes[0].body.grade',
    ],
    [
      'a field nobody knows',
      () => change({ body: { ...areaBody, colour: 'red' } as never }),
      'unknown-field',
      'changes[0].body.colour',
    ],
    [
      'no layers',
      () => change({ body: { ...areaBody, buildUp: { ...areaBody.buildUp, layers: [] } } }),
      'list-length',
      'changes[0].body.buildUp.layers',
    ],
    [
      'a record never created',
      () => change({ op: 'update', body: { name: 'X' } }),
      'unknown-record',
      'changes[0].id',
    ],
    [
      'flow 0',
      () =>
        change({
          kind: 'airtightnessTest',
          body: {
            ...testBody,
            depressurise: {
              baselineBeforePa: [],
              baselineAfterPa: [],
              readings: [
                {
                  id: v7(),
                  pressurePa: -50,
                  flowM3h: 0,
                  fanPressurePa: null,
                  fanRange: null,
                  struckOut: null,
                },
              ],
            },
          },
        }),
      'out-of-range',
      'changes[0].body.depressurise.readings[0].flowM3h',
    ],
  ];

  test.each(wrongChanges)('%s', async (_name, wrong, code, field) => {
    const { status, type, body } = await post(wrong());
    expect(status).toBe(422);
    expect(type).toContain('application/problem+json');
    expect(body).toMatchObject({ code, field });
    expect(body.results[0]).toMatchObject({ outcome: 'refused', code, field });
    expect((await since(1)).body.records).toEqual([]);
  });

  test('volume 0 of a house', async () => {
    const id = v7();
    const url = `${server.url}/api/v1/ledgers/${id}/changes`;
    const { status, body } = await ask(url, {
      json: { changes: [createHouse(id, { ...houseBody, volumeM3: 0 })] },
    });
    expect([status, body.code, body.field]).toEqual([422, 'out-of-range', 'changes[0].body.volumeM3']);
  });

  test('a refused change stands in nobody’s way', async () => {
    const { body } = await post(change({ body: { ...areaBody, areaM2: -1 } }), change({}));
    expect(body.results.map(({ outcome }) => outcome)).toEqual(['refused', 'applied']);
  });

  test('a record of another house cannot be written to', async () => {
    const area = change({});
    await post(area);
    const other = v7();
    const url = `${server.url}/api/v1/ledgers/${other}/changes`;
    await ask(url, { json: { changes: [createHouse(other)] } });
    const { status, body } = await ask(url, {
      json: { changes: [change({ id: area.id, op: 'update', baseRevision: 1, body: { name: 'Stolen' } })] },
    });
    expect([status, body.code, body.field]).toEqual([422, 'conflict', 'changes[0].id']);
  });

  test('a house is only written under its own id', async () => {
    const { status, body } = await post(change({ kind: 'house', id: v7(), body: houseBody }));
    expect([status, body.code]).toEqual([422, 'conflict']);
  });
});

describe('many hands at once', () => {
  test('forty writers to one house: every change has its own number and none is lost', async () => {
    const answers = await Promise.all(Array.from({ length: 40 }, () => post(change({}), change({}))));
    expect(answers.map(({ status }) => status)).toEqual(Array(40).fill(200));
    const numbers = answers.flatMap(({ body }) => body.results.map(({ changeNumber }) => changeNumber));
    expect([...numbers].sort((a, b) => a - b)).toEqual(Array.from({ length: 80 }, (_, i) => i + 2));
    expect((await since(0)).body.records).toHaveLength(81);
  });

  test('of two edits upon one revision, one is taken and one is asked', async () => {
    const area = change({});
    await post(area);
    const edit = (name: string) =>
      post(change({ id: area.id, op: 'update', baseRevision: 1, body: { name } }));
    const statuses = (await Promise.all([edit('One'), edit('Other')])).map(({ status }) => status);
    expect(statuses.sort()).toEqual([200, 409]);
  });

  test('a batch cut off by the database is taken when it is sent again', async () => {
    const batch = [change({}), change({})];
    const sending = post(...batch);
    await cutConnections(server.databaseUrl);
    const first = await sending;
    expect([200, 503]).toContain(first.status);
    let again = await post(...batch);
    for (let attempt = 0; again.status === 503 && attempt < 20; attempt++) again = await post(...batch);
    expect(again.status).toBe(200);
    expect((await since(1)).body.records).toHaveLength(2);
  });
});
