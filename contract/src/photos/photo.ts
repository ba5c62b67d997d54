import type { StringSchema } from 'joi';
import { PHOTO_MARKS_MAX } from '../limits';
import type { Stored } from '../record';
import type { Described, SchemaPieces } from '../schema-pieces';
import { PICTURE_BYTES_MAX, PICTURE_SIDE_MAX_PX } from './picture-limits';

/** What a photo may be tied to. */
export const PHOTO_SUBJECT_KINDS = ['house', 'area', 'airtightnessTest'] as const;
export type PhotoSubjectKind = (typeof PHOTO_SUBJECT_KINDS)[number];

/** The record that a photo shows something of; the house itself where it belongs to no part of it. */
export interface PhotoSubject {
  readonly kind: PhotoSubjectKind;
  readonly id: string;
}

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

export const PHOTO_MARK_KINDS = [
  'arrow',
  'ring',
  'outline',
  'text',
] as const satisfies readonly PhotoMark['kind'][];
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

const SHA256 = /^[0-9a-f]{64}$/;

/** Schema of a picture's name. */
export const pictureName = ({ Joi }: SchemaPieces): StringSchema => Joi.string().pattern(SHA256, 'sha256');

function mark({ Joi, body, filled, number, uuid }: SchemaPieces) {
  const share = number({ min: 0, max: 1 }).required();
  const point = body<PicturePoint>({ x: share, y: share }).required();
  const id = uuid().required();
  return Joi.alternatives().conditional('.kind', {
    switch: [
      { is: 'arrow', then: Joi.object({ id, kind: Joi.valid('arrow'), from: point, to: point }) },
      { is: 'ring', then: Joi.object({ id, kind: Joi.valid('ring'), centre: point, radius: share }) },
      {
        is: 'outline',
        then: Joi.object({
          id,
          kind: Joi.valid('outline'),
          points: Joi.array().items(point).min(2).max(OUTLINE_POINTS_MAX).required(),
        }),
      },
    ],
    otherwise: Joi.object({
      id,
      kind: Joi.valid('text').required(),
      at: point,
      text: filled(MARK_TEXT_MAX).required(),
    }),
  });
}

export const photoBody: Described<PhotoBody> = (pieces) => {
  const { Joi, body, number, nullable, text, uuid } = pieces;
  const pixels = number({ min: 1, max: PICTURE_SIDE_MAX_PX, whole: true });
  return body<PhotoBody>({
    sha256: pictureName(pieces).required(),
    widthPx: pixels.required(),
    heightPx: pixels.required(),
    bytes: number({ min: 1, max: PICTURE_BYTES_MAX, whole: true }).required(),
    takenAt: nullable(Joi.string().isoDate().max(30)).required(),
    subject: body<PhotoSubject>({
      kind: Joi.valid(...PHOTO_SUBJECT_KINDS).required(),
      id: uuid().required(),
    }).required(),
    caption: text(CAPTION_MAX).allow('').required(),
    marks: Joi.array()
      .items(mark(pieces))
      .unique((a: PhotoMark, b: PhotoMark) => a.id === b.id)
      .max(PHOTO_MARKS_MAX)
      .required(),
    beforeId: nullable(uuid()).required(),
  });
};
