import type { readChange } from '../changes/read-change';
import { listOf, parseJsonFile, recordsOf, writeJsonFile, type JsonFormat } from '../json-file';
import { fieldsOf, type Bodies, type Kind } from '../kinds';
import { notStored, type Stored } from '../record';
import type { Planned } from './plan-input';

/** What a file of a drawing says of itself. */
const FORMAT: JsonFormat = { format: 'calvet-drawing', versions: [2, 1], of: 'a drawing' };
/** Of this version there is what was drawn alone. */
const DRAWN_ALONE = 1;
/** Lists that came later. */
const LATER: readonly (keyof Planned)[] = ['features', 'works'];
/** No drawing comes near it. */
export const DRAWING_FILE_BYTES_MAX = 4_000_000;

/** The lists of a file, and the kind of the records in each. */
const LISTS = {
  plans: 'plan',
  storeys: 'storey',
  zones: 'zone',
  roofs: 'roof',
  openings: 'opening',
  features: 'feature',
  works: 'work',
} as const satisfies Readonly<Record<keyof Planned, keyof Bodies>>;

const LIST_NAMES = Object.keys(LISTS) as readonly (keyof Planned)[];

/** A record with its fields as they are told, however it came by them. */
const inOrder = (kind: Kind, record: Stored<object>): object => ({
  id: record.id,
  ...Object.fromEntries(
    fieldsOf(kind).map((name) => [name, (record as Readonly<Record<string, unknown>>)[name]]),
  ),
});

/** A drawing as a file: its records with their ids, as they are. */
export function writeDrawingFile(drawing: Planned): string {
  const lists = LIST_NAMES.map((name) => [name, drawing[name].map((record) => inOrder(LISTS[name], record))]);
  return writeJsonFile(FORMAT, Object.fromEntries(lists));
}

/**
 * Reads a file of a drawing: all of it, or nothing.
 * @param read checks a record as the server does
 * @throws {UnreadableFile}
 */
export function readDrawingFile(text: string, read: typeof readChange): Planned {
  const file = parseJsonFile(text, FORMAT);
  const taken = new Set<string>();
  const recordsIn = (name: keyof Planned): readonly Stored<object>[] => {
    const isLater = LATER.includes(name) && file.version === DRAWN_ALONE;
    const list = isLater ? [] : listOf(file, name);
    return recordsOf(list, name, LISTS[name], read, taken).map(({ id, body }) => ({
      ...body,
      ...notStored(id, ''),
    }));
  };
  return Object.fromEntries(LIST_NAMES.map((name) => [name, recordsIn(name)])) as unknown as Planned;
}
