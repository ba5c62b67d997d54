/** A cavity on a photo, taken at a slant. */
const photographed = {
  corners: [
    { x: 310, y: 205 },
    { x: 905, y: 258 },
    { x: 871, y: 2790 },
    { x: 274, y: 2955 },
  ],
  cavityWidthM: 0.37,
  cavityHeightM: 2.42,
} as const;

const empty = [
  { x: 350, y: 420 },
  { x: 560, y: 470 },
  { x: 520, y: 800 },
  { x: 380, y: 760 },
] as const;

/** What was drawn on a photo: one void; the same within a spot that is pressed. */
export const photoExamples = {
  voids: { ...photographed, outlines: [empty] },
  regions: {
    ...photographed,
    regions: [
      { outline: empty, fill: 0 },
      {
        outline: [
          { x: 320, y: 390 },
          { x: 620, y: 430 },
          { x: 600, y: 1050 },
          { x: 340, y: 1000 },
        ],
        fill: 0.85,
      },
    ],
    cornerSdPx: 3,
    outlineSdPx: 4,
  },
} as const;
