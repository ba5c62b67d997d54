import { apiPaths, AUTHOR_HEADER, type Problem } from '@calvet/contract';
import { seedBatches, type SeedBatch } from './changes';
import { photoBatches } from './photos/photo-batches';
import { sendPictures } from './send-pictures';

const [server] = process.argv.slice(2);
if (server === undefined) throw new Error('Give the address of the server to seed.');

/** Whether all that was not taken is there in the form that it had in a demo of a former version. */
function isOfFormerDemo({ results = [] }: Problem): boolean {
  return (
    results.length > 0 &&
    results.every(
      (result) =>
        result.outcome === 'already-applied' ||
        (result.outcome === 'refused' && result.code === 'other-content'),
    )
  );
}

/** Sends changes; says whether they are those that are there now, and not those of a former version. */
async function send(houseId: string, changes: SeedBatch['changes']): Promise<boolean> {
  const response = await fetch(`${server}${apiPaths.changes(houseId)}`, {
    method: 'POST',
    headers: { 'content-type': 'application/json', [AUTHOR_HEADER]: 'Demo' },
    body: JSON.stringify({ changes }),
  });
  if (response.ok) return true;
  const problem = (await response.json()) as Problem;
  if (isOfFormerDemo(problem)) return false;
  throw new Error(`The demo could not be seeded: ${problem.code} ${problem.field} ${problem.detail}`);
}

/** A house that a former version made stays as it is: what belongs to this version's would not fit into it. */
const ofThisVersion = new Set<string>();
for (const { houseId, changes } of seedBatches) {
  if (!(await send(houseId, changes.slice(0, 1)))) continue;
  ofThisVersion.add(houseId);
  await send(houseId, changes.slice(1));
}
for (const { houseId, changes, pictures } of await photoBatches()) {
  if (!ofThisVersion.has(houseId)) continue;
  await send(houseId, changes);
  await sendPictures(server, houseId, pictures);
}
