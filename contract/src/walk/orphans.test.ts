import { samplePenetration } from '../../test/sample-penetration';
import { drawingOf } from '../../test/sample-drawing';
import { FRAMED, plannedOf, tee } from '../../test/sample-plan';
import { verdictAt } from '../../test/sample-verdict';
import { walked } from '../../test/sample-walk';
import { orphansOf } from './orphans';
import { standingVerdicts } from './standing-verdicts';

const { drawing, ground } = tee();
const walk = walked(plannedOf(drawing, { plan: FRAMED }));
const all = walk.stops.flatMap(({ checkpoints }) => checkpoints);

test('a house that is drawn anew keeps every verdict and every hole, or names what has no place', () => {
  const verdicts = all.map((here) => verdictAt(here, 'good'));
  const penetrations = walk.stops.map(({ key, name }) =>
    samplePenetration({ id: `hole at ${key}`, stop: key, placeName: name }),
  );
  const known = { standing: standingVerdicts(verdicts), penetrations, mends: [] };
  expect(orphansOf(walk, known)).toEqual({ verdicts: [], penetrations: [], leaks: [] });

  // The upper storey is taken away.
  const lower = walked(plannedOf(drawingOf(ground), { plan: FRAMED }));
  const found = orphansOf(lower, known);
  const kept = new Set(lower.stops.flatMap(({ checkpoints }) => checkpoints.map(({ key }) => key)));
  expect(found.verdicts.length).toBeGreaterThan(10);
  expect(found.verdicts.length + all.filter(({ key }) => kept.has(key)).length).toBe(all.length);
  for (const { counts } of found.verdicts) expect(counts.placeName).not.toBe('');
  expect(found.penetrations.map(({ stop }) => stop)).toContain('wall/u1');
  expect(found.penetrations.map(({ stop }) => stop)).not.toContain('wall/g1');
});
