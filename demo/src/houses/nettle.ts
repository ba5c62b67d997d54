import { STARTING_SETS } from '@calvet/contract/plan/starting-sets';
import type { NamedFanRange } from '@calvet/contract';
import {
  conventions,
  fromLibrary,
  AS_DRAWN,
  planned,
  side,
  windows,
  entrance,
  glazing,
  test,
  STEPS,
} from '../house-parts';
import type { DemoHouse } from '../scenario';

const smallRing: NamedFanRange = {
  name: 'Ring C',
  coefficient: 3.92,
  exponent: 0.502,
  minPa: 15,
  maxPa: 320,
};

/** One room under the slopes, very tight. */
export const nettle: DemoHouse = {
  key: 'nettle',
  begun: '2026-06-23',
  house: {
    name: 'Nettle Cabin',
    place: 'Upper Osk',
    builder: 'Harlow-Denn Joiners',
    ...AS_DRAWN,
    bedrooms: 1,
    target: { quantity: 'n50', limit: 0.6 },
    ...conventions,
  },
  plan: {
    built: { ...STARTING_SETS.barrierInnerSheathing, insulationAbove: null },
    features: [
      { use: 'flue', on: [0, 'roof'] },
      { use: 'combustionAppliance', on: [0, 'storey'] },
    ],
    buildUps: [
      planned('wall', fromLibrary('double-frame')),
      planned('roof', fromLibrary('roof-slope-220')),
      planned('floor', fromLibrary('slab-board-150')),
      planned('opening', glazing(1.15, 'Triple glazing, insulated frame')),
    ],
    storeys: [
      {
        name: 'Cabin',
        heightM: 2.1,
        thicknessM: 0.4,
        walls: [
          side(8, 90, { name: 'north wall' }),
          side(6.5, 90, { name: 'east wall', openings: [windows(1.2, 1.2)] }),
          side(8, 90, {
            name: 'south wall',
            rooms: [
              ['Bedroom', 2.8],
              ['Living room', null],
            ],
            openings: [windows(1.8, 1.4), { ...entrance, widthM: 1 }],
          }),
          side(6.5, 90, { name: 'west wall', openings: [windows(0.9, 1.2)] }),
        ],
        roof: { name: 'Roof', lay: { form: 'slope', end: 'gable', low: 'y0' }, pitch: 0.45 },
      },
    ],
  },
  gradeOf: ({ kind }) => (kind === 'opening' ? null : 'I'),
  tests: [
    test({
      key: 'nettle finished',
      stage: 'finished',
      day: '2026-11-03',
      law: { q50M3h: 45, exponent: 0.68 },
      indoorTemperatureC: 20,
      outdoorTemperatureC: 4,
      windMs: 1.1,
      baselinePa: -0.5,
      pressuresPa: STEPS,
      scatter: 0.009,
      seed: 0.5705,
      bothDirections: true,
      range: smallRing,
      note: 'Ring C throughout.',
    }),
  ],
};
