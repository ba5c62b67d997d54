import type { readChange } from './changes/read-change';
import type { Kind } from './kinds';

/** Why a file cannot be taken, in words for people. */
export class UnreadableFile extends Error {}

/** What a kind of file says of itself. */
export interface JsonFormat {
  /** Its `format`. */
  readonly format: string;
  /** Versions that are read; the first is written. */
  readonly versions: readonly number[];
  /** What it is a file of: “a drawing”. */
  readonly of: string;
}

type Json = Readonly<Record<string, unknown>>;

const isObject = (value: unknown): value is Json =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** A file with its lists. */
export const writeJsonFile = ({ format, versions }: JsonFormat, lists: object): string =>
  `${JSON.stringify({ format, version: versions[0], ...lists }, null, 1)}\n`;

/**
 * What is written in a file of a format.
 * @throws {UnreadableFile} where it is none, is cut off, or is of a version that is not read here
 */
export function parseJsonFile(text: string, { format, versions, of }: JsonFormat): Json {
  let file: unknown;
  try {
    file = JSON.parse(text);
  } catch {
    throw new UnreadableFile(
      'This file cannot be read: it is no JSON, or its end is missing. Save it anew where it came from.',
    );
  }
  if (!isObject(file) || file.format !== format)
    throw new UnreadableFile(`This is no file of ${of}: choose one that was saved from ${of} here.`);
  if (!versions.some((version) => version === file.version))
    throw new UnreadableFile(
      `This file is of version ${String(file.version)}; this page reads version ${versions[0]}. Open the page anew, then choose the file again.`,
    );
  return file;
}

/** A list of a file. @throws {UnreadableFile} where it is missing */
export function listOf(file: Json, name: string): readonly unknown[] {
  const list = file[name];
  if (!Array.isArray(list)) throw new UnreadableFile(`“${name}” is missing in this file, or is no list.`);
  return list;
}

/** A record of a file, by its id and its fields. */
export interface FileRecord {
  readonly id: string;
  readonly body: object;
}

/**
 * Entries of a list as records, each checked as the server does.
 * @param read what checks them
 * @throws {UnreadableFile} of the first that the server would refuse, or that has the id of one before
 */
export function recordsOf(
  list: readonly unknown[],
  name: string,
  kind: Kind,
  read: typeof readChange,
  taken: Set<string> = new Set(),
): readonly FileRecord[] {
  return list.map((entry, i) => {
    const { id, ...body } = isObject(entry) ? entry : {};
    const answer = read({ changeId: id, kind, id, baseRevision: 0, op: 'create', body }, i);
    if (!answer.ok) {
      const field = answer.refusal.field.replace(/^changes\[\d+\]\.?(?:body\.?)?/, '');
      throw new UnreadableFile(
        `${name}[${i}]${field === '' ? '' : `, ${field}`}: ${answer.refusal.message} Nothing was brought in.`,
      );
    }
    if (taken.has(answer.change.id))
      throw new UnreadableFile(`${name}[${i}]: another one has its id already. Nothing was brought in.`);
    taken.add(answer.change.id);
    return { id: answer.change.id, body: answer.change.body ?? {} };
  });
}
