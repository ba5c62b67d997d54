import { examples } from '@calvet/core/examples';
import type { OperationName } from '@calvet/core/operations';
import { act, fireEvent, screen, within } from '@testing-library/react';
import { renderInTheme } from '../../../test/in-theme';
import { changeBenchDraft } from '../../data/bench-drafts';
import { setPreferences } from '../../data/preferences';
import { OperationScreen } from './operation-screen';

jest.mock('expo-router', () => ({
  useRouter: () => ({ navigate: jest.fn() }),
  usePathname: () => '/bench',
}));
jest.mock('expo-router/head', () => ({ __esModule: true, default: () => null }));

beforeEach(() => {
  act(() => setPreferences({ units: 'metric' }));
  localStorage.clear();
});

function open(name: OperationName) {
  changeBenchDraft(name, () => undefined);
  return renderInTheme(<OperationScreen name={name} />);
}
const field = (label: string, at = 0) =>
  screen.getAllByLabelText<HTMLInputElement>(label)[at] as HTMLInputElement;
const type = (label: string, text: string, at = 0) => {
  const input = field(label, at);
  fireEvent.focus(input);
  fireEvent.change(input, { target: { value: text } });
  fireEvent.blur(input);
};
const press = (name: string | RegExp, at = 0) =>
  fireEvent.click(screen.getAllByRole('button', { name })[at] as HTMLElement);
const answer = () => screen.queryByTestId('answer')?.textContent ?? null;
const obstacle = () => screen.queryByTestId('obstacle')?.textContent ?? null;

test('figure by figure: what is still needed grows less, then the answer stands there', () => {
  open('insulation.bags');
  expect(obstacle()).toBe('Still needed: Mass of a bag · Gross area · Framing share · and 2 more.');
  type('Mass of a bag', '13,6');
  type('Gross area', '104');
  type('Framing share', '15');
  type('Depth', '140');
  expect(obstacle()).toBe('Still needed: Specified density.');
  type('Specified density', '56');
  expect(answer()).toBe('51');
});

test('a figure that cannot be is marked in the units of the person, and there is no answer beside it', () => {
  act(() => setPreferences({ units: 'imperial' }));
  open('air.density');
  type('Temperature', '200');
  expect(screen.getByText('Must be 140 °F or less.')).toBeTruthy();
  expect(answer()).toBeNull();
  type('Temperature', '68');
  expect(answer()).toMatch(/lb\/ft³$/);
  type('Temperature', 'warm');
  expect(screen.getByText('Not a number: write it like 12.5 or 12,5, or with °C, °F, K.')).toBeTruthy();
  expect(answer()).toBeNull();
});

test('what a computation refuses stands at its field, and above with its place', () => {
  open('moisture.interfaces');
  press('Fill in an example');
  type('Outdoor temperature', '25');
  expect(obstacle()).toMatch(/^Indoor temperature: .*warmer indoors than outdoors/);
  expect(screen.getAllByText(/warmer indoors than outdoors/).length).toBeGreaterThan(1);
});

test('the first thing needed is asked for where everything may be left out', () => {
  open('air.dewPoint');
  expect(obstacle()).toMatch(/^Still needed: /);
  type('Temperature', '21');
  expect(obstacle()).toBe('Still needed: Relative humidity.');
  type('Relative humidity', '45');
  expect(answer()).toBe('8.6\u00A0°C');
});

test('an example and an empty form take each other’s place, and can be undone', () => {
  open('insulation.battCompression');
  type('R on the label', '2');
  press('Fill in an example');
  expect(answer()).toBe('3.11\u00A0m²·K/W');
  press('Undo');
  expect(field('R on the label').value).toBe('2');
  press('Clear');
  expect(field('R on the label').value).toBe('');
  expect(screen.queryByRole('button', { name: 'Clear' })).toBeNull();
});

