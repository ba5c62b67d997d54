/** What reads and writes calendars in files, as one piece: it is fetched when a file is first meant. */
export {
  CALENDAR_FILE_BYTES_MAX,
  NoCalendarFile,
  readCalendar,
  type CalendarFile,
  type UnknownEvent,
} from '@calvet/contract/calendar/read-calendar';
export { writeCalendar } from '@calvet/contract/calendar/write-calendar';
