import { apiPaths, AUTHOR_HEADER, type Problem } from '@calvet/contract';
import { seedBatches, type SeedBatch } from './changes';
import { photoBatches } from './photos/photo-batches';
import { sendPictures } from './send-pictures';

const [server] = process.argv.slice(2);
if (server === undefined) throw new Error('Give the address of the server to seed.');

/** The demo of a former version stands there, in the form that records had then. */
function isThere({ results = [] }: Problem): boolean {
  return (
    results.length > 0 &&
    results.every(
      (result) =>
        result.outcome === 'already-applied' ||
        (result.outcome === 'refused' && result.code === 'other-content'),
    )
  );
}

async function send({ houseId, changes }: SeedBatch): Promise<void> {
  const response = await fetch(`${server}${apiPaths.changes(houseId)}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', [AUTHOR_HEADER]: 'Demo' },
    body: JSON.stringify({ changes }),
  });
  if (response.ok) return;
  const problem = (await response.json()) as Problem;
  if (isThere(problem)) return;
  throw new Error(`The demo could not be seeded: ${problem.code} ${problem.field} ${problem.detail}`);
}

for (const batch of seedBatches) await send(batch);
for (const { houseId, changes, pictures } of await photoBatches()) {
  await send({ houseId, changes });
  await sendPictures(server, houseId, pictures);
}
