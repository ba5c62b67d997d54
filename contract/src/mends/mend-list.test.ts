import { samplePenetration, sealed } from '../../test/sample-penetration';
import { FRAMED, plannedOf, sampleFeature, sampleWork, tee } from '../../test/sample-plan';
import { verdictAt } from '../../test/sample-verdict';
import { walked } from '../../test/sample-walk';
import { calendarHere } from '../calendar/calendar-here';
import { CHECKPOINTS } from '../catalogue/catalogue';
import type { Work } from '../plan/work';
import { notStored } from '../record';
import { newMend, type Mend } from '../walk/mend';
import type { Penetration } from '../walk/penetration';
import { standingVerdicts } from '../walk/standing-verdicts';
import type { Verdict } from '../walk/verdict';
import { CLASS_LEAKS, leakOfGap, leakOfHoles, sumOf, type LeakRange } from './leak-range';
import { mendId, mendList, type MendHere } from './mend-list';

const HOUSE = '019df200-5000-77f8-8937-913296a3c6b5';
const features = [sampleFeature('tub', 'tubOnOuterWall', 'u1')];
const { drawing } = tee();
const walk = walked(plannedOf(drawing, { plan: FRAMED, features }));
const all = walk.stops.flatMap(({ checkpoints }) => checkpoints);

function at(checkpoint: string, nth = 0) {
  const found = all.filter((each) => each.checkpoint === checkpoint)[nth];
  if (found === undefined) throw new Error(checkpoint);
  return found;
}

function mends({
  verdicts = [],
  penetrations = [],
  added = [],
  works = [],
}: {
  readonly verdicts?: readonly Verdict[];
  readonly penetrations?: readonly Penetration[];
  readonly added?: readonly Mend[];
  readonly works?: readonly Work[];
}): readonly MendHere[] {
  const planned = plannedOf(drawing, { plan: FRAMED, features, works });
  return mendList(walk, {
    houseId: HOUSE,
    standing: standingVerdicts(verdicts),
    penetrations,
    mends: added,
    works,
    calendar: calendarHere(planned, walk, HOUSE, '2027-03-08', verdicts),
    own: [],
    checkpointOf: (id) => CHECKPOINTS.find((each) => each.id === id),
  });
}

const leak = (more: Partial<Mend> = {}): Mend => ({
  ...newMend('Front wall', '2027-03-08'),
  ...notStored('leak', HOUSE),
  item: 'wall/g1',
  stop: 'wall/g1',
  what: 'Open joint',
  ...more,
});

test('what a verdict, a hole and a leak ask for, in the words of the catalogue and the rules until somebody says more', () => {
  const rim = at('rim-joints-sealed');
  const verdict = verdictAt(rim, 'mend', {
    id: 'v',
    reasons: [{ name: 'Lower joint open' }],
    note: 'behind the post',
  });
  const of = CHECKPOINTS.find(({ id }) => id === 'rim-joints-sealed');
  const [found] = mends({ verdicts: [verdict] });
  expect(found).toMatchObject({
    from: 'verdict',
    checkpoint: rim.key,
    what: of?.title,
    why: 'Lower joint open; behind the post',
    how: of?.good,
    trade: of?.trade,
    minutes: of?.typicalMinutes,
    leak: CLASS_LEAKS[of?.leak ?? 'none'],
    state: 'open',
    record: { id: mendId(HOUSE, 'v'), revision: 0, verdict: 'v' },
  });
  const added = {
    ...leak({
      id: mendId(HOUSE, 'v'),
      verdict: 'v',
      how: 'Foam it',
      trade: 'insulator',
      minutes: 5,
      what: null,
    }),
  };
  expect(mends({ verdicts: [verdict], added: [added] })).toMatchObject([
    { what: of?.title, how: 'Foam it', trade: 'insulator', minutes: 5 },
  ]);

  const hole = samplePenetration({ id: 'p', item: 'wall/g1', stop: 'wall/g1', gapMm: 40, count: 3 });
  expect(mends({ penetrations: [hole] })).toMatchObject([
    { from: 'penetration', what: '3 × Cable', minutes: 16, trade: 'airSealer', stop: 'wall/g1' },
  ]);
  expect(mends({ penetrations: [{ ...hole, gapMm: 4, seals: [sealed('softSealant')] }] })).toEqual([]);
  expect(mends({ penetrations: [{ ...hole, made: 'toCome' }] })).toEqual([]);
  expect(mends({ added: [leak({ gapMm: 6, lengthMm: 1000 })] })).toMatchObject([
    { from: 'leak', how: 'Sealant that stays soft', leak: leakOfGap(1000, 6) },
  ]);
});

test('a good look that follows takes it off the list; what counts beside another stays', () => {
  const rim = at('rim-joints-sealed');
  const first = verdictAt(rim, 'mend', { id: 'a' });
  expect(mends({ verdicts: [first, verdictAt(rim, 'good', { id: 'b', follows: [{ id: 'a' }] })] })).toEqual(
    [],
  );
  expect(mends({ verdicts: [first, verdictAt(rim, 'good', { id: 'b' })] })).toHaveLength(1);
});

