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

interface DemoPage {
  readonly name: string;
  /** Its path, once the demo is in. */
  readonly path: (photos: readonly PhotoBatch[]) => string;
}

const wrenfold = demoHouse('Wrenfold 4');
const house = `/houses/${wrenfold.houseId}`;

function photoPath(photos: readonly PhotoBatch[]): string {
  const drawn = photos.find(({ houseId }) => houseId === wrenfold.houseId);
  if (drawn === undefined) throw new Error('The house has no photo.');
  return `${house}/record/${firstOf(drawn, 'photo')}`;
}

const at = (name: string, path: string): DemoPage => ({ name, path: () => path });

/** A page of every kind that the app has, with the demo in it. */
export const demoPages: readonly DemoPage[] = [
  at('houses', '/'),
  at('new house', '/houses/new'),
  at('plan', house),
  at('house, to change', `${house}/edit`),
  at('drawing, to begin', `${house}/drawing`),
  at('how it is built', `${house}/built`),
  at('stops', `${house}/stops`),
  at('walk', `${house}/walk`),
  at('mends', `/houses/${demoHouse('Tamsel Row 3').houseId}/mends`),
  at('air barrier', `${house}/continuity`),
  at('calendar', `${house}/calendar`),
  at('fill', `${house}/fill`),
  at('worth', `/houses/${demoHouse('Tamsel Row 3').houseId}/worth`),
  at('area', `${house}/areas/${firstOf(wrenfold, 'area')}`),
  at('compared build-ups', `${house}/areas/${firstOf(wrenfold, 'area')}/compare`),
  at('new area', `${house}/areas/01a1f000-0000-7000-8000-000000000001`),
  at('door tests', `${house}/tests`),
  at('door test', `${house}/tests/${firstOf(wrenfold, 'airtightnessTest')}`),
  at('record', `${house}/record`),
  { name: 'photo', path: photoPath },
  at('practice', '/practice'),
  at('materials', '/materials'),
  at('today', '/today'),
  at('this device', '/device'),
  at('deleted', '/deleted'),
  at('bench', '/bench'),
  at('operation of the bench', '/bench/airtightness-multi-point'),
  at('nothing', '/nowhere'),
];
