import { STARTING_SETS } from '@calvet/contract/plan/starting-sets';
import {
  PLACE,
  conventions,
  fromLibrary,
  AS_DRAWN,
  planned,
  side,
  windows,
  entrance,
  door,
  glazing,
  test,
  STEPS,
} from '../house-parts';
import type { DemoHouse } from '../scenario';

/** A room over the garage; finished. */
export const pallow: DemoHouse = {
  key: 'pallow',
  begun: '2026-03-02',
  house: {
    name: 'Pallow House',
    place: PLACE,
    builder: 'Stonewright Teal',
    ...AS_DRAWN,
    bedrooms: 4,
    target: { quantity: 'qE50', limit: 3 },
    ...conventions,
  },
  plan: {
    built: STARTING_SETS.barrierMasonryCoat,
    features: [
      { use: 'joistHangersInMasonry', on: [1, 0], spacingM: 0.4 },
      { use: 'partitionsMeetingEnvelope', on: [1, 0], count: 2 },
      { use: 'recessedLights', on: [1, 'roof'], count: 6 },
      { use: 'fireplace', on: [0, 4] },
      { use: 'throughWallFan', on: [1, 4], count: 2 },
    ],
    buildUps: [
      planned('wall', fromLibrary('masonry-cavity')),
      planned('rim', fromLibrary('rim-board')),
      planned('ceiling', fromLibrary('ceiling-loose-fill')),
      planned('floor', fromLibrary('slab-board-150')),
      planned('opening', glazing(0.72, 'Double glazing, warm edge')),
    ],
    storeys: [
      {
        name: 'Ground floor',
        heightM: 2.6,
        thicknessM: 0.38,
        walls: [
          side(10.4, 90, { name: 'garden wall', openings: [windows(2.4, 2.1, 2)] }),
          side(6, 0, {
            name: 'kitchen wall',
            boundary: 'garage',
            openings: [door],
            beyond: { name: 'Garage', use: 'garage', fromM: 0, toM: 6, depthM: 3.2 },
          }),
          side(2.9, 90, { name: 'east wall' }),
          side(10.4, 90, { name: 'street wall', openings: [entrance, windows(1.8, 1.4, 2)] }),
          side(8.9, 90, { name: 'west wall', openings: [windows(0.9, 1.2, 2)] }),
        ],
        roof: { name: 'Roof of ground floor', form: 'flatRoof' },
      },
      {
        name: 'Upper floor',
        heightM: 2.5,
        floorDepthM: 0.3,
        under: 'outdoors',
        floorVoidM2: 4.5,
        thicknessM: 0.38,
        walls: [
          side(13.6, 90, { name: 'garden wall', openings: [windows(1.4, 1.3, 3)] }),
          side(6, 90, { name: 'wall over the garage' }),
          side(3.2, -90, { name: 'step' }),
          side(2.9, 90, { name: 'east wall' }),
          side(10.4, 90, { name: 'street wall', openings: [windows(1.4, 1.3, 3)] }),
          side(8.9, 90, { name: 'west wall' }),
        ],
        roof: { name: 'Attic', form: 'flatCeiling' },
      },
    ],
  },
  gradeOf: ({ kind }) => (kind === 'opening' || kind === 'rim' ? null : kind === 'wall' ? 'II' : 'I'),
  tests: [
    test({
      key: 'pallow finished',
      stage: 'finished',
      day: '2026-10-19',
      law: { q50M3h: 970, exponent: 0.6 },
      indoorTemperatureC: 20.5,
      outdoorTemperatureC: 6,
      windMs: 1.4,
      baselinePa: -1.3,
      pressuresPa: STEPS,
      scatter: 0.006,
      seed: 0.4704,
      bothDirections: true,
    }),
  ],
};
