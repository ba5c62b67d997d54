import { useEffect, useState, useSyncExternalStore } from 'react';
import type { Photo } from '@calvet/contract';
import { pictureBytes, uploads, type PictureSize } from './pictures';
import type { PicturesHeld } from './local-database';
import { spaceOnDevice, type SpaceOnDevice } from './space';
import { picturesOnDevice, subscribeToTaken, takenHouses, type TakenHouse } from './taking-along';
import type { UploadsState } from './upload-queue';

/** What is known of a picture: it is here, on its way, still on another device, or out of reach without a signal. */
export type Picture =
  | { readonly state: 'here'; readonly url: string }
  | { readonly state: 'fetching' | 'not arrived' | 'no signal' };

const FETCHING: Picture = { state: 'fetching' };
const LOOK_AGAIN_MS = 10_000;

/** A picture of a photo, from this device or the server. */
export function usePicture({ houseId, sha256 }: Photo, size: PictureSize): Picture {
  const [picture, setPicture] = useState<Picture>(FETCHING);
  useEffect(() => {
    let isWanted = true;
    let url: string | null = null;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const look = async (): Promise<void> => {
      let next: Picture;
      try {
        const bytes = await pictureBytes(houseId, sha256, size);
        if (!isWanted) return;
        url = bytes === null ? null : URL.createObjectURL(bytes);
        next = url === null ? { state: 'not arrived' } : { state: 'here', url };
      } catch {
        next = { state: 'no signal' };
      }
      if (!isWanted) return;
      setPicture(next);
      if (next.state !== 'here') timer = setTimeout(() => void look(), LOOK_AGAIN_MS);
    };
    void look();
    return () => {
      isWanted = false;
      clearTimeout(timer);
      if (url !== null) URL.revokeObjectURL(url);
      setPicture(FETCHING);
    };
  }, [houseId, sha256, size]);
  return picture;
}

/** Pictures on their way to the server. */
export function useUploads(): UploadsState {
  return useSyncExternalStore(uploads.subscribe, uploads.getState, uploads.getState);
}

/** Pictures that the server does not have yet; the same list while none comes or goes. */
export function useUnsentPictures(): UploadsState['waiting'] {
  const waiting = () => uploads.getState().waiting;
  return useSyncExternalStore(uploads.subscribe, waiting, waiting);
}

/** True while the server does not have a picture. */
export function useIsUnsent(sha256: string): boolean {
  const isUnsent = () => uploads.getState().waiting.some((upload) => upload.sha256 === sha256);
  return useSyncExternalStore(uploads.subscribe, isUnsent, isUnsent);
}

/** Houses that are taken along, by id. */
export function useTakenHouses(): ReadonlyMap<string, TakenHouse> {
  return useSyncExternalStore(subscribeToTaken, takenHouses, takenHouses);
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
  return useAnswered(picturesOnDevice, NOTHING, look);
}

/** What the browser lets Calvet have here, and how much of it is in use; null until it has said so. */
export function useSpaceOnDevice(look: unknown = null): SpaceOnDevice | null {
  return useAnswered<SpaceOnDevice | null>(spaceOnDevice, null, look);
}
