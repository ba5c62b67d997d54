import { testFigures } from '@calvet/contract/airtightness/test-figures';
import type { AirtightnessTest } from '@calvet/contract/airtightness/airtightness-test';
import { act, fireEvent, screen, within } from '@testing-library/react';
import { useState } from 'react';
import { baseline } from '../../../../contract/test/baseline';
import { renderInTheme } from '../../../test/in-theme';
import { goodReadings, houseWith, readingWith, testWith } from '../../../test/records';
import type { Keep } from '../../data/use-keep';
import { RunEditor } from './run-editor';

let kept: AirtightnessTest;

function Editor({ first }: { readonly first: AirtightnessTest }) {
  const [test, setTest] = useState(first);
  kept = test;
  const keep: Keep<'airtightnessTest'> = (body) =>
    setTest((before) => ({ ...before, ...(typeof body === 'function' ? body(before) : body) }));
  return (
    <RunEditor test={test} direction="depressurise" figures={testFigures(houseWith(), test)} keep={keep} />
  );
}

const readings = () => kept.depressurise?.readings ?? [];
const type = (label: string, text: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value: text } });

test('typing into the empty row makes a reading and a new empty row', () => {
  renderInTheme(<Editor first={testWith({ depressurise: null })} />);
  type('Building pressure, reading 1', '-50');
  type('Flow, reading 1', '412,5');
  expect(readings()).toMatchObject([{ pressurePa: -50, flowM3h: 412.5, struckOut: null }]);
  expect(screen.getByLabelText<HTMLInputElement>('Building pressure, reading 2').value).toBe('');
});

test('a reading keeps its id while it is typed', () => {
  renderInTheme(<Editor first={testWith({ depressurise: null })} />);
  type('Building pressure, reading 1', '-5');
  const [first] = readings();
  type('Building pressure, reading 1', '-50');
  expect(readings()[0]?.id).toBe(first?.id);
});

test('a reading is struck out with a reason, stays, and counts again', () => {
  renderInTheme(<Editor first={testWith()} />);
  fireEvent.click(screen.getByLabelText('Reading 2: strike out or remove'));
  fireEvent.click(screen.getByRole('button', { name: 'Gust of wind' }));
  expect(readings()[1]).toMatchObject({ id: 'r2', struckOut: 'Gust of wind' });
  expect(screen.getByText(/struck out/).textContent).toBe('struck out: Gust of wind');
  fireEvent.click(screen.getByLabelText('Reading 2: strike out or remove'));
  fireEvent.click(screen.getByRole('button', { name: 'Count it again' }));
  expect(readings()[1]?.struckOut).toBeNull();
});

test('a removed reading can be brought back, with what was typed meanwhile', () => {
  renderInTheme(<Editor first={testWith()} />);
  fireEvent.click(screen.getByLabelText('Reading 6: strike out or remove'));
  fireEvent.click(screen.getByRole('button', { name: 'Remove reading' }));
  expect(readings()).toHaveLength(5);
  type('Baseline before 2', '-0.4');
  type('Building pressure, reading 6', '-65');
  fireEvent.click(screen.getByText('Undo'));
  expect(readings()).toHaveLength(7);
  expect(readings().map(({ pressurePa }) => pressurePa)).toEqual([-12, -20, -30, -40, -50, -60, -65]);
  expect(kept.depressurise?.baselineBeforePa.map(({ pressurePa }) => pressurePa)).toEqual([0, -0.4]);
});

test('the baseline takes several figures pasted at once', () => {
  renderInTheme(<Editor first={testWith()} />);
  type('Baseline after 1', '-0,8 -1,1; -0.9');
  expect(kept.depressurise?.baselineAfterPa.map(({ pressurePa }) => pressurePa)).toEqual([-0.8, -1.1, -0.9]);
});

