import { examples } from '@calvet/core/examples';
import { operationNames, type OperationName } from '@calvet/core/operations';
import { act, fireEvent, screen } from '@testing-library/react';
import { renderInTheme } from '../../../test/in-theme';
import { answerWithSteps } from '../../compute/answer-with-steps';
import type { Answering } from '../../compute/use-answer';
import { setPreferences } from '../../data/preferences';
import { AnswerPanel } from './answer-panel';

beforeEach(() => act(() => setPreferences({ units: 'metric' })));

const show = (
  name: OperationName,
  answering: Answering<OperationName> | null,
  obstacle: string | null = null,
) => renderInTheme(<AnswerPanel name={name} obstacle={obstacle} answering={answering} />);
const here = (name: OperationName): Answering<OperationName> => ({
  state: 'here',
  answer: answerWithSteps(name, examples[name]),
});
const button = (name: string | RegExp) => screen.getByRole('button', { name });

test('what is still needed stands where the answer will be, with the way to the methods', () => {
  show('insulation.bags', null, 'Still needed: Depth.');
  expect(screen.getByTestId('obstacle').textContent).toBe('Still needed: Depth.');
  expect(screen.queryByTestId('answer')).toBeNull();
  expect(screen.getByRole('link').getAttribute('href')).toBe('/methods.html#insulation-bags');
});

test('the answer stands large, the others beside it, with the steps that led there', () => {
  show('insulation.bags', here('insulation.bags'));
  expect(screen.getByTestId('answer').textContent).toBe('51');
  expect(screen.getByText('44.0 kg/m³')).toBeTruthy();
  expect(screen.getByText('= 104·(1 − 0.15)·0.14 = 12.376 m³')).toBeTruthy();
  expect(screen.getByText('Steps are in SI units.')).toBeTruthy();
});

test('figures follow the units of the person; steps stay in SI', () => {
  act(() => setPreferences({ units: 'imperial' }));
  show('insulation.battCompression', here('insulation.battCompression'));
  expect(screen.getByTestId('answer').textContent).toBe('17.7\u00A0h·ft²·°F/Btu');
  expect(screen.getByText(/m²·K\/W/)).toBeTruthy();
});

test('findings come with the answer, and say which reading they mean', () => {
  show('insulation.depth', here('insulation.depth'));
  expect(screen.getByText(/^No\. 3: The fill is shallower here than specified\./)).toBeTruthy();
  expect(screen.getByText(/^No\. 4: /)).toBeTruthy();
});

test('findings of both halves of an answer are shown', () => {
  show('moisture.dryAndDamp', here('moisture.dryAndDamp'));
  expect(screen.getAllByText(/Water condenses inside the build-up/)).toHaveLength(2);
});

test('many steps are folded, every figure is shown on demand', () => {
  show('airtightness.multiPoint', here('airtightness.multiPoint'));
  const more = button(/^All \d+ steps$/);
  const count = Number(/\d+/.exec(more.getAttribute('aria-label') ?? '')?.[0]);
  expect(count).toBeGreaterThan(8);
  fireEvent.click(more);
  expect(screen.queryByRole('button', { name: /^All \d+ steps$/ })).toBeNull();
  expect(screen.queryByText('Reading 6')).toBeNull();
  fireEvent.click(button('Show'));
  expect(screen.getByText('Reading 6')).toBeTruthy();
  expect(screen.getByText('Exponent n')).toBeTruthy();
  fireEvent.click(button('Close'));
  expect(screen.queryByText('Reading 6')).toBeNull();
});

test('every computation shows its example without a gap', () => {
  for (const name of operationNames) {
    const { unmount } = show(name, here(name));
    expect(screen.getByTestId('answer').textContent).not.toMatch(/^–?$|NaN|undefined/);
    fireEvent.click(button('Show'));
    expect(document.body.textContent).not.toMatch(/NaN|undefined|\[object/);
    unmount();
  }
});

test('what is under way shows how far it is, and can be stopped', () => {
  const stop = jest.fn();
  show('pathToTarget.evaluate', { state: 'under way', share: 0.42, stop });
  expect(screen.getByRole('progressbar').getAttribute('aria-valuenow')).toBe('42');
  fireEvent.click(button('Stop'));
  expect(stop).toHaveBeenCalledTimes(1);
});

test('what was stopped can be started again; what failed says why and can be tried again', () => {
  const again = jest.fn();
  const { unmount } = show('pathToTarget.evaluate', { state: 'stopped', again });
  fireEvent.click(button('Start again'));
  unmount();
  show('pathToTarget.evaluate', { state: 'failed', message: 'Out of memory.', again });
  expect(screen.getByText('Out of memory. What you entered is kept.')).toBeTruthy();
  fireEvent.click(button('Try again'));
  expect(again).toHaveBeenCalledTimes(2);
});
