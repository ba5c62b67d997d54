import type { readChange } from '../changes/read-change';
import { fieldsOf, type Bodies, type Kind } from '../kinds';
import { notStored, type Stored } from '../record';
import type { Planned } from './plan-input';

/** What a file of a drawing says of itself. */
const FORMAT = 'calvet-drawing';
const VERSION = 2;
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

/** What a file is no drawing for, in words. */
export class NoDrawingFile extends Error {}

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
  return `${JSON.stringify({ format: FORMAT, version: VERSION, ...Object.fromEntries(lists) }, null, 1)}\n`;
}

const isObject = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

function parsed(text: string): Readonly<Record<string, unknown>> {
  let file: unknown;
  try {
    file = JSON.parse(text);
  } catch {
    throw new NoDrawingFile(
      'This file cannot be read: it is no JSON, or its end is missing. Save it anew where it came from.',
    );
  }
  if (!isObject(file) || file.format !== FORMAT)
    throw new NoDrawingFile('This is no file of a drawing: choose one that was saved from a drawing here.');
  if (file.version !== VERSION && file.version !== DRAWN_ALONE)
    throw new NoDrawingFile(
      `This file is of version ${String(file.version)}; this page reads version ${VERSION}. Open the page anew, then choose the file again.`,
    );
  return file;
}

/**
 * Reads a file of a drawing: all of it, or nothing.
 * @param read checks a record as the server does
 * @throws {NoDrawingFile}
 */
export function readDrawingFile(text: string, read: typeof readChange): Planned {
  const file = parsed(text);
  const taken = new Set<string>();
  const listOf = (name: keyof Planned): readonly Stored<object>[] => {
    const list = LATER.includes(name) && file.version === DRAWN_ALONE ? [] : file[name];
    if (!Array.isArray(list)) throw new NoDrawingFile(`“${name}” is missing in this file, or is no list.`);
    return list.map((entry: unknown, i) => {
      const { id, ...body } = isObject(entry) ? entry : {};
      const change = { changeId: id, kind: LISTS[name], id, baseRevision: 0, op: 'create', body };
      const answer = read(change, i);
      if (!answer.ok) {
        const field = answer.refusal.field.replace(/^changes\[\d+\]\.?(?:body\.?)?/, '');
        throw new NoDrawingFile(
          `${name}[${i}]${field === '' ? '' : `, ${field}`}: ${answer.refusal.message} Nothing was brought in.`,
        );
      }
      if (taken.has(answer.change.id))
        throw new NoDrawingFile(`${name}[${i}]: another one has its id already. Nothing was brought in.`);
      taken.add(answer.change.id);
      return { ...answer.change.body, ...notStored(answer.change.id, '') };
    });
  };
  return Object.fromEntries(LIST_NAMES.map((name) => [name, listOf(name)])) as unknown as Planned;
}
