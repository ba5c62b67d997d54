import { NEW_PRACTICE } from '@calvet/contract/practice/practice';
import type { HouseBody } from '@calvet/contract/house/house';
import { fireEvent, screen, within } from '@testing-library/react';
import { useForm } from 'react-hook-form';
import { baseline } from '../../../../contract/test/baseline';
import { renderInTheme } from '../../../test/in-theme';
import { areaWith, goodReadings, houseWith, testWith, viewWith } from '../../../test/records';
import { halfFilled, keepHalfFilled } from '../../data/half-filled';
import { HouseForm, houseDraftOf, houseResolver, newHouse, type HouseDraft } from './house-form';
import { summaryOf } from '../../data/house-summaries';
import { headlineOf } from './headline';
import { HousesTable, type HouseLine } from './houses-table';

const mockNavigate = jest.fn();
jest.mock('expo-router', () => ({
  useRouter: () => ({ navigate: mockNavigate }),
  Link: jest.requireActual<object>('expo-router/build/link/href'),
}));

const run = (q50M3h: number) => ({
  baselineBeforePa: baseline(0),
  baselineAfterPa: baseline(0),
  readings: goodReadings(q50M3h),
});

describe('the headline of a list', () => {
  test.each<[string, Parameters<typeof headlineOf>[0]]>([
    [
      'Byre leaks more than its target allows',
      [
        { name: 'Byre', verdict: 'fail' },
        { name: 'Mill', verdict: 'pass' },
      ],
    ],
    [
      '2 houses leak more than their targets allow',
      [
        { name: 'Byre', verdict: 'fail' },
        { name: 'Mill', verdict: 'fail' },
      ],
    ],
    [
      'Mill still has to prove its pass',
      [
        { name: 'Mill', verdict: 'pass-not-proven' },
        { name: 'Byre', verdict: null },
      ],
    ],
    [
      'Byre is still to be tested',
      [
        { name: 'Mill', verdict: 'pass' },
        { name: 'Byre', verdict: null },
      ],
    ],
    ['Every house meets its airtightness target', [{ name: 'Mill', verdict: 'pass' }]],
  ])('%s', (headline, houses) => {
    expect(headlineOf(houses)).toBe(headline);
  });
});

describe('the summary of a house', () => {
  test('takes the last test that has figures, not one that was only begun', () => {
    const begun = testWith({ id: 't2', performedOn: '2026-11-01', depressurise: null });
    const { latest, tightness } = summaryOf(viewWith({ tests: [begun, testWith()] }));
    expect(latest?.id).toBe('t1');
    expect(tightness?.value).toBeCloseTo(1.25, 2);
  });

  test('has no figures where nothing was tested or entered', () => {
    expect(summaryOf(viewWith())).toMatchObject({
      latest: null,
      tightness: null,
      envelope: { built: null },
    });
  });
});

describe('the table of houses', () => {
  const line = (id: string, name: string, q50M3h: number, areaM2: number): HouseLine => {
    const house = houseWith({ id, name });
    return {
      house,
      summary: summaryOf(
        viewWith({
          house,
          areas: [areaWith({ areaM2 })],
          tests: [testWith({ depressurise: run(q50M3h) })],
        }),
      ),
    };
  };
  const lines = [line('1', 'Byre', 700, 30), line('2', 'Attic', 300, 90), line('3', 'Mill', 500, 60)];
  const order = () =>
    screen
      .getAllByRole('row')
      .slice(1)
      .map((row) => within(row).getByRole('link').textContent);

  test('stands by name, sorts by any column, and turns round', () => {
    renderInTheme(<HousesTable lines={lines} />);
    expect(order()).toEqual(['Attic', 'Byre', 'Mill']);
    fireEvent.click(screen.getByRole('button', { name: 'Sort by Figure · limit' }));
    expect(order()).toEqual(['Attic', 'Mill', 'Byre']);
    fireEvent.click(screen.getByRole('button', { name: 'Sort by Figure · limit' }));
    expect(order()).toEqual(['Byre', 'Mill', 'Attic']);
    fireEvent.click(screen.getByRole('button', { name: /^Sort by UA/ }));
    expect(order()).toEqual(['Byre', 'Mill', 'Attic']);
  });

  test('opens the house that is pressed', () => {
    renderInTheme(<HousesTable lines={lines} />);
    const mill = screen.getByRole('link', { name: 'Mill' });
    expect(mill.getAttribute('href')).toBe('/houses/3');
    const toMill = { pathname: '/houses/[houseId]', params: { houseId: '3' } };
    for (const pressed of [mill, screen.getByRole('row', { name: /^Mill/ })]) {
      mockNavigate.mockClear();
      fireEvent.click(pressed);
      expect(mockNavigate.mock.calls).toEqual([[toMill]]);
    }
    mockNavigate.mockClear();
    fireEvent.click(mill, { ctrlKey: true });
    expect(mockNavigate).not.toHaveBeenCalled();
  });
});

