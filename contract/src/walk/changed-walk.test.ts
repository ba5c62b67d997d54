import { plannedOf, sampleFeature, tee } from '../../test/sample-plan';
import { built, keys, walked } from '../../test/sample-walk';
import type { Feature } from '../plan/feature';
import { changedThings, changedWalk, lookedAtIn, type LookedAt } from './changed-walk';

const { drawing } = tee();
const batts = built({ insulation: ['fillBatt'] });
const walkWith = (...features: readonly Feature[]) => walked(plannedOf(drawing, { plan: batts, features }));
const tub = sampleFeature('tub', 'tubOnOuterWall', 'u1');

test('what a change brought and took is told, in walking order', () => {
  const [before, after] = [lookedAtIn(walkWith(), []), lookedAtIn(walkWith(tub), [])];
  const change = changedWalk(before, after);
  expect(change.came.map(({ key }) => key)).toEqual(['tub-wall-filled-and-closed@feature/tub']);
  expect(change.went).toEqual([]);
  expect(changedWalk(after, before)).toEqual({ came: [], went: change.came });
});

test('all checkpoints and all junctions are told of, each by a name', () => {
  const walk = walkWith(tub);
  const all = lookedAtIn(walk, []);
  expect(all).toHaveLength(keys(walk).length + walk.junctions.length);
  for (const { where } of all) expect(where).not.toBe('');
});

test('a new name changes nothing', () => {
  const all = lookedAtIn(walkWith(tub), []);
  const renamed = all.map((each) => ({ ...each, where: `New ${each.where}` }));
  expect(changedWalk(all, renamed)).toEqual({ came: [], went: [] });
});

test('a checkpoint that was taken away is told of by the title that it had', () => {
  const own = {
    id: 'own',
    title: 'Meter box closed behind',
    at: 'house',
    phase: 'beforeFill',
    trade: 'electrician',
    coverEvent: 'none',
  } as const;
  const walk = walked(plannedOf(drawing, { plan: { ...batts, checkpointsAdded: [own] } }));
  const { went } = changedWalk(lookedAtIn(walk, [own]), lookedAtIn(walkWith(), []));
  expect(went).toEqual([expect.objectContaining({ checkpoint: 'own', title: 'Meter box closed behind' })]);
});

test('a checkpoint that came at several places is told of once, a junction by itself', () => {
  const at = (checkpoint: string | null, where: string): LookedAt => ({
    key: `${checkpoint ?? 'corner'}@${where}`,
    checkpoint,
    title: null,
    where,
  });
  const all = [at('sill', 'Front wall'), at(null, 'Corner'), at('sill', 'Back wall'), at(null, 'Rim')];
  expect(changedThings(all)).toEqual([
    { checkpoint: 'sill', title: null, places: ['Front wall', 'Back wall'] },
    { checkpoint: null, title: null, places: ['Corner'] },
    { checkpoint: null, title: null, places: ['Rim'] },
  ]);
});
