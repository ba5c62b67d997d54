import { cavityFill } from '@calvet/core/insulation/cavity-fill';
import { studLayout } from '@calvet/core/thermal/stud-layout';
import type { Page } from '@playwright/test';
import { isForEverybody } from './for-everybody';
import { allSent, enter, expect, onOtherDevice, test } from './running-app';
import { frame, layer, newWall, takeMaterial, wallRsi } from './wall-of-layers';

test('a batt pressed onto foam, without a server: what is pressed, and R to the digit; then on another device', async ({
  page,
  app,
  browser,
}) => {
  await newWall(page, app, 'Hybrid');
  await allSent(page);
  await app.stop();
  await layer(page, 2)
    .getByRole('button', { name: /: change$/ })
    .click();
  await page.getByRole('button', { name: 'Say what lies in it' }).click();
  await takeMaterial(page, 'glass dense', 'Glass fibre batt, dense');
  await page.getByRole('button', { name: 'Add a fill' }).click();
  await takeMaterial(page, 'closed cells, mild', 'Sprayed foam, closed cells, mild blowing agent');
  const { cavityRsi, pressedTo } = cavityFill({
    depthM: 0.14,
    fills: [
      { pressing: 'fibreLaw', conductivityWmK: 0.034, thicknessM: 0.14 },
      { pressing: 'rigid', conductivityWmK: 0.026, thicknessM: 0.05 },
    ],
  });
  const cavity = page.getByRole('group', { name: 'In the cavity' });
  await expect(cavity.getByRole('status')).toContainText(`Pressed to ${(pressedTo * 100).toFixed(0)} %`);
  await expect(cavity.getByRole('status')).toContainText(cavityRsi.toFixed(2));
  const worth = new RegExp(`Worth R\\s${wallRsi(cavityRsi).replace('.', '\\.')}`);
  await expect(page.getByRole('heading', { level: 2, name: worth })).toBeVisible();

  await app.start();
  await allSent(page);
  const other = await onOtherDevice(browser, page);
  await other.goto(page.url());
  await expect(other.getByRole('heading', { level: 2, name: worth })).toBeVisible();
  await other.close();
});

test('fills that are thicker than their cavity say so where they are, and nothing is lost', async ({
  page,
  app,
}) => {
  await newWall(page, app, 'Too thick');
  await layer(page, 2)
    .getByRole('button', { name: /: change$/ })
    .click();
  await page.getByRole('button', { name: 'Say what lies in it' }).click();
  await takeMaterial(page, 'xps', 'XPS board');
  const cavity = page.getByRole('group', { name: 'In the cavity' });
  await enter(page, 'Thickness on the label', '200');
  await expect(cavity.getByRole('alert')).toContainText('The boards are thicker than the cavity.');
  await expect(page.getByRole('heading', { level: 2, name: /thicker than the cavity/ })).toBeVisible();
  await enter(page, 'Thickness on the label', '140');
  await expect(cavity.getByRole('alert')).toHaveCount(0);
  await expect(page.getByRole('heading', { level: 2, name: /^Worth R/ })).toBeVisible();
});

