import fc from 'fast-check';
import { compute } from '../operations';
import { Refusal } from '../refusal';
import type { CalendarInput, HoldItem, PlannedWork, WorkKind } from './calendar-input';
import { WORK_KINDS } from './calendar-input';
import { holdPoints } from './hold-points';
import { dayNumber, dayText } from './day-number';
import { Workdays } from './workdays';

const MONDAY = '2027-03-01';
const house = [['house']] as const;
const work = (id: string, more: Partial<PlannedWork> = {}): PlannedWork => ({
  id,
  kind: 'lining',
  days: 1,
  scopes: house,
  ...more,
});
const item = (coverEvent: HoldItem['coverEvent'], more: Partial<HoldItem> = {}): HoldItem => ({
  id: 'item',
  coverEvent,
  path: ['house', 'ground', 'wall'],
  ...more,
});
const calendar = (works: readonly PlannedWork[], more: Partial<CalendarInput> = {}): CalendarInput => ({
  today: MONDAY,
  works,
  items: [item('lining')],
  ...more,
});
const onlyItem = (input: CalendarInput) => holdPoints(input).items[0];
const rulesOf = (input: CalendarInput) => holdPoints(input).findings.map(({ rule }) => rule);
const refusalOf = (input: unknown) => {
  try {
    compute('calendar.holdPoints', input);
  } catch (error) {
    if (error instanceof Refusal) return `${error.code} ${error.field}`;
    throw error;
  }
  return 'none';
};

const anyDay = fc.integer({ min: dayNumber('1995-01-01'), max: dayNumber('2060-12-31') }).map(dayText);
/** Works that each follow some of those before them. */
const anyWorks = fc
  .array(
    fc.record({
      kind: fc.constantFrom(...WORK_KINDS),
      days: fc.integer({ min: 1, max: 12 }),
      lagDays: fc.integer({ min: 0, max: 4 }),
      follows: fc.array(fc.nat(20), { maxLength: 3 }),
      pinned: fc.option(anyDay, { freq: 5 }),
    }),
    { minLength: 1, maxLength: 12 },
  )
  .map((all) =>
    all.map(({ kind, days, lagDays, follows, pinned }, i) =>
      work(`w${i}`, {
        kind,
        days,
        after: i === 0 ? [] : [...new Set(follows.map((n) => n % i))].map((n) => ({ id: `w${n}`, lagDays })),
        ...(pinned === null && i > 0 ? {} : { pinnedStart: pinned ?? MONDAY }),
      }),
    ),
  );
const anyWeek = fc.uniqueArray(fc.integer({ min: 1, max: 7 }), { minLength: 1, maxLength: 7 });

describe('workdays', () => {
  test('are counted as one counts them on a calendar', () => {
    fc.assert(
      fc.property(
        anyWeek,
        fc.array(anyDay, { maxLength: 30 }),
        anyDay,
        fc.nat(400),
        (week, closed, day, ahead) => {
          const workdays = new Workdays(week, [...closed, ...closed]);
          const from = dayNumber(day);
          let count = 0;
          for (let at = from + 1; at <= from + ahead; at++) if (workdays.has(at)) count++;
          expect(workdays.between(from, from + ahead)).toBe(count);
        },
      ),
    );
  });

  test('so many on and as many back lead to the workday before, or the same', () => {
    const closedAhead = fc.array(fc.nat(120), { maxLength: 60 });
    fc.assert(
      fc.property(
        anyWeek,
        closedAhead,
        anyDay,
        fc.integer({ min: 1, max: 80 }),
        (week, closed, day, count) => {
          const start = dayNumber(day);
          const workdays = new Workdays(
            week,
            closed.map((ahead) => dayText(start + ahead)),
          );
          const there = workdays.from(start, count);
          expect(workdays.has(there)).toBe(true);
          expect(workdays.between(start, there)).toBe(count);
          const back = workdays.from(there, -count);
          expect(back).toBe(workdays.has(start) ? start : workdays.from(start, -1));
        },
      ),
    );
  });
});

test('a work that follows others starts on a workday behind all of them, and what it covers is seen before', () => {
  fc.assert(
    fc.property(anyWorks, anyWeek, (works, workdays) => {
      const days = new Workdays(workdays);
      const { works: found, items } = holdPoints(calendar(works, { workdays }));
      const dayOf = (id: string) => found.find((each) => each.id === id);
      works.forEach(({ id, after = [], pinnedStart }) => {
        const { start, end } = dayOf(id) ?? {};
        if (pinnedStart !== undefined || start == null) return;
        expect(days.has(dayNumber(start))).toBe(true);
        for (const before of after) expect(start > (dayOf(before.id)?.end ?? '9')).toBe(true);
        expect(end === undefined || end === null ? false : end >= start).toBe(true);
      });
      for (const { work: by, seeBy } of items)
        if (by !== null && seeBy !== null) expect(seeBy < (dayOf(by)?.start ?? '')).toBe(true);
    }),
  );
});

