import { act, fireEvent, render, screen } from '@testing-library/react';
import { DayField } from './day-field';
import { Theme } from './theme';

const field = (value: string, onChange: (day: string) => void = () => undefined) => (
  <Theme>
    <DayField label="Day on site" value={value} onChange={onChange} />
  </Theme>
);
const input = () => screen.getByLabelText<HTMLInputElement>('Day on site');

test('a day follows what a colleague enters, but while it is typed in', () => {
  const { rerender } = render(field('2026-10-03'));
  rerender(field('2026-10-04'));
  expect(input().value).toBe('2026-10-04');
  act(() => input().focus());
  fireEvent.change(input(), { target: { value: '2026-10-09' } });
  rerender(field('2026-10-05'));
  expect(input().value).toBe('2026-10-09');
  act(() => input().blur());
  expect(input().value).toBe('2026-10-05');
});

test('an emptied day is passed on to nobody', () => {
  const onChange = jest.fn();
  render(field('2026-10-03', onChange));
  fireEvent.change(input(), { target: { value: '' } });
  expect(screen.getByText('Enter a day.')).toBeTruthy();
  expect(onChange).not.toHaveBeenCalled();
});
