import { useEffect, useState, useSyncExternalStore } from 'react';
import type { Photo } from '@calvet/contract';
import { pictureBytes, uploads, type PictureSize } from './pictures';
import { subscribeToTaken, takenHouses, type TakenHouse } from './taking-along';
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

/** Houses that are taken along, by id. */
export function useTakenHouses(): ReadonlyMap<string, TakenHouse> {
  return useSyncExternalStore(subscribeToTaken, takenHouses, takenHouses);
}
