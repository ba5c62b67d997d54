import { Unreachable } from './api';
import { deviceClock } from './clock';
import type { KeptUpload } from './local-schema';
import { Reachability } from './reachability';
import { failureOf } from './send-picture';
import { DeviceSilent, PictureNotTaken, ServerFull, UploadQueue } from './upload-queue';

jest.useFakeTimers();

/** Without the spread that delays have. */
const steady = { ...deviceClock, random: () => 0.5 };
const tick = (milliseconds: number) => jest.advanceTimersByTimeAsync(milliseconds);
const upload = (sha256: string): KeptUpload => ({ sha256, houseId: 'h', url: null });

type Send = (upload: KeptUpload, onUrl: (url: string) => void) => Promise<void>;

function queueWith(send: Send) {
  const sent: string[] = [];
  const tried: KeptUpload[] = [];
  const kept: KeptUpload[] = [];
  const queue = new UploadQueue({
    send: (each, onUrl) => {
      tried.push(each);
      return send(each, onUrl);
    },
    onChange: (each) => kept.push(each),
    onGone: ({ sha256 }) => sent.push(sha256),
    onState: () => undefined,
    clock: steady,
    reachability: new Reachability(steady),
    isLeading: () => true,
  });
  return { queue, sent, tried, kept };
}

test('pictures go one after the other, each once', async () => {
  let under = 0;
  const { queue, sent } = queueWith(async () => {
    expect(++under).toBe(1);
    await Promise.resolve();
    under--;
  });
  queue.add([upload('a'), upload('b')]);
  queue.add([upload('b'), upload('c')]);
  await tick(100);
  expect(sent).toEqual(['a', 'b', 'c']);
  expect(queue.getState()).toMatchObject({ waiting: [], phase: 'idle' });
});

test('cut off, a picture goes on where its pieces are, and is tried more and more rarely', async () => {
  let failures = 3;
  const { queue, sent, tried, kept } = queueWith((each, onUrl) => {
    if (failures-- > 0) {
      onUrl('/api/v1/houses/h/uploads/x');
      return Promise.reject(new Unreachable('gone'));
    }
    expect(each.url).toBe('/api/v1/houses/h/uploads/x');
    return Promise.resolve();
  });
  queue.add([upload('a')]);
  await tick(10);
  expect(queue.getState().phase).toBe('unreachable');
  expect(kept.at(-1)).toEqual({ sha256: 'a', houseId: 'h', url: '/api/v1/houses/h/uploads/x' });
  await tick(990);
  expect(tried).toHaveLength(2);
  await tick(8000);
  expect(sent).toEqual(['a']);
});

test('a full server is told, everything waits, and goes when it has room', async () => {
  let isFull = true;
  const { queue, sent } = queueWith(() =>
    isFull ? Promise.reject(new ServerFull('full')) : Promise.resolve(),
  );
  queue.add([upload('a'), upload('b')]);
  await tick(10);
  expect(queue.getState()).toMatchObject({ phase: 'full', waiting: [upload('a'), upload('b')] });
  isFull = false;
  await tick(61_000);
  expect(sent).toEqual(['a', 'b']);
});

test('a picture that is refused for good holds up no other, and can be tried again', async () => {
  let isRefused = true;
  const { queue, sent } = queueWith(({ sha256 }) =>
    sha256 === 'a' && isRefused ? Promise.reject(new PictureNotTaken('No picture.')) : Promise.resolve(),
  );
  queue.add([upload('a'), upload('b')]);
  await tick(100);
  expect(sent).toEqual(['b']);
  expect(queue.getState().refused).toEqual([{ upload: upload('a'), message: 'No picture.' }]);
  isRefused = false;
  queue.retryNow();
  await tick(100);
  expect(sent).toEqual(['b', 'a']);
});

test('a picture that is refused can be let go', async () => {
  const { queue, sent } = queueWith(() => Promise.reject(new PictureNotTaken('No picture.')));
  queue.add([upload('a')]);
  await tick(100);
  queue.letGo(upload('a'));
  expect(queue.getState()).toMatchObject({ waiting: [], refused: [] });
  expect(sent).toEqual(['a']);
  queue.retryNow();
  await tick(100);
  expect(queue.getState().refused).toEqual([]);
});

test('while the device’s own database does not answer, a picture is not called gone', async () => {
  let isSilent = true;
  const { queue, sent } = queueWith(() =>
    isSilent ? Promise.reject(new DeviceSilent()) : Promise.resolve(),
  );
  queue.add([upload('a')]);
  await tick(5000);
  expect(queue.getState()).toMatchObject({ waiting: [upload('a')], refused: [] });
  isSilent = false;
  await tick(5000);
  expect(sent).toEqual(['a']);
});

describe('what an answer means', () => {
  const answered = (status: number, body = '') =>
    Object.assign(new Error('upload failed'), {
      originalResponse: { getStatus: () => status, getBody: () => body },
    });
  const problem = (code: string) =>
    JSON.stringify({ type: `urn:calvet:problem:${code}`, status: 400, field: '', code, detail: 'Say why.' });

  test.each<[string, Error, new (message: string) => Error]>([
    ['no answer', new Error('failed'), Unreachable],
    ['a full store', answered(507, problem('photo-store-full')), ServerFull],
    ['no picture', answered(422, problem('no-picture')), PictureNotTaken],
    ['too large', answered(413, problem('picture-too-large')), PictureNotTaken],
    ['bytes mixed up on the way', answered(422, problem('other-bytes')), Unreachable],
    ['a proxy that says no', answered(413, '<html>'), Unreachable],
    ['a server that failed', answered(500, problem('internal')), Unreachable],
  ])('%s', (_name, error, kind) => {
    expect(failureOf(error)).toBeInstanceOf(kind);
  });
});

test('one picture goes to each house that it belongs to', async () => {
  const { queue, tried } = queueWith(async () => undefined);
  queue.add([upload('a'), { ...upload('a'), houseId: 'other' }, upload('a')]);
  await tick(100);
  expect(tried.map(({ houseId, sha256 }) => [houseId, sha256])).toEqual([
    ['h', 'a'],
    ['other', 'a'],
  ]);
});
