import { FRAMED, plannedOf, sampleFeature, sampleWork, tee } from '../../test/sample-plan';
import { samplePenetration } from '../../test/sample-penetration';
import { verdictAt } from '../../test/sample-verdict';
import { walked } from '../../test/sample-walk';
import { calendarHere } from '../calendar/calendar-here';
import { NO_SCHOOLS } from '../plan/schools';
import type { Work } from '../plan/work';
import type { CheckpointHere, Walk } from './generate-walk';
import { isLeft, looksOf, type Look } from './looks';
import { Reopening } from './reopened';
import { standingVerdicts } from './standing-verdicts';
import type { Verdict } from './verdict';

const HOUSE = 'h';
const TODAY = '2027-03-20';
const { drawing } = tee();
const features = [sampleFeature('tub', 'tubOnOuterWall', 'u1')];

const plan = { schools: { ...NO_SCHOOLS, ...FRAMED.schools, sealsSeams: true } };

const walk = walked(plannedOf(drawing, { plan, features }));

function looks(works: readonly Work[], verdicts: readonly Verdict[]): ReadonlyMap<string, Look> {
  const planned = plannedOf(drawing, { plan, features, works });
  return looksOf(walk, {
    houseId: HOUSE,
    works,
    standing: standingVerdicts(verdicts),
    calendar: calendarHere(planned, walk, HOUSE, TODAY, verdicts),
  });
}

const allOf = (of: Walk): readonly CheckpointHere[] => of.stops.flatMap(({ checkpoints }) => checkpoints);

/** A checkpoint of the walk at one item. */
function at(checkpoint: string, item?: string): CheckpointHere {
  const found = allOf(walk).find(
    (each) => each.checkpoint === checkpoint && (item === undefined || each.item === item),
  );
  if (found === undefined) throw new Error(`no ${checkpoint} at ${item ?? 'any item'}`);
  return found;
}

test('nobody looked, or what they found', () => {
  const rim = at('rim-joints-sealed');
  const plate = at('cable-holes-in-plates');
  const found = looks([], [verdictAt(rim, 'mend'), verdictAt(plate, 'notHere')]);
  expect(found.get(rim.key)).toMatchObject({ state: 'mend', work: null });
  expect(found.get(plate.key)?.state).toBe('notHere');
  const others = allOf(walk).filter(({ key }) => key !== rim.key && key !== plate.key);
  expect(new Set(others.map(({ key }) => found.get(key)?.state))).toEqual(new Set(['left']));
  expect([rim, plate, at('plate-seams-sealed')].map(({ key }) => isLeft(found.get(key)))).toEqual([
    false,
    false,
    true,
  ]);
});

describe('works that begin after something was good', () => {
  const rim = at('rim-joints-sealed');
  const good = verdictAt(rim, 'good', { seenOn: '2027-03-08' });
  const state = (work: Partial<Work>, verdict = good, what: Work['what'] = 'services', on = HOUSE) =>
    looks([sampleWork('w', what, on, work)], [verdict]).get(rim.key);

  test('services through a rim make it half: it is looked at again, and both events are kept', () => {
    const again = state({ begunOn: '2027-03-09' });
    expect(again).toMatchObject({
      state: 'again',
      work: { id: 'w' },
      standing: { counts: { value: 'good' } },
    });
    expect(isLeft(again)).toBe(true);
  });

  test.each<[string, Partial<Work>, Verdict?, Work['what']?, string?]>([
    ['those that somebody only plans', { pinnedStart: '2027-03-09' }],
    ['those that had begun when somebody looked', { begunOn: '2027-03-08' }],
    ['what was to be mended stays so', { begunOn: '2027-03-09' }, verdictAt(rim, 'mend')],
    ['works of another kind', { begunOn: '2027-03-09' }, good, 'battens'],
    ['works on a part of the house that is gone', { begunOn: '2027-03-09' }, good, 'services', 'gone'],
  ])('%s change nothing', (_, work, verdict = good, what = 'services', on = HOUSE) => {
    expect(state(work, verdict, what, on)?.state).toBe(verdict.value);
  });

  test('who looks again settles it', () => {
    const later = verdictAt(rim, 'good', { id: 'later', seenOn: '2027-03-10', follows: [{ id: good.id }] });
    const work = sampleWork('w', 'services', HOUSE, { begunOn: '2027-03-09' });
    expect(looks([work], [good, later]).get(rim.key)).toMatchObject({ state: 'good', work: null });
    // Something else begun after that opens it once more: the first such work is named.
    const two = [
      sampleWork('late', 'services', HOUSE, { begunOn: '2027-03-15' }),
      sampleWork('early', 'services', HOUSE, { begunOn: '2027-03-12' }),
      work,
    ];
    expect(looks(two, [good, later]).get(rim.key)).toMatchObject({ state: 'again', work: { id: 'early' } });
  });

  test('a work on one storey, or one wall of it, opens what is there and nothing else', () => {
    const plates = allOf(walk).filter(({ checkpoint }) => checkpoint === 'plate-seams-sealed');
    const verdicts = plates.map((here) => verdictAt(here, 'good'));
    const opened = (on: string): readonly string[] => {
      const found = looks([sampleWork('w', 'services', on, { begunOn: '2027-03-09' })], verdicts);
      return plates.filter(({ key }) => found.get(key)?.state === 'again').map(({ item }) => item);
    };
    expect(opened('u1')).toEqual(['wall/u1']);
    const storey = opened(plates.find(({ item }) => item === 'wall/u1')?.path[1] ?? '');
    expect(storey).toContain('wall/u1');
    expect(storey.length).toBeLessThan(plates.length);
    expect(opened(HOUSE)).toHaveLength(plates.length);
  });
});

