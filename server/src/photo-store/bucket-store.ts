import { S3, type S3ClientConfig } from '@aws-sdk/client-s3';
import { ArrivingInBucket, isNotThere, listed } from './arriving-in-bucket';
import { NoRoom, PIECES_KEPT_MS, type PhotoStore } from './photo-store';

/** How the makers of buckets say that there is no room. */
const OUT_OF_ROOM = new Set(['InsufficientStorage', 'QuotaExceeded', 'StorageFull', 'XMinioStorageFull']);

const nameOf = (error: unknown): string => String((error as { readonly name?: unknown } | null)?.name);

const FOLDER = 'pictures/';

interface BucketOptions {
  readonly bucket: string;
  readonly client: S3ClientConfig;
}

/** Pictures as objects in an S3-compatible bucket. */
export function openBucketStore({ bucket, client }: BucketOptions): PhotoStore {
  const s3 = new S3(client);
  const keyOf = (name: string) => `${FOLDER}${name}`;
  const incoming = new ArrivingInBucket(s3, bucket, PIECES_KEPT_MS);
  return {
    incoming,
    put: async (name, bytes) => {
      try {
        await s3.putObject({ Bucket: bucket, Key: keyOf(name), Body: bytes, ContentType: 'image/jpeg' });
      } catch (error) {
        throw OUT_OF_ROOM.has(nameOf(error)) ? new NoRoom() : error;
      }
    },
    get: async (name) => {
      try {
        const { Body } = await s3.getObject({ Bucket: bucket, Key: keyOf(name) });
        return Body === undefined ? null : Buffer.from(await Body.transformToByteArray());
      } catch (error) {
        if (isNotThere(error)) return null;
        throw error;
      }
    },
    has: async (name) => {
      try {
        await s3.headObject({ Bucket: bucket, Key: keyOf(name) });
        return true;
      } catch (error) {
        if (isNotThere(error)) return false;
        throw error;
      }
    },
    remove: async (name) => {
      await s3.deleteObject({ Bucket: bucket, Key: keyOf(name) });
    },
    removeAbandoned: (now) => incoming.removeOlder(now.getTime() - PIECES_KEPT_MS),
    beside: async () => {
      const found = await listed(s3, { Bucket: bucket, Prefix: FOLDER, Delimiter: '/' });
      return found.map(({ Key = '' }) => Key.slice(FOLDER.length));
    },
    // A bucket says so when it is asked to keep something.
    hasRoomFor: () => Promise.resolve(true),
  };
}
