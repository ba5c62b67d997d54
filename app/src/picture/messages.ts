/** To the worker: make this ready to be kept. */
export type PictureRequest = File;

/** A picture as it is kept and sent: scaled, upright, and saying nothing but what it shows. */
export interface ReadyPicture {
  /** SHA-256 of the bytes of `full`, in hexadecimal. */
  readonly sha256: string;
  readonly full: Blob;
  readonly thumbnail: Blob;
  readonly widthPx: number;
  readonly heightPx: number;
  /** ISO 8601, UTC, by the clock of the camera; null where the file does not say. */
  readonly takenAt: string | null;
}

export type PictureAnswer =
  | { readonly kind: 'ready'; readonly picture: ReadyPicture }
  | { readonly kind: 'unreadable' }
  | { readonly kind: 'failed'; readonly message: string };
