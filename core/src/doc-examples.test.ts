import { join } from 'node:path';
import { docExamples, troubleWith, withoutExample } from '../test/doc-examples';
import * as core from '.';
import { multiPoint } from './airtightness/multi-point';
import { schedule } from './calendar/schedule';
import { Workdays } from './calendar/workdays';
import { examples } from './examples';
import { PlanIds } from './plan/check-ids';
import { measurePlan } from './plan/measure-plan';
import { outlineOf } from './plan/outline';
import { layStoreys } from './plan/storeys';

/** What others are given that an example begins with. */
const parts = { Workdays, schedule, multiPoint, PlanIds, measurePlan, outlineOf, layStoreys };

const found = docExamples(__dirname);

/**
 * Words of schemas are examples of themselves, every step is computed again in a test of its own, a batch needs threads, and
 * what is drawn is looked at.
 */
const isFigured = (file: string) =>
  !file.startsWith('steps/') && !file.startsWith('drawing/') && file !== 'schema.ts' && file !== 'batch.ts';

test('every function that others may use has an example', () => {
  expect(withoutExample(__dirname, isFigured)).toEqual([]);
  expect(found.length).toBeGreaterThan(100);
});

test.each(found.map((each) => [each.code, each] as const))(
  '%s gives what its comment says',
  (_code, example) => {
    // eslint-disable-next-line @typescript-eslint/no-require-imports
    const own = require(join(__dirname, example.file)) as Readonly<Record<string, unknown>>;
    expect(troubleWith(example, { ...core, ...parts, examples, ...own })).toBeNull();
  },
);
