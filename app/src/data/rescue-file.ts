import type { Change } from '@calvet/contract/changes/change';
import type { readChange } from '@calvet/contract/changes/read-change';
import { isObject } from '@calvet/core/schema';
import { changeOf, type Entry, type Pending } from './outbox-rules';
import { nameOf } from './pictures';

/** A whole picture that a device held unsent. */
export interface RescuedPicture {
  readonly sha256: string;
  readonly houseId: string;
  readonly full: Blob;
}

/** What a device held unsent, as the page that needs nothing of the app saved it to a file. */
export interface Rescued {
  /** In the order of sending. */
  readonly changes: readonly Pending[];
  readonly pictures: readonly RescuedPicture[];
}

/** What can be wrong with a file, in words that say what to do. */
export class NoRescueFile extends Error {}

type Json = Readonly<Record<string, unknown>>;

function listIn(file: Json, name: string): readonly Json[] {
  const list = file[name];
  if (!Array.isArray(list) || !list.every(isObject))
    throw new NoRescueFile(`The file was changed: its list “${name}” cannot be read. Save it anew.`);
  return list;
}

const UUID = /^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/;

type ReadChange = typeof readChange;

function pendingOf(
  reads: ReadChange,
  ledgerId: unknown,
  change: unknown,
  i: number,
  times?: unknown,
): Pending {
  const read = reads(change, i);
  if (typeof ledgerId !== 'string' || !UUID.test(ledgerId) || !read.ok) {
    const why = read.ok ? 'its house is not named.' : read.refusal.message;
    throw new NoRescueFile(`Nothing was brought back: entry ${i + 1} of the file cannot be read: ${why}`);
  }
  // It may have left the device that it comes from: nothing joins it, and the server knows it by its id.
  const pending: Pending = { ledgerId, change: change as Change, isSealed: true };
  return isObject(times) ? { ...pending, times: times as Pending['times'] } : pending;
}

async function pictureOf({ sha256, houseId, picture }: Json, i: number): Promise<RescuedPicture> {
  const damaged = new NoRescueFile(
    `Nothing was brought back: picture ${i + 1} of the file is damaged. Save the file anew.`,
  );
  const found = typeof picture === 'string' ? /^data:(image\/[a-z+.-]+);base64,/.exec(picture) : null;
  if (
    found === null ||
    typeof picture !== 'string' ||
    typeof sha256 !== 'string' ||
    typeof houseId !== 'string'
  )
    throw damaged;
  let bytes: Uint8Array<ArrayBuffer>;
  try {
    bytes = Uint8Array.from(atob(picture.slice(found[0].length)), (char) => char.charCodeAt(0));
  } catch {
    throw damaged;
  }
  const full = new Blob([bytes], { type: found[1] });
  const name = await nameOf(full);
  if (name !== null && name !== sha256) throw damaged;
  return { sha256, houseId, full };
}

/** What reads a change is large and seldom needed: it is fetched with the first file. */
async function reader(): Promise<ReadChange> {
  try {
    return (await import('@calvet/contract/changes/read-change')).readChange;
  } catch {
    throw new NoRescueFile('This device does not have what reads such a file yet: try again with a signal.');
  }
}

/** The ledger of what waited; files of former versions know houses alone. */
const ledgerOf = ({ ledgerId, houseId }: Json): unknown => ledgerId ?? houseId;

/**
 * Reads a file of what a device held unsent: all of it, or nothing.
 * @throws {NoRescueFile}
 */
export async function readRescueFile(text: string): Promise<Rescued> {
  let file: unknown;
  try {
    file = JSON.parse(text);
  } catch {
    file = null;
  }
  if (!isObject(file) || file.format !== 'calvet-unsent')
    throw new NoRescueFile('This is no file of unsent entries: its name begins with “calvet-unsent”.');
  if (file.version !== 1)
    throw new NoRescueFile(
      'The file was saved by a newer version of Calvet. Open this page anew, then choose it again.',
    );
  const reads = await reader();
  const waiting = listIn(file, 'changes');
  const entries = listIn(file, 'entries');
  return {
    changes: [
      ...waiting.map((each, i) => pendingOf(reads, ledgerOf(each), each.change, i, each.times)),
      ...entries.map((entry, i) => {
        const change = isObject(entry.change)
          ? changeOf(entry as unknown as Entry, Number(entry.seenRevision))
          : null;
        return pendingOf(reads, ledgerOf(entry), change, waiting.length + i);
      }),
    ],
    pictures: await Promise.all(listIn(file, 'pictures').map(pictureOf)),
  };
}