test('layers are put into another order by their grip and by its keys', async ({ page, app }) => {
  await newWall(page, app, 'Order');
  const names = async (): Promise<readonly string[]> => {
    const buttons = await page.getByRole('button', { name: /: change$/ }).all();
    return Promise.all(
      buttons.map(async (each) => ((await each.getAttribute('aria-label')) ?? '').replace(/: change$/, '')),
    );
  };
  const [lining, studs, sheathing, cladding] = [
    'Plasterboard',
    'Studs 140, batts',
    'Wood sheathing',
    'Ventilated cladding',
  ];
  expect(await names()).toEqual([lining, studs, sheathing, cladding]);
  const grip = page.getByRole('button', { name: `Move ${sheathing}` });
  await grip.focus();
  await page.keyboard.press('ArrowUp');
  await expect(page.getByText(`${sheathing} is at place 2 of 4.`)).toBeAttached();
  await expect.poll(names).toEqual([lining, sheathing, studs, cladding]);
  // Its grip keeps the focus, so that it goes on with the same key.
  await expect(grip).toBeFocused();

  const from = page.getByRole('button', { name: `Move ${cladding}` });
  await from.scrollIntoViewIfNeeded();
  const [start, end] = [
    await from.boundingBox(),
    await page.getByRole('button', { name: `Move ${studs}` }).boundingBox(),
  ];
  if (start === null || end === null) throw new Error('The grips are not in sight.');
  await page.mouse.move(start.x + start.width / 2, start.y + start.height / 2);
  await page.mouse.down();
  await page.mouse.move(start.x + start.width / 2, end.y + end.height / 2 - 4, { steps: 12 });
  await page.mouse.up();
  await expect.poll(names).toEqual([lining, sheathing, cladding, studs]);
  await allSent(page);
  await page.reload();
  await expect.poll(names).toEqual([lining, sheathing, cladding, studs]);
});

const members = (page: Page) => page.getByRole('group', { name: 'Members of the frame' });

test('a frame is counted from its studs; open corners and boxed headers move its R by what is computed', async ({
  page,
  app,
}) => {
  await newWall(page, app, 'Counted');
  await layer(page, 2)
    .getByRole('button', { name: /: change$/ })
    .click();
  await page.getByRole('button', { name: 'Count the frame from its studs' }).click();
  await members(page).getByRole('button', { name: 'Add openings' }).click();
  const opening = { widthM: 1.2, heightM: 1.2, headerDepthM: 0.2, hasSill: true };
  const wall = {
    lengthM: 6,
    heightM: 2.5,
    spacingM: 0.4,
    studWidthM: 0.04,
    bottomPlates: 1,
    topPlates: 2,
    corners: 1,
    intersections: 1,
    openings: [opening],
  };
  const solid = studLayout(wall);
  const lean = studLayout({
    ...wall,
    cornerKind: 'open',
    intersectionKind: 'open',
    openings: [{ ...opening, headerTimberShare: 0.25 }],
  });
  const worthWith = (framingFraction: number) => {
    const rsi = wallRsi(3.7, { ...frame, framingFraction });
    return page.getByRole('heading', { level: 2, name: new RegExp(`Worth R\\s${rsi.replace('.', '\\.')}`) });
  };
  const takes = (share: number) =>
    members(page).getByText(new RegExp(`The frame takes ${(100 * share).toFixed(1)}\\s?% of the face`));
  await expect(takes(solid.framingFraction)).toBeVisible();
  await expect(worthWith(solid.framingFraction)).toBeVisible();
  await members(page).getByRole('radio', { name: 'Open: the fill reaches in' }).click();
  await members(page).getByRole('radio', { name: 'Fixed to straps' }).click();
  await members(page).getByRole('radio', { name: 'Box, filled like the cavities' }).click();
  await expect(takes(lean.framingFraction)).toBeVisible();
  await expect(worthWith(lean.framingFraction)).toBeVisible();
  await enter(page, 'Spacing of the studs', '40');
  await expect(members(page).getByRole('alert')).toContainText('would cover more than the wall has');
  await enter(page, 'Spacing of the studs', '400');
  await members(page).getByRole('radio', { name: 'I-section' }).click();
  await expect(members(page).getByRole('alert')).toHaveCount(0);
  await allSent(page);
  await page.reload();
  await layer(page, 2)
    .getByRole('button', { name: /: change$/ })
    .click();
  await expect(members(page).getByRole('radio', { name: 'I-section' })).toBeChecked();
});

