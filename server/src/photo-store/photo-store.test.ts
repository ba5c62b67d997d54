import { symlink, mkdir, mkdtemp, readdir, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Readable } from 'node:stream';
import { Upload } from '@tus/server';
import { startBucket } from '../../test/bucket';
import { testPicture, type TestPicture } from '../../test/pictures';
import { openDirectoryStore } from './directory-store';
import { PIECES_KEPT_MS, type PhotoStore } from './photo-store';

interface Place {
  readonly open: () => Promise<PhotoStore> | PhotoStore;
  readonly close: () => Promise<void>;
}

async function startDirectory(): Promise<Place> {
  const folder = await mkdtemp(join(tmpdir(), 'calvet-store-'));
  return {
    open: () => openDirectoryStore({ folder, leaveFreeBytes: 0 }),
    close: () => rm(folder, { recursive: true, force: true }),
  };
}

describe.each<[string, () => Promise<Place>]>([
  ['a directory', startDirectory],
  ['a bucket', startBucket],
])('pictures in %s', (_name, start) => {
  let place: Place;
  let store: PhotoStore;
  let picture: TestPicture;
  beforeAll(async () => {
    place = await start();
    store = await place.open();
    picture = await testPicture(1);
  });
  afterAll(() => place.close());

  test('are not there before they are kept', async () => {
    expect([await store.has('f00d'), await store.get('f00d')]).toEqual([false, null]);
  });

  test('are there for every process once they are kept, byte by byte', async () => {
    await store.put(picture.sha256, picture.bytes);
    const other = await place.open();
    expect(await other.has(picture.sha256)).toBe(true);
    expect((await other.get(picture.sha256))?.equals(picture.bytes)).toBe(true);
  });

  test('of a house are under it, and gone once they are removed; what stands beside houses is told apart', async () => {
    const house = '01990000-0000-7000-8000-000000000001';
    const name = `${house}/${picture.sha256}`;
    await store.put(name, picture.bytes);
    expect((await store.get(name))?.equals(picture.bytes)).toBe(true);
    const before = await store.beside();
    expect(before).not.toContain(name);
    await store.put(`${picture.sha256}.thumbnail`, picture.bytes);
    expect([...(await store.beside())].sort()).toEqual(
      [...new Set([...before, `${picture.sha256}.thumbnail`])].sort(),
    );
    await store.remove(name);
    await store.remove(name);
    await store.remove(`${picture.sha256}.thumbnail`);
    expect([await store.has(name), await store.beside()]).toEqual([false, before]);
  });

  test('are there once when they are kept by several at once', async () => {
    const stores = await Promise.all([1, 2, 3, 4].map(() => place.open()));
    const { sha256, bytes } = await testPicture(2);
    await Promise.all(stores.map((each) => each.put(sha256, bytes)));
    expect((await store.get(sha256))?.equals(bytes)).toBe(true);
  });

  test('arrive in pieces, some of them with another process', async () => {
    const id = 'arriving-1';
    const { bytes } = picture;
    await store.incoming.create(new Upload({ id, size: bytes.length, offset: 0 }));
    let offset = 0;
    for (const end of [1, 1000, bytes.length]) {
      const process = await place.open();
      expect((await process.incoming.getUpload(id)).offset).toBe(offset);
      offset = await process.incoming.write(Readable.from([bytes.subarray(offset, end)]), id, offset);
    }
    expect(offset).toBe(bytes.length);
    const { incoming } = await place.open();
    const pieces: Buffer[] = [];
    for await (const piece of incoming.read(id)) pieces.push(piece);
    expect(Buffer.concat(pieces).equals(bytes)).toBe(true);
    await incoming.remove(id);
    await expect((await place.open()).incoming.getUpload(id)).rejects.toMatchObject({ status_code: 404 });
  });

  test('that nobody goes on with are thrown away by their age, and what is whole stays', async () => {
    const id = 'arriving-2';
    const { bytes, sha256 } = picture;
    await store.put(sha256, bytes);
    await store.incoming.create(new Upload({ id, size: bytes.length, offset: 0 }));
    await store.incoming.write(Readable.from([bytes.subarray(0, 900)]), id, 0);
    await store.removeAbandoned(new Date());
    expect((await store.incoming.getUpload(id)).offset).toBe(900);
    await store.removeAbandoned(new Date(Date.now() + PIECES_KEPT_MS + 60_000));
    await expect((await place.open()).incoming.getUpload(id)).rejects.toMatchObject({ status_code: 404 });
    expect(await store.has(sha256)).toBe(true);
  });

  test('have room on an ordinary day', async () => {
    expect(await store.hasRoomFor(1_000_000)).toBe(true);
  });
});

describe('a directory without room', () => {
  let folder: string;
  beforeAll(async () => {
    folder = await mkdtemp(join(tmpdir(), 'calvet-full-'));
  });
  afterAll(() => rm(folder, { recursive: true, force: true }));

  test('says so before anything is sent', async () => {
    const store = await openDirectoryStore({ folder, leaveFreeBytes: Number.MAX_SAFE_INTEGER });
    expect(await store.hasRoomFor(1)).toBe(false);
  });

  test('loses what a killed process was writing, once it is old', async () => {
    const store = await openDirectoryStore({ folder, leaveFreeBytes: 0 });
    await writeFile(join(folder, 'half.part'), 'half');
    await store.removeAbandoned(new Date());
    expect(await readdir(folder)).toContain('half.part');
    await store.removeAbandoned(new Date(Date.now() + PIECES_KEPT_MS + 60_000));
    expect(await readdir(folder)).not.toContain('half.part');
  });

  test('keeps no half of a picture when a write fails in the middle', async () => {
    const store = await openDirectoryStore({ folder, leaveFreeBytes: 0 });
    // Nothing can be put under a name whose folder is a file.
    await mkdir(join(folder, 'elsewhere'));
    await symlink('/dev/full', join(folder, 'ab'));
    const { bytes } = await testPicture(3);
    await expect(store.put('abcd', bytes)).rejects.toThrow();
    expect((await readdir(folder)).filter((name) => name.endsWith('.part'))).toEqual([]);
    expect(await store.has('abcd')).toBe(false);
  });
});
