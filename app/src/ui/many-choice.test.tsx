import { fireEvent, screen } from '@testing-library/react';
import { renderInTheme } from '../../test/in-theme';
import { ManyChoice } from './many-choice';

const OPTIONS = [
  { value: 'a', label: 'Batts' },
  { value: 'b', label: 'Foam' },
  { value: 'c', label: 'Boards' },
] as const;

function shown(values: readonly ('a' | 'b' | 'c')[]) {
  const onChange = jest.fn();
  renderInTheme(<ManyChoice label="Insulation" options={OPTIONS} values={values} onChange={onChange} />);
  return onChange;
}
const press = (name: string) => fireEvent.click(screen.getByRole('checkbox', { name }));

test('a press adds one to those that are chosen, in the order in which they stand', () => {
  const onChange = shown(['c']);
  press('Batts');
  expect(onChange).toHaveBeenCalledWith(['a', 'c']);
  expect(screen.getByRole('checkbox', { name: 'Boards' }).getAttribute('aria-checked')).toBe('true');
});

test('a press on one that is chosen takes it away', () => {
  const onChange = shown(['a', 'b']);
  press('Batts');
  expect(onChange).toHaveBeenCalledWith(['b']);
});
