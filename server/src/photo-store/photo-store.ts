import type { DataStore } from '@tus/server';

/** The store has no room for another picture. */
export class NoRoom extends Error {
  constructor() {
    super('The photo store is full.');
  }
}

/**
 * Where pictures are: whole ones by name, and those that are still arriving. Any number of server processes may use one
 * store at once; a name is never given to other bytes, so that nothing in it ever changes. A name is `HOUSE/PICTURE`.
 */
export interface PhotoStore {
  /** Pictures that arrive piece by piece. */
  readonly incoming: DataStore & {
    /** What has arrived of one. */
    read(id: string): AsyncIterable<Buffer>;
  };
  /** @throws {NoRoom} */
  put(name: string, bytes: Buffer): Promise<void>;
  /** Null where no picture of the name is here. */
  get(name: string): Promise<Buffer | null>;
  has(name: string): Promise<boolean>;
  /** Harmless where it is not here. */
  remove(name: string): Promise<void>;
  /** Throws away what began to arrive, or to be written, and was given up long ago. */
  removeAbandoned(now: Date): Promise<void>;
  /** Names of what former versions put beside all houses: those without a `/`. */
  beside(): Promise<readonly string[]>;
  /** False where another picture of this size would leave too little for everything else. */
  hasRoomFor(bytes: number): Promise<boolean>;
}

/** Pieces that nobody went on with are thrown away after this long. */
export const PIECES_KEPT_MS = 14 * 24 * 3_600_000;
