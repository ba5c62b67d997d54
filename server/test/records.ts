import {
  NEW_PRACTICE,
  PRACTICE_ID,
  type AirtightnessTestBody,
  type Change,
  type HouseBody,
  type PhotoBody,
  type PracticeBody,
} from '@calvet/contract';
import { v7 } from 'uuid';
import { sampleArea } from '../../contract/test/sample-area';
import { sampleHouse } from '../../contract/test/sample-house';

export const houseBody = sampleHouse;

export const areaBody = sampleArea;

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

/** The change that creates the practice. */
export const createPractice = (body: PracticeBody = NEW_PRACTICE): Change =>
  change({ kind: 'practice', id: PRACTICE_ID, body });

/** A photo of a record. */
export const photoOf = (kind: string, id: string): PhotoBody => ({
  sha256: 'ab'.repeat(32),
  widthPx: 1600,
  heightPx: 1200,
  bytes: 1000,
  takenAt: null,
  subject: { kind, id } as PhotoBody['subject'],
  caption: '',
  marks: [],
  beforeId: null,
});
