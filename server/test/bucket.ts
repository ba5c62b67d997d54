import { mkdtemp, rm } from 'node:fs/promises';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import S3rver from 's3rver';
import { openBucketStore } from '../src/photo-store/bucket-store';
import type { PhotoStore } from '../src/photo-store/photo-store';

export interface RunningBucket {
  /** Another process's view of the same bucket each time. */
  readonly open: () => PhotoStore;
  readonly close: () => Promise<void>;
}

/** A bucket on a free port of this machine. */
export async function startBucket(): Promise<RunningBucket> {
  const folder = await mkdtemp(join(tmpdir(), 'calvet-bucket-'));
  const bucket = 'pictures';
  const server = new S3rver({
    port: 0,
    address: '127.0.0.1',
    silent: true,
    directory: folder,
    configureBuckets: [{ name: bucket, configs: [] }],
  });
  const { port } = await new Promise<AddressInfo>((resolve, reject) => {
    server.run((error, address) => (error == null ? resolve(address) : reject(error)));
  });
  return {
    open: () =>
      openBucketStore({
        bucket,
        client: {
          region: 'us-east-1',
          endpoint: `http://127.0.0.1:${port}`,
          forcePathStyle: true,
          credentials: { accessKeyId: 'S3RVER', secretAccessKey: 'S3RVER' },
        },
      }),
    close: async () => {
      await server.close();
      await rm(folder, { recursive: true, force: true });
    },
  };
}
