import { seedBatches, type PhotoBatch, type SeedBatch } from '@calvet/demo';

/** A house of the demo, with all that is in it, by its name. */
export const demoHouse = (name: string): SeedBatch => {
  const found = seedBatches.find(({ changes }) =>
    changes.some(({ kind, body }) => kind === 'house' && 'name' in body && body.name === name),
  );
  if (found === undefined) throw new Error(`The demo has no house ${name}.`);
  return found;
};

/** Id of the first record of a kind. */
export const firstOf = ({ changes }: Pick<SeedBatch, 'changes'>, kind: string): string =>
  changes.find((change) => change.kind === kind)?.id ?? '';

/** A page of every kind that the app has, with the demo in it: what it is called, and its path. */
export function demoPages(photos: readonly PhotoBatch[]): readonly (readonly [name: string, path: string])[] {
  const wrenfold = demoHouse('Wrenfold 4');
  const house = `/houses/${wrenfold.houseId}`;
  const drawn = photos.find(({ houseId }) => houseId === wrenfold.houseId);
  if (drawn === undefined) throw new Error('The house has no photo.');
  return [
    ['houses', '/'],
    ['new house', '/houses/new'],
    ['plan', house],
    ['house, to change', `${house}/edit`],
    ['fill', `${house}/fill`],
    ['area', `${house}/areas/${firstOf(wrenfold, 'area')}`],
    ['new area', `${house}/areas/01a1f000-0000-7000-8000-000000000001`],
    ['door tests', `${house}/tests`],
    ['door test', `${house}/tests/${firstOf(wrenfold, 'airtightnessTest')}`],
    ['record', `${house}/record`],
    ['photo', `${house}/record/${firstOf(drawn, 'photo')}`],
    ['this device', '/device'],
    ['deleted', '/deleted'],
    ['bench', '/bench'],
    ['operation of the bench', '/bench/airtightness-multi-point'],
    ['nothing', '/nowhere'],
  ];
}
