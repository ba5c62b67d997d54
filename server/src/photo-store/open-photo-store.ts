import { join } from 'node:path';
import { openDirectoryStore } from './directory-store';
import type { PhotoStore } from './photo-store';

const BYTES_PER_MB = 1_000_000;
const LEAVE_FREE_MB = 500;

/** A setting that is left empty is left out. */
const given = (setting: string | undefined): string | null =>
  setting === undefined || setting === '' ? null : setting;

/**
 * The photo store that the environment asks for: a bucket where `CALVET_PHOTO_BUCKET` names one, else a directory.
 * docs/deployment.md lists the settings.
 */
export async function openPhotoStore(env: NodeJS.ProcessEnv): Promise<PhotoStore> {
  const bucket = given(env.CALVET_PHOTO_BUCKET);
  if (bucket === null) {
    return openDirectoryStore({
      folder: given(env.CALVET_PHOTO_FOLDER) ?? join(process.cwd(), 'photos'),
      leaveFreeBytes: Number(given(env.CALVET_PHOTO_LEAVE_FREE_MB) ?? LEAVE_FREE_MB) * BYTES_PER_MB,
    });
  }
  // Talking to a bucket takes packages that a directory does without.
  const { openBucketStore } = await import('./bucket-store');
  const accessKeyId = env.CALVET_PHOTO_BUCKET_KEY;
  const secretAccessKey = env.CALVET_PHOTO_BUCKET_SECRET;
  return openBucketStore({
    bucket,
    client: {
      region: env.CALVET_PHOTO_BUCKET_REGION ?? 'us-east-1',
      ...(env.CALVET_PHOTO_BUCKET_ENDPOINT === undefined
        ? {}
        : { endpoint: env.CALVET_PHOTO_BUCKET_ENDPOINT, forcePathStyle: true }),
      ...(accessKeyId === undefined || secretAccessKey === undefined
        ? {}
        : { credentials: { accessKeyId, secretAccessKey } }),
    },
  });
}
