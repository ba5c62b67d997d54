import { basename, dirname } from 'node:path';
import pino, { type Logger } from 'pino';
import { createStream } from 'rotating-file-stream';

/** Of a log file that is full so many are kept beside it. */
const FORMER_FILES = 3;

/** An error as it may stand in a log. */
interface LoggedError {
  readonly type: string;
  readonly code?: string;
  /** The system's own, or the database's. */
  readonly errno?: number;
  /** Where it was thrown, innermost first. */
  readonly at: readonly string[];
  readonly cause?: LoggedError;
}

/**
 * What a log says of an error: its type, its code and where it was thrown. What it says in words may be what somebody
 * entered: a database quotes the row that it refuses, a parser the text that it cannot read.
 */
export function asLogged(error: unknown): LoggedError {
  if (!(error instanceof Error)) return { type: typeof error, at: [] };
  const { code, errno } = error as { readonly code?: unknown; readonly errno?: unknown };
  return {
    type: error.constructor.name,
    ...(typeof code === 'string' ? { code } : {}),
    ...(typeof errno === 'number' ? { errno } : {}),
    at: (error.stack ?? '')
      .split('\n')
      .filter((line) => /^\s+at /.test(line))
      .map((line) => line.trim()),
    ...(error.cause === undefined ? {} : { cause: asLogged(error.cause) }),
  };
}

/** Where a log goes, and what it says. */
export interface LogOptions {
  readonly level: string;
  /** The standard output where it is null. */
  readonly file: string | null;
  /** A file as large as that is put aside, and the oldest goes. */
  readonly fileMb: number;
}

/** A log of one JSON object a line. */
export function openLog({ level, file, fileMb }: LogOptions): Logger {
  const options = { level, serializers: { err: asLogged } };
  if (file === null) return pino(options);
  const stream = createStream(basename(file), {
    path: dirname(file),
    size: `${Math.ceil(fileMb * 1000)}K`,
    maxFiles: FORMER_FILES,
  });
  return pino(options, stream);
}
