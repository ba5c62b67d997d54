import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { apiPaths, PRACTICE_ID } from '@calvet/contract';
import { examples } from '@calvet/core/examples';
import { v7 } from 'uuid';
import { testPicture, type TestPicture } from '../../test/pictures';
import { change, createHouse, createPractice, photoOf } from '../../test/records';
import { ask, type Answer } from '../../test/asking';
import { startServer, type RunningServer } from '../../test/running-server';
import { announce, send, TUS } from '../../test/sending-pictures';
import { openDirectoryStore } from '../photo-store/directory-store';
import type { PhotoStore } from '../photo-store/photo-store';
import { ChangeWatch } from '../service/change-watch';
import { openDatabase } from '../store/database';
import { NO_LIMITS } from './address-limits';
import { apiRouter } from './api';

/*
 * To somebody who may do nothing, nothing is there: whatever they ask, they hear what a server that holds nothing says.
 */

const HOUSE = v7();
const PATH = `/api/v1/houses/${HOUSE}`;
const LEDGERS = [HOUSE, PRACTICE_ID];

let folder: string;
let photos: PhotoStore;
let picture: TestPicture;
/** The same data, for one who may do everything, and for one who may do nothing. */
let full: RunningServer;
let closed: RunningServer;
/** A server that holds nothing. */
let empty: RunningServer;

beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'calvet-nothing-'));
  photos = await openDirectoryStore({ folder, leaveFreeBytes: 0 });
  picture = await testPicture(50);
  full = await startServer({ photos });
  closed = await startServer({ photos, databaseUrl: full.databaseUrl, role: 'none' });
  empty = await startServer();
  const photo = change({ kind: 'photo', body: { ...photoOf('house', HOUSE), sha256: picture.sha256 } });
  await ask(full.url + apiPaths.changes(HOUSE), {
    json: { changes: [createHouse(HOUSE), change({}), photo] },
  });
  await ask(full.url + apiPaths.changes(PRACTICE_ID), { json: { changes: [createPractice()] } });
  const gone = v7();
  const goneUrl = `${full.url}/api/v1/ledgers/${gone}/changes`;
  await ask(goneUrl, { json: { changes: [createHouse(gone)] } });
  await ask(goneUrl, {
    json: { changes: [change({ kind: 'house', id: gone, op: 'delete', baseRevision: 1 })] },
  });
  const { at } = await announce(full, picture, undefined, PATH);
  await send(full, at, picture.bytes, 0);
});
afterAll(async () => {
  for (const server of [closed, full, empty]) await server.close();
  await rm(folder, { recursive: true, force: true });
});

const changes = () => ({ json: { changes: [change({}), createHouse(HOUSE), createPractice()] } });
const names = () => ({ json: { sha256s: [picture.sha256] } });
type Request = readonly [path: string, init?: Parameters<typeof ask>[1]];

/** A request by each route, and another one that a server that holds nothing answers in the same way, where that is another. */
const REQUESTS: Readonly<Record<string, () => { readonly asked: Request; readonly like?: Request }>> = {
  'GET /houses': () => ({ asked: ['/api/v1/houses'] }),
  'GET /houses/deleted': () => ({ asked: ['/api/v1/houses/deleted'] }),
  'GET /changes': () => ({ asked: [apiPaths.changesOf(LEDGERS.map((id) => [id, 0]))] }),
  'GET /ledgers/:ledgerId/changes': () => ({ asked: [`${apiPaths.changes(PRACTICE_ID)}?since=0`] }),
  'POST /ledgers/:ledgerId/changes': () => ({
    asked: [apiPaths.changes(PRACTICE_ID), changes()],
    like: [apiPaths.changes(PRACTICE_ID), { json: { changes: [change({})] } }],
  }),
  'GET /houses/:houseId/changes': () => ({ asked: [`${PATH}/changes?since=0`] }),
  'POST /houses/:houseId/changes': () => ({
    asked: [`${PATH}/changes`, changes()],
    like: [`${PATH}/changes`, { json: { changes: [change({})] } }],
  }),
  ...Object.fromEntries(
    ['/houses/:houseId', ''].flatMap((under) => {
      const at = () => `/api/v1${under.replace(':houseId', HOUSE)}/pictures/${picture.sha256}`;
      return [
        [`HEAD ${under}/pictures/:sha256`, () => ({ asked: [at(), { method: 'HEAD' }] })],
        [`GET ${under}/pictures/:sha256`, () => ({ asked: [at()] })],
        [`GET ${under}/pictures/:sha256/thumbnail`, () => ({ asked: [`${at()}/thumbnail`] })],
        [
          `POST ${under}/pictures/confirm`,
          () => ({ asked: [at().replace(picture.sha256, 'confirm'), names()] }),
        ],
      ];
    }),
  ),
  'POST /compute/:operation': () => ({
    asked: ['/api/v1/compute/air.dewPoint', { json: examples['air.dewPoint'] }],
    like: ['/api/v1/compute/air.unknown', { json: examples['air.dewPoint'] }],
  }),
};

