import {
  CLOSED_DAYS_MAX,
  HOLD_ITEMS_MAX,
  WORK_DAYS_MAX,
  WORK_LAG_MAX,
  WORK_SCOPES_MAX,
  WORKS_MAX,
} from '../limits';
import { as, calendarDay, fields, list, number, option, optional, text } from '../schema';

/** Works of a house, of which each covers something, or has to come before or after others. */
export const WORK_KINDS = [
  'goodsOnSite',
  'slabPoured',
  'backfill',
  'wallStood',
  'sheathingOn',
  'trussesSet',
  'roofDeckOver',
  'coat',
  'partitionStood',
  'partitionClosed',
  'tubSet',
  'fireplaceSet',
  'stairSet',
  'bareTest',
  'foamFirst',
  'services',
  'netting',
  'insulation',
  'membrane',
  'outsideInsulation',
  'cladding',
  'servicesTest',
  'ceilingLining',
  'lining',
  'fixtureTrim',
  'finishedTest',
  'battens',
  'openings',
  'lifting',
  'connecting',
] as const;

export type WorkKind = (typeof WORK_KINDS)[number];

/** The house, a storey in it, a wall or roof of that, a stretch or feature of this. */
export type HousePath = readonly string[];

/** A work, and when it is done. Days are written YYYY-MM-DD. */
export interface PlannedWork {
  readonly id: string;
  readonly kind: WorkKind;
  /** Workdays that it takes. */
  readonly days: number;
  /** What of the house it is on. */
  readonly scopes: readonly HousePath[];
  /** Works that it follows, and so many workdays between. */
  readonly after?: readonly { readonly id: string; readonly lagDays?: number }[];
  readonly pinnedStart?: string;
  readonly begunOn?: string;
  readonly doneOn?: string;
  /** The part of its first day on which it begins. */
  readonly half?: 'morning' | 'afternoon';
}

/** Something that has to be looked at before a work covers it. */
export interface HoldItem {
  readonly id: string;
  readonly coverEvent: WorkKind | 'none';
  readonly path: HousePath;
  readonly seenOn?: string;
}

export interface CalendarInput {
  readonly today: string;
  /** 1 for Monday to 7 for Sunday. */
  readonly workdays?: readonly number[];
  readonly closedDays?: readonly string[];
  readonly works: readonly PlannedWork[];
  readonly items: readonly HoldItem[];
}

const path = () => list(text(), 1, 4);

const work = fields<PlannedWork>({
  id: text(),
  kind: option(...WORK_KINDS),
  days: as('Workdays', number({ quantity: 'count', min: 1, max: WORK_DAYS_MAX, whole: true })),
  scopes: as('What it is on', list(path(), 1, WORK_SCOPES_MAX), 'part of the house'),
  after: as(
    'Follows',
    optional(
      list(
        fields<NonNullable<PlannedWork['after']>[number]>({
          id: text(),
          lagDays: as(
            'Workdays between',
            optional(number({ quantity: 'count', min: 0, max: WORK_LAG_MAX, whole: true })),
          ),
        }),
        0,
        WORKS_MAX,
      ),
    ),
    'work',
  ),
  pinnedStart: optional(calendarDay()),
  begunOn: optional(calendarDay()),
  doneOn: optional(calendarDay()),
  half: as('Half of its first day', optional(option('morning', 'afternoon'))),
});

const item = fields<HoldItem>({
  id: text(),
  coverEvent: as('Covered by', { ...option(...WORK_KINDS, 'none'), words: { none: 'Nothing' } }),
  path: as('Where', path(), 'part of the house'),
  seenOn: optional(calendarDay()),
});

/** Schema of what hold points are found from. */
export const calendarSchema = fields<CalendarInput>({
  today: calendarDay(),
  workdays: as(
    'Days of the week with work',
    optional(list(number({ quantity: 'plain', min: 1, max: 7, whole: true }), 1, 7)),
  ),
  closedDays: optional(list(calendarDay(), 0, CLOSED_DAYS_MAX)),
  works: list(work, 0, WORKS_MAX),
  items: list(item, 0, HOLD_ITEMS_MAX),
});
