import { FRAMED, plannedOf, sampleFeature, sampleWork, tee } from '../../test/sample-plan';
import { walked } from '../../test/sample-walk';
import { AIR_BARRIER_WORDS, type AirBarrier } from '../plan/schools';
import { STARTING_SETS } from '../plan/starting-sets';
import { WORK_WORDS } from '../plan/work-words';
import type { Work } from '../plan/work';
import type { Verdict, VerdictValue } from '../walk/verdict';
import { notStored } from '../record';
import { calendarHere, checkpointsOf, urgentHolds, type CalendarHere } from './calendar-here';
import type { Hold } from './hold';
import { startingWorks, stepsFor } from './starting-works';

const { drawing } = tee();
const HOUSE = 'h';

type Dated = CalendarHere & { readonly state: 'dated' };

function calendar(
  works: readonly Work[],
  today: string,
  plan = FRAMED,
  features = [sampleFeature('tub', 'tubOnOuterWall', 'u1')],
  verdicts: readonly Verdict[] = [],
) {
  const planned = plannedOf(drawing, { plan, features, works });
  const walk = walked(planned);
  return { walk, found: calendarHere(planned, walk, HOUSE, today, verdicts) };
}

function dated(
  works: readonly Work[],
  today: string,
  plan = FRAMED,
): Dated & { readonly walk: ReturnType<typeof walked> } {
  const { walk, found } = calendar(works, today, plan);
  if (found.state !== 'dated') throw new Error(JSON.stringify(found));
  return { ...found, walk };
}

const before = ({ holds }: Dated, work: string | null): readonly Hold[] =>
  holds.filter((hold) => hold.work === work);

describe('by when things are looked at', () => {
  // A Monday.
  const fill = sampleWork('fill', 'insulation', HOUSE, { pinnedStart: '2027-03-15', days: 2 });
  const lining = sampleWork('lining', 'lining', HOUSE, { days: 5, after: [{ id: 'fill', lagDays: 1 }] });

  test('the workday before the work that hides them begins', () => {
    const found = dated([fill, lining], '2027-03-08');
    expect(
      before(found, 'fill').map(({ seeBy, state, workdaysLeft }) => [seeBy, state, workdaysLeft]),
    ).toEqual([['2027-03-12', 'due', 4]]);
    expect(found.works.get('lining')).toMatchObject({ start: '2027-03-18', source: 'derived' });
    // What a tub will hide has no work of its own: lining stands in, as the latest day.
    const tub = before(found, 'lining').find(({ standIn }) => standIn);
    expect(tub?.seeBy).toBe('2027-03-17');
    expect(tub?.checkpoints).toContain('tub-wall-filled-and-closed@feature/tub');
  });

  test('a work that moves takes along what follows it, and every day by which something is looked at', () => {
    const moved = dated([{ ...fill, pinnedStart: '2027-03-22' }, lining], '2027-03-08');
    expect(before(moved, 'fill')[0]?.seeBy).toBe('2027-03-19');
    expect(moved.works.get('lining')?.start).toBe('2027-03-25');
    expect(before(moved, 'lining').every(({ seeBy }) => seeBy === '2027-03-24')).toBe(true);
  });

  test('a passed day only asks; what somebody says to have begun hides what nobody saw', () => {
    const passed = dated([fill], '2027-03-17');
    expect(before(passed, 'fill').map(({ state }) => state)).toEqual(['late']);
    expect(passed.findings.map(({ rule, work }) => [rule, work])).toEqual([['has-it-begun', 'fill']]);
    const begun = dated([{ ...fill, begunOn: '2027-03-15' }], '2027-03-17');
    expect(before(begun, 'fill').map(({ state }) => state)).toEqual(['coveredUnseen']);
  });

  test('what somebody looked at holds up nothing, and was not covered unseen; “not seen” changes nothing', () => {
    const works = [{ ...fill, begunOn: '2027-03-15' }];
    const hidden = before(dated(works, '2027-03-17'), 'fill')[0]?.checkpoints ?? [];
    const [key = ''] = hidden;
    const [checkpoint = '', item = ''] = key.split('@');
    const unseenAfter = (value: VerdictValue, seenOn: string): boolean => {
      const given: Verdict = {
        ...notStored('v', HOUSE),
        value,
        checkpoint,
        item,
        catalogueVersion: 2,
        phase: 'beforeFill',
        looked: 'onSite',
        seenOn,
        photo: null,
        reasons: [],
        note: null,
        readings: [],
        placeName: 'There',
        follows: [],
      };
      const { found } = calendar(works, '2027-03-17', FRAMED, undefined, [given]);
      if (found.state !== 'dated') throw new Error(JSON.stringify(found));
      return found.holds.some(({ checkpoints }) => checkpoints.includes(key));
    };
    expect(hidden.length).toBeGreaterThan(1);
    expect(unseenAfter('good', '2027-03-12')).toBe(false);
    expect(unseenAfter('mend', '2027-03-15')).toBe(false);
    expect(unseenAfter('notSeen', '2027-03-12')).toBe(true);
    // Once it is covered nobody sees it any more.
    expect(unseenAfter('good', '2027-03-16')).toBe(true);
  });

  test('of works on a part and on all of a house that on the part counts, on a feature too', () => {
    const upstairs = sampleWork('up', 'insulation', 'u', { pinnedStart: '2027-04-05' });
    const tub = sampleWork('tub work', 'tubSet', 'tub', { pinnedStart: '2027-03-10' });
    const found = dated([fill, upstairs, tub], '2027-03-08');
    const at = (work: string) => before(found, work).flatMap(({ checkpoints }) => checkpoints);
    expect(at('up')).toContain('cable-holes-in-plates@storey/u');
    expect(at('fill')).toContain('cable-holes-in-plates@storey/g');
    expect(at('tub work')).toEqual(['tub-wall-filled-and-closed@feature/tub']);
  });

  test('a work on a part that is gone hides nothing, and one that followed what was deleted has no date', () => {
    const lost = sampleWork('lost', 'lining', 'gone', { after: [{ id: 'never there', lagDays: 0 }] });
    const found = dated([fill, lost], '2027-03-08');
    expect(before(found, 'lost')).toEqual([]);
    expect(found.works.get('lost')?.start).toBeNull();
  });

  test('days without work, and weeks of other days, are those of the house', () => {
    const plan = { ...FRAMED, workdays: ['monday', 'wednesday'] as const, closedDays: ['2027-03-10'] };
    expect(before(dated([fill], '2027-03-08', plan), 'fill')[0]?.seeBy).toBe('2027-03-08');
  });

  test('the most urgent come first, and within five workdays they are spoken of', () => {
    const found = dated([fill, lining], '2027-03-08');
    const days = found.holds.map(({ seeBy }) => seeBy);
    expect(days.filter((day) => day !== null)).toEqual([...days.filter((day) => day !== null)].sort());
    expect(urgentHolds(found.holds).map(({ work }) => work)).toEqual(['fill']);
    const [first] = found.holds;
    expect(first === undefined ? 0 : checkpointsOf(found.walk, first).length).toBe(first?.checkpoints.length);
  });
});