/** What says nothing of what is there, or is looked at below. */
const OTHERS = new Set([
  'GET /health',
  'GET /ready',
  'GET /events',
  'ALL /houses/:houseId/uploads{/:id}',
  'ALL /uploads{/:id}',
]);

function routes(): readonly string[] {
  const { db } = openDatabase(full.databaseUrl);
  const router = apiRouter({
    db,
    photos,
    watch: new ChangeWatch(() => Promise.resolve(new Map())),
    compute: () => Promise.resolve(null),
    limits: NO_LIMITS,
  });
  return router.stack.flatMap(({ route }) => {
    if (route === undefined) return [];
    const { methods } = route as unknown as { readonly methods: Readonly<Record<string, boolean>> };
    // What stands for all methods, after others, says which there are.
    const named = Object.keys(methods).filter((method) => method !== '_all');
    const names = named.length === 0 ? ['all'] : named;
    return names.map((method) => `${method.toUpperCase()} ${route.path}`);
  });
}

const heard = ({ status, type, text, body }: Answer) => {
  const { requestId: _id, ...rest } = body as unknown as Readonly<Record<string, unknown>>;
  return { status, type, told: text.startsWith('{') ? rest : text };
};

test('every route is looked at', () => {
  expect([...routes()].sort()).toEqual([...Object.keys(REQUESTS), ...OTHERS].sort());
});

test.each(Object.entries(REQUESTS))('%s', async (route, make) => {
  const { asked, like = asked } = make();
  const [path, init] = asked;
  const answer = await ask(closed.url + path, init);
  expect(heard(answer)).toEqual(heard(await ask(empty.url + like[0], like[1])));
  for (const id of LEDGERS) expect(answer.text).not.toContain(id);
  // It is a question that gets an answer where it may be asked.
  if (!/^POST .*\/changes$/.test(route))
    expect(heard(await ask(full.url + path, init))).not.toEqual(heard(answer));
});

test('pictures are not taken in, nor is it told whether one is on its way', async () => {
  const { at } = await announce(full, await testPicture(51), undefined, PATH);
  expect(at).not.toBe('');
  for (const path of [at, at.replace(PATH, '/api/v1')]) {
    for (const method of ['HEAD', 'PATCH', 'DELETE'])
      expect((await fetch(closed.url + path, { method, headers: TUS })).status).toBe(404);
    const collection = path.slice(0, path.lastIndexOf('/'));
    expect(await ask(closed.url + collection, { method: 'POST', headers: TUS })).toMatchObject({
      status: 404,
      body: { code: 'unknown-ledger' },
    });
  }
});

test('nothing is told when something is new', async () => {
  const end = new AbortController();
  const [open, shut] = await Promise.all(
    [full, closed].map(async ({ url }) => {
      const response = await fetch(`${url}/api/v1/events`, { signal: end.signal });
      const line = { text: '' };
      void (async () => {
        for await (const piece of response.body ?? [])
          line.text += Buffer.from(piece as Uint8Array).toString();
      })().catch(() => undefined);
      return line;
    }),
  );
  if (open === undefined || shut === undefined) throw new Error('no line');
  const later = v7();
  await ask(`${full.url}/api/v1/ledgers/${later}/changes`, { json: { changes: [createHouse(later)] } });
  for (let look = 0; look < 200 && !open.text.includes(later); look++)
    await new Promise((resolve) => setTimeout(resolve, 20));
  expect(open.text).toContain(later);
  // Time for two more looks at the counters.
  await new Promise((resolve) => setTimeout(resolve, 500));
  expect(shut.text).not.toContain('data:');
  end.abort();
});
