import type { Photo, PhotoMark, PhotoSubject } from '@calvet/contract';
import { format } from 'date-fns/format';
import { parseISO } from 'date-fns/parseISO';
import type { HouseView } from '../../data/house-copy';
import { STAGE_WORDS } from '../airtightness/words';

/** A place or a test that photos can belong to. */
export interface PhotoPlace {
  readonly subject: PhotoSubject;
  readonly name: string;
}

/** Everything in a house that photos can belong to, the house itself first. */
export function placesIn({ house, areas, tests }: Omit<HouseView, 'photos'>): readonly PhotoPlace[] {
  return [
    { subject: { kind: 'house', id: house.id }, name: 'The house' },
    ...areas.map(({ id, name }): PhotoPlace => ({ subject: { kind: 'area', id }, name })),
    ...tests.map(({ id, stage, performedOn }): PhotoPlace => ({
      subject: { kind: 'airtightnessTest', id },
      name: `${STAGE_WORDS[stage]}, ${format(parseISO(performedOn), 'd MMM yyyy')}`,
    })),
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

export const MARK_WORDS: Readonly<Record<PhotoMark['kind'], string>> = {
  arrow: 'Arrow',
  ring: 'Ring',
  outline: 'Outline',
  text: 'Words',
};
