import { ITEM_SUBJECT, type Photo, type PhotoSubject } from '@calvet/contract/photos/photo';
import { isShownKind, kindNamed, KINDS, type KindedRecord } from '@calvet/contract/kinds';
import { format } from 'date-fns/format';
import { isValid } from 'date-fns/isValid';
import { parseISO } from 'date-fns/parseISO';
import type { HouseView } from '../../data/as-drawn';
import { nameWords } from '../shell/value-words';

/** What photos can show, with its name. */
export interface NamedSubject {
  readonly subject: PhotoSubject;
  readonly name: string;
}

const SHOWN_KINDS = KINDS.filter((kind) => kind !== 'house' && isShownKind(kind));

/** Everything in a house that photos can belong to, the house itself first. */
export function subjectsIn(view: HouseView): readonly NamedSubject[] {
  const lists = view as unknown as Readonly<Record<string, readonly KindedRecord['record'][]>>;
  return [
    { subject: { kind: 'house', id: view.house.id }, name: 'The house' },
    ...SHOWN_KINDS.flatMap((kind) =>
      (lists[kindNamed(kind).list ?? ''] ?? []).map((record): NamedSubject => ({
        subject: { kind, id: record.id },
        name: nameWords({ kind, record } as KindedRecord),
      })),
    ),
  ];
}

const OF_THE_WALK = 'A place of the walk';

/** Kinds of which a house has hundreds: photos are taken of them, and not put to them afterwards. */
const MANY: ReadonlySet<string> = new Set(['verdict', 'junction', 'penetration', 'mend']);

/** What a photo can be put to by hand: all but what a house has hundreds of, and what it shows now. */
export const offeredTo = ({ subject }: Photo, subjects: readonly NamedSubject[]): readonly NamedSubject[] =>
  subjects.filter((each) => !MANY.has(each.subject.kind) || each.subject.id === subject.id);

/** What a photo shows, in words. */
export function subjectName(photo: Photo, subjects: readonly NamedSubject[]): string {
  if (photo.subject.kind === ITEM_SUBJECT) return OF_THE_WALK;
  return (
    subjects.find(({ subject }) => subject.id === photo.subject.id)?.name ?? 'Something that was deleted'
  );
}

/** The photos of one subject. */
export interface SubjectPhotos {
  readonly key: string;
  readonly name: string;
  readonly photos: readonly Photo[];
}

/** Photos subject by subject, in their order; then those of places, last those of what was deleted. */
export function photosBySubject(
  photos: readonly Photo[],
  subjects: readonly NamedSubject[],
): readonly SubjectPhotos[] {
  const known = new Set(subjects.map(({ subject }) => subject.id));
  const bySubject = new Map<string, Photo[]>();
  for (const photo of photos) {
    const { kind, id } = photo.subject;
    const key = kind === ITEM_SUBJECT ? ITEM_SUBJECT : known.has(id) ? id : 'elsewhere';
    bySubject.set(key, [...(bySubject.get(key) ?? []), photo]);
  }
  const of = (key: string): readonly Photo[] => bySubject.get(key) ?? [];
  return [
    ...subjects.map(({ subject, name }) => ({ key: subject.id, name, photos: of(subject.id) })),
    { key: ITEM_SUBJECT, name: 'Places of the walk', photos: of(ITEM_SUBJECT) },
    { key: 'elsewhere', name: 'Of what was deleted', photos: of('elsewhere') },
  ].filter((each) => each.photos.length > 0);
}

const OFFSET = /[+-]\d{2}:\d{2}$/;

/** When a photo was taken, by the clock where it was taken; of a former version, which did not keep that, by this one. */
export function takenWords({ takenAt }: Pick<Photo, 'takenAt'>): string {
  if (takenAt === null) return 'day not known';
  const time = parseISO(takenAt.replace(OFFSET, ''));
  // A former version may have kept a day that there is not.
  return isValid(time) ? format(time, 'd MMM yyyy, HH:mm') : takenAt;
}

/** What a photo is called where it is not seen. */
export function photoName(photo: Photo, subjects: readonly NamedSubject[]): string {
  return photo.caption === '' ? `Photo of ${subjectName(photo, subjects)}` : photo.caption;
}
