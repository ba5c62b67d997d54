import type { AirtightnessTest } from '@calvet/contract/airtightness/airtightness-test';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import { useState } from 'react';
import { renderInTheme } from '../../../test/in-theme';
import { houseWith, testWith } from '../../../test/records';
import type { Keep } from '../../data/use-keep';
import { CsvTools } from './csv-tools';

let kept: AirtightnessTest;

function Tools({ first }: { readonly first: AirtightnessTest }) {
  const [test, setTest] = useState(first);
  kept = test;
  const keep: Keep<'airtightnessTest'> = (body) =>
    setTest((before) => ({ ...before, ...(typeof body === 'function' ? body(before) : body) }));
  return <CsvTools house={houseWith()} test={test} direction="depressurise" keep={keep} />;
}

/** A file as a browser hands it over; the test environment's own cannot be read as text. */
function fileOf(name: string, text: string | (() => Promise<string>), size = text.length): File {
  const file = new File([], name, { type: 'text/csv' });
  const read = typeof text === 'string' ? () => Promise.resolve(text) : text;
  Object.defineProperties(file, { text: { value: read }, size: { value: size } });
  return file;
}

const choose = (file: File) =>
  fireEvent.change(screen.getByLabelText('CSV file with readings'), { target: { files: [file] } });
const pressures = () => kept.depressurise?.readings.map(({ pressurePa }) => pressurePa);

const press = (name: string) => fireEvent.click(screen.getByRole('button', { name }));

test('columns are shown for what they are taken for, and nothing is brought in before that is confirmed', async () => {
  renderInTheme(<Tools first={testWith()} />);
  choose(fileOf('a.csv', 'Logged by hand\nTime;House pressure (Pa);Flow (CFM)\n9:12;-20;100\n'));
  const sheet = await screen.findByRole('dialog', { name: 'Bring in a.csv' });
  expect([...sheet.querySelectorAll('[role=listitem]')].map(({ textContent }) => textContent)).toEqual([
    'Timeis not read',
    'House pressure (Pa)building pressure, Pa',
    'Flow (CFM)flow, cfm',
  ]);
  expect(sheet.textContent).toContain('stand in line 2');
  expect(sheet.textContent).toContain('6 readings of the same direction are here already.');
  expect(pressures()).toHaveLength(6);
  press('Cancel');
  expect(screen.queryByRole('dialog')).toBeNull();
  expect(pressures()).toHaveLength(6);
});

test('a column of flows that names no unit asks for one', async () => {
  renderInTheme(<Tools first={testWith()} />);
  choose(fileOf('a.csv', 'Pressure,Flow\n-20,100\n'));
  await screen.findByRole('dialog');
  expect(screen.queryByRole('button', { name: 'Replace them' })).toBeNull();
  fireEvent.click(screen.getByRole('radio', { name: 'cfm' }));
  press('Replace them');
  expect(kept.depressurise?.readings[0]?.flowM3h).toBeCloseTo(169.901, 3);
});

test('readings of a file are added to those that were typed, where that is wished', async () => {
  renderInTheme(<Tools first={testWith()} />);
  choose(fileOf('a.csv', 'house_pressure_pa,flow_m3h\n-20,200\n'));
  await screen.findByRole('dialog');
  press('Add to them');
  expect(pressures()).toHaveLength(7);
  await screen.findByText('One line was brought in.');
  fireEvent.click(screen.getByText('Undo'));
  expect(pressures()).toHaveLength(6);
});

test('readings of a file take the place of those of their direction, and can be taken back', async () => {
  renderInTheme(<Tools first={testWith()} />);
  choose(fileOf('a.csv', 'house_pressure_pa,flow_m3h\n-20,200\n-50,400\n'));
  await screen.findByRole('dialog');
  press('Replace them');
  await screen.findByText('2 lines were brought in.');
  expect(pressures()).toEqual([-20, -50]);
  expect(kept.depressurise?.baselineBeforePa.map(({ pressurePa }) => pressurePa)).toEqual([0]);
  fireEvent.click(screen.getByText('Undo'));
  expect(pressures()).toHaveLength(6);
});

test('a file that does not fit changes nothing, and the line is named', async () => {
  renderInTheme(<Tools first={testWith()} />);
  choose(fileOf('b.csv', 'house_pressure_pa,flow_m3h\n-20,200\n-50,many\n'));
  await waitFor(() => expect(screen.getByRole('alert').textContent).toContain('Line 3, flow_m3h'));
  expect(screen.getByRole('alert').textContent).toContain('Nothing can be brought in.');
  expect(screen.queryByRole('button', { name: 'Replace them' })).toBeNull();
  expect(pressures()).toHaveLength(6);
});

test('a figure that could be either is asked about once, for the whole file', async () => {
  renderInTheme(<Tools first={testWith()} />);
  choose(fileOf('e.csv', 'house_pressure_pa;flow_m3h\n-20;1,200\n-50;2,400\n'));
  await waitFor(() => expect(screen.getByRole('alert').textContent).toContain('is “1,200” 1.2 or 1200?'));
  expect(pressures()).toHaveLength(6);
  fireEvent.click(screen.getByRole('radio', { name: '1200' }));
  press('Replace them');
  expect(kept.depressurise?.readings.map(({ flowM3h }) => flowM3h)).toEqual([1200, 2400]);
  expect(screen.queryByRole('alert')).toBeNull();
  expect(screen.queryByRole('dialog')).toBeNull();
});

test('a file of 5 MB is not even read', async () => {
  renderInTheme(<Tools first={testWith()} />);
  choose(fileOf('c.csv', () => Promise.reject(new Error('It was read.')), 5_000_000));
  await waitFor(() => expect(screen.getByRole('alert').textContent).toContain('c.csv has 5.0 MB'));
});

test('the message goes once a file fits', async () => {
  renderInTheme(<Tools first={testWith()} />);
  choose(fileOf('d.csv', 'nothing\n1\n'));
  await screen.findByRole('alert');
  choose(fileOf('a.csv', 'house_pressure_pa,flow_m3h\n-20,200\n'));
  await screen.findByRole('dialog');
  expect(screen.queryByText(/Nothing was brought in/)).toBeNull();
  press('Replace them');
  expect(pressures()).toEqual([-20]);
});
