import { testFigures } from '@calvet/contract/airtightness/test-figures';
import { act, screen } from '@testing-library/react';
import { baseline } from '../../../../contract/test/baseline';
import { renderInTheme } from '../../../test/in-theme';
import { goodReadings, houseWith, testWith } from '../../../test/records';
import { AnswerLine } from './answer-line';
import { FindingsCard } from './findings-card';
import { FiguresGrid } from './figures-grid';
import { FitChart } from './fit-chart';
import type { Figures } from '@calvet/contract/airtightness/target-figure';
import { setPreferences } from '../../data/preferences';

const house = houseWith();

function figuresOf(more: Parameters<typeof testWith>[0] = {}): Figures {
  const figures = testFigures(house, testWith(more));
  if (figures.state !== 'figures') throw new Error(JSON.stringify(figures));
  return figures;
}

beforeEach(() => act(() => setPreferences({ units: 'metric' })));

test('the chart says in words what it shows', () => {
  const readings = goodReadings().map((reading, i) =>
    i === 1 ? { ...reading, struckOut: 'Gust' } : reading,
  );
  const run = { baselineBeforePa: baseline(0), baselineAfterPa: baseline(0), readings };
  renderInTheme(<FitChart figures={figuresOf({ depressurise: run })} height={200} />);
  expect(screen.getByText('× 1 struck out')).toBeTruthy();
});

test('the answer gives figure, interval, limit and verdict by the house’s target', () => {
  renderInTheme(<AnswerLine house={house} figures={figuresOf()} />);
  expect(screen.getByTestId('target-figure').textContent).toBe('1.25');
  expect(screen.getByText('Pass')).toBeTruthy();
  expect(screen.getByText('n50, /h · limit 1.50')).toBeTruthy();
});

test('per envelope area in imperial units', () => {
  act(() => setPreferences({ units: 'imperial' }));
  const perArea = houseWith({ target: { quantity: 'qE50', limit: 1 } });
  const figures = testFigures(perArea, testWith());
  renderInTheme(<AnswerLine house={perArea} figures={figures} />);
  const cfmPerSquareFoot = 500 / 420 / 18.288;
  expect(screen.getByTestId('target-figure').textContent).toBe(cfmPerSquareFoot.toFixed(3));
  expect(screen.getByText('Fails')).toBeTruthy();
});

test('what is missing is asked for in place of an answer', () => {
  renderInTheme(
    <AnswerLine house={house} figures={testFigures(house, testWith({ outdoorTemperatureC: null }))} />,
  );
  expect(screen.getByRole('status').textContent).toBe('Enter the temperature outdoors.');
});

test('every figure stands with its interval; a failing house sees its hole', () => {
  const leaky = figuresOf({
    depressurise: {
      baselineBeforePa: baseline(0),
      baselineAfterPa: baseline(0),
      readings: goodReadings(900),
    },
  });
  renderInTheme(<FiguresGrid house={house} figures={leaky} />);
  expect(screen.getByTestId('q50').textContent).toBe(leaky.fit.result.q50M3h.toFixed(0));
  expect(leaky.budget.excessM3h).toBeGreaterThan(250);
  expect(screen.getByText(`${leaky.budget.excessM3h.toFixed(0)} m³/h too much`)).toBeTruthy();
});

test('findings are said in plain words, and a tight house is told to ventilate', () => {
  renderInTheme(<FindingsCard figures={figuresOf()} />);
  expect(screen.getByText('Valid, with care')).toBeTruthy();
  expect(screen.getByText(/Only one direction was tested/)).toBeTruthy();
  expect(screen.getByText(/needs planned ventilation/)).toBeTruthy();
});