describe('the order that matters', () => {
  const tub = verdictAt(at('tub-wall-filled-and-closed'), 'mend', { id: 't' });
  const rims = [0, 1, 2].map((nth) => verdictAt(at('rim-joints-sealed', nth), 'mend', { id: `r${nth}` }));
  const fill = sampleWork('fill', 'insulation', HOUSE, { pinnedStart: '2027-03-22', trade: 'insulator' });
  const set = sampleWork('set', 'tubSet', HOUSE, { pinnedStart: '2027-03-15', trade: 'plumber' });
  const lining = sampleWork('lining', 'lining', HOUSE, { pinnedStart: '2027-04-05', trade: 'liner' });

  test('is what is covered first, then what saves most for each minute, then as the house is walked', () => {
    const works = [fill, set, lining];
    const list = mends({
      verdicts: [...rims, tub],
      added: [leak({ id: mendId(HOUSE, 'r1'), verdict: 'r1', minutes: 1 })],
      works,
    });
    expect(list[0]?.checkpoint).toBe('tub-wall-filled-and-closed@feature/tub');
    expect(list[0]?.cover).toEqual({ work: set, start: '2027-03-15' });
    const starts = list.map(({ cover }) => cover?.start ?? '9999');
    expect(starts).toEqual([...starts].sort());
    // Of those that are covered together the quickest, then as they are walked.
    expect(list.slice(1).map(({ record }) => record.verdict)).toEqual(['r1', 'r0', 'r2']);
  });

  test('without a calendar is by what they save, those that are covered never last', () => {
    const list = mends({
      verdicts: [tub],
      penetrations: [samplePenetration({ item: 'wall/g1', stop: 'wall/g1', what: 'drainCutout', gapMm: 40 })],
    });
    expect(list.map(({ from }) => from)).toEqual(['penetration', 'verdict']);
    expect(list.every(({ cover, isUnvisited }) => cover === null && !isUnvisited)).toBe(true);
  });

  test('each names the last visit of its trade before the cover; a trade without one is a conflict', () => {
    const [rim] = rims;
    if (rim === undefined) throw new Error('no rim');
    const { trade } = mends({ verdicts: [rim] })[0] ?? {};
    const visits = [
      sampleWork('early', 'goodsOnSite', HOUSE, { pinnedStart: '2027-03-09', trade }),
      sampleWork('later', 'services', HOUSE, { pinnedStart: '2027-03-17', trade }),
      sampleWork('after', 'fixtureTrim', HOUSE, { pinnedStart: '2027-05-10', trade }),
    ];
    expect(mends({ verdicts: [rim], works: [fill, lining, ...visits] })[0]).toMatchObject({
      visit: { id: 'later' },
      isUnvisited: false,
    });
    expect(mends({ verdicts: [rim], works: [fill, lining] })[0]).toMatchObject({
      visit: null,
      isUnvisited: true,
    });
    // Who has been there comes no more.
    const done = visits.map((work) => ({ ...work, begunOn: work.pinnedStart, doneOn: work.pinnedStart }));
    expect(mends({ verdicts: [rim], works: [fill, lining, ...done.slice(0, 2)] })[0]?.isUnvisited).toBe(true);
  });
});

const rounded = ({ low, likely, high }: LeakRange): readonly number[] =>
  [low, likely, high].map((flow) => Number(flow.toFixed(3)));

describe('what holes let through, low, likely and high', () => {
  test('follows from length and width, and from how they are closed', () => {
    // 330 mm round a box, 3 mm wide: 9.9 cm², 19.8 m³/h where all of it is open.
    expect(rounded(leakOfGap(330, 3))).toEqual([3.96, 9.9, 19.8]);
    const box = samplePenetration({ what: 'box', gapMm: 3, count: 2 });
    expect(rounded(leakOfHoles(box, 'wrong'))).toEqual([7.92, 19.8, 39.6]);
    expect(rounded(leakOfHoles(box, 'doubtful'))).toEqual([0.792, 5.94, 23.76]);
    expect(leakOfHoles(box, 'fits')).toMatchObject({ low: 0 });
    expect(leakOfHoles(samplePenetration({ gapMm: null }), 'wrong')).toEqual(leakOfGap(30, 6));
  });

  test('is somebody’s own figure where there is one, and never below nothing', () => {
    expect(leakOfHoles(samplePenetration({ leakM3H: 2.5, count: 4 }), 'fits')).toEqual({
      low: 10,
      likely: 10,
      high: 10,
    });
    expect(leakOfHoles(samplePenetration({ gapMm: 0 }), 'wrong')).toEqual({ low: 0, likely: 0, high: 0 });
    expect(sumOf([CLASS_LEAKS['small'], CLASS_LEAKS['large']])).toEqual({ low: 26, likely: 73, high: 208 });
    expect(sumOf([])).toEqual({ low: 0, likely: 0, high: 0 });
  });
});
