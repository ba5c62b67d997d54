import type { WorkKind } from '@calvet/core/calendar/calendar-input';
import { day, figure, group, id, list, option, orNull, said } from '../kind/field';
import { kindOf } from '../kind/kind';
import { NAME_MAX, WORK_DAYS_MAX, WORK_LAG_MAX, WORK_SCOPES_MAX, WORKS_MAX } from '../limits';
import type { Stored } from '../record';
import { TRADE_WORDS, WORK_WORDS, type Trade } from './work-words';

/** A part of a house that a work is on: the house, a storey, a wall, a roof, a stretch or a feature, by its id. */
export interface WorkScope {
  readonly id: string;
}

/** A work that has to be done before, and how many workdays lie between. */
export interface WorkAfter {
  readonly id: string;
  readonly lagDays: number;
}

/** A work of a house: it hides what was done before it, or has to come before or after others. Days are YYYY-MM-DD. */
export interface WorkBody {
  readonly what: WorkKind;
  /** Null: told by what it is. */
  readonly name: string | null;
  readonly on: readonly WorkScope[];
  /** Workdays that it takes. */
  readonly days: number;
  readonly after: readonly WorkAfter[];
  /** The day on which somebody says that it begins; null: the workday after the last that it follows. */
  readonly pinnedStart: string | null;
  /** The day on which it began; null: it has not. */
  readonly begunOn: string | null;
  readonly doneOn: string | null;
  /** The part of its first day on which it begins; null: nobody has said. */
  readonly half: 'morning' | 'afternoon' | null;
  readonly trade: Trade | null;
}

export type Work = Stored<WorkBody>;

export const HALF_WORDS = { morning: 'Morning', afternoon: 'Afternoon' } as const;

export const work = kindOf<WorkBody>()({
  word: 'Work',
  ledger: 'house',
  list: 'works',
  title: ['name', 'what'],
  order: 'as made',
  page: 'calendar',
  isShown: false,
  fields: {
    what: option('What is done', WORK_WORDS),
    name: said('Name', NAME_MAX),
    on: list<WorkScope>('On', 'A part of the house', group<WorkScope>('', { id: id('') }), {
      key: 'id',
      least: 1,
      most: WORK_SCOPES_MAX,
    }),
    days: figure('Workdays', 'count', { min: 1, max: WORK_DAYS_MAX, whole: true }),
    after: list<WorkAfter>(
      'Follows',
      'A work',
      group<WorkAfter>('', {
        id: id(''),
        lagDays: figure('workdays between', 'count', { min: 0, max: WORK_LAG_MAX, whole: true }),
      }),
      { key: 'id', most: WORKS_MAX },
    ),
    pinnedStart: orNull(day('Begins on')),
    begunOn: orNull(day('Begun on')),
    doneOn: orNull(day('Done on')),
    half: orNull(option('Half of its first day', HALF_WORDS)),
    trade: orNull(option('Who', TRADE_WORDS)),
  },
});

/** What a work is called. */
export const workName = ({ name, what }: Pick<WorkBody, 'name' | 'what'>): string => name ?? WORK_WORDS[what];

/** A work of a kind on all of a house, nothing else said. */
export const newWork = (what: WorkKind, on: string): WorkBody => ({
  what,
  name: null,
  on: [{ id: on }],
  days: 1,
  after: [],
  pinnedStart: null,
  begunOn: null,
  doneOn: null,
  half: null,
  trade: null,
});
