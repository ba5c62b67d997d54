import type { AirtightnessTestBody, AreaBody, Change, HouseBody } from '@calvet/contract';
import { BUILD_UP_LIBRARY, buildUpOf } from '@calvet/contract';
import { v7 } from 'uuid';
import { sampleHouse } from '../../contract/test/sample-house';

export const houseBody = sampleHouse;

const [wall] = BUILD_UP_LIBRARY;
if (wall === undefined) throw new Error('The library is empty.');

export const areaBody: AreaBody = {
  name: 'Wall',
  kind: 'wall',
  areaM2: 80,
  buildUp: buildUpOf(wall),
  grade: null,
  voidFraction: null,
};

export const testBody: AirtightnessTestBody = {
  stage: 'finished',
  performedOn: '2026-10-01',
  indoorTemperatureC: 20,
  outdoorTemperatureC: 5,
  altitudeM: null,
  airPressurePa: null,
  windMs: null,
  fanRanges: [],
  depressurise: {
    baselineBeforePa: [{ id: v7(), pressurePa: -1 }],
    baselineAfterPa: [{ id: v7(), pressurePa: -1.2 }],
    readings: [
      {
        id: v7(),
        pressurePa: -50,
        flowM3h: 400,
        fanPressurePa: null,
        fanRange: null,
        struckOut: 'A door was open',
      },
    ],
  },
  pressurise: null,
  note: 'Ünïcode – 測試 ✓ why? ?? :x \\ \' " ; -- %s \n ${y} `z`',
};

/** A change with ids of its own where none are given. */
export function change(part: Partial<Change>): Change {
  return {
    changeId: v7(),
    kind: 'area',
    id: v7(),
    baseRevision: 0,
    op: 'create',
    body: part.op === undefined || part.op === 'create' ? areaBody : {},
    ...part,
  };
}

/** The change that creates a house. */
export function createHouse(houseId: string, body: HouseBody = houseBody): Change {
  return change({ kind: 'house', id: houseId, body });
}
