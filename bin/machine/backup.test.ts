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
    import { appendFileSync, cpSync, existsSync, readdirSync, readFileSync, rmSync, statSync, truncateSync, writeFileSync } from 'node:fs';
    import { gunzipSync, gzipSync } from 'node:zlib';
    import { join } from 'node:path';
    import { backUp, restore, verify } from './backup.mjs';
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
    const verified = await verify({ from: to });
    const fails = (deed) => deed.then(() => 'nothing', (error) => error.message);
    const without = {
      noFolder: await fails(backUp({ databaseUrl: first.databaseUrl, to })),
      lostFolder: await fails(backUp({ databaseUrl: first.databaseUrl, photoFolder: join(where, 'lost'), to })),
      noTarget: await fails(restore({ databaseUrl: first.databaseUrl, from: to })),
    };
    const refused = await restore({ databaseUrl: first.databaseUrl, photoFolder, from: to }).catch((error) => error.message);
    await server.stop();
    await first.database.stop();
    rmSync(photoFolder, { recursive: true });

    const second = await startOn('second');
    const damaged = {};
    /** What becomes of a backup that is damaged in some way; whether anything is in the database then, or with the pictures. */
    const tryDamaged = async (name, damage) => {
      const from = join(where, name);
      cpSync(to, from, { recursive: true });
      await damage(from);
      const restored = await fails(restore({ databaseUrl: second.databaseUrl, photoFolder, from }));
      const tables = await second.database.sql('show tables from calvet');
      damaged[name] = { restored, verified: await fails(verify({ from })), tables: tables.output, photos: existsSync(photoFolder) };
    };
    const dumpOf = (from) => join(from, 'database.sql.gz');
    const text = gunzipSync(readFileSync(dumpOf(to))).toString();
    const rewrite = (from, changed) => writeFileSync(dumpOf(from), gzipSync(changed));
    await tryDamaged('cutFile', (from) => truncateSync(dumpOf(from), statSync(dumpOf(from)).size - 500));
    await tryDamaged('cutText', (from) => rewrite(from, text.slice(0, text.length / 2)));
    await tryDamaged('lostRow', (from) => rewrite(from, text.replace(/INSERT INTO .area. .*\\n/, '')));
    await tryDamaged('lostPictures', (from) => rmSync(join(from, 'photos'), { recursive: true }));
    await tryDamaged('formerCut', (from) => {
      rmSync(join(from, 'contents.json'));
      rewrite(from, text.slice(0, text.length / 2));
    });
    // It says that it is whole, and the database cannot read it.
    await tryDamaged('unreadable', (from) => {
      rmSync(join(from, 'contents.json'));
      rewrite(from, text.replace('CREATE TABLE \x60photo\x60', 'CREATE TABEL \x60photo\x60'));
    });
    const aPicture = readdirSync(join(to, 'photos'), { recursive: true }).find((name) => /[0-9a-f]{64}$/.test(name));
    cpSync(to, join(where, 'rotten'), { recursive: true });
    appendFileSync(join(where, 'rotten', 'photos', aPicture), 'x');
    const rotten = await fails(verify({ from: join(where, 'rotten') }));

    await restore({ databaseUrl: second.databaseUrl, photoFolder, from: to });
    const restored = await serve(second.databaseUrl);
    const after = await stateOf(restored);
    await restored.stop();
    await second.database.stop();
    console.log(JSON.stringify({ before, after, written, again, refused, verified, without, damaged, rotten }));
  `);
  // The database's own words on the one dump that it cannot read, and nobody else's.
  expect([stderr, status]).toEqual([expect.stringMatching(/ERROR 1064/), 0]);
  expect(stderr).not.toMatch(/Error:|at .*\.mjs/);
  const { before, after, written, again, refused, verified, without, damaged, rotten } = JSON.parse(
    lines.at(-1) ?? '{}',
  );
  expect(before.records).toBeGreaterThan(20);
  expect(before.pictures).toBe(12);
  expect(after).toEqual(before);
  // Each picture and the small one beside it; the second time none is new.
  expect([written.pictures, again.pictures]).toEqual([24, 0]);
  expect(refused).toMatch(/A backup is brought back into an empty one/);
  expect(verified).toMatchObject({ isCompared: true });
  expect(verified.rows).toBeGreaterThan(before.records);
  expect(without).toEqual({
    noFolder: expect.stringMatching(/^Set CALVET_PHOTO_FOLDER/) as string,
    lostFolder: expect.stringMatching(/^There is no folder .*lost/) as string,
    noTarget: expect.stringMatching(/^Set CALVET_PHOTO_FOLDER/) as string,
  });
  const nothingIsThere = { tables: '', photos: false };
  const cut = { restored: expect.stringMatching(/cut short or damaged.*Nothing was brought back/) as string };
  for (const name of ['cutFile', 'cutText', 'lostRow', 'formerCut'])
    expect([name, damaged[name]]).toEqual([
      name,
      { ...cut, ...nothingIsThere, verified: damaged[name].restored },
    ]);
  expect(damaged.lostPictures).toEqual({
    ...nothingIsThere,
    restored: expect.stringMatching(/^Of 24 files of pictures 0 are in/) as string,
    verified: damaged.lostPictures.restored,
  });
  expect(damaged.unreadable).toMatchObject({
    ...nothingIsThere,
    restored: 'Bringing the database back failed (1).',
  });
  expect(rotten).toMatch(/^1 pictures are damaged, among them/);
});