test('a rain gap that is open ends what insulates, and a claim is broken down to what was built', async ({
  page,
  app,
}) => {
  await newWall(page, app, 'Claimed');
  await page.getByRole('button', { name: /^Grade III/ }).click();
  await enter(page, 'R that is claimed', '7.2');
  const steps = page.getByRole('list', { name: 'From what is said to what was built' });
  await expect(steps.getByRole('listitem')).toHaveCount(4);
  await expect(steps.getByRole('listitem').first()).toContainText('7.20');
  const built = await page.getByRole('heading', { level: 2, name: /^Worth R/ }).textContent();
  const shown = /R\s([\d.]+)/.exec(built ?? '')?.[1] ?? 'nothing';
  await expect(steps.getByRole('listitem').last()).toContainText(shown);

  await layer(page, 4)
    .getByRole('button', { name: /: change$/ })
    .click();
  await layer(page, 4).getByRole('radio', { name: 'Air space' }).click();
  await layer(page, 4).getByRole('radio', { name: 'Open to the outside' }).click();
  await expect(page.getByText(/outwards nothing counts: air from outside moves there/)).toBeVisible();
});

test('a wall that meets what is asked fails once its grade falls, and meets it again', async ({
  page,
  app,
}) => {
  await newWall(page, app, 'Asked');
  await page.getByRole('button', { name: /^Grade I:/ }).click();
  await page.getByRole('link', { name: 'Fill', exact: true }).click();
  await page.getByRole('button', { name: 'What the house is worth' }).click();
  await expect(
    page.getByRole('heading', { level: 2, name: 'Nothing is asked of its insulation yet' }),
  ).toBeVisible();
  await page.getByRole('radio', { name: 'Wall', exact: true }).click();
  await enter(page, 'Wall, at most', '0,37');
  const meets = page.getByRole('heading', { level: 2, name: 'Meets what is asked, as built' });
  await expect(meets).toBeVisible();
  const regrade = async (grade: RegExp): Promise<void> => {
    await page.getByRole('button', { name: 'Back to the filling' }).click();
    await page.getByRole('button', { name: grade }).click();
    await page.getByRole('button', { name: 'What the house is worth' }).click();
  };
  await regrade(/^Grade III:/);
  const fails = /^Fails: North wall, 0\.4\d\d against 0\.370 as built$/;
  await expect(page.getByRole('heading', { level: 2, name: fails })).toBeVisible();
  await regrade(/^Grade I:/);
  await expect(meets).toBeVisible();
});

test('a wall without control gathers water where it is cold, and says so', async ({ page, app }) => {
  await newWall(page, app, 'Moist');
  await page.getByRole('button', { name: 'Choose the climate' }).click();
  await page.getByRole('radio', { name: 'Cold continental' }).click();
  await page.goBack();
  const card = page.getByText('Does it stay dry');
  await expect(card).toBeVisible();
  await expect(page.getByText(/of water gathers in winter|it adds up/)).toBeVisible();
  await expect(page.getByText(/Nothing on the warm side keeps vapour/)).toBeVisible();
  await layer(page, 1)
    .getByRole('button', { name: /: change$/ })
    .click();
  await layer(page, 1).getByRole('button', { name: 'Choose a material' }).click();
  await takeMaterial(page, 'opens wide', 'Membrane that opens wide when damp');
  await expect(page.getByText(/Kept dry by a membrane inside that opens when it is damp/)).toBeVisible();
  await expect(page.getByText(/Nothing on the warm side keeps vapour/)).toHaveCount(0);
  await page.getByRole('button', { name: 'A spot was opened' }).click();
  const spot = page.getByRole('group', { name: 'Opened spot 1' });
  const found = spot.getByRole('status').first();
  await expect(found).toContainText('Not read yet');
  await spot.getByLabel('Opened on', { exact: true }).fill('2126-02-14');
  await spot.getByLabel('Where').fill('Corner');
  await expect(spot.getByText('That day is still to come: on which day was it opened?')).toBeVisible();
  await spot.getByLabel('Opened on', { exact: true }).fill('2026-02-14');
  await enter(page, 'Moisture, by mass of the dry wood', '24');
  await expect(found).toContainText(/Found 24\s% in February\. Worked out to hold/);
  await expect(found).toContainText('Wood that stays so damp rots');
  await expect(spot.getByText(/still to come/)).toHaveCount(0);
  await allSent(page);
  await page.reload();
  await expect(found).toContainText(/Found 24\s% in February/);
  await expect(spot.getByLabel('Where')).toHaveValue('Corner');
});

