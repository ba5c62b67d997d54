import { houseBody } from '@calvet/contract';
import { act, fireEvent, screen } from '@testing-library/react';
import { useState } from 'react';
import { renderInTheme } from '../../test/in-theme';
import { setPreferences } from '../data/preferences';
import { NumberField } from './field';

const committed: (number | null)[] = [];

function Volume({ first = null }: { readonly first?: number | null }) {
  const [value, setValue] = useState<number | null>(first);
  return (
    <NumberField
      label="Volume"
      quantity="volume"
      value={value}
      schema={houseBody.extract('volumeM3')}
      onCommit={(si) => {
        committed.push(si);
        setValue(si);
      }}
    />
  );
}

const field = () => screen.getByLabelText<HTMLInputElement>('Volume');
const type = (text: string) => fireEvent.change(field(), { target: { value: text } });

beforeEach(() => {
  committed.length = 0;
  act(() => setPreferences({ units: 'metric' }));
});

test('a number that fits is passed on as it is typed, and stays as it was typed', () => {
  renderInTheme(<Volume />);
  fireEvent.focus(field());
  type('4');
  type('40');
  type('40,');
  type('40,5');
  expect(committed.at(-1)).toBe(40.5);
  expect(field().value).toBe('40,5');
  fireEvent.blur(field());
  expect(field().value).toBe('40.5');
});

test('what does not fit is kept in the field with its message, and passed on to nobody', () => {
  renderInTheme(<Volume first={400} />);
  fireEvent.focus(field());
  type('none');
  expect(screen.queryByRole('alert')).toBeNull();
  fireEvent.blur(field());
  expect(screen.getByRole('alert').textContent).toContain('Not a number');
  expect(field().value).toBe('none');
  expect(field().getAttribute('aria-invalid')).toBe('true');
  expect(committed).toEqual([]);
});

test('the message goes as soon as the number fits', () => {
  renderInTheme(<Volume />);
  type('0');
  fireEvent.blur(field());
  expect(screen.getByRole('alert').textContent).toContain('Must be above 0 m³.');
  type('1');
  expect(screen.queryByRole('alert')).toBeNull();
});

test('an emptied field is nothing, not zero', () => {
  renderInTheme(<Volume first={400} />);
  type('');
  expect(committed).toEqual([null]);
});

test('figures follow the units at once and are kept in SI', () => {
  renderInTheme(<Volume first={100} />);
  act(() => setPreferences({ units: 'imperial' }));
  expect(field().value).toBe('3531.5');
  expect(screen.getByText('ft³')).toBeTruthy();
  type('1000');
  expect(committed.at(-1)).toBeCloseTo(28.3168466, 6);
});