test('works in a circle, or done before they began, are said at one of them', () => {
  const circle = calendar(
    [
      sampleWork('a', 'services', HOUSE, { after: [{ id: 'b', lagDays: 0 }] }),
      sampleWork('b', 'insulation', HOUSE, { after: [{ id: 'a', lagDays: 0 }] }),
    ],
    '2027-03-08',
  ).found;
  expect(circle).toMatchObject({ state: 'refused', refusal: { code: 'circular' } });
  const backwards = calendar(
    [sampleWork('a', 'services', HOUSE, { begunOn: '2027-03-09', doneOn: '2027-03-08' })],
    '2027-03-10',
  ).found;
  expect(backwards).toMatchObject({ state: 'refused', work: 'a', refusal: { code: 'out-of-order' } });
});

describe('a calendar to begin with', () => {
  const none = () => false;
  const kinds = (barrier: AirBarrier) => stepsFor(STARTING_SETS[barrier], none).map(({ what }) => what);

  test.each(Object.keys(AIR_BARRIER_WORDS) as readonly AirBarrier[])('is in order for %s', (barrier) => {
    const plan = STARTING_SETS[barrier];
    const works = startingWorks(plan, none, HOUSE, '2027-03-01').map(({ id, body }) =>
      sampleWork(id, body.what, HOUSE, body),
    );
    const found = dated(works, '2027-02-01', plan);
    expect(found.findings).toEqual([]);
    expect(found.works.get(works[0]?.id ?? '')?.start).toBe('2027-03-01');
    expect([...found.works.values()].every(({ start }) => start !== null)).toBe(true);
  });

  test('foam that holds vapour back comes before services, a net before inner walls, a membrane behind its fill', () => {
    const foam = stepsFor(
      {
        ...STARTING_SETS.barrierInnerMembrane,
        schools: { ...STARTING_SETS.barrierInnerMembrane.schools, vapour: 'vapourFoamFirst' },
      },
      none,
    ).map(({ what }) => what);
    expect(foam.indexOf('foamFirst')).toBeLessThan(foam.indexOf('services'));
    const net = kinds('barrierGasketedLining');
    expect(net.indexOf('netting')).toBeLessThan(net.indexOf('partitionStood'));
    const membrane = kinds('barrierInnerMembrane');
    expect(membrane.indexOf('membrane')).toBeGreaterThan(membrane.indexOf('insulation'));
    expect(kinds('barrierMasonryCoat')).toEqual(expect.arrayContaining(['coat', 'outsideInsulation']));
  });

  test('a slab is poured where one is drawn', () => {
    const withSlab = stepsFor(STARTING_SETS.barrierInnerMembrane, (need) => need === 'slabOnGround');
    expect(withSlab.map(({ what }) => what)).toContain('slabPoured');
    for (const { what } of withSlab) expect(WORK_WORDS[what]).toBeDefined();
  });
});
