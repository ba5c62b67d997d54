import { fireEvent, screen } from '@testing-library/react';
import { useState } from 'react';
import { renderInTheme } from '../../test/in-theme';
import { Choice } from './choice';

const OPTIONS = [
  { value: 'one', label: 'One' },
  { value: 'two', label: 'Two' },
  { value: 'three', label: 'Three' },
] as const;

const chosen: string[] = [];

function Sample({ first }: { readonly first: 'one' | 'two' | 'three' | null }) {
  const [value, setValue] = useState(first);
  return (
    <Choice
      label="Number"
      options={OPTIONS}
      value={value}
      onChange={(next) => {
        chosen.push(next);
        setValue(next);
      }}
    />
  );
}

const option = (name: string) => screen.getByRole('radio', { name });
const stops = () =>
  screen
    .getAllByRole('radio')
    .filter((each) => each.tabIndex === 0 && each.getAttribute('tabindex') !== '-1');

beforeEach(() => {
  chosen.length = 0;
});

test.each([
  ['two', 'Two'],
  [null, 'One'],
] as const)('with %s chosen the tab key stops once, at %s', (first, label) => {
  renderInTheme(<Sample first={first} />);
  expect(stops()).toEqual([option(label)]);
});

test('arrows go round, and choose nothing by themselves', () => {
  renderInTheme(<Sample first="two" />);
  option('Two').focus();
  for (const [key, label] of [
    ['ArrowRight', 'Three'],
    ['ArrowDown', 'One'],
    ['ArrowLeft', 'Three'],
    ['ArrowUp', 'Two'],
  ] as const) {
    fireEvent.keyDown(document.activeElement ?? document.body, { key });
    expect(document.activeElement).toBe(option(label));
  }
  expect(chosen).toEqual([]);
  option('Three').focus();
  fireEvent.keyDown(option('Three'), { key: ' ' });
  expect(chosen).toEqual(['three']);
  expect(stops()).toEqual([option('Three')]);
});