describe('what was covered before anybody looked', () => {
  const tub = at('tub-wall-filled-and-closed');
  const set = sampleWork('set', 'tubSet', HOUSE, { begunOn: '2027-03-10' });
  const state = (...verdicts: readonly Verdict[]) => looks([set], verdicts).get(tub.key)?.state;

  test('is never good, whatever is said later', () => {
    expect(state()).toBe('covered');
    expect(state(verdictAt(tub, 'good', { seenOn: '2027-03-11' }))).toBe('covered');
    expect(isLeft(looks([set], []).get(tub.key))).toBe(false);
    expect(looks([set], []).get(tub.key)?.work?.id).toBe('set');
  });

  test('counts again by somebody who opened it up, or of a picture from before', () => {
    expect(state(verdictAt(tub, 'good', { seenOn: '2027-03-11', looked: 'openedUp' }))).toBe('good');
    expect(state(verdictAt(tub, 'mend', { seenOn: '2027-03-11', looked: 'openedUp' }))).toBe('mend');
    expect(state(verdictAt(tub, 'good', { seenOn: '2027-03-09', looked: 'byPhoto' }))).toBe('good');
    expect(state(verdictAt(tub, 'good', { seenOn: '2027-03-11', looked: 'byPhoto' }))).toBe('covered');
  });

  test('what nobody could see when it was there was covered unseen', () => {
    expect(state(verdictAt(tub, 'notSeen', { seenOn: '2027-03-09' }))).toBe('covered');
    expect(state(verdictAt(tub, 'good', { seenOn: '2027-03-09' }))).toBe('good');
  });
});

test('a stub is looked at again once it was connected, wherever that was done, and no other hole is', () => {
  const connected = (on: string, begunOn: string | null) => [sampleWork('c', 'connecting', on, { begunOn })];
  const after = (works: readonly Work[], hole: Parameters<typeof samplePenetration>[0]) =>
    new Reopening(works, walk, HOUSE).afterHole(
      samplePenetration({ what: 'conduit', item: 'wall/u1', ...hole }),
    )?.id;
  expect(after(connected(HOUSE, '2027-03-09'), {})).toBe('c');
  expect(after(connected('u1', '2027-03-09'), {})).toBe('c');
  expect(after(connected('u2', '2027-03-09'), {})).toBeUndefined();
  expect(after(connected(HOUSE, null), {})).toBeUndefined();
  expect(after(connected(HOUSE, '2027-03-09'), { seenOn: '2027-03-09' })).toBeUndefined();
  expect(after(connected(HOUSE, '2027-03-09'), { what: 'cable' })).toBeUndefined();
  // In an area that is gone, what was done in the house may have opened it.
  expect(after(connected(HOUSE, '2027-03-09'), { item: 'wall/gone' })).toBe('c');
});
