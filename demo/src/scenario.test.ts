import { envelopeFigures, latestTest, testFigures } from '@calvet/contract';
import { bodySchemas } from '@calvet/contract/schemas';
import { keptAreas, seedBatches, viewOfDemo } from './changes';
import { demoHouses, type DemoHouse } from './scenario';

const houseOf = (key: string): DemoHouse => {
  const found = demoHouses.find((house) => house.key === key);
  if (found === undefined) throw new Error(key);
  return found;
};

function lastFigures(demo: DemoHouse) {
  const { tests } = demo;
  const { house } = viewOfDemo(demo);
  const last = latestTest(tests.map((test, i) => ({ ...test, id: String(i) })));
  const figures = last === null ? null : testFigures(house, last);
  if (figures?.state !== 'figures') throw new Error(JSON.stringify(figures));
  return figures;
}

describe.each(demoHouses)('$house.name', (demo) => {
  test('fits the schemas that every record must fit', () => {
    const errors = [
      ...seedBatches
        .flatMap(({ changes }) => changes)
        .map(({ kind, body }) => bodySchemas[kind].validate(body, { convert: false }).error),
    ].filter((error) => error !== undefined);
    expect(errors).toEqual([]);
  });

  test('its areas add up to its envelope', () => {
    const { areas, house } = viewOfDemo(demo);
    const sum = areas.reduce((total, area) => total + (area.areaM2 ?? NaN), 0);
    expect(sum).toBeCloseTo(house.envelopeAreaM2 ?? NaN, 6);
  });

  test('what was looked at of it is drawn', () => {
    const { areas } = viewOfDemo(demo);
    expect(keptAreas(demo).length).toBeGreaterThan(3);
    for (const { item, itemName } of keptAreas(demo))
      expect(areas.find((area) => area.item === item)?.name).toBe(itemName);
  });

  test('every area can be computed', () => {
    const { house, areas } = viewOfDemo(demo);
    const envelope = envelopeFigures(house, areas);
    expect(envelope.refused).toBe(0);
    expect(envelope.built?.transmissionWK).toBeGreaterThan(20);
  });

  test('every test is valid but for what one direction leaves open', () => {
    const failed = demo.tests.flatMap((test): readonly unknown[] => {
      const figures = testFigures(viewOfDemo(demo).house, test);
      return figures.state === 'figures'
        ? figures.fit.findings.filter(({ severity }) => severity === 'fail')
        : [figures];
    });
    expect(failed).toEqual([]);
  });
});

test('each house stands where its story has it', () => {
  expect(lastFigures(houseOf('tamsel')).budget.verdict).toBe('fail');
  expect(lastFigures(houseOf('wrenfold')).budget.verdict).toBe('pass-not-proven');
  expect(lastFigures(houseOf('pallow')).budget.verdict).toBe('pass');
  expect(lastFigures(houseOf('nettle')).budget.verdict).toBe('pass');
  expect(lastFigures(houseOf('nettle')).fit.result.n50PerHour).toBeLessThan(0.5);
});

test('readings give back the law that they were made from', () => {
  expect(lastFigures(houseOf('pallow')).fit.result.q50M3h / (970 * 1.015)).toBeCloseTo(1, 1);
  expect(lastFigures(houseOf('nettle')).fit.result.q50M3h / (45 * 1.015)).toBeCloseTo(1, 1);
});

test('ids are each their own, and the same at every start', () => {
  const ids = seedBatches.flatMap(({ changes }) => changes.flatMap(({ changeId, id }) => [changeId, id]));
  expect(new Set(ids).size).toBe(ids.length);
  expect(seedBatches[0]?.houseId).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-7[0-9a-f]{3}-/);
});
