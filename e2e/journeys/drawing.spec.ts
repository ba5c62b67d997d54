import type { Page } from '@playwright/test';
import { addStorey, answer, bareHouse, drawRectangle } from './drawn-house';
import { isForEverybody } from './for-everybody';
import { allSent, appIsKept, enter, expect, onOtherDevice, test, unsent, savedBy } from './running-app';

/** The key that gives the front wall of the ground floor its worst grade. */
const gradeOf = (page: Page) =>
  page
    .getByRole('group', { name: 'Grade of Ground floor, front wall' })
    .getByRole('button', { name: /^Grade III/ });

test('without a server a house is drawn and graded, and arrives whole elsewhere', async ({
  page,
  app,
  browser,
}) => {
  const name = `Drawn ${test.info().project.name}`;
  await page.goto(app.url);
  await appIsKept(page);
  await bareHouse(page, app.url, name);
  await allSent(page);
  await app.stop();

  await page.getByRole('button', { name: 'Draw the house' }).click();
  await expect(answer(page)).toHaveText('Draw the lowest storey first');
  await drawRectangle(page, '10', '8');
  // Inside of walls of 0.3 m: 9.4 m × 7.4 m × 2.5 m.
  await expect(answer(page)).toHaveText('69.6 m² of floor, 174 m³');
  await addStorey(page);
  await expect(answer(page)).toHaveText('139.1 m² of floor, 348 m³');

  // Slopes over the storey that nothing stands on: ridge along the longer side, w²·t/4·L more.
  await page.getByRole('radio', { name: 'Slopes', exact: true }).last().click();
  await enter(page, 'Pitch, rise over run', '1');
  await expect(answer(page)).toHaveText('139.1 m² of floor, 476 m³');

  // A window in the wall that is chosen makes its area smaller by it.
  await page.getByRole('button', { name: 'Add an opening in back wall' }).click();
  await enter(page, 'Width', '2');
  await page.getByRole('button', { name: 'Back to the plan' }).click();
  await expect(page.getByText('Window, Upper floor, back wall')).toBeVisible();
  await expect(page.getByText(/476/).first()).toBeVisible();
  await expect(unsent(page)).toBeVisible();

  await page.getByRole('link', { name: 'Fill', exact: true }).click();
  await expect(page.getByText('Ground floor, front wall').first()).toBeVisible();
  await gradeOf(page).click();

  await app.start();
  await page.reload();
  await allSent(page);
  const other = await onOtherDevice(browser, page);
  await other.goto(page.url());
  await expect(other.getByText('Ground floor, front wall').first()).toBeVisible();
  await expect(gradeOf(other)).toHaveAttribute('aria-pressed', 'true');
  await other.close();
});

test('an outline that does not close says by how much, and is closed by its last two walls', async ({
  page,
  app,
}) => {
  await bareHouse(page, app.url, `Open ${test.info().project.name}`);
  await page.getByRole('button', { name: 'Draw the house' }).click();
  await drawRectangle(page, '10', '8');
  await page.getByRole('button', { name: 'Ground, concrete, rooms, cut' }).click();
  await page.getByRole('button', { name: 'A wall more after it' }).click();
  await expect(answer(page)).toContainText('Ground floor is open by');
  await expect(page.getByText('It does not close.', { exact: false })).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(answer(page)).toHaveText('69.6 m² of floor, 174 m³');

  // The length of a wall of a closed outline takes the wall opposite along.
  await enter(page, 'Length', '12');
  await expect(answer(page)).toHaveText('84.4 m² of floor, 211 m³');
  // A turn the other way opens it, and the last two walls cannot mend that.
  await page.getByRole('radio', { name: 'Left', exact: true }).first().click();
  await expect(answer(page)).toContainText('Ground floor is open by');
  await expect(page.getByText(/cannot be set so that it does/)).toBeVisible();
  await page.getByRole('radio', { name: 'Right', exact: true }).first().click();
  await expect(answer(page)).toHaveText('84.4 m² of floor, 211 m³');
});

test('what was entered of a wall stays with it, cut, renamed and joined; a size comes back in one tap', async ({
  page,
  app,
}) => {
  await bareHouse(page, app.url, `Cut ${test.info().project.name}`);
  await page.getByRole('button', { name: 'Draw the house' }).click();
  await drawRectangle(page, '10', '8');
  await page.getByRole('button', { name: 'Back to the plan' }).click();
  const wall = page.getByRole('link').filter({ hasText: 'Ground floor, back wall' }).first();
  await wall.click();
  await expect(page.getByText('As drawn, without its openings')).toBeVisible();
  await page.getByRole('button', { name: /^Grade II:/ }).click();
  await enter(page, 'Size', '20');
  await expect(page.getByText('Drawn: 23.5 m²')).toBeVisible();
  await page.getByRole('button', { name: 'As drawn' }).click();
  await expect(page.getByText('As drawn, without its openings')).toBeVisible();

  await page.getByRole('button', { name: 'Back to the plan' }).click();
  await page.getByRole('button', { name: 'Open the drawing' }).click();
  await page.getByRole('button', { name: 'Ground, concrete, rooms, cut' }).click();
  await enter(page, 'Cut it, from its left end', '7');
  await page.getByRole('button', { name: 'Cut in two' }).click();
  await expect(page.getByText('1 of 5')).toBeVisible();
  await page.getByRole('textbox', { name: 'Name', exact: true }).first().fill('street wall');
  await page.getByRole('button', { name: 'Back to the plan' }).click();
  const renamed = page.getByRole('link').filter({ hasText: 'Ground floor, street wall' }).first();
  await renamed.click();
  await expect(page.getByRole('button', { name: /^Grade II:/ })).toHaveAttribute('aria-pressed', 'true');
});