const EMPTY_HOUSE = newHouse(NEW_PRACTICE);

test('a new house begins as its practice has set it', () => {
  const target = { quantity: 'qE50' as const, limit: 2.5 };
  const practice = { ...NEW_PRACTICE, target, gradeSchool: 'airVoid' as const };
  expect(newHouse(practice)).toEqual({ ...EMPTY_HOUSE, target, gradeSchool: 'airVoid' });
  expect(EMPTY_HOUSE.target).toEqual({ quantity: 'n50', limit: null });
});

describe('a form that was left half filled', () => {
  test('is as it was, but for what fits no more', () => {
    const kept = {
      name: '',
      place: 'Northby',
      volumeM3: 612.5,
      storeys: 2.5,
      heightM: null,
      target: { quantity: 'qE50', limit: 'low' },
      colour: 'red',
    };
    expect(houseDraftOf(kept, EMPTY_HOUSE)).toEqual({
      ...EMPTY_HOUSE,
      place: 'Northby',
      volumeM3: 612.5,
      target: { quantity: 'qE50', limit: null },
    });
  });

  test.each([[{}], [{ target: null }], [{ target: { quantity: 'none', limit: -1 } }]])(
    'begins anew from %j',
    (kept) => {
      expect(houseDraftOf(kept, EMPTY_HOUSE)).toEqual(EMPTY_HOUSE);
    },
  );

  test('waits on the device, whatever else lies there', () => {
    keepHalfFilled('sample', { name: 'Byre' });
    expect(halfFilled('sample')).toEqual({ name: 'Byre' });
    keepHalfFilled('sample', null);
    expect(halfFilled('sample')).toBeNull();
    localStorage.setItem('calvet.half-filled.sample', '{"name":');
    expect(halfFilled('sample')).toBeNull();
  });
});

describe('the form of a house', () => {
  const submitted: HouseBody[] = [];
  function Form() {
    const form = useForm<HouseDraft, unknown, HouseBody>({
      defaultValues: EMPTY_HOUSE,
      resolver: houseResolver,
    });
    return (
      <>
        <HouseForm control={form.control} errors={form.formState.errors} />
        <button type="button" onClick={() => void form.handleSubmit((body) => submitted.push(body))()}>
          Send
        </button>
      </>
    );
  }
  const type = (label: string, text: string) =>
    fireEvent.change(screen.getByLabelText(label), { target: { value: text } });

  test('says what is missing, field by field, and then goes through', async () => {
    renderInTheme(<Form />);
    fireEvent.click(screen.getByText('Send'));
    expect(await screen.findAllByText('Enter this.')).toHaveLength(2);
    expect(screen.getByText('Give the house a name.')).toBeTruthy();
    expect(submitted).toEqual([]);
    type('Name', 'Byre');
    type('Volume', '400');
    type('Envelope area', '420,5');
    type('Floor area', '150');
    type('Height', '5.5');
    type('Storeys', '2');
    type('Bedrooms', '0');
    fireEvent.click(screen.getByRole('radio', { name: 'qE50, per envelope area' }));
    type('Limit', '2');
    fireEvent.click(screen.getByText('Send'));
    await screen.findByText('Send');
    await new Promise((resolve) => setTimeout(resolve, 0));
    expect(submitted).toMatchObject([
      {
        name: 'Byre',
        envelopeAreaM2: 420.5,
        bedrooms: 0,
        target: { quantity: 'qE50', limit: 2 },
        gradeSchool: 'voidFraction',
      },
    ]);
  });
});
