import type { Readable } from 'node:stream';
import { buffer } from 'node:stream/consumers';
import {
  paginateListObjectsV2,
  type ListObjectsV2CommandInput,
  type S3,
  type _Object as Listed,
} from '@aws-sdk/client-s3';
import { DataStore, ERRORS, Upload } from '@tus/server';

interface Announced {
  readonly size: number | undefined;
  readonly metadata: Record<string, string | null> | undefined;
  readonly createdAt: string;
}

interface Piece {
  readonly key: string;
  readonly offset: number;
  readonly size: number;
}

const FOLDER = 'arriving/';
/** Wide enough for any offset, so that names sort as offsets do. */
const OFFSET_DIGITS = 12;

/**
 * Uploads under way in a bucket: one object that says what is coming, and one for each piece, named by where it begins.
 * Made for pictures of a few megabytes, which the bucket's own uploads in parts, of 5 MB each at least, do not suit.
 */
export class ArrivingInBucket extends DataStore {
  constructor(
    private readonly s3: S3,
    private readonly bucket: string,
    private readonly keptMs: number,
  ) {
    super();
    this.extensions = ['creation', 'creation-with-upload', 'termination', 'expiration'];
  }

  override async create(upload: Upload): Promise<Upload> {
    const announced: Announced = {
      size: upload.size,
      metadata: upload.metadata,
      createdAt: new Date().toISOString(),
    };
    await this.put(this.announcedKey(upload.id), Buffer.from(JSON.stringify(announced)));
    return upload;
  }

  override async write(stream: Readable, id: string, offset: number): Promise<number> {
    const bytes = await buffer(stream);
    if (bytes.length > 0) {
      await this.put(`${FOLDER}${id}/${String(offset).padStart(OFFSET_DIGITS, '0')}`, bytes);
    }
    return offset + bytes.length;
  }

  override async getUpload(id: string): Promise<Upload> {
    const { size, metadata, createdAt } = await this.announced(id);
    const pieces = await this.piecesOf(id);
    const offset = pieces.reduce((sum, piece) => sum + piece.size, 0);
    return new Upload({ id, size, metadata, offset, creation_date: createdAt });
  }

  /** What has arrived, piece after piece. */
  async *read(id: string): AsyncGenerator<Buffer> {
    for (const { key } of await this.piecesOf(id)) yield await this.get(key);
  }

  override async remove(id: string): Promise<void> {
    const keys = [...(await this.piecesOf(id)).map(({ key }) => key), this.announcedKey(id)];
    for (const key of keys) await this.s3.deleteObject({ Bucket: this.bucket, Key: key });
  }

  override getExpiration(): number {
    return this.keptMs;
  }

  /** Throws away what was announced before a time. */
  async removeOlder(before: number): Promise<void> {
    const ids = (await listed(this.s3, { Bucket: this.bucket, Prefix: FOLDER })).flatMap(
      ({ Key = '', LastModified }) => {
        const isOld = LastModified !== undefined && LastModified.getTime() < before;
        const id = /^arriving\/([^/]+)\/announced$/.exec(Key)?.[1];
        return isOld && id !== undefined ? [id] : [];
      },
    );
    for (const id of ids) await this.remove(id);
  }

  private announcedKey(id: string): string {
    return `${FOLDER}${id}/announced`;
  }

  private async put(key: string, bytes: Buffer): Promise<void> {
    await this.s3.putObject({ Bucket: this.bucket, Key: key, Body: bytes });
  }

  private async get(key: string): Promise<Buffer> {
    const { Body } = await this.s3.getObject({ Bucket: this.bucket, Key: key });
    return Body === undefined ? Buffer.alloc(0) : Buffer.from(await Body.transformToByteArray());
  }

  private async announced(id: string): Promise<Announced> {
    try {
      return JSON.parse((await this.get(this.announcedKey(id))).toString()) as Announced;
    } catch (error) {
      if (isNotThere(error)) throw ERRORS.FILE_NOT_FOUND;
      throw error;
    }
  }

  /** The pieces that follow each other without a gap, from the first. */
  private async piecesOf(id: string): Promise<readonly Piece[]> {
    const inFolder = await listed(this.s3, { Bucket: this.bucket, Prefix: `${FOLDER}${id}/` });
    const found = inFolder.flatMap(({ Key = '', Size = 0 }): Piece[] => {
      const offset = Number(Key.split('/').at(-1));
      return Number.isInteger(offset) ? [{ key: Key, offset, size: Size }] : [];
    });
    const pieces: Piece[] = [];
    let end = 0;
    for (const piece of found.sort((a, b) => a.offset - b.offset)) {
      if (piece.offset !== end) continue;
      pieces.push(piece);
      end += piece.size;
    }
    return pieces;
  }
}

/** All that a bucket lists, however many pages it makes of it. */
export async function listed(client: S3, asked: ListObjectsV2CommandInput): Promise<readonly Listed[]> {
  const found: Listed[] = [];
  for await (const { Contents = [] } of paginateListObjectsV2({ client }, asked)) found.push(...Contents);
  return found;
}

const NOT_THERE = new Set(['NoSuchKey', 'NotFound']);

/** True where a bucket says that it holds no such object. */
export function isNotThere(error: unknown): boolean {
  return NOT_THERE.has(String((error as { readonly name?: unknown } | null)?.name));
}