test('windows of a wall that is taken out, or of a storey that is deleted, are told of until they have a place', async ({
  page,
  app,
}) => {
  await bareHouse(page, app.url, `Taken out ${test.info().project.name}`);
  await page.getByRole('button', { name: 'Draw the house' }).click();
  await drawRectangle(page, '10', '8');
  const lost = page.getByRole('button', { name: /^\d openings? of (a part that is|parts that are) gone/ });
  await addStorey(page);
  await page.getByRole('button', { name: 'Add an opening in back wall' }).click();
  await page.getByRole('button', { name: 'Add an opening in back wall' }).click();
  await page.getByRole('button', { name: 'Ground, concrete, rooms, cut' }).click();
  await page.getByRole('button', { name: 'A wall more after it' }).click();
  await page.getByRole('button', { name: 'Add an opening in wall 2' }).click();
  await page.getByRole('button', { name: 'Take it out' }).click();
  await expect(page.getByText('Wall 2 was taken out; its opening waits to be put elsewhere.')).toBeVisible();
  await lost.click();
  await expect(page.getByText('1.20 m × 1.40 m')).toHaveCount(3);
  await page.getByRole('button', { name: 'Put it into back wall' }).click();
  await expect(lost).toHaveCount(0);

  await page.getByRole('button', { name: 'Delete this storey' }).click();
  await expect(lost).toHaveAccessibleName(/^3 openings of parts that are gone/);
  await lost.click();
  await page.getByRole('button', { name: 'Delete all 3' }).click();
  await expect(lost).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).last().click();
  await lost.click();
  await page.getByRole('button', { name: 'Put all 3 into back wall' }).click();
  await expect(lost).toHaveCount(0);
  await expect(page.getByText('1.20 m × 1.40 m')).toHaveCount(3);
});

test('a drawing with all its parts open is read and used by everybody', async ({ page, app }) => {
  test.slow();
  await page.emulateMedia({ colorScheme: 'light' });
  await bareHouse(page, app.url, `Open to all ${test.info().project.name}`);
  await page.getByRole('button', { name: 'Draw the house' }).click();
  await drawRectangle(page, '10', '8');
  await page.getByRole('radio', { name: 'Slopes', exact: true }).click();
  await page.getByRole('button', { name: 'Ground, concrete, rooms, cut' }).click();
  await page.getByRole('button', { name: 'Add a room along it' }).click();
  await page.getByRole('button', { name: 'Add an opening in back wall' }).click();
  await expect(page.getByRole('textbox', { name: 'How many' })).toBeVisible();
  await allSent(page);
  await isForEverybody(page, test.info().project.name === 'phone');
});

test('a copied house holds nothing that was recorded; a drawing goes into a file, and comes back as it went', async ({
  page,
  app,
}) => {
  const project = test.info().project.name;
  await bareHouse(page, app.url, `Copied ${project}`);
  await page.getByRole('button', { name: 'Draw the house' }).click();
  await drawRectangle(page, '10', '8');
  const text = await savedBy(page, 'Save the drawing to a file');

  await page.getByRole('link', { name: 'Fill', exact: true }).click();
  await gradeOf(page).click();
  await expect(gradeOf(page)).toHaveAttribute('aria-pressed', 'true');
  await page.getByRole('link', { name: 'Plan', exact: true }).click();
  await page.getByRole('button', { name: 'Open the drawing' }).click();
  await page.getByRole('button', { name: 'Copy', exact: true }).click();
  await page.getByLabel('Name of the copy').fill(`Mirror ${project}`);
  await page.getByRole('radio', { name: 'Mirrored' }).click();
  await page.getByRole('button', { name: 'Make the copy' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText(`Mirror ${project}`);
  await page.getByRole('link', { name: 'Fill', exact: true }).click();
  await expect(gradeOf(page)).toHaveAttribute('aria-pressed', 'false');
  await allSent(page);

  await bareHouse(page, app.url, `Brought in ${project}`);
  await page.getByRole('button', { name: 'Draw the house' }).click();
  const bring = (content: string) =>
    page.getByLabel('File of a drawing').setInputFiles({
      name: 'drawing.json',
      mimeType: 'application/json',
      buffer: Buffer.from(content),
    });
  await bring(text.slice(0, -40));
  await expect(page.getByText(/its end is missing/)).toBeVisible();
  await bring(text.replace('"version": 2', '"version": 7'));
  await expect(page.getByText(/This file is of version 7/)).toBeVisible();
  await bring(`${text}${' '.repeat(5_000_000)}`);
  await expect(page.getByText(/drawing.json has 5.0 MB/)).toBeVisible();
  await bring(text);
  await expect(answer(page)).toHaveText('69.6 m² of floor, 174 m³');
});
