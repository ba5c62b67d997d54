import type { CalendarInput } from '../calendar/calendar-input';
import type { HoldPoints, HoldState } from '../calendar/hold-points';
import { found, type Step } from './step';

const COUNTED: Readonly<Record<HoldState, string>> = {
  seen: 'Seen before they were covered',
  coveredUnseen: 'Covered, and nobody saw them',
  open: 'Never covered',
  undated: 'Without a day, since the work that covers them has none',
  late: 'Whose last workday before the work has passed',
  due: 'Due, by the last workday before the work begins',
};

/** How hold points come about: works get their days behind those that they follow, and each thing the day before its work. */
export function explainHoldPoints({ works, items }: CalendarInput, output: HoldPoints): readonly Step[] {
  const dated = output.works.filter(({ start }) => start !== null).length;
  const standIns = output.items.filter(({ standIn }) => standIn).length;
  const states = (Object.keys(COUNTED) as HoldState[]).flatMap((state) => {
    const count = output.items.filter((item) => item.state === state).length;
    return count === 0 ? [] : [found(COUNTED[state], count)];
  });
  return [
    found('Works: begun, else set, else the workday after the last that they follow', works.length),
    found('Of them with a day', dated),
    found('Things to look at, each with the work on the narrowest part that holds it', items.length),
    found('Of them where a later work stands in', standIns),
    ...states,
  ];
}
