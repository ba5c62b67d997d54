import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { startServerProcess } from '../test/server-process';
import { newDatabase } from '../test/running-server';
import { asLine, attack } from './run';

jest.setTimeout(180_000);

test('a server withstands all that is known to do harm, and is the same afterwards', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'calvet-attack-'));
  const database = await newDatabase();
  const server = await startServerProcess(database.url, folder);
  try {
    const lines = await attack(server, { computations: 200, listeners: 300, besides: 40, requests: 8000 });
    expect(lines.filter(({ isWithstood }) => !isWithstood).map(asLine)).toEqual([]);
    // The limits of an address are reached, and told as such.
    for (const name of ['300 listeners that leave', '8000 requests in a row'])
      expect(lines.find((line) => line.name === name)?.answer).toMatch(/429 too-many/);
  } finally {
    await server.close();
    await database.drop();
    rmSync(folder, { recursive: true, force: true });
  }
});
