import { samplePenetration } from '../../test/sample-penetration';
import { leakLedger } from '../mends/ledger';
import { CLASS_LEAKS } from '../mends/leak-range';
import { mendList } from '../mends/mend-list';
import { NEW_PLAN } from '../plan/plan';
import { FRAMED, plannedOf, tee } from '../../test/sample-plan';
import { walked } from '../../test/sample-walk';
import { barrierHere } from '../continuity/barrier-here';
import { judgedPenetration } from './judged-penetration';
import { newMend } from './mend';
import { notStored } from '../record';
import { RULES_AS_GIVEN, rulesHere } from './rules-here';

const walk = walked(plannedOf(tee().drawing, { plan: FRAMED }));
const wall = walk.areas.find(({ kind }) => kind === 'wall');
if (wall === undefined) throw new Error('no wall');
const taped = samplePenetration({
  what: 'cable',
  through: 'board',
  gapMm: 20,
  item: wall.key,
  seals: [{ id: 'a', plane: 'barrier', phase: 'beforeFill', seal: 'tape' }],
});
const plan = {
  ...NEW_PLAN,
  holeRules: [{ name: 'tape-up-to-25', verdict: 'wrong' as const, why: 'It let go here before' }],
};
const known = {
  houseId: '019df200-5000-77f8-8937-913296a3c6b5',
  standing: new Map(),
  penetrations: [taped],
  mends: [],
  works: [],
  calendar: null,
  own: [],
  checkpointOf: () => undefined,
};

test('a house that has nothing in its own way is judged by the rules as they are given', () => {
  expect(rulesHere(undefined)).toBe(RULES_AS_GIVEN);
  expect(rulesHere(NEW_PLAN)).toBe(RULES_AS_GIVEN);
});

test('a rule that a house has in its own way is followed everywhere, and says so', () => {
  const rules = rulesHere(plan);
  expect(rulesHere(plan)).toBe(rules);
  expect(judgedPenetration(taped, null)).toMatchObject({ verdict: 'doubtful', planes: [{ isOwn: false }] });
  expect(judgedPenetration(taped, null, rules)).toMatchObject({
    verdict: 'wrong',
    planes: [{ isOwn: true, reason: 'It let go here before' }],
  });
  const barrier = { looks: new Map(), penetrations: [taped], mends: [] };
  expect(barrierHere(walk, barrier).holes.map(({ state }) => state)).toEqual(['notSeen']);
  expect(barrierHere(walk, { ...barrier, rules }).holes.map(({ state }) => state)).toEqual(['open']);
  expect(mendList(walk, known)).toEqual([]);
  const mends = mendList(walk, { ...known, rules });
  expect(mends.map(({ from, why }) => [from, why])).toEqual([['penetration', 'It let go here before']]);
  // What is open is counted once: as its mend, and not as a doubtful hole.
  expect(leakLedger(walk.areas, [taped], [], undefined).doubtful.likely).toBeGreaterThan(0);
  const ledger = leakLedger(walk.areas, [taped], mends, rules);
  expect([ledger.doubtful.likely, ledger.open]).toEqual([0, mends[0]?.leak]);
});

test('figures of a class that a house has are those of its mends, in order whoever wrote them', () => {
  const rules = rulesHere({ ...NEW_PLAN, leakFigures: [{ name: 'medium', low: 90, likely: 10, high: 30 }] });
  expect(rules.classes).toEqual({ ...CLASS_LEAKS, medium: { low: 10, likely: 30, high: 90 } });
  const leak = { ...newMend('Here', '2026-05-05'), ...notStored('leak', 'house'), leak: 'medium' as const };
  const [given] = mendList(walk, { ...known, penetrations: [], mends: [leak] });
  const [here] = mendList(walk, { ...known, penetrations: [], mends: [leak], rules });
  expect(given?.leak).toEqual(CLASS_LEAKS.medium);
  expect(here?.leak).toEqual({ low: 10, likely: 30, high: 90 });
});