test('a calendar that is moved by whole weeks moves every start, end and last look by as many', () => {
  fc.assert(
    fc.property(anyWorks, anyWeek, fc.integer({ min: 1, max: 100 }), (works, workdays, weeks) => {
      const later = (day: string) => dayText(dayNumber(day) + 7 * weeks);
      const moved = works.map(({ pinnedStart, ...rest }) =>
        pinnedStart === undefined ? rest : { ...rest, pinnedStart: later(pinnedStart) },
      );
      const before = holdPoints(calendar(works, { workdays }));
      const after = holdPoints(calendar(moved, { workdays, today: later(MONDAY) }));
      const shifted = (day: string | null) => (day === null ? null : later(day));
      expect(after.works).toEqual(
        before.works.map((each) => ({ ...each, start: shifted(each.start), end: shifted(each.end) })),
      );
      expect(after.items).toEqual(before.items.map((each) => ({ ...each, seeBy: shifted(each.seeBy) })));
      expect(after.findings.map(({ rule, work: id }) => [rule, id])).toEqual(
        before.findings.map(({ rule, work: id }) => [rule, id]),
      );
    }),
  );
});

describe('a thing to look at', () => {
  const late = calendar([work('lining', { pinnedStart: '2027-02-10' })]);

  test('is not covered by a day that passes, only by somebody who says that the work began', () => {
    expect(onlyItem(late)).toMatchObject({ state: 'late', seeBy: '2027-02-09' });
    expect(rulesOf(late)).toEqual(['has-it-begun']);
    const begun = calendar([work('lining', { pinnedStart: '2027-02-10', begunOn: '2027-02-10' })]);
    expect(onlyItem(begun)).toMatchObject({ state: 'coveredUnseen', workdaysLeft: null });
    expect(rulesOf(begun)).toEqual([]);
  });

  test('counts as seen on the day on which the work begins, and no more after it', () => {
    const seen = (seenOn: string) =>
      onlyItem(calendar([work('lining', { begunOn: '2027-02-10' })], { items: [item('lining', { seenOn })] }))
        ?.state;
    expect([seen('2027-02-09'), seen('2027-02-10'), seen('2027-02-11')]).toEqual([
      'seen',
      'seen',
      'coveredUnseen',
    ]);
  });

  test('is due today where its work begins tomorrow, and in the afternoon of the day itself', () => {
    const begins = (pinnedStart: string, half?: 'afternoon') =>
      onlyItem(calendar([work('lining', { pinnedStart, half })]));
    expect(begins('2027-03-02')).toMatchObject({ seeBy: MONDAY, state: 'due', workdaysLeft: 0 });
    expect(begins('2027-03-02', 'afternoon')).toMatchObject({ seeBy: '2027-03-02', workdaysLeft: 1 });
    // On a Sunday nobody is there to look.
    expect(begins('2027-03-07', 'afternoon')).toMatchObject({ seeBy: '2027-03-05' });
  });

  test('has no day where its work has none, and none ever covers what stays open', () => {
    expect(onlyItem(calendar([work('lining')]))).toMatchObject({ state: 'undated', work: 'lining' });
    expect(onlyItem(calendar([]))).toMatchObject({ state: 'undated', work: null });
    expect(onlyItem(calendar([work('lining')], { items: [item('none')] }))).toMatchObject({
      state: 'open',
      work: null,
    });
  });

  test('is covered by the work on the narrowest part that holds it, else by the first on a part of it', () => {
    const works = [
      work('all', { pinnedStart: '2027-03-08' }),
      work('storey', {
        pinnedStart: '2027-03-22',
        scopes: [
          ['house', 'ground'],
          ['house', 'upper'],
        ],
      }),
      work('other wall', { pinnedStart: '2027-03-03', scopes: [['house', 'ground', 'other']] }),
    ];
    expect(onlyItem(calendar(works))?.work).toBe('storey');
    const whole = { items: [item('lining', { path: ['house'] })] };
    expect(onlyItem(calendar(works, whole))?.work).toBe('all');
    expect(onlyItem(calendar(works.slice(1), whole))?.work).toBe('other wall');
  });

  test.each([
    ['netting', 'insulation'],
    ['sheathingOn', 'wallStood'],
    ['trussesSet', 'roofDeckOver'],
    ['outsideInsulation', 'cladding'],
    ['ceilingLining', 'lining'],
    ['partitionClosed', 'lining'],
    ['partitionStood', 'lining'],
    ['tubSet', 'lining'],
    ['fireplaceSet', 'lining'],
    ['stairSet', 'lining'],
  ] as const)('before %s is dated by %s, at the latest, until its own work is planned', (own, other) => {
    const later = work('later', { kind: other, pinnedStart: '2027-03-15' });
    const items = [item(own)];
    expect(onlyItem(calendar([later], { items }))).toMatchObject({ work: 'later', standIn: true });
    const both = [later, work('own', { kind: own, pinnedStart: '2027-03-10' })];
    expect(onlyItem(calendar(both, { items }))).toMatchObject({ work: 'own', standIn: false });
  });
});

