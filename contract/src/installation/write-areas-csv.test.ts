import Papa from 'papaparse';
import { sampleArea } from '../../test/sample-area';
import { sampleHouse } from '../../test/sample-house';
import { areaFigures } from './area-figures';
import { writeAreasCsv } from './write-areas-csv';

const read = (text: string) =>
  Papa.parse<Record<string, string>>(text, { header: true, skipEmptyLines: true }).data;

test('each area is a line, with what it is worth and how its work was graded', () => {
  const graded = {
    ...sampleArea,
    name: 'Wall, "north"',
    grade: 'III' as const,
    areaM2: 12.34567,
    item: 'wall/x',
  };
  const [row] = read(writeAreasCsv(sampleHouse, [graded]));
  const figures = areaFigures(sampleHouse, graded);
  if (figures.state !== 'figures') throw new Error(figures.refusal.message);
  expect(row).toMatchObject({
    area: 'Wall, "north"',
    kind: 'wall',
    size_m2: '12.346',
    grade: 'III',
    drawn_as: 'wall/x',
  });
  expect(Number(row?.r_as_built_m2k_w)).toBeCloseTo(figures.built.effectiveRsi, 3);
  expect(Number(row?.r_with_framing_m2k_w)).toBeCloseTo(figures.framed.effectiveRsi, 3);
  expect(figures.built.effectiveRsi).toBeLessThan(figures.framed.effectiveRsi);
});

test('a figure that there is not is empty, and a name is never a formula', () => {
  const [row] = read(writeAreasCsv(sampleHouse, [{ ...sampleArea, name: '=1+2', areaM2: null }]));
  expect(row?.area).toBe("'=1+2");
  expect(row?.size_m2).toBe('');
  expect(row?.grade).toBe('');
});
