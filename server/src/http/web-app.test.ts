import { mkdtempSync, mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { brotliCompressSync, gzipSync } from 'node:zlib';
import { pagesIn } from '../../../bin/machine/pages.mjs';
import { startServer, type RunningServer } from '../../test/running-server';

let server: RunningServer;
const folder = mkdtempSync(join(tmpdir(), '.calvet-web-'));
const hashed = 'entry-0123456789abcdef0123456789abcdef.js';
const script = 'console.log(1)';

beforeAll(async () => {
  mkdirSync(join(folder, 'js'));
  writeFileSync(
    join(folder, 'index.html'),
    '<!doctype html><html><head><title>Calvet</title></head><body></body></html>',
  );
  writeFileSync(join(folder, 'js', hashed), script);
  writeFileSync(join(folder, 'js', `${hashed}.br`), brotliCompressSync(script));
  writeFileSync(join(folder, 'js', `${hashed}.gz`), gzipSync(script));
  const routes = join(__dirname, '..', '..', '..', 'app', 'src', 'routes');
  const scripts = Object.keys(pagesIn(routes)).map((address) => [address, [`/js/of${address}.js`]]);
  writeFileSync(join(folder, 'pages.json'), JSON.stringify(Object.fromEntries(scripts)));
  server = await startServer({ webFolder: folder });
});
afterAll(async () => {
  await server.close();
  rmSync(folder, { recursive: true });
});

const get = (path: string, accept = 'text/html') => fetch(server.url + path, { headers: { accept } });

test.each([
  '/',
  '/houses',
  '/houses/',
  '/houses/new',
  '/houses/0198/tests/0199',
  '/bench/insulation-bags?x=1',
])('%s is the app, never kept by the browser', async (path) => {
  const response = await get(path);
  expect(response.status).toBe(200);
  expect(await response.text()).toContain('<title>Calvet</title>');
  expect(response.headers.get('cache-control')).toBe('no-cache');
});

test.each(['/house', '/houses/0198/cellar', '/houses/0198/tests/0199/more', '/%F0%9F%8F%A0', '/+not-found'])(
  '%s is answered with the app, which says that nothing is there, and with 404',
  async (path) => {
    const response = await get(path);
    expect(response.status).toBe(404);
    expect(await response.text()).toContain('<title>Calvet</title>');
  },
);

test('a page names the scripts of its own address, and of no other', async () => {
  const named = async (path: string) => [
    ...(await (await get(path)).text()).matchAll(/href="([^"]+)" as="script"/g),
  ];
  expect((await named('/houses/0198/tests/0199?x=1')).map(([, href]) => href)).toEqual([
    '/js/of/houses/:houseId/tests/:testId.js',
  ]);
  expect(await named('/houses/0198/cellar')).toEqual([]);
});

test.each([
  ['br', 'gzip, deflate, br'],
  ['gzip', 'gzip'],
  [null, 'identity'],
])('scripts come as they were packed: %s to who takes %s', async (encoding, accepted) => {
  const response = await fetch(`${server.url}/js/${hashed}`, { headers: { 'accept-encoding': accepted } });
  expect(response.headers.get('content-encoding')).toBe(encoding);
  expect(response.headers.get('content-type')).toContain('javascript');
  expect(response.headers.get('cache-control')).toContain('immutable');
  expect(await response.text()).toBe(script);
});

test('files that carry a hash are kept for good', async () => {
  const response = await get(`/js/${hashed}`, '*/*');
  expect(response.headers.get('cache-control')).toContain('immutable');
});

test.each(['/js/gone.js', '/missing.png', '/../../package.json'])('%s is not the app', async (path) => {
  const response = await get(path, '*/*');
  expect(response.status).toBe(404);
});

test('scripts, workers and data come from this address alone', async () => {
  const policy = (await get('/')).headers.get('content-security-policy') ?? '';
  expect(policy).toContain("script-src 'self'");
  expect(policy).toContain("worker-src 'self' blob:");
  expect(policy).toContain("connect-src 'self'");
  expect(policy).not.toContain('upgrade-insecure-requests');
});

test('every answer carries the id under which it is logged', async () => {
  const response = await get('/api/v1/nothing', 'application/json');
  const problem = (await response.json()) as { readonly requestId: string };
  expect(response.headers.get('x-request-id')).toBe(problem.requestId);
});
