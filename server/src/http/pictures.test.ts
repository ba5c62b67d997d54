import { mkdtemp, rm } from 'node:fs/promises';
import { connect } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { startBucket } from '../../test/bucket';
import { v7 } from 'uuid';
import { change, createHouse, photoOf } from '../../test/records';
import { testPicture, type TestPicture } from '../../test/pictures';
import { ask, startServer, type RunningServer } from '../../test/running-server';
import { announce, arrived, FORMER, OF_HOUSE, picturePath, send, TUS } from '../../test/sending-pictures';
import { openDirectoryStore } from '../photo-store/directory-store';
import type { PhotoStore } from '../photo-store/photo-store';
import { bringAllHome } from '../service/pictures';
import { openDatabase } from '../store/database';

/** Sends a piece and hangs up after so many bytes of it. */
async function sendAndHangUp(
  server: RunningServer,
  at: string,
  bytes: Buffer,
  offset: number,
  after: number,
) {
  const { hostname, port } = new URL(server.url);
  const socket = connect(Number(port), hostname);
  socket.on('error', () => undefined);
  socket.write(
    [
      `PATCH ${at} HTTP/1.1`,
      `host: ${hostname}:${port}`,
      'tus-resumable: 1.0.0',
      `upload-offset: ${offset}`,
      'content-type: application/offset+octet-stream',
      `content-length: ${bytes.length - offset}`,
      '',
      '',
    ].join('\r\n'),
  );
  socket.write(bytes.subarray(offset, offset + after));
  // The bytes are on their way before the line goes dead.
  await new Promise((resolve) => setTimeout(resolve, 60));
  socket.destroy();
}

interface Place {
  readonly photos: PhotoStore;
  readonly close: () => Promise<void>;
}

const inDirectory = async (): Promise<Place> => {
  const folder = await mkdtemp(join(tmpdir(), 'calvet-uploads-'));
  return {
    photos: await openDirectoryStore({ folder, leaveFreeBytes: 0 }),
    close: () => rm(folder, { recursive: true, force: true }),
  };
};

const inBucket = async (): Promise<Place> => {
  const bucket = await startBucket();
  return { photos: bucket.open(), close: bucket.close };
};

describe.each([
  ['a directory', inDirectory],
  ['a bucket', inBucket],
])('a picture sent to a server over %s', (_name, start) => {
  let place: Place;
  let server: RunningServer;
  let other: RunningServer;
  beforeAll(async () => {
    place = await start();
    server = await startServer({ photos: place.photos });
    other = await startServer({ photos: place.photos, databaseUrl: server.databaseUrl });
  });
  afterAll(async () => {
    await other.close();
    await server.close();
    await place.close();
  });

  test('is handed out as it was sent, with a small one, by every process', async () => {
    const picture = await testPicture(10, 900);
    expect((await ask(picturePath(server, picture))).status).toBe(404);
    const { at } = await announce(server, picture);
    expect((await send(server, at, picture.bytes, 0)).status).toBe(204);
    const response = await fetch(picturePath(other, picture));
    expect(Buffer.from(await response.arrayBuffer()).equals(picture.bytes)).toBe(true);
    expect(response.headers.get('content-type')).toBe('image/jpeg');
    expect(response.headers.get('x-content-type-options')).toBe('nosniff');
    expect(response.headers.get('content-security-policy')).toContain('sandbox');
    expect(response.headers.get('cache-control')).toContain('immutable');
    const small = await fetch(`${picturePath(other, picture)}/thumbnail`);
    const { width, format } = await sharp(Buffer.from(await small.arrayBuffer())).metadata();
    expect([width, format]).toEqual([480, 'jpeg']);
  });

  test('cut off at any byte it goes on where it stopped, also with another process', async () => {
    const picture = await testPicture(11);
    const { bytes } = picture;
    const { at } = await announce(server, picture);
    const cuts = [0, 1, 7, 1024, 4096, 20_000];
    let offset = 0;
    for (const [i, cut] of cuts.entries()) {
      const process = i % 2 === 0 ? server : other;
      await sendAndHangUp(process, at, bytes, offset, cut);
      let next = await arrived(process, at);
      // What was on its way may still be written down for a moment.
      for (let look = 0; look < 20 && next < offset + cut; look++) {
        await new Promise((resolve) => setTimeout(resolve, 25));
        next = await arrived(process, at);
      }
      expect(next).toBeGreaterThanOrEqual(offset);
      expect(next).toBeLessThanOrEqual(offset + cut);
      offset = next;
    }
    expect(offset).toBeGreaterThan(0);
    expect((await send(other, at, bytes, offset)).status).toBe(204);
    const response = await fetch(picturePath(server, picture));
    expect(Buffer.from(await response.arrayBuffer()).equals(bytes)).toBe(true);
  });

  test('sent twice, also at once, it is there once', async () => {
    const picture = await testPicture(12);
    const answers = await Promise.all(
      [server, other].map(async (process) => {
        const { at } = await announce(process, picture);
        return (await send(process, at, picture.bytes, 0)).status;
      }),
    );
    expect(answers).toEqual([204, 204]);
    expect((await fetch(picturePath(server, picture))).status).toBe(200);
  });
});

