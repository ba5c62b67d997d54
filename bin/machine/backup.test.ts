import { spawnSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

jest.setTimeout(120_000);

const folder = mkdtempSync(join(tmpdir(), 'calvet-backup-'));
afterAll(() => rmSync(folder, { recursive: true, force: true }));

/** Runs a piece of a command in a process of its own, as the commands themselves run. */
function inNode(script: string) {
  const { stdout, stderr, status } = spawnSync(process.execPath, ['--input-type=module', '-e', script], {
    cwd: __dirname,
    encoding: 'utf8',
    env: { ...process.env, WHERE: folder },
  });
  return { lines: stdout.trim().split('\n'), stderr, status };
}

test('a backup that is written while the server runs brings every record and every picture back', () => {
  const { lines, stderr, status } = inNode(`
    import { createHash } from 'node:crypto';
    import { rmSync } from 'node:fs';
    import { join } from 'node:path';
    import { backUp, restore } from './backup.mjs';
    import { startDatabase } from './database.mjs';
    import { freePort } from './free-port.mjs';
    import { run } from './processes.mjs';
    import { startServer } from './server.mjs';

    const where = process.env.WHERE;
    const photoFolder = join(where, 'server', 'photos');
    const stateOf = async ({ url }) => {
      const { houses } = await (await fetch(url + '/api/v1/houses')).json();
      const hash = createHash('sha256').update(JSON.stringify(houses));
      let records = 0;
      let pictures = 0;
      for (const { id } of houses) {
        const page = await (await fetch(url + '/api/v1/houses/' + id + '/changes')).json();
        records += page.records.length;
        hash.update(JSON.stringify(page));
        for (const { kind, record } of page.records.filter((each) => each.kind === 'photo')) {
          const answer = await fetch(url + '/api/v1/houses/' + id + '/pictures/' + record.sha256);
          if (answer.ok) pictures++;
          hash.update(Buffer.from(await answer.arrayBuffer()));
        }
      }
      return { records, pictures, hash: hash.digest('hex') };
    };
    const startOn = async (name) => {
      const database = await startDatabase({ folder: join(where, name), port: await freePort() });
      return { database, databaseUrl: database.url };
    };
    const serve = async (databaseUrl) => startServer({ port: await freePort(), databaseUrl, folder: join(where, 'server') });

    const first = await startOn('first');
    const server = await serve(first.databaseUrl);
    await run(process.execPath, ['--import', 'tsx', 'demo/src/seed.ts', server.url]);
    const before = await stateOf(server);
    const to = join(where, 'backup');
    const written = await backUp({ databaseUrl: first.databaseUrl, photoFolder, to });
    const again = await backUp({ databaseUrl: first.databaseUrl, photoFolder, to });
    const refused = await restore({ databaseUrl: first.databaseUrl, photoFolder, from: to }).catch((error) => error.message);
    await server.stop();
    await first.database.stop();
    rmSync(photoFolder, { recursive: true });

    const second = await startOn('second');
    await restore({ databaseUrl: second.databaseUrl, photoFolder, from: to });
    const restored = await serve(second.databaseUrl);
    const after = await stateOf(restored);
    await restored.stop();
    await second.database.stop();
    console.log(JSON.stringify({ before, after, written, again, refused }));
  `);
  expect([stderr.replace(/npm warn.*\n?/g, '').trim(), status]).toEqual(['', 0]);
  const { before, after, written, again, refused } = JSON.parse(lines.at(-1) ?? '{}');
  expect(before.records).toBeGreaterThan(20);
  expect(before.pictures).toBe(12);
  expect(after).toEqual(before);
  // Each picture and the small one beside it; the second time none is new.
  expect([written.pictures, again.pictures]).toEqual([24, 0]);
  expect(refused).toMatch(/A backup is brought back into an empty one/);
});
