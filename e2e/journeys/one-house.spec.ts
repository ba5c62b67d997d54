import { computeWith, assemblyOperation, multiPointOperation } from '@calvet/core';
import {
  allSent,
  appIsKept,
  createHouse,
  enter,
  expect,
  openPart,
  test,
  type RunningApp,
  savedBy,
} from './running-app';
import type { Page } from '@playwright/test';

const sizes = { volume: '405,5', envelope: '430', floor: '152', height: '5.6', limit: '1.5' } as const;
const readings: readonly (readonly [string, string])[] = [
  ['-12', '148'],
  ['-18,5', '196'],
  ['-25', '241'],
  ['-32', '282'],
  ['-40', '327'],
  ['-47', '363'],
  ['-55', '402'],
  ['-63', '439'],
];

const numberOf = (text: string): number => Number(text.replace(',', '.'));

/** What the core makes of the same test, so that the screen can be held against it. */
function expectedResult() {
  return computeWith(multiPointOperation, {
    method: 'iso9972',
    building: { volumeM3: 405.5, envelopeAreaM2: 430, floorAreaM2: 152, heightM: 5.6 },
    conditions: { indoorTemperatureC: 20.5, outdoorTemperatureC: 6, windMs: 2 },
    runs: [
      {
        direction: 'depressurise',
        baselineBeforePa: [-0.8, -1.1],
        baselineAfterPa: [-1],
        readings: readings.map(([pressure, flow]) => ({
          pressurePa: numberOf(pressure),
          flowM3h: numberOf(flow),
        })),
      },
    ],
  });
}

async function newTest(page: Page): Promise<void> {
  await page.getByRole('link', { name: 'Door test', exact: true }).click();
  await page.getByRole('button', { name: 'New door test' }).click();
  await enter(page, 'Temperature indoors', '20.5');
  await enter(page, 'Temperature outdoors', '6');
  await enter(page, 'Wind', '2');
}

async function enterReadings(page: Page): Promise<void> {
  await openPart(page, 'Readings');
  await page.getByLabel('Baseline before 1', { exact: true }).fill('-0.8 -1.1');
  for (const [i, [pressure, flow]] of readings.entries()) {
    await enter(page, `Building pressure, reading ${i + 1}`, pressure);
    await enter(page, `Flow, reading ${i + 1}`, flow);
  }
  await enter(page, 'Baseline after 1', '-1');
}

const threeDigits = (value: number): string => value.toFixed(value >= 99.5 ? 0 : 1);

async function seesFigures(page: Page, { result, runs }: ReturnType<typeof expectedResult>): Promise<void> {
  await openPart(page, 'Result');
  await expect(page.getByTestId('target-figure')).toHaveText(result.n50PerHour.toFixed(2));
  await expect(page.getByTestId('q50')).toHaveText(result.q50M3h.toFixed(0));
  await expect(page.getByTestId('n50')).toHaveText(result.n50PerHour.toFixed(2));
  await expect(page.getByTestId('qE50')).toHaveText(result.qE50M3hM2.toFixed(2));
  await expect(page.getByTestId('qF50')).toHaveText(result.qF50M3hM2.toFixed(2));
  await expect(page.getByTestId('eqLA10')).toHaveText(threeDigits(result.eqLA10M2 * 1e4));
  await expect(page.getByTestId('ela4')).toHaveText(threeDigits(result.ela4M2 * 1e4));
  await expect(page.getByText(runs[0]?.exponent.toFixed(3) ?? '', { exact: true })).toBeVisible();
  await expect(page.getByText(runs[0]?.rSquared.toFixed(4) ?? '', { exact: true })).toBeVisible();
}

async function restartServer(page: Page, app: RunningApp): Promise<void> {
  await appIsKept(page);
  await app.stop();
  await app.start();
}

test('from an empty database to a test that stands, and back after a restart', async ({ page, app }) => {
  await page.goto(app.url);
  await createHouse(page, app, { name: `Byre ${test.info().project.name}`, ...sizes });
  await newTest(page);
  await enterReadings(page);
  const expected = expectedResult();
  await seesFigures(page, expected);
  await expect(page.getByText('Pass', { exact: true }).last()).toBeVisible();
  await allSent(page);

  await page.reload();
  await seesFigures(page, expected);
  await restartServer(page, app);
  await page.reload();
  await seesFigures(page, expected);

  await openPart(page, 'Readings');
  await page.getByRole('button', { name: 'Reading 3: strike out or remove' }).click();
  await page.getByRole('button', { name: 'Gust of wind' }).click();
  await expect(page.getByText('struck out: Gust of wind')).toBeVisible();
  await openPart(page, 'Result');
  await expect(page.getByText('7 readings')).toBeVisible();

  await page.getByRole('button', { name: 'Metric' }).click();
  await expect(page.getByText('CFM50', { exact: true })).toBeVisible();
  await openPart(page, 'Readings');
  const cfm = (439 / 1.69901079552).toFixed(1);
  await expect(page.getByLabel('Flow, reading 8', { exact: true })).toHaveValue(cfm);
  await page.getByRole('button', { name: 'Imperial' }).click();
  await allSent(page);
});