describe.each([
  ['a directory', inDirectory],
  ['a bucket', inBucket],
])('pictures are those of their house, in %s', (_name, start) => {
  let place: Place;
  let server: RunningServer;
  beforeAll(async () => {
    place = await start();
    server = await startServer({ photos: place.photos });
  });
  afterAll(async () => {
    await server.close();
    await place.close();
  });
  const statusOf = async (url: string, method = 'GET') => (await fetch(url, { method })).status;
  const confirmed = (under: string, { sha256 }: TestPicture) =>
    ask(`${server.url}${under}/pictures/confirm`, { json: { sha256s: [sha256] } });
  const isHeldBy = async (under: string, { sha256 }: TestPicture) =>
    (await confirmed(under, { sha256, bytes: Buffer.alloc(0) })).text.includes(sha256);
  /** A house with a photo that shows a picture. */
  async function houseShowing({ sha256 }: TestPicture): Promise<string> {
    const houseId = v7();
    const photo = change({ kind: 'photo', body: { ...photoOf('house', houseId), sha256 } });
    const { status } = await ask(`${server.url}/api/v1/ledgers/${houseId}/changes`, {
      json: { changes: [createHouse(houseId), photo] },
    });
    expect(status).toBe(200);
    return `/api/v1/houses/${houseId}`;
  }

  test('another house has it only once it was sent there; pieces of one go on in no other', async () => {
    const picture = await testPicture(40);
    const other = `/api/v1/houses/${v7()}`;
    const { at } = await announce(server, picture);
    expect(at.startsWith(`${OF_HOUSE}/uploads/`)).toBe(true);
    const elsewhere = at.replace(OF_HOUSE, other);
    expect((await fetch(server.url + elsewhere, { method: 'HEAD', headers: TUS })).status).toBe(404);
    expect((await send(server, elsewhere, picture.bytes, 0)).status).toBe(404);
    expect((await send(server, at.replace(OF_HOUSE, FORMER), picture.bytes, 0)).status).toBe(404);
    expect((await send(server, at, picture.bytes, 0)).status).toBe(204);
    expect([await isHeldBy(OF_HOUSE, picture), await isHeldBy(other, picture)]).toEqual([true, false]);
    for (const path of [
      picturePath(server, picture, other),
      `${picturePath(server, picture, other)}/thumbnail`,
    ])
      expect([await statusOf(path), await statusOf(path, 'HEAD')]).toEqual([404, 404]);
    expect(await statusOf(picturePath(server, picture), 'HEAD')).toBe(204);
  });

  test('what a former version put beside all houses is found under each whose photos show it, and nowhere else', async () => {
    const picture = await testPicture(41, 900);
    await place.photos.put(picture.sha256, picture.bytes);
    const stranger = `/api/v1/houses/${v7()}`;
    expect(await statusOf(picturePath(server, picture, stranger))).toBe(404);
    const houses = [await houseShowing(picture), await houseShowing(picture)];
    expect(await statusOf(picturePath(server, picture, stranger))).toBe(404);
    for (const under of houses) {
      expect(await statusOf(`${picturePath(server, picture, under)}/thumbnail`)).toBe(200);
      expect([
        await isHeldBy(under, picture),
        await statusOf(picturePath(server, picture, under), 'HEAD'),
      ]).toEqual([true, 204]);
    }
    expect(await place.photos.has(picture.sha256)).toBe(false);
  });

  test('all of them are brought home when a server starts', async () => {
    const [shown, stray] = [await testPicture(42), await testPicture(43)];
    const under = await houseShowing(shown);
    for (const { sha256, bytes } of [shown, stray]) await place.photos.put(sha256, bytes);
    const database = openDatabase(server.databaseUrl);
    await bringAllHome({ db: database.db, photos: place.photos });
    await bringAllHome({ db: database.db, photos: place.photos });
    await database.close();
    expect(await place.photos.beside()).toEqual([stray.sha256]);
    expect(await statusOf(picturePath(server, shown, under))).toBe(200);
  });

  test('a former version of the app sends and finds them without naming a house', async () => {
    const picture = await testPicture(44);
    expect(await statusOf(picturePath(server, picture, FORMER), 'HEAD')).toBe(404);
    const { at } = await announce(server, picture, undefined, FORMER);
    expect((await send(server, at, picture.bytes, 0)).status).toBe(204);
    // Its photo comes after it.
    const under = await houseShowing(picture);
    expect(await isHeldBy(FORMER, picture)).toBe(true);
    for (const path of [FORMER, under].map((each) => picturePath(server, picture, each)))
      expect([
        await statusOf(path),
        await statusOf(path, 'HEAD'),
        await statusOf(`${path}/thumbnail`),
      ]).toEqual([200, 204, 200]);
  });
});
