import { Workdays } from '@calvet/core/calendar/workdays';
import type { PlanBody } from '../plan/plan';
import { numberOfWeekday } from '../plan/weekdays';

/** The days on which there is work at a house. */
export const workdaysOf = ({ workdays, closedDays }: Pick<PlanBody, 'workdays' | 'closedDays'>): Workdays =>
  new Workdays(workdays.map(numberOfWeekday), closedDays);
