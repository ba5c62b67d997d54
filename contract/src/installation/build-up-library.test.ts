import { MATERIALS } from './material-library';
import { resistanceLayer } from './plain-layer';
import { BUILD_UP_LIBRARY, buildUpOf, kindsSuiting } from './build-up-library';

test.each(BUILD_UP_LIBRARY)('$name suits the kinds that it is for, whatever was changed in it', (entry) => {
  const { layers, ...rest } = buildUpOf(entry);
  const changed = { ...rest, name: 'As built', layers: layers.map((layer) => ({ ...layer, name: 'other' })) };
  expect(kindsSuiting(changed)).toEqual(entry.kinds);
});

test('of a build-up of one’s own nothing is known', () => {
  const own = { id: '018f0000-0000-7000-8000-000000000001', ...resistanceLayer('', 1) };
  expect(
    kindsSuiting({ name: 'Own', layers: [own], frameAlignment: null, gradedLayer: null, costPerM2: null }),
  ).toBeNull();
});

test.each([
  ['metric', 'Framed wall 140, fibre batts', 'Studs 140, batts'],
  ['imperial', 'Framed wall 5½ in, fibre batts', 'Studs 5½ in, batts'],
] as const)('names give sizes in the units of who takes it: %s', (units, name, stud) => {
  const [entry] = BUILD_UP_LIBRARY;
  if (entry === undefined) throw new Error('The library is empty.');
  const buildUp = buildUpOf(entry, units);
  expect([buildUp.name, buildUp.layers[1]?.name]).toEqual([name, stud]);
});

test('no name is left with a size that nobody speaks', () => {
  const names = BUILD_UP_LIBRARY.flatMap((entry) => {
    const { name, layers } = buildUpOf(entry, 'imperial');
    return [name, ...layers.map((layer) => layer.name)];
  });
  // Every figure is one of inches.
  expect(names.filter((name) => /[{}]|[\d¼½¾](?![\d¼½¾]* in\b)/.test(name))).toEqual([]);
});

test('what the layers are made of weighs, emits and stores what the library of materials says', () => {
  const layers = BUILD_UP_LIBRARY.flatMap((entry) => entry.layers).filter(
    ({ materialId }) => materialId !== null,
  );
  expect(layers.length).toBeGreaterThan(20);
  for (const { materialId, densityKgM3, carbonKgM3, storedKgM3 } of layers) {
    const known = MATERIALS.find(({ id }) => id === materialId);
    expect({ materialId, densityKgM3, carbonKgM3, storedKgM3 }).toEqual({
      materialId: known?.id,
      densityKgM3: known?.densityKgM3,
      carbonKgM3: known?.carbonKgM3,
      storedKgM3: known?.storedKgM3,
    });
  }
});