test('readings from a file, all or nothing, and out again', async ({ page, app }) => {
  await createHouse(page, app, { name: `Mill ${test.info().project.name}`, ...sizes });
  await newTest(page);
  await openPart(page, 'Readings');
  const upload = (name: string, text: string) =>
    page
      .getByLabel('CSV file with readings')
      .setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(text) });
  await page.getByRole('button', { name: 'Import CSV' }).scrollIntoViewIfNeeded();

  await upload('broken.csv', 'house_pressure_pa,flow_m3h\n-20,200\n-30,lots\n');
  await expect(
    page.getByText('Nothing can be brought in. Line 3, flow_m3h: “lots” is not a number.'),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Cancel' }).click();
  await expect(page.getByLabel('Building pressure, reading 2', { exact: true })).toHaveCount(0);
  await upload('huge.csv', `house_pressure_pa,flow_m3h\n${'-20,200\n'.repeat(625_000)}`);
  await expect(page.getByText(/huge\.csv has 5\.0 MB/)).toBeVisible();

  const rows = readings.map(([pressure, flow]) => `reading;${pressure.replace('.', ',')};${flow}`);
  const file = [
    'Gauge;read by hand',
    'Row;House pressure (Pa);Flow (m³/h)',
    'baseline before;-0,8',
    'baseline before;-1,1',
    ...rows,
    'baseline after;-1',
  ];
  await upload('test.csv', file.join('\n'));
  await expect(page.getByText('building pressure, Pa')).toBeVisible();
  await page.getByRole('button', { name: 'Bring in 11 lines' }).click();
  await expect(page.getByText('11 lines were brought in.')).toBeVisible();
  await seesFigures(page, expectedResult());

  await openPart(page, 'Readings');
  const text = await savedBy(page, 'Export CSV');
  expect(text.split('\n').filter((line) => line.startsWith('depressurise,reading'))).toHaveLength(8);
  expect(text).toContain('depressurise,baseline before,-0.8');
});

test('areas, a build-up, a grade: what the walls are really worth', async ({ page, app }) => {
  await createHouse(page, app, { name: `Barn ${test.info().project.name}`, ...sizes });
  await page.getByRole('button', { name: 'Add an area' }).click();
  await page.getByLabel('Name', { exact: true }).fill('North wall');
  await enter(page, 'Size', '62,5');
  await page.getByRole('button', { name: 'Choose', exact: true }).click();
  await page.getByRole('button', { name: 'Use Framed wall 90, fibre batts' }).click();
  await allSent(page);
  await page.getByRole('link', { name: 'Fill', exact: true }).click();
  const worth = page.getByTestId('envelope-r');
  const before = Number(await worth.textContent());
  await page.getByRole('button', { name: /^Grade III/ }).click();
  await expect(page.getByRole('heading', { level: 2, name: /The grade of the work costs/ })).toBeVisible();
  const layers = [
    { thicknessM: 0.0125, conductivityWmK: 0.25 },
    { cavityRsi: 2.3, frameRsi: 0.75, framingFraction: 0.25, thicknessM: 0.09 },
    { thicknessM: 0.012, conductivityWmK: 0.13 },
    { rsi: 0.08 },
  ];
  const graded = computeWith(assemblyOperation, {
    layers,
    method: 'iso6946',
    filmConvention: 'iso',
    heatFlow: 'horizontal',
    gradeAdjustment: { school: 'voidFraction', layer: 1, grade: 'III' },
  });
  await expect(worth).toHaveText(graded.effectiveRsi.toFixed(2));
  expect(before).toBeCloseTo(1 / graded.plainUValue, 2);
  await allSent(page);
  await page.reload();
  await expect(worth).toHaveText(graded.effectiveRsi.toFixed(2));
});

test('a house is deleted, and the deletion undone', async ({ page, app }) => {
  const name = `Shed ${test.info().project.name}`;
  await createHouse(page, app, { name, ...sizes });
  await page.getByRole('button', { name: 'Change' }).click();
  await page.getByRole('button', { name: 'Delete house' }).click();
  await expect(page.getByText(`${name} was deleted.`)).toBeVisible();
  await expect(page.getByRole('link', { name: new RegExp(`^${name}`) })).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('link', { name: new RegExp(`^${name}`) })).toBeVisible();
  await allSent(page);
  await page.reload();
  await expect(page.getByRole('link', { name: new RegExp(`^${name}`) })).toBeVisible();
});
