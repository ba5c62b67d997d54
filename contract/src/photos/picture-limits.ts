/** Longest side that a picture is scaled to before it is kept. */
export const PICTURE_SIDE_MAX_PX = 2048;
/** Most bytes of a picture that is sent. */
export const PICTURE_BYTES_MAX = 12_000_000;
