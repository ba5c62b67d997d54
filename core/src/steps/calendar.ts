import type { CalendarInput } from '../calendar/calendar-input';
import type { HoldPoints, HoldState } from '../calendar/hold-points';
import { found, step, type Step } from './step';

/** The symbol of each state, and what it counts. */
const COUNTED: Readonly<Record<HoldState, readonly [symbol: string, what: string]>> = {
  seen: ['S', 'seen before they were covered'],
  coveredUnseen: ['C', 'covered, and nobody saw them'],
  open: ['O', 'never covered'],
  undated: ['U', 'without a day, since the work that covers them has none'],
  late: ['L', 'whose last workday before the work has passed'],
  due: ['D', 'due, by the last workday before the work begins'],
};

/** How hold points come about: works get their days behind those that they follow, and each thing the day before its work. */
export function explainHoldPoints({ works, items }: CalendarInput, output: HoldPoints): readonly Step[] {
  const dated = output.works.filter(({ start }) => start !== null).length;
  const standIns = output.items.filter(({ standIn }) => standIn).length;
  const states = (Object.keys(COUNTED) as HoldState[]).map((state) => {
    const [symbol, what] = COUNTED[state];
    return { symbol, what, count: output.items.filter((item) => item.state === state).length };
  });
  return [
    found('Works: begun, else set, else the workday after the last that they follow', works.length),
    found('Of them with a day', dated),
    found('Where a later work stands in for the one that covers a thing', standIns),
    step(
      'Things to look at, each before the work on the narrowest part that holds it',
      `things = ${states.map(({ symbol }) => symbol).join(' + ')}`,
      Object.fromEntries(states.map(({ symbol, count }) => [symbol, count])),
      items.length,
      '',
      Object.fromEntries(states.map(({ symbol, what }) => [symbol, what])),
    ),
  ];
}
