import { randomUUID } from 'node:crypto';
import { access, mkdir, readdir, readFile, rename, rm, stat, statfs, writeFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { FileStore } from '@tus/file-store';
import { NoRoom, PIECES_KEPT_MS, type PhotoStore } from './photo-store';

const OUT_OF_ROOM = new Set(['ENOSPC', 'EDQUOT']);

/** Where former versions put pictures: by the first two letters of their name. */
const SHELF = /^[0-9a-f]{2}$/;

const codeOf = (error: unknown): unknown => (error as { readonly code?: unknown } | null)?.code;

const UNFINISHED = '.part';

/** Removes the files of a folder that nothing was written to since a time. */
async function removeOlder(
  folder: string,
  isMeant: (name: string) => boolean,
  before: number,
): Promise<void> {
  for (const name of (await readdir(folder)).filter(isMeant)) {
    const path = join(folder, name);
    const { mtimeMs, isFile } = await stat(path).then(
      (found) => ({ mtimeMs: found.mtimeMs, isFile: found.isFile() }),
      () => ({ mtimeMs: Infinity, isFile: false }),
    );
    if (isFile && mtimeMs < before) await rm(path, { force: true });
  }
}

interface DirectoryOptions {
  readonly folder: string;
  /** Left free on the disk, for whatever else lives there. */
  readonly leaveFreeBytes: number;
}

/** Pictures as files in a directory, which all server processes share. */
export async function openDirectoryStore({ folder, leaveFreeBytes }: DirectoryOptions): Promise<PhotoStore> {
  const arriving = join(folder, 'arriving');
  await mkdir(arriving, { recursive: true });
  const isOfHouse = (name: string) => name.includes('/');
  const pathOf = (name: string) =>
    isOfHouse(name) ? join(folder, name) : join(folder, name.slice(0, 2), name);
  return {
    incoming: new FileStore({ directory: arriving, expirationPeriodInMilliseconds: PIECES_KEPT_MS }),
    put: async (name, bytes) => {
      const path = pathOf(name);
      const unfinished = join(folder, `${randomUUID()}${UNFINISHED}`);
      try {
        await mkdir(dirname(path), { recursive: true });
        await writeFile(unfinished, bytes, { flush: true });
        // Whole or not at all, also when the machine stops in the middle.
        await rename(unfinished, path);
      } catch (error) {
        await rm(unfinished, { force: true });
        throw OUT_OF_ROOM.has(String(codeOf(error))) ? new NoRoom() : error;
      }
    },
    get: async (name) => {
      try {
        return await readFile(pathOf(name));
      } catch (error) {
        if (codeOf(error) === 'ENOENT') return null;
        throw error;
      }
    },
    has: async (name) => {
      try {
        await access(pathOf(name));
        return true;
      } catch {
        return false;
      }
    },
    remove: (name) => rm(pathOf(name), { force: true }),
    removeAbandoned: async (now) => {
      const before = now.getTime() - PIECES_KEPT_MS;
      await removeOlder(arriving, () => true, before);
      await removeOlder(folder, (name) => name.endsWith(UNFINISHED), before);
    },
    beside: async () => {
      const inFolder = await readdir(folder);
      const shelves = inFolder.filter((name) => SHELF.test(name));
      return (await Promise.all(shelves.map((shelf) => readdir(join(folder, shelf))))).flat();
    },
    hasRoomFor: async (bytes) => {
      const { bavail, bsize } = await statfs(folder);
      return bavail * bsize - bytes >= leaveFreeBytes;
    },
  };
}
