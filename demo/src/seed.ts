import { apiPaths, AUTHOR_HEADER, type Problem } from '@calvet/contract';
import { seedBatches } from './changes';

const [server] = process.argv.slice(2);
if (server === undefined) throw new Error('Give the address of the server to seed.');

for (const { houseId, changes } of seedBatches) {
  const response = await fetch(`${server}${apiPaths.changes(houseId)}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', [AUTHOR_HEADER]: 'Demo' },
    body: JSON.stringify({ changes }),
  });
  if (!response.ok) {
    const problem = (await response.json()) as Problem;
    throw new Error(`The demo could not be seeded: ${problem.code} ${problem.field} ${problem.detail}`);
  }
}
