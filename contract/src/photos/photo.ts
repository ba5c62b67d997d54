import { figure, filled, group, id, list, orNull, sha256, shape, subject, text, time } from '../kind/field';
import { kindOf } from '../kind/kind';
import { PHOTO_MARKS_MAX } from '../limits';
import type { Stored } from '../record';
import { PICTURE_BYTES_MAX, PICTURE_SIDE_MAX_PX } from './picture-limits';

/**
 * What a photo shows something of: a record, the house itself where it belongs to no part of it, or an item of the drawing
 * of which nobody recorded anything yet.
 */
export interface PhotoSubject {
  /** Any kind of record that photos may show, or `item`. */
  readonly kind: string;
  /** Of the record; of an item as it follows from its key. */
  readonly id: string;
}

/** The kind of a subject that is an item of a drawing. */
export const ITEM_SUBJECT = 'item';

/** A place in a picture: shares of its width from the left and of its height from the top, 0…1. */
export interface PicturePoint {
  readonly x: number;
  readonly y: number;
}

/** Something pointed out in a picture. It is drawn over it and never into it. */
export type PhotoMark =
  | { readonly id: string; readonly kind: 'arrow'; readonly from: PicturePoint; readonly to: PicturePoint }
  | {
      readonly id: string;
      readonly kind: 'ring';
      readonly centre: PicturePoint;
      /** Share of the picture's width. */
      readonly radius: number;
    }
  | { readonly id: string; readonly kind: 'outline'; readonly points: readonly PicturePoint[] }
  | { readonly id: string; readonly kind: 'text'; readonly at: PicturePoint; readonly text: string };

/** What each kind of mark is called. */
export const MARK_WORDS = { arrow: 'Arrow', ring: 'Ring', outline: 'Outline', text: 'Words' } as const;
export const PHOTO_MARK_KINDS = Object.keys(MARK_WORDS) as readonly PhotoMark['kind'][];
export const OUTLINE_POINTS_MAX = 200;
export const MARK_TEXT_MAX = 80;
export const CAPTION_MAX = 500;

/** A photo of a house: which picture, of what, and what is pointed out in it. The picture itself travels apart. */
export interface PhotoBody {
  /** SHA-256 of the picture's bytes, in hexadecimal: its name wherever it is kept. */
  readonly sha256: string;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly bytes: number;
  /** ISO 8601 by the clock of the camera, with the offset from UTC where it was taken; null where it does not say. */
  readonly takenAt: string | null;
  readonly subject: PhotoSubject;
  readonly caption: string;
  readonly marks: readonly PhotoMark[];
  /** Photo of the same place before the work that this one shows; null where it has none. */
  readonly beforeId: string | null;
}

export type Photo = Stored<PhotoBody>;

const share = (label: string) => figure(label, 'share', { min: 0, max: 1 });
const point = (label: string) => group<PicturePoint>(label, { x: share(''), y: share('') });
const pixels = (label: string) => figure(label, 'plain', { min: 1, max: PICTURE_SIDE_MAX_PX, whole: true });

const markFields = shape<PhotoMark>(MARK_WORDS, {
  arrow: { id: id(''), from: point('from'), to: point('to') },
  ring: { id: id(''), centre: point('at'), radius: share('radius') },
  outline: {
    id: id(''),
    points: list<PicturePoint>('corners', 'A corner', point(''), { least: 2, most: OUTLINE_POINTS_MAX }),
  },
  text: { id: id(''), at: point('at'), text: filled('', MARK_TEXT_MAX) },
});

export const photo = kindOf<PhotoBody>()({
  word: 'Photo',
  ledger: 'house',
  list: 'photos',
  title: ['caption'],
  order: 'as made',
  page: 'record',
  isShown: false,
  fields: {
    sha256: sha256('Picture'),
    widthPx: pixels('Picture width'),
    heightPx: pixels('Picture height'),
    bytes: figure('Picture size', 'plain', { min: 1, max: PICTURE_BYTES_MAX, whole: true }),
    takenAt: orNull(time('Taken')),
    subject: subject('What it shows'),
    caption: text('Caption', CAPTION_MAX),
    marks: list<PhotoMark>('Marks', 'A mark', markFields, { key: 'id', most: PHOTO_MARKS_MAX }),
    beforeId: orNull(id('Photo before', 'photo')),
  },
});
