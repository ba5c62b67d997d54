import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { HOSTILE } from '../../test/hostile-pictures';
import { named, testPicture, type TestPicture } from '../../test/pictures';
import { ask, startServer, type RunningServer } from '../../test/running-server';
import { announce, arrived, OF_HOUSE, picturePath, send, TUS } from '../../test/sending-pictures';
import { openDirectoryStore } from '../photo-store/directory-store';

describe('what is refused', () => {
  let server: RunningServer;
  beforeAll(async () => {
    server = await startServer();
  });
  afterAll(() => server.close());

  async function sent(picture: TestPicture) {
    const { at } = await announce(server, picture);
    const { status, body, type } = await send(server, at, picture.bytes, 0);
    expect(type).toContain('application/problem+json');
    expect((await ask(picturePath(server, picture))).status).toBe(404);
    // Nothing of it is kept to go on with.
    expect((await fetch(server.url + at, { method: 'HEAD', headers: TUS })).status).toBe(404);
    return [status, body.code];
  }

  test.each<readonly [string, () => Promise<Buffer> | Buffer, string]>([
    ['a page that would run', () => Buffer.from('<!doctype html><script>alert(1)</script>'), 'no-picture'],
    [
      'a drawing that would run',
      () => Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><script/></svg>'),
      'no-picture',
    ],
    ['half a picture', async () => (await testPicture(20)).bytes.subarray(0, 3000), 'no-picture'],
    [
      'a picture with the place where it was taken',
      async () =>
        sharp((await testPicture(21)).bytes)
          .withExif({ IFD3: { GPSLatitude: '41/1 20/1 0/1', GPSLongitude: '2/1 10/1 0/1' } })
          .jpeg()
          .toBuffer(),
      'picture-tells-more',
    ],
    [
      'a picture of 3,000 pixels',
      () =>
        sharp({ create: { width: 3000, height: 40, channels: 3, background: '#888' } })
          .jpeg()
          .toBuffer(),
      'picture-too-large',
    ],
    ...HOSTILE,
  ])('%s', async (_name, make, code) => {
    const picture = named(await make());
    const begun = performance.now();
    expect(await sent(picture)).toEqual([422, code]);
    expect(performance.now() - begun).toBeLessThan(2000);
  });

  test('bytes that are not those of the name', async () => {
    const { bytes } = await testPicture(22);
    expect(await sent({ bytes, sha256: 'ab'.repeat(32) })).toEqual([422, 'other-bytes']);
  });

  test('a picture without a name, or with one that is no hash', async () => {
    const picture = await testPicture(23);
    for (const sha256 of ['', '../../etc/passwd', 'f00d']) {
      const { status, body } = await announce(server, { ...picture, sha256 });
      expect([status, JSON.parse(body).code]).toEqual([400, 'malformed-id']);
    }
    expect((await ask(`${server.url}${OF_HOUSE}/pictures/nope`)).body.code).toBe('malformed-id');
  });

  test('more than 12 MB', async () => {
    const { status, body } = await announce(server, await testPicture(24), 13_000_000);
    expect([status, JSON.parse(body).code]).toEqual([413, 'picture-too-large']);
  });

  test('what does not keep to the protocol, as every other refusal is', async () => {
    const { at } = await announce(server, await testPicture(28));
    for (const [path, init] of [
      [`${OF_HOUSE}/uploads`, { method: 'POST', headers: {} }],
      [`${OF_HOUSE}/uploads`, { method: 'POST', headers: { 'tus-resumable': '0.1' } }],
      [`${OF_HOUSE}/uploads`, { method: 'POST', headers: { ...TUS, 'upload-length': '-4' } }],
      [at, { method: 'PATCH', headers: { ...TUS, 'upload-offset': 'x' } }],
      [at, { method: 'PATCH', headers: { ...TUS, 'content-type': 'text/plain', 'upload-offset': '0' } }],
    ] as const) {
      const { status, type, body } = await ask(server.url + path, init);
      expect([status >= 400 && status < 500, type]).toEqual([
        true,
        'application/problem+json; charset=utf-8',
      ]);
      expect(body).toMatchObject({ status, requestId: expect.any(String) as string });
    }
  });

  test('a piece that leaves a gap', async () => {
    const picture = await testPicture(25);
    const { at } = await announce(server, picture);
    const { status, body } = await send(server, at, picture.bytes, 5);
    expect([status, body.code]).toEqual([409, 'upload-refused']);
  });

  test('reading an upload back', async () => {
    const { at } = await announce(server, await testPicture(26));
    expect((await ask(server.url + at)).status).toBe(405);
  });

  test('anything at all while the store is full, and it is taken once there is room', async () => {
    const folder = await mkdtemp(join(tmpdir(), 'calvet-full-'));
    const real = await openDirectoryStore({ folder, leaveFreeBytes: 0 });
    const none = await openDirectoryStore({ folder, leaveFreeBytes: Number.MAX_SAFE_INTEGER });
    let isFull = true;
    const full = await startServer({
      photos: { ...real, hasRoomFor: (bytes) => (isFull ? none : real).hasRoomFor(bytes) },
    });
    const picture = await testPicture(27);
    const refused = await announce(full, picture);
    expect([refused.status, JSON.parse(refused.body).code]).toEqual([507, 'photo-store-full']);
    isFull = false;
    const { at } = await announce(full, picture);
    // It fills up while the picture is under way: the next piece is refused before it is written, and goes in later.
    isFull = true;
    const piece = await send(full, at, picture.bytes, 0);
    expect([piece.status, piece.body.code]).toEqual([507, 'photo-store-full']);
    expect(await arrived(full, at)).toBe(0);
    isFull = false;
    expect((await send(full, at, picture.bytes, 0)).status).toBe(204);
    await full.close();
    await rm(folder, { recursive: true, force: true });
  });
});