test('inputs that may be left out wait behind a button; emptied, they are left out', () => {
  open('air.density');
  press('Fill in an example');
  const before = answer();
  press('More inputs');
  press('Barometric pressure');
  expect(answer()).toBe(before);
  type('Barometric pressure', '900');
  expect(answer()).not.toBe(before);
  type('Barometric pressure', '');
  expect(answer()).toBe(before);
});

test('lists grow by one like the last and shrink where one is taken away', () => {
  open('insulation.densitySamples');
  press('Fill in an example');
  press('Add a sample');
  expect(obstacle()).toBe('Still needed: Sample 3, mass · Sample 3, area · Sample 3, thickness.');
  press('Take away sample 3');
  expect(answer()).toBe('56.8\u00A0kg/m³');
  press('Take away sample 1');
  expect(screen.queryByRole('button', { name: /^Take away/ })).toBeNull();
  expect(answer()).toBe('55.7\u00A0kg/m³');
});

test('a column that is pasted fills the list from where it was pasted', () => {
  open('insulation.depth');
  press('Fill in an example');
  fireEvent.change(field('Depth 2'), { target: { value: '300 310 320 330' } });
  expect(['Depth 1', 'Depth 2', 'Depth 5'].map((label) => field(label).value)).toEqual(['420', '300', '330']);
  press('Take the last away');
  expect(screen.queryByLabelText('Depth 5')).toBeNull();
});

test('a pasted column goes down one member of the items of a list', () => {
  open('moisture.monthly');
  press('Fill in an example');
  const months = screen.getByRole('group', { name: 'Months' });
  const outdoors = within(months).getAllByLabelText<HTMLInputElement>('Outdoor temperature');
  fireEvent.change(outdoors[9] as HTMLInputElement, { target: { value: '7 2 -3 -9' } });
  expect(
    within(months)
      .getAllByLabelText<HTMLInputElement>('Outdoor temperature')
      .slice(8)
      .map(({ value }) => value),
  ).toEqual(['12', '7', '2', '−3']);
});

test('whole parts can be left out and put in again', () => {
  open('thermal.assembly');
  press('Fill in an example');
  const withGrade = answer();
  const part = screen.getByRole('group', { name: 'Grade adjustment' });
  fireEvent.click(within(part).getByRole('button', { name: 'Leave out' }));
  expect(screen.queryByRole('group', { name: 'Grade adjustment' })).toBeNull();
  expect(Number.parseFloat(answer() ?? '')).toBeGreaterThan(Number.parseFloat(withGrade ?? ''));
});

test('one of a few is chosen by a tap, and what may be left out can be', () => {
  open('insulation.grade');
  press('Fill in an example');
  const boxes = screen.getByRole('radiogroup', { name: 'Filled behind boxes' });
  expect(answer()).toBe('II');
  fireEvent.click(within(boxes).getByRole('radio', { name: 'Left out' }));
  expect(answer()).toBe('I');
});

test('names of one’s own choice are given to figures', () => {
  open('continuity.trace');
  press('Fill in an example');
  expect(answer()).toBe('No');
  press('More inputs');
  press('Lengths of places');
  fireEvent.change(screen.getByLabelText('Name of the next place'), { target: { value: 'top' } });
  press('Add a place');
  type('top', '12');
  expect(field('top').value).toBe('12');
  type('top', '');
  expect(screen.queryByLabelText('top')).toBeNull();
});

test('what was entered is kept, and what no longer fits the form is not', () => {
  const { unmount } = open('insulation.battCompression');
  press('Fill in an example');
  unmount();
  renderInTheme(<OperationScreen name="insulation.battCompression" />).unmount();
  const kept = JSON.parse(localStorage.getItem('calvet.bench.insulation.battCompression') ?? 'null');
  expect(kept).toEqual(examples['insulation.battCompression']);
  changeBenchDraft('insulation.battCompression', () => ({ labelRsi: 'three' }));
  renderInTheme(<OperationScreen name="insulation.battCompression" />);
  expect(field('R on the label').value).toBe('');
});

test('where somebody can get hurt it is said before the inputs', () => {
  open('insulation.hybridFill');
  expect(screen.getByRole('note').textContent).toContain('re-entry time');
});
