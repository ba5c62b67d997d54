import { envelopeFigures } from '@calvet/contract/installation/area-figures';
import { areaWith, houseWith } from '../../../test/records';
import { reservationOn } from './envelope-words';

const house = houseWith({ envelopeAreaM2: 100 });
const said = (...areas: readonly Parameters<typeof areaWith>[0][]) =>
  reservationOn(
    envelopeFigures(
      house,
      areas.map((more, i) => areaWith({ id: `a${i}`, ...more })),
    ),
  );

test.each([
  ['nothing of the whole, graded', [{ areaM2: 100, grade: 'I' }], null],
  ['nothing within rounding', [{ areaM2: 99.5, grade: 'I' }], null],
  ['how much of it is in', [{ areaM2: 80, grade: 'I' }], 'of 80 % of the envelope'],
  ['never the whole where a piece is missing', [{ areaM2: 98.9, grade: 'I' }], 'of 99 % of the envelope'],
  ['what is not graded', [{ areaM2: 100 }], '1 area not graded'],
  ['both', [{ areaM2: 30 }, { areaM2: 20 }], 'of 50 % of the envelope, 2 areas not graded'],
  [
    'what has no size',
    [
      { areaM2: 100, grade: 'I' },
      { areaM2: null, grade: 'I' },
    ],
    '1 area without its size',
  ],
  ['nothing without areas', [], null],
  ['that a share of void was found is a judgement', [{ areaM2: 100, voidFraction: 0.2 }], null],
] as const)('it says %s', (_what, areas, words) => {
  expect(said(...areas)).toBe(words);
});
