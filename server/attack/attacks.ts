import { gzipSync } from 'node:zlib';
import { apiPaths } from '@calvet/contract';
import { examples } from '@calvet/core/examples';
import { v7 } from 'uuid';
import { HOSTILE } from '../test/hostile-pictures';
import { named, type TestPicture } from '../test/pictures';
import { areaBody, change, createHouse, photoOf, testBody } from '../test/records';
import { announce, OF_HOUSE, send } from '../test/sending-pictures';
import { askAs, askRaw, postText, type Target, type Told } from './asking';

/** Something that is meant to harm a server. */
export interface Attack {
  readonly name: string;
  /** What comes back must be a refusal; where it is left out, anything but a failure. */
  readonly isRefused: boolean;
  readonly send: (to: Target) => Promise<readonly Told[]>;
}

const refused = (name: string, send: (to: Target) => Promise<Told>): Attack => ({
  name,
  isRefused: true,
  send: async (to) => [await send(to)],
});

type Fields = Readonly<Record<string, unknown>>;
const longList = (list: unknown, count: number): readonly unknown[] => {
  const entries = list as readonly unknown[];
  return Array.from({ length: count }, (_, i) => entries[i % entries.length]);
};
const compute = (operation: string, input: unknown) => (to: Target) =>
  postText(to, `/api/v1/compute/${operation}`, JSON.stringify(input));

function manyReadings(count: number): Fields {
  const input = examples['airtightness.multiPoint'] as unknown as Fields;
  const [run] = input.runs as readonly Fields[];
  return { ...input, runs: [{ ...run, readings: longList(run?.readings, count) }] };
}

const layers = (operation: 'thermal.assembly' | 'thermal.doubleFrames', count: number): Fields => {
  const input = examples[operation] as unknown as Fields;
  return { ...input, layers: longList(input.layers, count) };
};

const deep = (count: number): string => `${'{"a":'.repeat(count)}1${'}'.repeat(count)}`;

const COMPUTATIONS: readonly Attack[] = [
  refused('19,000 framed layers', compute('thermal.assembly', layers('thermal.assembly', 6000))),
  refused(
    'a double frame of 12,834 layers',
    compute('thermal.doubleFrames', layers('thermal.doubleFrames', 6000)),
  ),
  refused('27,128 readings', compute('airtightness.multiPoint', manyReadings(12_000))),
  refused('an operation by the name of a prototype', compute('__proto__', {})),
  refused('an input nested 20,000 deep', (to) => postText(to, '/api/v1/compute/air.dewPoint', deep(20_000))),
  {
    name: 'a member that nobody asked for, nested 20,000 deep',
    isRefused: false,
    send: async (to) => [
      await postText(
        to,
        '/api/v1/compute/air.dewPoint',
        JSON.stringify({ ...examples['air.dewPoint'], more: 'X' }).replace('"X"', deep(20_000)),
      ),
    ],
  },
  refused('a list nested 200,000 deep', (to) =>
    postText(to, '/api/v1/compute/air.dewPoint', '['.repeat(200_000) + ']'.repeat(200_000)),
  ),
];

const house = v7();
const bodyOf = (wrong: string): string => `{"changes":[${JSON.stringify(createHouse(house))},${wrong}]}`;
const entry = (name: string, wrong: () => string, headers: Fields = {}): Attack =>
  refused(name, (to) => postText(to, apiPaths.changes(house), bodyOf(wrong()), headers));
const area = (body: Fields): string => JSON.stringify(change({ body: { ...areaBody, ...body } as never }));

