import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { settingsIn } from './settings';

const folder = mkdtempSync(join(tmpdir(), 'calvet-settings-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

const DATABASE = { CALVET_DATABASE_URL: 'mysql://u:p@127.0.0.1/calvet' };
const read = (env: Readonly<Record<string, string>>) => settingsIn({ ...DATABASE, ...env }, folder);

test('what is left out, or left empty, has its usual value', () => {
  const usual = read({});
  expect(usual).toMatchObject({
    port: 4310,
    host: '127.0.0.1',
    webFolder: null,
    logLevel: 'info',
    logFile: null,
  });
  expect(usual.limits).toEqual({
    requestsAMinute: 6000,
    bytesAMinute: 500_000_000,
    uploadsAMinute: 600,
    listeners: 200,
    computations: 16,
  });
  expect(read({ CALVET_PORT: '', CALVET_HOST: '', CALVET_LIMIT_REQUESTS: '', CALVET_LOG_LEVEL: '' })).toEqual(
    usual,
  );
});

test.each([
  [{ CALVET_DATABASE_URL: '' }, /^Set CALVET_DATABASE_URL/],
  [{ CALVET_PORT: '70000' }, /CALVET_PORT/],
  [{ CALVET_PORT: 'http' }, /CALVET_PORT/],
  [{ CALVET_LIMIT_REQUESTS: '-1' }, /CALVET_LIMIT_REQUESTS/],
  [{ CALVET_LIMIT_LISTENERS: 'many' }, /CALVET_LIMIT_LISTENERS/],
  [{ CALVET_LOG_LEVEL: 'loud' }, /CALVET_LOG_LEVEL/],
  [{ CALVET_PHOTO_LEAVE_FREE_MB: '1,5' }, /CALVET_PHOTO_LEAVE_FREE_MB/],
  [
    { CALVET_ADDRESSES: 'calvet.example' },
    /CALVET_ADDRESSES holds “calvet\.example”: give addresses such as/,
  ],
  [{ CALVET_ADDRESSES: 'ftp://calvet.example' }, /CALVET_ADDRESSES/],
  [{ CALVET_WEB_FOLDER: 'nowhere' }, /CALVET_WEB_FOLDER names .*nowhere, where there is no index\.html/],
])('%j is refused with what to write instead', (env, words) => {
  expect(() => read(env)).toThrow(words);
});

test('a folder of the app may be relative, and lie under one that begins with a dot', () => {
  mkdirSync(join(folder, '.hidden', 'app'), { recursive: true });
  writeFileSync(join(folder, '.hidden', 'app', 'index.html'), '<title>Calvet</title>');
  expect(read({ CALVET_WEB_FOLDER: '.hidden/app' }).webFolder).toBe(join(folder, '.hidden', 'app'));
});
