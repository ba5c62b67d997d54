import { STARTING_SETS } from '@calvet/contract/plan/starting-sets';
import {
  PLACE,
  asked,
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
  disturbed,
  STEPS,
} from '../house-parts';
import type { DemoHouse } from '../scenario';

/** In a row, over a crawl space; it leaks too much. */
export const tamsel: DemoHouse = {
  key: 'tamsel',
  begun: '2026-06-11',
  walkedOn: '2026-10-07',
  house: {
    name: 'Tamsel Row 3',
    place: PLACE,
    builder: 'Obry and Daughters',
    ...AS_DRAWN,
    bedrooms: 3,
    target: { quantity: 'n50', limit: 2 },
    ...conventions,
    requirements: asked({ wall: 0.35, ceiling: 0.11, floor: 0.28, opening: 1.4 }),
    leastGrade: 'II',
  },
  plan: {
    built: STARTING_SETS.barrierOuterSheathing,
    features: [
      { use: 'stairOnOuterWall', on: [0, 1], alongM: 6 },
      { use: 'showerOnOuterWall', on: [1, 1] },
      { use: 'wallNotReachable', on: [0, 1] },
    ],
    calendar: { start: '2026-12-14', from: 'cladding' },
    buildUps: [
      planned('wall', fromLibrary('framed-wall-140')),
      planned('rim', fromLibrary('rim-board')),
      planned('ceiling', fromLibrary('ceiling-loose-fill')),
      planned('floor', fromLibrary('floor-joists-220')),
      planned('opening', glazing(0.6, 'Double glazing in timber')),
    ],
    storeys: [
      {
        name: 'Ground floor',
        under: 'crawlSpace',
        floorDepthM: 0.22,
        thicknessM: 0.25,
        walls: [
          side(7.2, 90, {
            name: 'garden wall',
            rooms: [['Kitchen', null]],
            openings: [windows(2.1, 2.1), door],
          }),
          side(9.8, 90, { name: 'left wall', boundary: 'neighbour' }),
          side(7.2, 90, {
            name: 'street wall',
            rooms: [
              ['Hall', 2.4],
              ['Front room', null],
            ],
            openings: [entrance, windows(1.8, 1.4)],
          }),
          side(9.8, 90, { name: 'right wall', boundary: 'neighbour' }),
        ],
        roof: { name: 'Roof of ground floor' },
      },
      {
        name: 'Upper floor',
        heightM: 2.4,
        floorDepthM: 0.28,
        under: 'outdoors',
        floorVoidM2: 3.6,
        thicknessM: 0.25,
        walls: [
          side(7.2, 90, { name: 'garden wall', openings: [windows(1.2, 1.3, 2)] }),
          side(9.8, 90, { name: 'left wall', boundary: 'neighbour' }),
          side(7.2, 90, { name: 'street wall', openings: [windows(1.2, 1.3, 2)] }),
          side(9.8, 90, { name: 'right wall', boundary: 'neighbour' }),
        ],
        roof: { name: 'Attic', form: 'flatCeiling' },
      },
    ],
  },
  gradeOf: ({ name, kind }) => {
    if (kind === 'floor' || /^Ground floor, street wall/.test(name)) return 'III';
    return kind === 'wall' && /garden wall|Upper floor, street wall/.test(name) ? 'II' : null;
  },
  tests: [
    disturbed(
      test({
        key: 'tamsel openings',
        stage: 'openingsIn',
        day: '2026-10-06',
        law: { q50M3h: 1195, exponent: 0.62 },
        indoorTemperatureC: 16,
        outdoorTemperatureC: 8.5,
        windMs: 3.1,
        baselinePa: -1.6,
        pressuresPa: STEPS,
        scatter: 0.012,
        seed: 0.3703,
        note: 'Attic hatch held shut with a prop.',
      }),
      4,
      0.21,
      'Back door was opened',
    ),
  ],
};