const ENTRIES: readonly Attack[] = [
  entry('an id in braces', () => JSON.stringify(change({ id: `{${v7()}}` }))),
  entry('an id that asks the database', () =>
    JSON.stringify(change({ id: "' or 1=1; drop table house; --" })),
  ),
  entry('half a character', () => area({ name: 'X' }).replace('"X"', '"a\\ud800b"')),
  entry('a name that nobody sees', () => area({ name: '\u200b\u2060 ' })),
  entry('a member that is a prototype', () => area({}).replace('"body":{', '"body":{"__proto__":{"a":1},')),
  entry('nesting without an end', () =>
    area({ name: 'X' }).replace('"X"', '['.repeat(5000) + ']'.repeat(5000)),
  ),
  entry('a list nested 200,000 deep in a name', () =>
    area({ name: 'X' }).replace('"X"', '['.repeat(200_000) + ']'.repeat(200_000)),
  ),
  entry('a deletion with a body', () =>
    JSON.stringify(change({ op: 'delete', baseRevision: 1, body: { name: 'x' } })),
  ),
  entry('a photo of 30 February', () =>
    JSON.stringify(
      change({ kind: 'photo', body: { ...photoOf('house', house), takenAt: '2026-02-30T10:00:00' } }),
    ),
  ),
  entry('a test in the year 0', () =>
    JSON.stringify(change({ kind: 'airtightnessTest', body: { ...testBody, performedOn: '0000-03-01' } })),
  ),
  entry('a photo of a record of another house', () =>
    JSON.stringify(change({ kind: 'photo', body: photoOf('area', v7()) })),
  ),
  entry('a device in braces', () => area({}), { 'x-calvet-device': `{${v7()}}` }),
  {
    name: 'one id in two houses at once',
    isRefused: false,
    send: async (to) => {
      const [id, houses] = [v7(), [v7(), v7(), v7()]];
      for (const each of houses)
        await postText(to, apiPaths.changes(each), JSON.stringify({ changes: [createHouse(each)] }));
      return Promise.all(
        houses.map((each) =>
          postText(to, apiPaths.changes(each), JSON.stringify({ changes: [change({ id })] })),
        ),
      );
    },
  },
  refused('a change again with another content', async (to) => {
    const changeId = v7();
    const send = (each: string) => postText(to, apiPaths.changes(house), bodyOf(each));
    await send(JSON.stringify(change({ changeId })));
    return send(JSON.stringify(change({ changeId })));
  }),
  refused('a batch of 100,000', (to) =>
    postText(to, apiPaths.changes(house), `{"changes":[${Array(100_000).fill('{}').join(',')}]}`),
  ),
];

const line = (text: string) => text.replaceAll('\n', '\r\n');

const REQUESTS: readonly Attack[] = [
  refused('a page of another name', (to) =>
    askAs(to, '/api/v1/houses', { headers: { host: 'evil.example' } }),
  ),
  refused('a page of another address', (to) =>
    askAs(to, '/api/v1/houses', { headers: { origin: 'http://evil.example' } }),
  ),
  refused('a method that there is not', (to) => askAs(to, '/api/v1/houses', { method: 'DELETE' })),
  refused('a version that there is not', (to) => askAs(to, '/api/v9/houses')),
  refused('a file beside the app', (to) => askAs(to, '/..%2f..%2f..%2fetc/passwd')),
  refused('a picture beside the pictures', (to) =>
    askAs(to, `/api/v1/houses/${house}/pictures/..%2f..%2f..%2fetc%2fpasswd`),
  ),
  refused('no JSON', (to) => postText(to, apiPaths.changes(house), '{"changes":[')),
  refused('a body of 5 MB', (to) => postText(to, apiPaths.changes(house), `"${'x'.repeat(5_000_000)}"`)),
  refused('50 MB in a packed body', (to) =>
    askAs(to, apiPaths.changes(house), {
      method: 'POST',
      headers: { 'content-type': 'application/json', 'content-encoding': 'gzip' },
      body: gzipSync(Buffer.alloc(50_000_000, 32)),
    }),
  ),
  refused('two lengths at once', (to) =>
    askRaw(
      to,
      line(
        'POST /api/v1/compute/air.dewPoint HTTP/1.1\nHost: HOST\nContent-Length: 4\nTransfer-Encoding: chunked\n\n0\n\nGET /api/v1/houses HTTP/1.1\nHost: HOST\n\n',
      ),
    ),
  ),
  refused('100 kB of headers', (to) =>
    askRaw(to, line(`GET /api/v1/houses HTTP/1.1\nHost: HOST\nX-Long: ${'x'.repeat(100_000)}\n\n`)),
  ),
  refused('a request without a host', (to) => askRaw(to, line('GET /api/v1/houses HTTP/1.1\n\n'))),
];

async function upload(to: Target, picture: TestPicture): Promise<Told> {
  const { at } = await announce(to, picture);
  const { status, body } = await send(to, at, picture.bytes, 0);
  const { code = '', field = '' } = body;
  return { status, code, field };
}

const PICTURES: readonly Attack[] = [
  ...HOSTILE.map(([name, make]) => refused(name, async (to) => upload(to, named(await make())))),
  {
    name: 'twenty PNGs with packed text at once',
    isRefused: true,
    send: async (to) => {
      const [[, make] = []] = HOSTILE;
      if (make === undefined) throw new Error('There is none.');
      const picture = named(await make());
      return Promise.all(Array.from({ length: 20 }, () => upload(to, picture)));
    },
  },
  refused('an upload of another protocol', (to) => askAs(to, `${OF_HOUSE}/uploads`, { method: 'POST' })),
];

/** Each attack by itself, in an order that does not matter. */
export const ATTACKS: readonly Attack[] = [...COMPUTATIONS, ...ENTRIES, ...REQUESTS, ...PICTURES];
