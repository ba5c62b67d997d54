import { request as plainRequest } from 'node:http';
import { setTimeout as pause } from 'node:timers/promises';
import { apiPaths } from '@calvet/contract';
import { v7 } from 'uuid';
import { createHouse } from '../../test/records';
import { ask, startServer, type RunningServer } from '../../test/running-server';
import { customerOf, NO_LIMITS } from './address-limits';

interface Told {
  readonly status: number;
  readonly headers: Readonly<Record<string, string | string[] | undefined>>;
  readonly code: string;
}

/** Asks with headers that a browser, or `fetch`, would not let anybody set. */
function askWith(url: string, headers: Readonly<Record<string, string>>, method = 'GET'): Promise<Told> {
  return new Promise((resolve, reject) => {
    const request = plainRequest(url, { method, headers }, (response) => {
      let text = '';
      response.on('data', (piece: Buffer) => (text += piece.toString()));
      response.on('end', () => {
        const isJson = response.headers['content-type']?.includes('json') === true;
        const { code = '' } = isJson ? (JSON.parse(text) as { readonly code?: string }) : {};
        resolve({ status: response.statusCode ?? 0, headers: response.headers, code });
      });
    });
    request.on('error', reject);
    request.end();
  });
}

describe('who is asked, and from where', () => {
  let bare: RunningServer;
  let named: RunningServer;
  beforeAll(async () => {
    bare = await startServer();
    named = await startServer({ addresses: [new URL('https://calvet.example')] });
  });
  afterAll(async () => {
    await bare.close();
    await named.close();
  });
  const at = (server: RunningServer, headers: Readonly<Record<string, string>>) =>
    askWith(`${server.url}/api/v1/houses`, headers);
  const port = (server: RunningServer) => new URL(server.url).port;

  test.each([
    ['127.0.0.1', 200],
    ['localhost', 200],
    ['LOCALHOST', 200],
    ['127.0.0.2', 421],
    ['evil.example', 421],
    ['127.0.0.1.evil.example', 421],
    ['localhost.evil.example', 421],
    ['[::1]', 421],
    ['calvet.example', 421],
  ])('as %s it answers %i', async (name, status) => {
    const answer = await at(bare, { host: `${name}:${port(bare)}` });
    expect([answer.status, answer.code]).toEqual([status, status === 200 ? '' : 'other-host']);
  });

  test('a host that is none, and pages of the app, are refused alike', async () => {
    expect((await at(bare, { host: 'a b' })).code).toBe('other-host');
    expect((await askWith(`${bare.url}/houses`, { host: 'evil.example' })).status).toBe(421);
  });

  test('pages of others are refused, its own are not', async () => {
    const own = `http://127.0.0.1:${port(bare)}`;
    expect((await at(bare, { origin: own })).status).toBe(200);
    for (const origin of ['http://evil.example', `http://127.0.0.1:${Number(port(bare)) + 1}`, 'null', 'x'])
      expect(await at(bare, { origin })).toMatchObject({ status: 403, code: 'other-origin' });
  });

  test('an address that it was given is its own, however the proxy names it', async () => {
    const origin = 'https://calvet.example';
    expect((await at(named, { host: 'calvet.example', origin })).status).toBe(200);
    expect((await at(named, { origin })).status).toBe(200);
    expect((await at(named, { host: 'calvet.example', origin: 'https://www.calvet.example' })).status).toBe(
      403,
    );
    expect((await at(named, { host: 'www.calvet.example' })).status).toBe(421);
  });

  test('browsers are told to keep to TLS only where an address says so, and of no other name', async () => {
    expect((await at(bare, {})).headers['strict-transport-security']).toBeUndefined();
    expect((await at(named, {})).headers['strict-transport-security']).toBe('max-age=31536000');
  });
});

