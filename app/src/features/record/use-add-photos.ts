import type { PhotoSubject } from '@calvet/contract/photos/photo';
import { formatISO } from 'date-fns/formatISO';
import { useRef, useState } from 'react';
import { useStore } from '../../data/store-context';
import { readyPicture } from '../../picture/picture-door';
import { pickPictures } from '../../ui/pick-files';
import { useNote } from '../../ui/undo';

export interface AddingPhotos {
  /** How many pictures are being made ready. */
  readonly atWork: number;
  /** What could not be taken in, and what to do about it. */
  readonly trouble: string | null;
  /** Lets a person take or choose pictures, and takes them in. Gives back how many it took. */
  readonly add: (how?: { readonly camera?: boolean; readonly beforeId?: string }) => Promise<number>;
}

interface HowToAdd {
  /** Called before photos are added: what they show is made then, if it stands on the screen alone. */
  readonly onBefore?: () => void;
  /** The page says it itself, with a way back. */
  readonly isSaid?: true;
}

/** Takes pictures in of something in a house, one after the other; what goes wrong with one stops no other. */
export function useAddPhotos(
  houseId: string,
  subject: PhotoSubject,
  { onBefore, isSaid }: HowToAdd = {},
): AddingPhotos {
  const note = useNote();
  const { addPhoto, deleteRecord } = useStore();
  const [atWork, setAtWork] = useState(0);
  const [trouble, setTrouble] = useState<string | null>(null);
  const isChoosing = useRef(false);

  const takeIn = async (
    files: readonly File[],
    { camera, beforeId }: { readonly camera: boolean; readonly beforeId: string | null },
  ): Promise<number> => {
    const added: string[] = [];
    const troubles: string[] = [];
    setAtWork((count) => count + files.length);
    for (const file of files) {
      try {
        const ready = await readyPicture(file);
        // What was taken just now has its time from now, where the camera does not say.
        const picture = camera ? { ...ready, takenAt: ready.takenAt ?? formatISO(new Date()) } : ready;
        onBefore?.();
        added.push(await addPhoto(houseId, picture, subject, beforeId));
      } catch (error) {
        troubles.push(error instanceof Error ? error.message : String(error));
      }
      setAtWork((count) => count - 1);
    }
    setTrouble(troubles.length === 0 ? null : [...new Set(troubles)].join(' '));
    if (added.length === 0) return 0;
    note({
      isSaid,
      text: added.length === 1 ? 'A photo was added.' : `${added.length} photos were added.`,
      undo: () => added.forEach((id) => deleteRecord(houseId, 'photo', id)),
    });
    return added.length;
  };

  return {
    atWork,
    trouble,
    add: async ({ camera = false, beforeId } = {}) => {
      if (isChoosing.current) return 0;
      isChoosing.current = true;
      try {
        return await takeIn(await pickPictures({ camera }), { camera, beforeId: beforeId ?? null });
      } finally {
        isChoosing.current = false;
      }
    },
  };
}
