import {
  isShownKind,
  kindNamed,
  KINDS,
  type KindedRecord,
  type Photo,
  type PhotoSubject,
} from '@calvet/contract';
import { format } from 'date-fns/format';
import { parseISO } from 'date-fns/parseISO';
import type { HouseView } from '../../data/house-copy';
import { nameWords } from '../shell/value-words';

/** A place or a test that photos can belong to. */
export interface PhotoPlace {
  readonly subject: PhotoSubject;
  readonly name: string;
}

const SHOWN_KINDS = KINDS.filter((kind) => kind !== 'house' && isShownKind(kind));

/** Everything in a house that photos can belong to, the house itself first. */
export function placesIn(view: HouseView): readonly PhotoPlace[] {
  const lists = view as unknown as Readonly<Record<string, readonly KindedRecord['record'][]>>;
  return [
    { subject: { kind: 'house', id: view.house.id }, name: 'The house' },
    ...SHOWN_KINDS.flatMap((kind) =>
      (lists[kindNamed(kind).list ?? ''] ?? []).map((record): PhotoPlace => ({
        subject: { kind, id: record.id },
        name: nameWords({ kind, record } as KindedRecord),
      })),
    ),
  ];
}

/** What a photo shows, in words. */
export function placeName(photo: Photo, places: readonly PhotoPlace[]): string {
  return places.find(({ subject }) => subject.id === photo.subject.id)?.name ?? 'A place that was deleted';
}

/** The photos of one place. */
export interface PlacePhotos {
  readonly key: string;
  readonly name: string;
  readonly photos: readonly Photo[];
}

/** Photos place by place, in the order of the places; last those whose place was deleted. */
export function photosByPlace(
  photos: readonly Photo[],
  places: readonly PhotoPlace[],
): readonly PlacePhotos[] {
  const known = new Set(places.map(({ subject }) => subject.id));
  return [
    ...places.map(({ subject, name }) => ({
      key: subject.id,
      name,
      photos: photos.filter((photo) => photo.subject.id === subject.id),
    })),
    {
      key: 'elsewhere',
      name: 'Places that were deleted',
      photos: photos.filter((photo) => !known.has(photo.subject.id)),
    },
  ].filter((place) => place.photos.length > 0);
}

const OFFSET = /[+-]\d{2}:\d{2}$/;

/** When a photo was taken, by the clock where it was taken; of a former version, which did not keep that, by this one. */
export function takenWords({ takenAt }: Pick<Photo, 'takenAt'>): string {
  if (takenAt === null) return 'day not known';
  return format(parseISO(takenAt.replace(OFFSET, '')), 'd MMM yyyy, HH:mm');
}

/** What a photo is called where it is not seen. */
export function photoName(photo: Photo, places: readonly PhotoPlace[]): string {
  return photo.caption === '' ? `Photo of ${placeName(photo, places)}` : photo.caption;
}
