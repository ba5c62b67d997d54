import { FRAMED, plannedOf, tee } from '../../test/sample-plan';
import { walked } from '../../test/sample-walk';
import type { Photo } from '../photos/photo';
import { itemId } from '../plan/item-key';
import { notStored } from '../record';
import { photosBefore, photosToJudge } from './by-photo';
import { askedOn } from './round';

const HOUSE = '019df200-5000-77f8-8937-913296a3c6b5';
const walk = walked(plannedOf(tee().drawing, { plan: FRAMED }));
const all = walk.stops.flatMap(({ checkpoints }) => checkpoints);

const photo = (id: string, subject: Photo['subject'], takenAt: string | null = null): Photo => ({
  ...notStored(id, HOUSE),
  sha256: 'a'.repeat(64),
  widthPx: 800,
  heightPx: 600,
  bytes: 1000,
  takenAt,
  subject,
  caption: '',
  marks: [],
  beforeId: null,
});

test('photos from before a day, by the clock where they were taken; those without a day are none', () => {
  const house = { kind: 'house', id: HOUSE };
  const photos = [
    photo('old', house, '2027-03-01T09:00:00+01:00'),
    photo('eve', house, '2027-03-09T23:59:00+13:00'),
    photo('day', house, '2027-03-10T00:01:00+13:00'),
    photo('none', house),
  ];
  expect(photosBefore(photos, '2027-03-10').map(({ id }) => id)).toEqual(['eve', 'old']);
});

test('what has a photo and no verdict is judged at the desk, whatever its phase, and nothing else', () => {
  const [first, second, third] = [all[0], all[20], all.at(-1)];
  if (first === undefined || second === undefined || third === undefined) throw new Error('no checkpoints');
  const of = (key: string) => ({ kind: 'item', id: itemId(HOUSE, key) });
  const photos = [
    photo('a', of(first.key)),
    photo('b', of(second.key)),
    photo('c', of(third.key)),
    photo('d', of('gone@wall/gone')),
    photo('e', { kind: 'house', id: HOUSE }),
  ];
  const looks = new Map([[second.key, { state: 'good' as const, standing: undefined, work: null }]]);
  const found = photosToJudge(walk, HOUSE, photos, looks);
  expect([...found].map(([key, { id }]) => [key, id])).toEqual([
    [first.key, 'a'],
    [third.key, 'c'],
  ]);
  const round = { phases: new Map(), subject: null, only: new Set(found.keys()) };
  expect(askedOn(walk.stops, round).map(({ here }) => here.key)).toEqual([first.key, third.key]);
  expect(photosToJudge(walk, HOUSE, [], looks).size).toBe(0);
});
