import type { CalendarFinding } from '@calvet/core/calendar/hold-points';
import { findingInWords } from './work-words';

const nameOf = (id: string): string => ({ fill: 'Insulated', runs: 'Services run' })[id] ?? 'a work';
const said = (finding: Partial<CalendarFinding> & Pick<CalendarFinding, 'rule'>): string =>
  findingInWords({ severity: 'warn', message: 'Say whether.', work: 'fill', ...finding }, nameOf);

beforeEach(() => void jest.useFakeTimers({ now: new Date('2027-03-01T08:00:00') }));
afterEach(() => void jest.useRealTimers());

test.each<[string, Partial<CalendarFinding> & Pick<CalendarFinding, 'rule'>, string]>([
  [
    'one that has to come first',
    { rule: 'order', needs: 'runs' },
    'Insulated begins before “Services run” is done, which has to come first: move one of them.',
  ],
  [
    'too early',
    { rule: 'before-predecessor', day: '2027-03-15' },
    'Insulated begins before what it follows is done: set it to Mon 15 Mar or later, or move what it follows.',
  ],
  [
    'a day of rest',
    { rule: 'not-a-working-day', day: '2027-03-15' },
    'Insulated is set to a day on which nobody works: set it to Mon 15 Mar, or make that day a day of work.',
  ],
  ['a day that has come', { rule: 'has-it-begun' }, 'Insulated: Say whether.'],
])('%s is told with what to do', (_, finding, text) => expect(said(finding)).toBe(text));