describe('conflicts', () => {
  const pair = (
    first: WorkKind,
    second: WorkKind,
    secondStart: string,
    scopes = house as PlannedWork['scopes'],
  ) =>
    calendar([
      work('first', { kind: first, days: 3, pinnedStart: '2027-03-08' }),
      work('second', { kind: second, pinnedStart: secondStart, scopes }),
    ]);

  test.each([
    ['goodsOnSite', 'wallStood'],
    ['wallStood', 'trussesSet'],
    ['trussesSet', 'roofDeckOver'],
    ['coat', 'partitionStood'],
    ['foamFirst', 'services'],
    ['foamFirst', 'insulation'],
    ['bareTest', 'services'],
    ['services', 'insulation'],
    ['services', 'servicesTest'],
    ['netting', 'insulation'],
    ['outsideInsulation', 'cladding'],
    ['insulation', 'lining'],
    ['membrane', 'lining'],
    ['servicesTest', 'lining'],
    ['servicesTest', 'ceilingLining'],
    ['lining', 'fixtureTrim'],
    ['fixtureTrim', 'finishedTest'],
  ] as const)('%s has to be done before %s begins, where both are on one part', (first, second) => {
    expect(holdPoints(pair(first, second, '2027-03-10')).findings).toMatchObject([
      { rule: 'order', work: 'second', needs: 'first' },
    ]);
    expect(rulesOf(pair(first, second, '2027-03-11'))).toEqual([]);
  });

  test('works on parts that do not lie in each other are in no order', () => {
    const works = [
      work('first', { kind: 'insulation', pinnedStart: '2027-03-08', scopes: [['house', 'upper']] }),
      work('second', { pinnedStart: '2027-03-08', scopes: [['house', 'ground']] }),
    ];
    expect(rulesOf(calendar(works))).toEqual([]);
  });

  test('a work that is set before what it follows is done, or on a day without work, says so', () => {
    const works = [
      work('first', { kind: 'coat', days: 5, pinnedStart: '2027-03-08' }),
      work('second', { kind: 'cladding', pinnedStart: '2027-03-13', after: [{ id: 'first' }] }),
    ];
    expect(holdPoints(calendar(works)).findings).toMatchObject([
      {
        rule: 'before-predecessor',
        day: '2027-03-15',
        message: expect.stringMatching(/2027-03-15 or later/),
      },
      { rule: 'not-a-working-day', day: '2027-03-15', message: expect.stringMatching(/make that day a day/) },
    ]);
  });
});

test.each([
  ['duplicate-id works[1].id', calendar([work('a'), work('a')])],
  ['unknown-reference works[0].after[0].id', calendar([work('a', { after: [{ id: 'b' }] })])],
  ['circular works[0].after[0]', calendar([work('a', { after: [{ id: 'a' }] })])],
  [
    'circular works[2].after[0]',
    calendar([
      work('a', { after: [{ id: 'b' }] }),
      work('b', { after: [{ id: 'c' }] }),
      work('c', { after: [{ id: 'a' }] }),
    ]),
  ],
  ['out-of-order works[0].doneOn', calendar([work('a', { begunOn: '2027-03-05', doneOn: '2027-03-04' })])],
  [
    'out-of-order works[0].doneOn',
    calendar([work('a', { pinnedStart: '2027-03-05', doneOn: '2027-03-04' })]),
  ],
  ['out-of-range today', { ...calendar([]), today: '2027-02-30' }],
  ['out-of-range items[0].seenOn', calendar([], { items: [item('lining', { seenOn: '2027-04-31' })] })],
  ['out-of-range works[0].days', calendar([work('a', { days: 0 })])],
  ['out-of-range works[0].days', calendar([work('a', { days: 30, pinnedStart: '9999-12-20' })])],
  ['not-a-whole-number works[0].days', calendar([work('a', { days: 1.5 })])],
  [
    'out-of-range works[1].after[0].lagDays',
    calendar([work('a'), work('b', { after: [{ id: 'a', lagDays: -1 }] })]),
  ],
  ['list-length works[0].scopes', calendar([work('a', { scopes: [] })])],
  ['list-length workdays', { ...calendar([]), workdays: [] }],
])('%s', (refusal, input) => {
  expect(refusalOf(input)).toBe(refusal);
});
