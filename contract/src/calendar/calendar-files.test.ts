import { FRAMED, plannedOf, sampleWork, tee } from '../../test/sample-plan';
import { walked } from '../../test/sample-walk';
import type { Work } from '../plan/work';
import { calendarHere } from './calendar-here';
import { NoCalendarFile, readCalendar } from './read-calendar';
import { workdaysOf } from './workdays-of';
import { writeCalendar } from './write-calendar';

const { drawing } = tee();
const HOUSE = 'h';
const MADE = new Date('2027-03-01T08:00:00Z');
const plan = {
  ...FRAMED,
  workdays: ['monday', 'tuesday', 'wednesday', 'thursday', 'friday'] as const,
  closedDays: ['2027-03-26'],
};
const workdays = workdaysOf(plan);
const workdaysIn = (first: number, last: number) => workdays.between(first - 1, last);

const fill = sampleWork('fill', 'insulation', HOUSE, { pinnedStart: '2027-03-24', days: 4 });
const lining = sampleWork('lining', 'lining', HOUSE, {
  days: 5,
  after: [{ id: 'fill', lagDays: 1 }],
  name: 'Boards, “ground”; upstairs',
});
const undated = sampleWork('some day', 'cladding', HOUSE);

function dated(works: readonly Work[]) {
  const planned = plannedOf(drawing, { plan, works });
  const found = calendarHere(planned, walked(planned), HOUSE, '2027-03-01', []);
  if (found.state !== 'dated') throw new Error('dated');
  return found;
}
const works = [fill, lining, undated];
const calendar = dated(works);
const text = writeCalendar('Reed House', works, calendar, MADE);
const read = (changed: string) => readCalendar(changed, works, calendar.works, workdaysIn);

test('works with a day are in the file, whole days over weekends and days without work, and so are the days to look', () => {
  const lines = text.split(/\r?\n/);
  expect(lines.filter((line) => line.startsWith('UID:'))).toEqual(
    expect.arrayContaining(['UID:fill', 'UID:lining', 'UID:see-by-fill', 'UID:see-by-lining']),
  );
  expect(text).not.toContain('some day');
  // Wednesday and Thursday, then Friday is closed, Monday and Tuesday; the day after its last is named.
  expect(text).toContain('DTSTART;VALUE=DATE:20270324');
  expect(text).toContain('DTEND;VALUE=DATE:20270331');
  expect(text.replace(/\r?\n[ \t]/g, '')).toMatch(/SUMMARY:Reed House: see \d+ before Insulated/);
});

test('it comes back as it went', () => {
  expect(read(text)).toEqual({ moved: [], unknown: [], same: 2 });
});

test('a work that somebody moved or made longer is told with its new days', () => {
  const moved = text
    .replace('DTSTART;VALUE=DATE:20270324', 'DTSTART;VALUE=DATE:20270322')
    .replace('DTEND;VALUE=DATE:20270331', 'DTEND;VALUE=DATE:20270327');
  expect(read(moved).moved).toEqual([{ work: fill, pinnedStart: '2027-03-22', days: 4 }]);
  expect(read(moved).same).toBe(1);
});

const event = (more: string) =>
  `BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:x\r\nBEGIN:VEVENT\r\n${more}\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n`;

test.each([
  ['whole days', 'DTSTART;VALUE=DATE:20270308\r\nDTEND;VALUE=DATE:20270313', '2027-03-08', 5],
  ['one day, no end', 'DTSTART;VALUE=DATE:20270308', '2027-03-08', 1],
  ['hours of two days', 'DTSTART:20270308T080000\r\nDTEND:20270309T160000', '2027-03-08', 2],
  ['up to midnight', 'DTSTART:20270308T080000\r\nDTEND:20270309T000000', '2027-03-08', 1],
  [
    'another time zone',
    'DTSTART;TZID=Pacific/Auckland:20270308T070000\r\nDTEND;TZID=Pacific/Auckland:20270308T150000',
    '2027-03-08',
    1,
  ],
  ['so many hours', 'DTSTART:20270308T080000Z\r\nDURATION:PT8H', '2027-03-08', 1],
  ['a weekend', 'DTSTART;VALUE=DATE:20270313\r\nDTEND;VALUE=DATE:20270315', '2027-03-13', 1],
])('an event of %s that is none of the works is asked for', (_, days, start, count) => {
  expect(read(event(`UID:other\r\nSUMMARY:Scaffold down\r\n${days}`)).unknown).toEqual([
    { id: 'other', name: 'Scaffold down', start, days: count },
  ]);
});

test.each([
  ['cut off', text.slice(0, -60), /its end is missing/],
  ['something else', 'reading,-25.0,241', /cannot be read/],
  ['empty', '', /no iCalendar/],
  ['a card of a person', 'BEGIN:VCARD\r\nVERSION:3.0\r\nFN:x\r\nEND:VCARD\r\n', /no iCalendar/],
  ['without an event', 'BEGIN:VCALENDAR\r\nVERSION:2.0\r\nEND:VCALENDAR\r\n', /no event/],
  ['an event without a day', event('UID:a\r\nSUMMARY:When'), /no day on which it begins/],
  [
    'of a whole firm',
    `BEGIN:VCALENDAR\r\n${'BEGIN:VEVENT\r\nUID:a\r\nDTSTART;VALUE=DATE:20270308\r\nEND:VEVENT\r\n'.repeat(1001)}END:VCALENDAR\r\n`,
    /1001 events/,
  ],
])('a file that is %s is refused as a whole, with what to do', (_, file, message) => {
  expect(() => read(file)).toThrow(NoCalendarFile);
  expect(() => read(file)).toThrow(message);
});
