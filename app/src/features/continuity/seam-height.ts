/** Of the strip under a house's name, with room for a thumb about it, in pixels. */
export const SEAM_HEIGHT = 28;
