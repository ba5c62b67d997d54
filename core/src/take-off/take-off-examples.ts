/** What is ordered for a small house: examples of each take-off. */
export const takeOffExamples = {
  packs: { needed: 74.3, packSize: 2.88, onHand: 3 },
  batts: {
    cavities: [
      { widthM: 0.555, heightM: 2.75, count: 24 },
      { widthM: 0.27, heightM: 0.82, count: 9 },
    ],
    batt: { widthM: 0.58, lengthM: 1.2, perPack: 8 },
  },
  sheet: {
    direction: 'along',
    lengthM: 38,
    heightM: 2.55,
    rollWidthM: 1.6,
    rollLengthM: 40,
    lapM: 0.12,
    floorLapM: 0.06,
    topLapM: 0.08,
    corners: 8,
  },
  joint: {
    joints: [
      { kind: 'line', lengthM: 42, gapM: 0.008 },
      { kind: 'sealant', lengthM: 18, gapM: 0.012 },
      { kind: 'foam', lengthM: 88, gapM: 0.014, depthM: 0.09 },
    ],
  },
  fixing: {
    passesM: [0.022, 0.08, 0.012],
    leastHoldM: 0.045,
    stockM: [0.12, 0.14, 0.16, 0.18],
    areaM2: 96,
    perM2: 2.8,
  },
} as const;
