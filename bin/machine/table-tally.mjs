import { createHash } from 'node:crypto';
import { Transform } from 'node:stream';

const ROW = /^INSERT INTO `([^`]+)`/;
/** The last line of a dump that was written to its end. */
const LAST = /^-- Dump completed/;
/** Names of tables stand within so much of the beginning of a line. */
const HEAD_BYTES = 300;

/**
 * Lets a dump of one row a line through, and tells at its end how many rows each table has and what they hash to. The same
 * rows in the same order give the same hashes, whichever server they lie on.
 */
export function tableTally() {
  const tables = new Map();
  let isWhole = false;
  let rest = Buffer.alloc(0);
  const readLine = (line) => {
    const head = line.toString('utf8', 0, HEAD_BYTES);
    if (LAST.test(head)) isWhole = true;
    const name = ROW.exec(head)?.[1];
    if (name === undefined) return;
    const table = tables.get(name) ?? { rows: 0, hash: createHash('sha256') };
    tables.set(name, table);
    table.rows++;
    table.hash.update(line);
  };
  const stream = new Transform({
    transform(chunk, _encoding, done) {
      const bytes = Buffer.concat([rest, chunk]);
      let from = 0;
      for (let at = bytes.indexOf(10); at !== -1; at = bytes.indexOf(10, from)) {
        readLine(bytes.subarray(from, at));
        from = at + 1;
      }
      rest = bytes.subarray(from);
      done(null, chunk);
    },
  });
  return {
    stream,
    /** Once the stream has ended. */
    result: () => ({
      isWhole,
      tables: Object.fromEntries(
        [...tables].map(([name, { rows, hash }]) => [name, { rows, sha256: hash.digest('hex') }]),
      ),
    }),
  };
}
