import { house } from '@calvet/contract/house/house';
import { act, fireEvent, screen } from '@testing-library/react';
import { useState } from 'react';
import { renderInTheme } from '../../test/in-theme';
import { setPreferences } from '../data/preferences';
import { NumberField } from './field';
import { NoteHost } from './undo';

/** What was entered, and what counted while it was typed. */
const entered: (number | null)[] = [];
const typed: (number | null)[] = [];

function Volume({
  first = null,
  isRequired,
}: {
  readonly first?: number | null;
  readonly isRequired?: boolean;
}) {
  const [value, setValue] = useState<number | null>(first);
  return (
    <NumberField
      label="Volume"
      quantity="volume"
      value={value}
      bounds={house.fields.volumeM3.bounds}
      isRequired={isRequired}
      onCommit={(si, stage) => {
        (stage === 'entered' ? entered : typed).push(si);
        setValue(si);
      }}
    />
  );
}

const field = () => screen.getByLabelText<HTMLInputElement>('Volume');
const type = (text: string) => fireEvent.change(field(), { target: { value: text } });

beforeEach(() => {
  entered.length = 0;
  typed.length = 0;
  act(() => setPreferences({ units: 'metric' }));
});

test('a number is shown as it is typed, entered once it is left, and stays as it was typed until then', () => {
  renderInTheme(<Volume />);
  fireEvent.focus(field());
  for (const text of ['4', '40', '40,', '40,5']) type(text);
  expect(typed).toEqual([4, 40, 40.5]);
  expect(entered).toEqual([]);
  expect(field().value).toBe('40,5');
  fireEvent.blur(field());
  expect(entered).toEqual([40.5]);
  expect(field().value).toBe('40.5');
});

test('what is right is entered too where the page goes out of sight, and where the field goes away', () => {
  const { unmount } = renderInTheme(<Volume first={400} />);
  fireEvent.focus(field());
  type('41');
  const visibility = jest.spyOn(document, 'visibilityState', 'get').mockReturnValue('hidden');
  fireEvent(document, new Event('visibilitychange'));
  visibility.mockRestore();
  expect(entered).toEqual([41]);
  expect(field().value).toBe('41');
  type('412');
  unmount();
  expect(entered).toEqual([41, 412]);
});

test('a field that goes away with what is not right in it says what stays', () => {
  function Page() {
    const [isThere, setThere] = useState(true);
    return (
      <NoteHost>
        {isThere && <Volume first={400} />}
        <button onClick={() => setThere(false)}>Away</button>
      </NoteHost>
    );
  }
  renderInTheme(<Page />);
  fireEvent.focus(field());
  type('41x');
  fireEvent.click(screen.getByText('Away'));
  expect(entered).toEqual([]);
  expect(screen.getByText('Volume stays 400 m³: “41x” was not right.')).toBeTruthy();
});

test('a field that goes away because it was left is entered once', () => {
  function Row() {
    const [isThere, setThere] = useState(true);
    const commit = (si: number | null, stage: string) => stage === 'entered' && entered.push(si);
    return (
      <>
        {isThere && (
          <NumberField
            label="Volume"
            quantity="volume"
            value={400}
            onCommit={commit}
            onLeaveEmpty={() => setThere(false)}
          />
        )}
      </>
    );
  }
  renderInTheme(<Row />);
  fireEvent.focus(field());
  type('');
  fireEvent.blur(field());
  expect(screen.queryByLabelText('Volume')).toBeNull();
  expect(entered).toEqual([null]);
});

test('a figure that there must be stays empty until it is left, and says what it goes back to', () => {
  renderInTheme(<Volume first={400} isRequired />);
  fireEvent.focus(field());
  type('');
  expect(field().value).toBe('');
  fireEvent.blur(field());
  expect(field().value).toBe('400');
  expect(screen.getByRole('status').textContent).toBe('This cannot be empty: it is 400\u00A0m³ again.');
  expect(field().getAttribute('aria-invalid')).toBe('false');
  type('5');
  expect(screen.queryByRole('status')).toBeNull();
  expect(entered).toEqual([]);
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
  expect(field().getAttribute('aria-describedby')).toBe(screen.getByRole('alert').id);
  expect([...typed, ...entered]).toEqual([]);
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
  expect([...typed, ...entered]).toEqual([]);
  fireEvent.blur(field());
  expect(entered).toEqual([null]);
});

test('a text that has become wrong leaves nothing of its beginning: what was before it counts', () => {
  renderInTheme(<Volume first={400} />);
  fireEvent.focus(field());
  for (const text of ['1', '14', '148.5', '148.5.', '148.5.1']) type(text);
  expect(typed.at(-1)).toBe(400);
  fireEvent.blur(field());
  expect(field().value).toBe('148.5.1');
  expect(entered).toEqual([]);
  type('148.5');
  fireEvent.blur(field());
  expect(entered).toEqual([148.5]);
});

