import { ITEM_SUBJECT, type Photo } from '../photos/photo';
import { itemId } from '../plan/item-key';
import type { Walk } from './generate-walk';
import { isLeft, type Look } from './looks';

/** The day on which a photo was taken, where it was taken, YYYY-MM-DD; null: it does not say. */
export const takenOn = ({ takenAt }: Pick<Photo, 'takenAt'>): string | null => takenAt?.slice(0, 10) ?? null;

/** Photos from before a day, the latest first: what was covered since is judged by them. */
export const photosBefore = (photos: readonly Photo[], day: string): readonly Photo[] =>
  photos
    .filter((photo) => {
      const taken = takenOn(photo);
      return taken !== null && taken < day;
    })
    .sort((a, b) => ((a.takenAt ?? '') < (b.takenAt ?? '') ? 1 : -1));

/** Photos of checkpoints at which nobody has said anything yet, by the key of the checkpoint: to be judged at the desk. */
export function photosToJudge(
  { stops }: Pick<Walk, 'stops'>,
  houseId: string,
  photos: readonly Photo[],
  looks: ReadonlyMap<string, Look>,
): ReadonlyMap<string, Photo> {
  const bySubject = new Map(
    photos.filter(({ subject }) => subject.kind === ITEM_SUBJECT).map((photo) => [photo.subject.id, photo]),
  );
  if (bySubject.size === 0) return new Map();
  return new Map(
    stops.flatMap(({ checkpoints }) =>
      checkpoints.flatMap(({ key }): readonly [string, Photo][] => {
        const photo = bySubject.get(itemId(houseId, key));
        return photo !== undefined && isLeft(looks.get(key)) ? [[key, photo]] : [];
      }),
    ),
  );
}
