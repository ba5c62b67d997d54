import { act, fireEvent, screen } from '@testing-library/react';
import { useState } from 'react';
import { renderInTheme } from '../../../test/in-theme';
import { setPreferences } from '../../data/preferences';
import { NumberField } from '../field';
import { KeypadHost } from './keypad';

/** The test environment is no touched device and knows no layout: both are told to it. */
function asTouched(isTouched: boolean): void {
  window.matchMedia = ((query: string) => ({
    matches: isTouched && query.includes('coarse'),
  })) as typeof window.matchMedia;
  HTMLElement.prototype.scrollIntoView = () => undefined;
  Object.defineProperty(HTMLElement.prototype, 'offsetParent', {
    configurable: true,
    get: () => document.body,
  });
}

function Pressures() {
  const [values, setValues] = useState<Readonly<Record<string, number | null>>>({});
  return (
    <KeypadHost>
      {['One', 'Two'].map((label) => (
        <NumberField
          key={label}
          label={label}
          quantity="housePressure"
          value={values[label] ?? null}
          onCommit={(si) => setValues((before) => ({ ...before, [label]: si }))}
        />
      ))}
    </KeypadHost>
  );
}

const field = (label: string) => screen.getByLabelText<HTMLInputElement>(label);
const press = (...keys: string[]) =>
  keys.forEach((key) => fireEvent.click(screen.getByRole('button', { name: key })));
const keys = () => screen.queryByRole('group', { name: 'Number keys' });

beforeEach(() => {
  asTouched(true);
  act(() => setPreferences({ units: 'metric' }));
});

test('the keys come with a field, keep the system’s keyboard away, and go with Done', () => {
  jest.useFakeTimers();
  renderInTheme(<Pressures />);
  expect(keys()).toBeNull();
  act(() => field('One').focus());
  expect(keys()).not.toBeNull();
  expect(field('One').getAttribute('inputmode')).toBe('none');
  press('Done');
  act(() => jest.advanceTimersByTime(200));
  expect(keys()).toBeNull();
  jest.useRealTimers();
});

test('what is pressed while the keys are there stays under the finger until it is let go', () => {
  jest.useFakeTimers();
  renderInTheme(<Pressures />);
  act(() => field('One').focus());
  fireEvent.pointerDown(document.body);
  act(() => field('One').blur());
  act(() => jest.advanceTimersByTime(1000));
  expect(keys()).not.toBeNull();
  fireEvent.pointerUp(document.body);
  act(() => jest.advanceTimersByTime(200));
  expect(keys()).toBeNull();
  jest.useRealTimers();
});

test('a press that begins while the keys are on their way out keeps its place too', () => {
  jest.useFakeTimers();
  renderInTheme(<Pressures />);
  act(() => field('One').focus());
  press('Done');
  fireEvent.pointerDown(document.body);
  act(() => jest.advanceTimersByTime(1000));
  expect(keys()).not.toBeNull();
  act(() => field('One').focus());
  fireEvent.pointerUp(document.body);
  act(() => jest.advanceTimersByTime(1000));
  expect(keys()).not.toBeNull();
  press('Done');
  act(() => jest.advanceTimersByTime(200));
  expect(keys()).toBeNull();
  jest.useRealTimers();
});

test('the keys go in one step: between two of them a press would end on what it did not begin on', () => {
  jest.useFakeTimers();
  renderInTheme(<Pressures />);
  act(() => field('One').focus());
  press('Done');
  // Outside of act nothing is drawn but what is drawn at once.
  const environment = globalThis as { IS_REACT_ACT_ENVIRONMENT?: boolean };
  environment.IS_REACT_ACT_ENVIRONMENT = false;
  jest.advanceTimersByTime(200);
  environment.IS_REACT_ACT_ENVIRONMENT = true;
  expect(keys()).toBeNull();
  jest.useRealTimers();
});

test('digits, decimal mark, sign and erase write to the field; Next goes on, back goes back', () => {
  renderInTheme(<Pressures />);
  act(() => field('One').focus());
  press('5', '1', 'Decimal mark', '2', 'Change sign');
  expect(field('One').value).toBe('\u221251.2');
  press('Erase', '7');
  expect(field('One').value).toBe('\u221251.7');
  press('Change sign');
  expect(field('One').value).toBe('51.7');
  press('Next field', '3');
  expect([field('One').value, field('Two').value]).toEqual(['51.7', '3']);
  press('Previous field');
  expect(document.activeElement).toBe(field('One'));
});

test('what is selected is written over, as on any keyboard', () => {
  renderInTheme(<Pressures />);
  act(() => field('One').focus());
  press('4', '2');
  act(() => field('One').setSelectionRange(0, 2));
  press('9');
  expect(field('One').value).toBe('9');
});

test('the caret stands where it was put: keys write there, and it goes on behind what was written', () => {
  renderInTheme(<Pressures />);
  act(() => field('One').focus());
  press('4', '2');
  act(() => field('One').setSelectionRange(1, 1));
  press('7');
  expect([field('One').value, field('One').selectionStart]).toEqual(['472', 2]);
  press('Erase');
  expect([field('One').value, field('One').selectionStart]).toEqual(['42', 1]);
  act(() => field('One').setSelectionRange(0, 1));
  press('Erase');
  expect(field('One').value).toBe('2');
  act(() => field('One').setSelectionRange(1, 1));
  press('Change sign', '5');
  expect(field('One').value).toBe('\u221225');
});

describe('the typing table on the keys', () => {
  let si: number | null;
  const Length = () => (
    <KeypadHost>
      <NumberField
        label="Depth"
        quantity="thickness"
        value={null}
        onCommit={(next) => {
          si = next;
        }}
      />
    </KeypadHost>
  );

  test.each([
    ['imperial', ['1', 'Space', '1', 'Fraction bar', '2'], 0.0381],
    ['imperial', ['3', 'Fraction bar', '8', 'Inches'], 0.009525],
    ['imperial', ['5', 'Feet', '6', 'Inches'], 1.6764],
    ['imperial', ['1', '0', 'mm'], 0.01],
    ['metric', ['1', 'Decimal mark', '2', 'm'], 1.2],
    ['metric', ['5', 'in'], 0.127],
    ['metric', ['1', '4', '0'], 0.14],
  ] as const)('%s: %s', (units, pressed, metres) => {
    act(() => setPreferences({ units }));
    si = null;
    renderInTheme(<Length />);
    act(() => field('Depth').focus());
    press(...pressed);
    expect(si).toBeCloseTo(metres, 9);
  });
});

test('with a mouse there are no keys', () => {
  asTouched(false);
  renderInTheme(<Pressures />);
  act(() => field('One').focus());
  expect(keys()).toBeNull();
  expect(field('One').getAttribute('inputmode')).toBe('text');
});