describe('what is asked for', () => {
  let server: RunningServer;
  beforeAll(async () => {
    server = await startServer();
  });
  afterAll(() => server.close());

  test.each([
    ['DELETE', '/houses', 'GET, HEAD'],
    ['POST', '/houses', 'GET, HEAD'],
    ['POST', '/health', 'GET, HEAD'],
    ['PUT', '/events', 'GET, HEAD'],
    ['PATCH', `/ledgers/${v7()}/changes`, 'GET, HEAD, POST'],
    ['DELETE', `/houses/${v7()}/changes`, 'GET, HEAD, POST'],
    ['GET', '/compute/air.dewPoint', 'POST'],
    ['GET', '/pictures/confirm', 'POST'],
    ['PUT', `/houses/${v7()}/pictures/${'ab'.repeat(32)}`, 'GET, HEAD'],
    ['POST', `/houses/${v7()}/pictures/${'ab'.repeat(32)}/thumbnail`, 'GET, HEAD'],
    ['GET', `/houses/${v7()}/uploads`, 'OPTIONS, POST, HEAD, PATCH, DELETE'],
  ])('%s %s is answered with the methods that there are', async (method, path, allow) => {
    const answer = await askWith(`${server.url}/api/v1${path}`, {}, method);
    expect([answer.status, answer.code, answer.headers.allow]).toEqual([405, 'unknown-method', allow]);
  });

  test.each([
    '/api',
    '/api/',
    '/api/v1',
    '/api/v1/nothing',
    '/api/v2/houses',
    '/api/v1.1/houses',
    '/api/%2e/x',
  ])('%s is no path, and says so to programs', async (path) => {
    const answer = await askWith(server.url + path, { accept: 'text/html' });
    expect([answer.status, answer.code]).toEqual([404, 'unknown-path']);
    expect(answer.headers['content-type']).toContain('application/problem+json');
  });

  test('nothing that the API answers is kept on the way', async () => {
    for (const path of ['/houses', '/health', '/nothing', `/ledgers/${v7()}/changes`]) {
      const { headers } = await askWith(`${server.url}/api/v1${path}`, {});
      expect([path, headers['cache-control'], headers.etag]).toEqual([path, 'no-store', undefined]);
    }
  });
});

describe('how much is asked for', () => {
  const serving = async <T>(
    limits: Partial<typeof NO_LIMITS>,
    look: (server: RunningServer) => Promise<T>,
  ) => {
    const server = await startServer({ limits: { ...NO_LIMITS, ...limits } });
    try {
      return await look(server);
    } finally {
      await server.close();
    }
  };
  const TOO_MANY = { status: 429, code: 'too-many' };

  test('requests beyond the limit of an address are told when to come again; health is always told', async () => {
    await serving({ requestsAMinute: 5 }, async ({ url }) => {
      const houses = () => askWith(`${url}/api/v1/houses`, {});
      for (let i = 0; i < 5; i++) expect((await houses()).status).toBe(200);
      const refused = await houses();
      expect(refused).toMatchObject(TOO_MANY);
      const seconds = Number(refused.headers['retry-after']);
      expect(seconds > 0 && seconds <= 60).toBe(true);
      expect((await askWith(`${url}/api/v1/health`, {})).status).toBe(200);
    });
  });

  test('bytes beyond the limit are refused before they are read', async () => {
    await serving({ bytesAMinute: 20_000 }, async ({ url }) => {
      const houseId = v7();
      const send = (note: string) =>
        ask(url + apiPaths.changes(houseId), { json: { changes: [createHouse(houseId)], note } });
      expect((await send('')).status).toBe(200);
      expect(await send('x'.repeat(19_900))).toMatchObject({ status: 429, body: { code: 'too-many' } });
      // A body that does not say how long it is counts as long as it may be.
      const stream = new Blob(['[1]']).stream();
      const init = {
        method: 'POST',
        body: stream,
        duplex: 'half',
        headers: { 'content-type': 'application/json' },
      };
      expect((await fetch(`${url}/api/v1/compute/air.dewPoint`, init as RequestInit)).status).toBe(429);
    });
  });

  test('pictures that are announced beyond the limit are refused, those under way go on', async () => {
    await serving({ uploadsAMinute: 2 }, async ({ url }) => {
      const announce = (method = 'POST', more = {}) =>
        askWith(
          `${url}/api/v1/houses/${v7()}/uploads`,
          {
            'tus-resumable': '1.0.0',
            'upload-length': '9',
            'upload-metadata': `sha256 ${Buffer.from('ab'.repeat(32)).toString('base64')}`,
            ...more,
          },
          method,
        );
      expect([(await announce()).status, (await announce()).status]).toEqual([201, 201]);
      expect(await announce()).toMatchObject(TOO_MANY);
      // Nor under the name of another method.
      expect((await announce('PATCH', { 'x-http-method-override': 'POST' })).status).not.toBe(201);
    });
  });

  test('listeners have so many lines, and get new ones as they let go', async () => {
    await serving({ listeners: 3 }, async ({ url }) => {
      const listen = async () => {
        const end = new AbortController();
        const { status } = await fetch(`${url}/api/v1/events`, { signal: end.signal });
        return { status, end };
      };
      const open = await Promise.all([listen(), listen(), listen()]);
      expect(open.map(({ status }) => status)).toEqual([200, 200, 200]);
      expect((await listen()).status).toBe(429);
      open[0]?.end.abort();
      await pause(100);
      expect((await listen()).status).toBe(200);
    });
  });

  test('a network of IPv6 is one customer, an address of IPv4 is one however it is written', () => {
    expect(customerOf('2001:db8:1:2::1')).toBe(customerOf('2001:db8:1:2:ffff::9'));
    expect(customerOf('2001:db8:1:2::1')).not.toBe(customerOf('2001:db8:1:3::1'));
    expect(customerOf('::ffff:192.0.2.7')).toBe('192.0.2.7');
  });
});
