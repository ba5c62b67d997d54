import type { CalendarInput } from './calendar-input';

/** A house of one storey, from the sill to the lining; the bath tub stands before its wall is lined. */
export const calendarExample: CalendarInput = {
  today: '2027-03-08',
  closedDays: ['2027-03-26', '2027-03-29'],
  works: [
    { id: 'walls', kind: 'wallStood', days: 3, scopes: [['house']], pinnedStart: '2027-03-15' },
    { id: 'roof', kind: 'roofDeckOver', days: 4, scopes: [['house']], after: [{ id: 'walls' }] },
    { id: 'services', kind: 'services', days: 6, scopes: [['house']], after: [{ id: 'roof' }] },
    {
      id: 'tub',
      kind: 'tubSet',
      days: 1,
      scopes: [['house', 'ground', 'bath wall', 'tub']],
      pinnedStart: '2027-04-01',
      half: 'afternoon',
    },
    { id: 'fill', kind: 'insulation', days: 2, scopes: [['house']], after: [{ id: 'services' }] },
    {
      id: 'lining',
      kind: 'lining',
      days: 8,
      scopes: [['house']],
      after: [{ id: 'fill', lagDays: 1 }],
    },
  ],
  items: [
    { id: 'sill gasket', coverEvent: 'wallStood', path: ['house', 'ground', 'bath wall'] },
    { id: 'sheet behind the tub', coverEvent: 'tubSet', path: ['house', 'ground', 'bath wall', 'tub'] },
    { id: 'boxes', coverEvent: 'insulation', path: ['house', 'ground'] },
    { id: 'net', coverEvent: 'netting', path: ['house', 'ground'] },
  ],
};