test('an emptied baseline reading goes when its cell is left', () => {
  renderInTheme(<Editor first={testWith()} />);
  const cell = screen.getByLabelText('Baseline before 1');
  fireEvent.focus(cell);
  type('Baseline before 1', '');
  expect(kept.depressurise?.baselineBeforePa.map(({ pressurePa }) => pressurePa)).toEqual([0]);
  fireEvent.blur(cell);
  expect(kept.depressurise?.baselineBeforePa.map(({ pressurePa }) => pressurePa)).toEqual([]);
});

test('Enter goes on to the next figure, arrows up and down the column', () => {
  renderInTheme(<Editor first={testWith()} />);
  // The test environment knows no layout, by which hidden fields are told from shown ones.
  Object.defineProperty(HTMLElement.prototype, 'offsetParent', {
    configurable: true,
    get: () => document.body,
  });
  HTMLElement.prototype.scrollIntoView = () => undefined;
  const field = (label: string) => screen.getByLabelText<HTMLInputElement>(label);
  act(() => field('Building pressure, reading 2').focus());
  fireEvent.keyDown(document.activeElement ?? document.body, { key: 'Enter' });
  expect(document.activeElement).toBe(field('Flow, reading 2'));
  fireEvent.keyDown(document.activeElement ?? document.body, { key: 'ArrowDown' });
  expect(document.activeElement).toBe(field('Flow, reading 3'));
  fireEvent.keyDown(document.activeElement ?? document.body, { key: 'ArrowUp' });
  fireEvent.keyDown(document.activeElement ?? document.body, { key: 'ArrowUp' });
  expect(document.activeElement).toBe(field('Flow, reading 1'));
});

test('a wrong sign is said on its own line, and all signs turn at once', () => {
  const wrong = goodReadings().map((reading) => ({ ...reading, pressurePa: -(reading.pressurePa ?? 0) }));
  renderInTheme(
    <Editor
      first={testWith({
        depressurise: { baselineBeforePa: baseline(0), baselineAfterPa: baseline(0), readings: wrong },
      })}
    />,
  );
  expect(screen.getByRole('alert').textContent).toContain('must be below zero');
  fireEvent.click(screen.getByRole('button', { name: 'Turn the sign of all readings' }));
  expect(readings().map(({ pressurePa }) => pressurePa)).toEqual([-12, -20, -30, -40, -50, -60]);
  expect(screen.queryByRole('alert')).toBeNull();
});

test('how far a reading lies off the line stands beside it', () => {
  const high = goodReadings().map((reading, i) =>
    i === 3 ? { ...reading, flowM3h: (reading.flowM3h ?? 0) * 1.1, struckOut: 'Gust' } : reading,
  );
  renderInTheme(
    <Editor
      first={testWith({
        depressurise: { baselineBeforePa: baseline(0), baselineAfterPa: baseline(0), readings: high },
      })}
    />,
  );
  const row = screen.getByLabelText('Building pressure, reading 4').closest('[role="row"]');
  expect(within(row as HTMLElement).getByText('+10.0')).toBeTruthy();
});

test('fan pressures go with the range in use; a range without sense is refused', () => {
  renderInTheme(
    <Editor
      first={testWith({
        depressurise: { baselineBeforePa: [], baselineAfterPa: [], readings: [readingWith('r1', -30, null)] },
      })}
    />,
  );
  fireEvent.click(screen.getByRole('radio', { name: 'Fan pressure' }));
  type('Name of the ring or plate', 'Ring A');
  type('Coefficient, m³/h', '12');
  type('Exponent', '0.5');
  type('Lowest fan pressure', '200');
  type('Highest fan pressure', '20');
  fireEvent.click(screen.getByRole('button', { name: 'Add this range' }));
  expect(kept.fanRanges).toEqual([]);
  type('Highest fan pressure', '300');
  fireEvent.click(screen.getByRole('button', { name: 'Add this range' }));
  expect(kept.fanRanges).toEqual([
    { name: 'Ring A', coefficient: 12, exponent: 0.5, minPa: 200, maxPa: 300 },
  ]);
  type('Fan pressure, reading 1', '250');
  expect(readings()[0]).toMatchObject({ fanPressurePa: 250, fanRange: 'Ring A' });
});
