import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

/** Inputs and what is expected of them, for one computation. */
export interface VectorFile<Case> {
  readonly operation: string;
  readonly cases: readonly Case[];
}

const folder = join(__dirname, '../vectors');

/** Every file of vectors in the checkout, those in folders too. */
export function filesOfVectors<Case>(): readonly VectorFile<Case>[] {
  return readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((name) => name.endsWith('.json'))
    .sort()
    .map((name) => JSON.parse(readFileSync(join(folder, name), 'utf8')) as VectorFile<Case>);
}
