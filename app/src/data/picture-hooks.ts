import type { Photo } from '@calvet/contract/photos/photo';
import { useCallback, useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import useSWR from 'swr';
import type { PicturesHeld } from './local-schema';
import type { PictureSize } from './pictures';
import { spaceOnDevice, type SpaceOnDevice } from './space';
import { useStore } from './store-context';
import type { TakenHouse } from './taking-along';
import type { UploadsState } from './upload-queue';

/** What is known of a picture: it is here, on its way, still on another device, or out of reach without a signal. */
export type Picture =
  | { readonly state: 'here'; readonly url: string }
  | { readonly state: 'fetching' | 'not arrived' | 'no signal' };

const FETCHING: Picture = { state: 'fetching' };
const LOOK_AGAIN_MS = 10_000;

/** The address of bytes as long as a screen shows them; null while there are none. */
function useObjectUrl(bytes: Blob | null | undefined): string | null {
  const url = useMemo(() => (bytes == null ? null : URL.createObjectURL(bytes)), [bytes]);
  useEffect(
    () => () => {
      if (url !== null) URL.revokeObjectURL(url);
    },
    [url],
  );
  return url;
}

/** A picture of a photo, from this device or the server. */
export function usePicture({ ledgerId: houseId, sha256 }: Photo, size: PictureSize): Picture {
  const { pictures } = useStore();
  const { data, error } = useSWR<Blob | null, Error>(
    ['picture', houseId, sha256, size],
    () => pictures.bytes(houseId, sha256, size),
    {
      // A picture never changes; one that is not here is looked for again in a while.
      revalidateOnFocus: false,
      revalidateIfStale: false,
      refreshInterval: (bytes) => (bytes == null ? LOOK_AGAIN_MS : 0),
      errorRetryInterval: LOOK_AGAIN_MS,
    },
  );
  const url = useObjectUrl(data);
  if (url !== null) return { state: 'here', url };
  if (data === null) return { state: 'not arrived' };
  return error === undefined ? FETCHING : { state: 'no signal' };
}

/** Pictures on their way to the server. */
export function useUploads(): UploadsState {
  const { uploads } = useStore();
  return useSyncExternalStore(uploads.subscribe, uploads.getState, uploads.getState);
}

/** Pictures that the server does not have yet; the same list while none comes or goes. */
export function useUnsentPictures(): UploadsState['waiting'] {
  const { uploads } = useStore();
  const waiting = () => uploads.getState().waiting;
  return useSyncExternalStore(uploads.subscribe, waiting, waiting);
}

/** True while the server does not have a picture. */
export function useIsUnsent({ ledgerId: houseId, sha256 }: Photo): boolean {
  const { uploads } = useStore();
  const isUnsent = () =>
    uploads.getState().waiting.some((upload) => upload.houseId === houseId && upload.sha256 === sha256);
  return useSyncExternalStore(uploads.subscribe, isUnsent, isUnsent);
}

/** Houses that are taken along, by id. */
export function useTakenHouses(): ReadonlyMap<string, TakenHouse> {
  const { taking } = useStore();
  return useSyncExternalStore(taking.subscribe, taking.houses, taking.houses);
}

/** What is answered to a question, asked again whenever `look` is another. */
function useAnswered<T>(ask: () => Promise<T>, before: T, look: unknown): T {
  const [answer, setAnswer] = useState(before);
  useEffect(() => {
    let isWanted = true;
    void ask().then((next) => {
      if (isWanted) setAnswer(next);
    });
    return () => {
      isWanted = false;
    };
  }, [ask, look]);
  return answer;
}

const NOTHING: ReadonlyMap<string, PicturesHeld> = new Map();

/**
 * What this device holds of pictures, house by house.
 * @param look another one each time it is to be told again
 */
export function usePicturesOnDevice(look: unknown): ReadonlyMap<string, PicturesHeld> {
  const { keeping } = useStore();
  const keptIn = useSyncExternalStore(keeping.subscribe, keeping.where, keeping.where);
  const ask = useCallback(
    async () => (keptIn === 'opening' ? NOTHING : ((await keeping.database()?.picturesHeld()) ?? NOTHING)),
    [keeping, keptIn],
  );
  return useAnswered(ask, NOTHING, look);
}

/** What the browser lets Calvet have here, and how much of it is in use; null until it has said so. */
export function useSpaceOnDevice(look: unknown = null): SpaceOnDevice | null {
  return useAnswered<SpaceOnDevice | null>(spaceOnDevice, null, look);
}
