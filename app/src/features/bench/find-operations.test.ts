import { operationNames, type OperationName } from '@calvet/core/operations';
import { SHELVES, wordsOf } from './catalogue';
import { shelvesFor } from './find-operations';

const namesFor = (wanted: string): readonly OperationName[] =>
  shelvesFor(wanted).flatMap(({ names }) => names);

test.each<[string, OperationName]>([
  ['blower door', 'airtightness.multiPoint'],
  ['Blower-Door', 'airtightness.singlePoint'],
  ['blowerdoor', 'airtightness.yorkRegression'],
  ['ACH50', 'airtightness.multiPoint'],
  ['ach 50', 'airtightness.budget'],
  ['cfm50', 'airtightness.singlePoint'],
  ['R-value', 'thermal.assembly'],
  ['r value', 'insulation.coverage'],
  ['rvalue', 'thermal.requirements'],
  ['U-value', 'thermal.assembly'],
  ['cellulose', 'insulation.bags'],
  ['CELLULOSE blown', 'insulation.coverage'],
  ['mould', 'moisture.monthly'],
  ['mold', 'air.dewPoint'],
  ['spray foam', 'insulation.depth'],
  ['dense-pack', 'insulation.bags'],
  ['framing factor', 'thermal.studLayout'],
  ['attic', 'airtightness.zone'],
  ['loft', 'insulation.coverage'],
  ['ISO 9972', 'airtightness.multiPoint'],
  ['heat pump', 'thermal.designHeatLoad'],
])('“%s” finds %s', (wanted, name) => {
  expect(namesFor(wanted)).toContain(name);
});

test('words that belong to nothing find nothing, and none at all finds everything', () => {
  expect(namesFor('submarine')).toEqual([]);
  expect(shelvesFor('  ')).toEqual(SHELVES);
});

test('what is asked for narrows: a word that everything goes by would find nothing', () => {
  for (const name of operationNames)
    for (const word of wordsOf(name).alsoCalled.split(', '))
      expect(namesFor(word).length).toBeLessThanOrEqual(14);
});
