import { BUILD_UP_LIBRARY, buildUpOf } from '@calvet/contract/installation/build-up-library';
import { MADE_BY_HAND, PLAIN_AREA, type Area } from '@calvet/contract/installation/area';
import type { AirtightnessTest, TestReading } from '@calvet/contract/airtightness/airtightness-test';
import type { House } from '@calvet/contract/house/house';
import { baseline } from '../../contract/test/baseline';
import { sampleHouse } from '../../contract/test/sample-house';
import type { HouseView } from '../src/data/as-drawn';

const carried = { ledgerId: 'h1', revision: 1, updatedAt: '', updatedBy: '', deletedAt: null };

export function houseWith(more: Partial<House> = {}): House {
  return { ...sampleHouse, ...carried, id: 'h1', target: { quantity: 'n50', limit: 1.5 }, ...more };
}

export function areaWith(more: Partial<Area> = {}): Area {
  const [wall] = BUILD_UP_LIBRARY;
  if (wall === undefined) throw new Error('The library is empty.');
  return {
    ...carried,
    id: 'a1',
    name: 'North wall',
    kind: 'wall',
    areaM2: 50,
    buildUp: buildUpOf(wall),
    grade: null,
    voidFraction: null,
    ...MADE_BY_HAND,
    ...PLAIN_AREA,
    ...more,
  };
}

export function readingWith(
  id: string,
  pressurePa: number | null,
  flowM3h: number | null,
  more: Partial<TestReading> = {},
): TestReading {
  return { id, pressurePa, flowM3h, fanPressurePa: null, fanRange: null, struckOut: null, ...more };
}

/** Six readings that lie on a line, depressurising. */
export function goodReadings(q50M3h = 500): readonly TestReading[] {
  return [12, 20, 30, 40, 50, 60].map((pressure, i) =>
    readingWith(`r${i + 1}`, -pressure, q50M3h * (pressure / 50) ** 0.65),
  );
}

export function testWith(more: Partial<AirtightnessTest> = {}): AirtightnessTest {
  return {
    ...carried,
    id: 't1',
    stage: 'finished',
    performedOn: '2026-10-01',
    indoorTemperatureC: 20,
    outdoorTemperatureC: 20,
    altitudeM: null,
    airPressurePa: null,
    windMs: null,
    fanRanges: [],
    depressurise: { baselineBeforePa: baseline(0), baselineAfterPa: baseline(0), readings: goodReadings() },
    pressurise: null,
    note: '',
    ...more,
  };
}

/** A house as screens see it, in which nothing was drawn. */
export function viewWith(more: Partial<HouseView> = {}): HouseView {
  return {
    house: houseWith(),
    plans: [],
    storeys: [],
    zones: [],
    roofs: [],
    openings: [],
    features: [],
    verdicts: [],
    junctions: [],
    penetrations: [],
    mends: [],
    works: [],
    areas: [],
    thermalBridges: [],
    defects: [],
    tests: [],
    photos: [],
    drawing: { state: 'none' },
    drawn: new Map(),
    ...more,
  };
}
