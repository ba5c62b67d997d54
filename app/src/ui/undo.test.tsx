import { act, fireEvent, screen } from '@testing-library/react';
import { renderInTheme } from '../../test/in-theme';
import { Button } from './button';
import { useNote } from './undo';

const undone: string[] = [];

function Removing({ names }: { readonly names: readonly string[] }) {
  const note = useNote();
  return names.map((name) => (
    <Button
      key={name}
      label={`Remove ${name}`}
      onPress={() => note({ text: `${name} was removed.`, undo: () => undone.push(name) })}
    />
  ));
}

const press = (name: string) => fireEvent.click(screen.getByRole('button', { name }));
const pass = (ms: number) => act(() => jest.advanceTimersByTime(ms));

beforeEach(() => {
  jest.useFakeTimers();
  undone.length = 0;
  renderInTheme(<Removing names={['Wall', 'Roof']} />);
});
afterEach(() => jest.useRealTimers());

test('each removal can be taken back for its own time', () => {
  press('Remove Wall');
  pass(5000);
  press('Remove Roof');
  pass(1000);
  expect(screen.getAllByText(/was removed/)).toHaveLength(2);
  pass(3500);
  expect(screen.queryByText('Wall was removed.')).toBeNull();
  expect(screen.getByText('Roof was removed.')).toBeTruthy();
  press('Undo');
  expect(undone).toEqual(['Roof']);
});

test('the keys take back what is not on the page any more, the last first', () => {
  press('Remove Wall');
  press('Remove Roof');
  pass(20_000);
  expect(screen.queryByText(/was removed/)).toBeNull();
  fireEvent.keyDown(window, { key: 'z', ctrlKey: true });
  fireEvent.keyDown(window, { key: 'z', ctrlKey: true });
  fireEvent.keyDown(window, { key: 'z', ctrlKey: true });
  expect(undone).toEqual(['Roof', 'Wall']);
});