test('of a new figure nothing is left where it has become wrong', () => {
  renderInTheme(<Volume />);
  type('1');
  type('1/');
  expect(typed).toEqual([1, null]);
  expect(entered).toEqual([]);
});

test('what is written with a unit is taken in that unit', () => {
  renderInTheme(<Volume />);
  fireEvent.focus(field());
  type('1000 ft3');
  fireEvent.blur(field());
  expect(entered.at(-1)).toBeCloseTo(28.3168466, 6);
  expect(field().value).toBe('28.3');
});

test('a figure that could be either is asked about, and one press answers', () => {
  renderInTheme(<Volume first={400} />);
  fireEvent.focus(field());
  type('1,200');
  fireEvent.blur(field());
  expect(screen.getByRole('alert').textContent).toContain('1.2 or 1200?');
  expect([...typed, ...entered]).toEqual([]);
  fireEvent.click(screen.getByRole('button', { name: '1200' }));
  expect(entered).toEqual([1200]);
  expect(screen.queryByRole('alert')).toBeNull();
  expect(field().value).toBe('1200');
});

test('a figure that is only looked at is left as it is, however it is written', () => {
  renderInTheme(<Volume first={1.234} />);
  fireEvent.focus(field());
  fireEvent.blur(field());
  expect(screen.queryByRole('alert')).toBeNull();
  expect([...typed, ...entered]).toEqual([]);
});

test('figures follow the units at once and are kept in SI', () => {
  renderInTheme(<Volume first={100} />);
  act(() => setPreferences({ units: 'imperial' }));
  expect(field().value).toBe('3531.5');
  expect(screen.getByText('ft³')).toBeTruthy();
  type('1000');
  expect(typed.at(-1)).toBeCloseTo(28.3168466, 6);
});

describe('a run that goes one way', () => {
  let said = 0;

  function Pressure({ first = null }: { readonly first?: number | null }) {
    const [value, setValue] = useState<number | null>(first);
    const [isOther, setOther] = useState(false);
    return (
      <NumberField
        label="Pressure"
        quantity="housePressure"
        value={value}
        assumed={isOther ? undefined : { sign: -1, because: 'The fan blows out' }}
        onOtherSign={() => {
          said += 1;
          setOther(true);
        }}
        onCommit={(si, stage) => {
          (stage === 'entered' ? entered : typed).push(si);
          setValue(si);
        }}
      />
    );
  }
  const pressure = () => screen.getByLabelText<HTMLInputElement>('Pressure');
  const enter = (text: string) => {
    fireEvent.focus(pressure());
    fireEvent.change(pressure(), { target: { value: text } });
    fireEvent.blur(pressure());
  };

  test.each([
    ['50', -50],
    ['-50', -50],
    ['\u221250', -50],
    ['\u2013 50,5', -50.5],
    ['0.2 inH2O', -49.817782],
  ])('%s is taken as it is meant, the sign before the field', (text, pascals) => {
    renderInTheme(<Pressure />);
    enter(text);
    expect(entered.at(-1)).toBeCloseTo(pascals, 6);
    expect(pressure().value).not.toMatch(/[-\u2212]/);
    expect(screen.getByText('\u2212')).toBeTruthy();
  });

  test('the other sign is asked about once', () => {
    said = 0;
    renderInTheme(<Pressure />);
    enter('+50');
    expect(entered).toEqual([]);
    expect(screen.getByRole('alert').textContent).toContain('The fan blows out: \u221250 or +50?');
    fireEvent.click(screen.getByRole('button', { name: '+50' }));
    expect(entered).toEqual([50]);
    expect(said).toBe(1);
    enter('60');
    expect(entered).toEqual([50, 60]);
    expect(screen.queryByRole('alert')).toBeNull();
  });

  test('what was meant after all is one press too', () => {
    renderInTheme(<Pressure />);
    enter('+50');
    fireEvent.click(screen.getByRole('button', { name: '\u221250' }));
    expect(entered).toEqual([-50]);
    expect(pressure().value).toBe('50');
  });

  test('a figure of the other sign shows it, and is no other by being looked at', () => {
    renderInTheme(<Pressure first={12} />);
    expect(pressure().value).toBe('+12');
    expect(screen.queryByText('\u2212')).toBeNull();
    fireEvent.focus(pressure());
    fireEvent.blur(pressure());
    expect([...typed, ...entered]).toEqual([]);
  });
});
