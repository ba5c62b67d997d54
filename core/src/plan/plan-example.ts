import type { PlanInput } from './plan-input';

/** A house of two storeys with a garage beside it, under one roof with two gables. */
export const planExample: PlanInput = {
  face: 'inside',
  drawnAt: 'outside',
  storeys: [
    {
      id: 'lower',
      heightM: 2.5,
      floorDepthM: 0,
      under: 'ground',
      walls: [
        { id: 'front', lengthM: 9, turnDeg: 90, thicknessM: 0.36 },
        { id: 'right', lengthM: 7, turnDeg: 90, thicknessM: 0.36, boundary: 'garage' },
        { id: 'back', lengthM: 9, turnDeg: 90, thicknessM: 0.36 },
        { id: 'left', lengthM: 7, turnDeg: 90, thicknessM: 0.36 },
      ],
      zones: [
        {
          id: 'garage',
          kind: 'garage',
          outlineM: [
            [9, 0],
            [12, 0],
            [12, -7],
            [9, -7],
          ],
        },
      ],
    },
    {
      id: 'upper',
      heightM: 2.4,
      floorDepthM: 0.3,
      under: 'outdoors',
      startM: [0, 0],
      walls: [
        { id: 'upper front', lengthM: 9, turnDeg: 90, thicknessM: 0.36 },
        { id: 'upper right', lengthM: 7, turnDeg: 90, thicknessM: 0.36 },
        { id: 'upper back', lengthM: 9, turnDeg: 90, thicknessM: 0.36 },
        { id: 'upper left', lengthM: 7, turnDeg: 90, thicknessM: 0.36 },
      ],
      floorVoidM2: 3.6,
    },
  ],
  roofs: [
    {
      id: 'roof',
      storeyId: 'upper',
      kind: 'slope',
      pitch: 0.8,
      wings: [{ id: 'main', rectM: [0, 9, -7, 0], ridge: 'x', ends: ['gable', 'gable'] }],
    },
  ],
  openings: [
    { id: 'windows', on: 'front', widthM: 1.2, heightM: 1.4, count: 2 },
    { id: 'door', on: 'left', widthM: 1, heightM: 2.1 },
    { id: 'upper windows', on: 'upper back', totalM2: 4.2, count: 3 },
  ],
};
