import { v7 } from 'uuid';
import { bodySchemas } from '../schemas';
import type { PhotoBody, PhotoMark } from './photo';

const body: PhotoBody = {
  sha256: '0f'.repeat(32),
  widthPx: 2048,
  heightPx: 1536,
  bytes: 512_000,
  takenAt: '2026-10-03T14:05:59.000Z',
  subject: { kind: 'area', id: v7() },
  caption: '',
  marks: [
    { id: v7(), kind: 'arrow', from: { x: 0, y: 1 }, to: { x: 0.5, y: 0.5 } },
    { id: v7(), kind: 'ring', centre: { x: 0.2, y: 0.3 }, radius: 0.1 },
    { id: v7(), kind: 'outline', points: [1, 2, 3].map((n) => ({ x: n / 4, y: n / 5 })) },
    { id: v7(), kind: 'text', at: { x: 1, y: 0 }, text: 'no seal' },
  ],
  beforeId: null,
};
const errorOf = (more: object) => bodySchemas.photo.validate({ ...body, ...more }, { convert: false }).error;
const withMark = (mark: object) => errorOf({ marks: [mark as PhotoMark] });

test('a whole photo, and one of which little is known, can be kept', () => {
  expect(errorOf({})).toBeUndefined();
  expect(errorOf({ takenAt: null, marks: [], beforeId: v7() })).toBeUndefined();
  expect(errorOf({ takenAt: '2026-10-03T14:05:59+13:00' })).toBeUndefined();
});

const arrow = body.marks[0];
test.each<[string, object]>([
  ['a name that is no hash', { sha256: '../../etc/passwd' }],
  ['a name in capitals', { sha256: '0F'.repeat(32) }],
  ['a picture of 3,000 pixels', { widthPx: 3000 }],
  ['no pixels', { heightPx: 0 }],
  ['20 MB', { bytes: 20_000_000 }],
  ['a day that is none', { takenAt: 'yesterday' }],
  ['a photo of a photo', { subject: { kind: 'photo', id: v7() } }],
  ['a mark twice', { marks: [arrow, arrow] }],
  ['61 marks', { marks: Array.from({ length: 61 }, () => ({ ...arrow, id: v7() })) }],
])('%s is refused', (_name, more) => {
  expect(errorOf(more)).toBeDefined();
});

test.each<[string, object]>([
  ['of no kind', { id: v7(), kind: 'blot', at: { x: 0, y: 0 } }],
  ['outside the picture', { id: v7(), kind: 'arrow', from: { x: 0, y: 0 }, to: { x: 1.01, y: 0 } }],
  ['of one point', { id: v7(), kind: 'outline', points: [{ x: 0, y: 0 }] }],
  ['without words', { id: v7(), kind: 'text', at: { x: 0, y: 0 }, text: '  ' }],
  ['with more than it has', { ...arrow, colour: 'red' }],
])('a mark %s is refused', (_name, mark) => {
  expect(withMark(mark)).toBeDefined();
});
