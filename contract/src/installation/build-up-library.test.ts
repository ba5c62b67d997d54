import { BUILD_UP_LIBRARY, buildUpOf, kindsSuiting } from './build-up-library';

test.each(BUILD_UP_LIBRARY)('$name suits the kinds that it is for, whatever was changed in it', (entry) => {
  const { layers, ...rest } = buildUpOf(entry);
  const changed = { ...rest, name: 'As built', layers: layers.map((layer) => ({ ...layer, name: 'other' })) };
  expect(kindsSuiting(changed)).toEqual(entry.kinds);
});

test('of a build-up of one’s own nothing is known', () => {
  const own = { kind: 'resistance', id: '018f0000-0000-7000-8000-000000000001', name: '', rsi: 1 } as const;
  expect(kindsSuiting({ name: 'Own', layers: [own], frameAlignment: null, gradedLayer: null })).toBeNull();
});
