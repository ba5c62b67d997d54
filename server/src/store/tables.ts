import type { AirtightnessTestBody, AreaBody, HouseBody, Kind, PhotoBody } from '@calvet/contract';
import {
  bigint,
  char,
  datetime,
  double,
  index,
  int,
  json,
  mysqlTable,
  primaryKey,
  smallint,
  varchar,
} from 'drizzle-orm/mysql-core';

/** Columns that every kind of record has. */
const recordColumns = {
  id: char('id', { length: 36 }).primaryKey(),
  houseId: char('house_id', { length: 36 }).notNull(),
  revision: int('revision').notNull(),
  /** Number of the change, within the house, that brought the record to this state. */
  changeNumber: bigint('change_number', { mode: 'number' }).notNull(),
  updatedAt: datetime('updated_at', { mode: 'date', fsp: 3 }).notNull(),
  updatedBy: varchar('updated_by', { length: 120 }).notNull(),
  deletedAt: datetime('deleted_at', { mode: 'date', fsp: 3 }),
};

export const houseTable = mysqlTable(
  'house',
  {
    ...recordColumns,
    name: varchar('name', { length: 120 }).notNull(),
    place: varchar('place', { length: 120 }).notNull(),
    builder: varchar('builder', { length: 120 }).notNull(),
    volumeM3: double('volume_m3').notNull(),
    floorAreaM2: double('floor_area_m2').notNull(),
    envelopeAreaM2: double('envelope_area_m2').notNull(),
    heightM: double('height_m').notNull(),
    storeys: smallint('storeys').notNull(),
    bedrooms: smallint('bedrooms').notNull(),
    target: json('target').$type<HouseBody['target']>().notNull(),
    referenceMethod: varchar('reference_method', { length: 20 })
      .$type<HouseBody['referenceMethod']>()
      .notNull(),
    assemblyMethod: varchar('assembly_method', { length: 20 }).$type<HouseBody['assemblyMethod']>().notNull(),
    filmConvention: varchar('film_convention', { length: 20 }).$type<HouseBody['filmConvention']>().notNull(),
    gradeSchool: varchar('grade_school', { length: 20 }).$type<HouseBody['gradeSchool']>().notNull(),
  },
  (table) => [index('house_changes').on(table.houseId, table.changeNumber)],
);

export const areaTable = mysqlTable(
  'area',
  {
    ...recordColumns,
    name: varchar('name', { length: 120 }).notNull(),
    kind: varchar('kind', { length: 20 }).$type<AreaBody['kind']>().notNull(),
    areaM2: double('area_m2'),
    buildUp: json('build_up').$type<AreaBody['buildUp']>().notNull(),
    grade: varchar('grade', { length: 3 }).$type<AreaBody['grade']>(),
    voidFraction: double('void_fraction'),
  },
  (table) => [index('area_changes').on(table.houseId, table.changeNumber)],
);

export const airtightnessTestTable = mysqlTable(
  'airtightness_test',
  {
    ...recordColumns,
    stage: varchar('stage', { length: 20 }).$type<AirtightnessTestBody['stage']>().notNull(),
    performedOn: char('performed_on', { length: 10 }).notNull(),
    indoorTemperatureC: double('indoor_temperature_c'),
    outdoorTemperatureC: double('outdoor_temperature_c'),
    altitudeM: double('altitude_m'),
    airPressurePa: double('air_pressure_pa'),
    windMs: double('wind_ms'),
    fanRanges: json('fan_ranges').$type<AirtightnessTestBody['fanRanges']>().notNull(),
    depressurise: json('depressurise').$type<AirtightnessTestBody['depressurise']>(),
    pressurise: json('pressurise').$type<AirtightnessTestBody['pressurise']>(),
    note: varchar('note', { length: 2000 }).notNull(),
  },
  (table) => [index('airtightness_test_changes').on(table.houseId, table.changeNumber)],
);

export const photoTable = mysqlTable(
  'photo',
  {
    ...recordColumns,
    sha256: char('sha256', { length: 64 }).notNull(),
    widthPx: smallint('width_px').notNull(),
    heightPx: smallint('height_px').notNull(),
    bytes: int('bytes').notNull(),
    takenAt: varchar('taken_at', { length: 30 }),
    subject: json('subject').$type<PhotoBody['subject']>().notNull(),
    caption: varchar('caption', { length: 500 }).notNull(),
    marks: json('marks').$type<PhotoBody['marks']>().notNull(),
    beforeId: char('before_id', { length: 36 }),
  },
  (table) => [index('photo_changes').on(table.houseId, table.changeNumber)],
);

/** Table of each kind of record. */
export const recordTables = {
  house: houseTable,
  area: areaTable,
  airtightnessTest: airtightnessTestTable,
  photo: photoTable,
} as const satisfies Readonly<Record<Kind, unknown>>;

/** One row a house: the number of its last change. Whoever writes to the house locks this row. */
export const houseCounterTable = mysqlTable('house_counter', {
  houseId: char('house_id', { length: 36 }).primaryKey(),
  lastChange: bigint('last_change', { mode: 'number' }).notNull(),
});

/** Every accepted change, in order: what makes sending twice harmless, and each record's history. */
export const houseChangeTable = mysqlTable(
  'house_change',
  {
    houseId: char('house_id', { length: 36 }).notNull(),
    changeId: char('change_id', { length: 36 }).notNull(),
    changeNumber: bigint('change_number', { mode: 'number' }).notNull(),
    kind: varchar('kind', { length: 40 }).notNull(),
    recordId: char('record_id', { length: 36 }).notNull(),
    op: varchar('op', { length: 10 }).notNull(),
    revision: int('revision').notNull(),
    body: json('body').notNull(),
    parts: json('parts'),
    /** By the person, as far as the device said; null in changes of the first versions. */
    enteredAt: datetime('entered_at', { mode: 'date', fsp: 3 }),
    /** Arrived at the server. */
    changedAt: datetime('changed_at', { mode: 'date', fsp: 3 }).notNull(),
    changedBy: varchar('changed_by', { length: 120 }).notNull(),
    /** Which device sent it; empty where it does not say. */
    device: varchar('device', { length: 36 }).notNull().default(''),
  },
  (table) => [
    primaryKey({ columns: [table.houseId, table.changeId] }),
    index('house_change_number').on(table.houseId, table.changeNumber),
    index('house_change_record').on(table.recordId),
  ],
);
