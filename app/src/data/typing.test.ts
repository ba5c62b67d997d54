import type { AirtightnessTest, TestReading } from '@calvet/contract/airtightness/airtightness-test';
import { readingWith, testWith, viewWith } from '../../test/records';
import { Typing, viewWithTyped, withoutTyped, withTyped } from './typing';

const runOf = (readings: readonly TestReading[]) => ({
  baselineBeforePa: [],
  baselineAfterPa: [],
  readings,
});
const one = readingWith('one', -50, 400);
const before = testWith({ note: 'as kept', depressurise: runOf([one]) });
const pressuresOf = (test: AirtightnessTest) =>
  test.depressurise?.readings.map(({ pressurePa }) => pressurePa);

/** A test with what a colleague has entered meanwhile. */
const another = readingWith('another', -30, 280);
const meanwhile = { ...before, revision: before.revision + 1, depressurise: runOf([one, another]) };

test('what is typed is shown over the record, which stays as it is', () => {
  const typing = new Typing();
  typing.type('airtightnessTest', before, { windMs: 3 });
  const shown = withTyped(before, typing.all());
  expect(shown.windMs).toBe(3);
  expect(withoutTyped(shown)).toBe(before);
  typing.end(before.id);
  expect(withTyped(before, typing.all())).toBe(before);
});

test('typing on goes from the record, not from what was typed: back at the former figure nothing is typed', () => {
  const typing = new Typing();
  typing.type('airtightnessTest', before, { windMs: 3 });
  typing.type('airtightnessTest', withTyped(before, typing.all()), { windMs: 31 });
  expect(withTyped(before, typing.all()).windMs).toBe(31);
  typing.type('airtightnessTest', withTyped(before, typing.all()), { windMs: before.windMs });
  expect(typing.all().size).toBe(0);
});

test('what a colleague enters while somebody types shows, and stays', () => {
  const typing = new Typing();
  typing.type('airtightnessTest', before, { depressurise: runOf([{ ...one, pressurePa: -51 }]) });
  const shown = withTyped(meanwhile, typing.all());
  expect(pressuresOf(shown)).toEqual([-51, -30]);
  typing.type('airtightnessTest', shown, { depressurise: runOf([{ ...one, pressurePa: -512 }, another]) });
  expect(pressuresOf(withTyped(meanwhile, typing.all()))).toEqual([-512, -30]);
});

test('of a house only the records that are typed in are others', () => {
  const typing = new Typing();
  const { drawing, drawn, ...empty } = viewWith();
  const view = { ...empty, tests: [before, testWith({ id: 'other' })] };
  expect(viewWithTyped(view, typing.all())).toBe(view);
  let told = 0;
  typing.subscribe(() => (told += 1));
  typing.type('airtightnessTest', before, { note: 'typed' });
  const shown = viewWithTyped(view, typing.all());
  expect(shown.tests.map(({ note }) => note)).toEqual(['typed', view.tests[1]?.note]);
  expect(shown.tests[1]).toBe(view.tests[1]);
  expect([shown.house, shown.areas]).toEqual([view.house, view.areas]);
  typing.end('of something else');
  expect(told).toBe(1);
});
