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

test('an emptied field is nothing once it is left, not zero', () => {
  renderInTheme(<Volume first={400} />);
  fireEvent.focus(field());
  type('');
  expect(field().value).toBe('');
  expect(committed).toEqual([]);
  fireEvent.blur(field());
  expect(committed).toEqual([null]);
});

test('a text that has become wrong leaves nothing of its beginning: what was before it counts', () => {
  renderInTheme(<Volume first={400} />);
  fireEvent.focus(field());
  for (const text of ['1', '14', '148.5', '148.5.', '148.5.1']) type(text);
  expect(committed.at(-1)).toBe(400);
  fireEvent.blur(field());
  expect(field().value).toBe('148.5.1');
  expect(committed.at(-1)).toBe(400);
  type('148.5');
  expect(committed.at(-1)).toBe(148.5);
});

test('of a new figure nothing is left where it has become wrong', () => {
  renderInTheme(<Volume />);
  type('1');
  type('1/');
  expect(committed).toEqual([1, null]);
});

test('what is written with a unit is taken in that unit', () => {
  renderInTheme(<Volume />);
  fireEvent.focus(field());
  type('1000 ft3');
  fireEvent.blur(field());
  expect(committed.at(-1)).toBeCloseTo(28.3168466, 6);
  expect(field().value).toBe('28.3');
});

test('a figure that could be either is asked about, and one press answers', () => {
  renderInTheme(<Volume first={400} />);
  fireEvent.focus(field());
  type('1,200');
  fireEvent.blur(field());
  expect(screen.getByRole('alert').textContent).toContain('1.2 or 1200?');
  expect(committed).toEqual([]);
  fireEvent.click(screen.getByRole('button', { name: '1200' }));
  expect(committed).toEqual([1200]);
  expect(screen.queryByRole('alert')).toBeNull();
  expect(field().value).toBe('1200');
});

test('a figure that is only looked at is left as it is, however it is written', () => {
  renderInTheme(<Volume first={1.234} />);
  fireEvent.focus(field());
  fireEvent.blur(field());
  expect(screen.queryByRole('alert')).toBeNull();
  expect(committed).toEqual([]);
});

test('figures follow the units at once and are kept in SI', () => {
  renderInTheme(<Volume first={100} />);
  act(() => setPreferences({ units: 'imperial' }));
  expect(field().value).toBe('3531.5');
  expect(screen.getByText('ft³')).toBeTruthy();
  type('1000');
  expect(committed.at(-1)).toBeCloseTo(28.3168466, 6);
});
