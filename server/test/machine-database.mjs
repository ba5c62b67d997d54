import { createInterface } from 'node:readline';
import { startDatabase } from '../../bin/machine/database.mjs';
import { freePort } from '../../bin/machine/free-port.mjs';

/**
 * A database server of its own, told what to do line by line: `kill` ends it without warning, `start` brings it back, `freeze`
 * and `thaw` stop it in the middle of whatever it does, and let it go on.
 */
const [folder] = process.argv.slice(2);
const port = await freePort();
let database = await startDatabase({ folder, port });
console.log(database.url);
for await (const line of createInterface({ input: process.stdin })) {
  if (line === 'kill') await database.kill();
  if (line === 'freeze') database.freeze();
  if (line === 'thaw') database.thaw();
  if (line === 'start') database = await startDatabase({ folder, port });
  console.log(`done ${line}`);
}
await database.stop();