test('defects are priced as they are typed, add up, and the quickest mend stands first', async ({
  page,
  app,
}) => {
  await newWall(page, app, 'Defects');
  await page.getByRole('button', { name: 'Empty', exact: true }).click();
  await enter(page, 'Size of the spot', '0,4');
  await enter(page, 'Minutes to mend', '10');
  await page.getByRole('button', { name: 'Empty: close' }).click();
  await page.getByRole('button', { name: 'Bare spot', exact: true }).click();
  await enter(page, 'Minutes to mend', '60');
  await expect(page.getByText(/^Together [\d.]+\sW\/K, as much as/)).toBeVisible();
  await page.getByRole('button', { name: 'Back to the plan' }).click();
  await page.getByRole('link', { name: 'Fill', exact: true }).click();
  await page.getByRole('button', { name: 'What the house is worth' }).click();
  const mends = page.getByRole('link', { name: /for \d+\smin$/ });
  await expect(mends).toHaveCount(2);
  await expect(mends.first()).toContainText('Empty');
  await enter(page, 'What mending them costs', '500');
  await expect(page.getByText(/^For the payback, say below/)).toBeVisible();
  await page.getByRole('radio', { name: 'Cool, dry plateau' }).click();
  await enter(page, 'Efficiency of the heater', '90');
  await enter(page, 'Price of a kWh', '0,2');
  await expect(page.getByText(/^Paid back after [\d.]+ years\.$/)).toBeVisible();
});

test('what two walls are built of is changed for one of them, or for both', async ({ page, app }) => {
  await newWall(page, app, 'Alike');
  await page.getByRole('button', { name: 'Back to the plan' }).click();
  await page.getByRole('button', { name: 'Add an area' }).first().click();
  await page.getByLabel('Name', { exact: true }).fill('South wall');
  await enter(page, 'Size', '40');
  await page.getByRole('radio', { name: 'All 2 built like it' }).click();
  await layer(page, 3)
    .getByRole('button', { name: /: change$/ })
    .click();
  await enter(page, 'Thickness', '40');
  await page.getByRole('button', { name: 'Back to the plan' }).click();
  await page.getByRole('link', { name: /^North wall/ }).click();
  await expect(layer(page, 3).getByText(/^40\smm/)).toBeVisible();
  await layer(page, 3)
    .getByRole('button', { name: /: change$/ })
    .click();
  await enter(page, 'Thickness', '15');
  await page.getByRole('button', { name: 'Back to the plan' }).click();
  await page.getByRole('link', { name: /^South wall/ }).click();
  await expect(layer(page, 3).getByText(/^40\smm/)).toBeVisible();
});

test('an area with everything open is read and used by everybody, in both themes and every size', async ({
  page,
  app,
}) => {
  await newWall(page, app, 'Everything open');
  await page.getByRole('button', { name: 'Bare spot', exact: true }).click();
  await page.getByRole('button', { name: 'A spot was opened' }).click();
  await layer(page, 2)
    .getByRole('button', { name: /: change$/ })
    .click();
  await page.getByRole('button', { name: 'Count the frame from its studs' }).click();
  await members(page).getByRole('button', { name: 'Add openings' }).click();
  await members(page).getByRole('radio', { name: 'I-section' }).click();
  await members(page).getByRole('radio', { name: 'Timber and board' }).click();
  await isForEverybody(page, test.info().project.name === 'phone');
});
