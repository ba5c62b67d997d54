import { compute, operationNames, takesLong, type OperationName } from './operations';

const cavities = Array.from({ length: 1000 }, (_, i) => ({
  cavity: { widthM: 0.3 + i * 1e-4, heightM: 2.4 },
  regions: [{ areaM2: 0.001 + i * 2e-5, fill: i % 3 === 0 ? 0 : 0.8 }],
}));
const openings = Array.from({ length: 200 }, (_, i) => ({
  id: `opening ${i}`,
  leakM3h: { low: 1, likely: 3 + (i % 5), high: 12 },
  minutes: 5 + (i % 7),
}));

/** Enough of what may take long that it takes some time. */
const LONG: Readonly<Partial<Record<OperationName, object>>> = {
  'insulation.sampling': { netInsulatedAreaM2: 5000, observations: cavities.slice(0, 60) },
  'pathToTarget.evaluate': {
    q50M3h: 1500,
    standardErrorLnQ50: 0.02,
    limitM3h: 1000,
    items: openings.slice(0, 40),
    draws: 50_000,
  },
};

test.each(operationNames.filter(takesLong))('%s tells how far it has come', (name) => {
  const input = LONG[name];
  if (input === undefined) throw new Error('Add a long input.');
  const told: number[] = [];
  compute(name, input, (share) => told.push(share));
  expect(told.length).toBeGreaterThan(5);
  expect(told.every((share, i) => share >= (told[i - 1] ?? 0) && share <= 1)).toBe(true);
  expect(told[0]).toBeLessThan(0.3);
});

test('a thousand cavities are graded by what is void in them, all together', () => {
  const { voidFraction, observations } = compute('insulation.grade', {
    netInsulatedAreaM2: 5000,
    observations: cavities,
  });
  const area = cavities.reduce((sum, { cavity }) => sum + cavity.widthM * cavity.heightM, 0);
  const empty = cavities.reduce(
    (sum, { regions: [region] }) => sum + (region?.fill === 0 ? region.areaM2 : 0),
    0,
  );
  expect(voidFraction).toBeCloseTo(empty / area, 12);
  expect(observations).toHaveLength(1000);
});
