import { examples } from '@calvet/core/examples';
import fc from 'fast-check';
import { anyInput, mutatedInput } from '../../../core/test/any-input';
import { ask, startServer, type RunningServer } from '../../test/running-server';
import { TooBusy, type Threads } from '../service/computing';

const RUNS = 250;

let server: RunningServer;
beforeAll(async () => {
  server = await startServer();
});
afterAll(() => server.close());

const compute = (operation: string, json: unknown) =>
  ask(`${server.url}/api/v1/compute/${encodeURIComponent(operation)}`, { json });

/** Figures, or a refusal that names a code and a field; never a failure of the server, never NaN. */
async function isAnsweredOrRefused(operation: string, json: unknown): Promise<boolean> {
  const { status, body, text, type } = await compute(operation, json);
  if (status === 200) return !/\b(?:NaN|Infinity)\b/.test(text);
  return (
    [404, 413, 422].includes(status) &&
    type.includes('application/problem+json') &&
    typeof body.code === 'string' &&
    typeof body.field === 'string'
  );
}

test.each([
  ['any JSON', anyInput],
  ['a good input with one member changed', mutatedInput],
])('%s is answered or refused', async (_name, asked) => {
  await fc.assert(
    fc.asyncProperty(asked, async ({ operation, input }) => {
      expect(await isAnsweredOrRefused(operation, input)).toBe(true);
    }),
    { numRuns: RUNS },
  );
});

test('a name of any letters is answered or refused', async () => {
  await fc.assert(
    fc.asyncProperty(fc.string({ minLength: 1 }), async (operation) => {
      fc.pre(!/^\.{1,2}$/.test(operation));
      expect(await isAnsweredOrRefused(operation, {})).toBe(true);
    }),
    { numRuns: RUNS },
  );
});

test('a refusal names the field and the bound', async () => {
  const { status, body } = await compute('insulation.bags', {
    ...examples['insulation.bags'],
    framingFraction: 1.5,
  });
  expect([status, body.code, body.field, body.bound]).toEqual([422, 'out-of-range', 'framingFraction', 1]);
});

test('a million readings are refused by their size', async () => {
  const { runs, ...rest } = examples['airtightness.multiPoint'];
  const readings = Array.from({ length: 1_000_000 }, (_, i) => ({ pressurePa: -10 - i / 2e4, flowM3h: 100 }));
  const { status, body } = await compute('airtightness.multiPoint', {
    ...rest,
    runs: [{ ...runs[0], readings }],
  });
  expect([status, body.code]).toEqual([413, 'body-too-large']);
});

describe('long computations', () => {
  const input = examples['insulation.sampling'];

  test('are given to a thread, with their refusals brought back', async () => {
    const { status, body } = await compute('insulation.sampling', { ...input, confidence: 2 });
    expect([status, body.code, body.field, body.bound]).toEqual([422, 'out-of-range', 'confidence', 0.99]);
    expect((await compute('insulation.sampling', input)).status).toBe(200);
  });

  test('are put off where too many wait; short ones are answered all the same', async () => {
    const full: Threads = { run: () => Promise.reject(new TooBusy()) };
    const busy = await startServer({ threads: full });
    try {
      const long = await ask(`${busy.url}/api/v1/compute/insulation.sampling`, { json: input });
      expect([long.status, long.body.code]).toEqual([503, 'busy']);
      const short = await ask(`${busy.url}/api/v1/compute/air.density`, { json: examples['air.density'] });
      expect(short.status).toBe(200);
    } finally {
      await busy.close();
    }
  });

  test('are given up when whoever asked is gone', async () => {
    let gaveUp: () => void = () => undefined;
    const givenUp = new Promise<void>((resolve) => (gaveUp = resolve));
    const asked = new AbortController();
    const endless: Threads = {
      run: (_computation, signal) => {
        asked.abort();
        return new Promise((_resolve, reject) => {
          signal.addEventListener('abort', () => {
            gaveUp();
            reject(new Error('Given up.'));
          });
        });
      },
    };
    const patient = await startServer({ threads: endless });
    try {
      const url = `${patient.url}/api/v1/compute/insulation.sampling`;
      await expect(ask(url, { json: input, signal: asked.signal })).rejects.toThrow();
      await givenUp;
    } finally {
      await patient.close();
    }
  });
});
