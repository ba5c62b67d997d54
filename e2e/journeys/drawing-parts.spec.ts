import { addStorey, answer, bareHouse, drawRectangle } from './drawn-house';
import { allSent, enter, expect, onOtherDevice, test, savedBy } from './running-app';

const project = () => test.info().project.name;

test('in feet and inches: a garage with a room over it, a roof over a part, one build-up for all walls', async ({
  page,
  app,
}) => {
  await bareHouse(page, app.url, `Feet ${project()}`);
  await page.getByRole('button', { name: 'Metric' }).click();
  await page.getByRole('button', { name: 'Draw the house' }).click();
  await enter(page, 'Walls, thickness', '12');
  await enter(page, 'Clear height', "8'");
  await drawRectangle(page, `32' 9 1/2"`, "26' 6");
  // Inside of walls of 1 ft: 30.792 ft × 24.5 ft, 8 ft clear.
  await expect(answer(page)).toHaveText('754 ft² of floor, 6035 ft³');

  await page.getByRole('button', { name: 'The next wall' }).click();
  await page.getByRole('radio', { name: 'Garage', exact: true }).click();
  await page.getByRole('button', { name: 'Draw the garage beyond it' }).click();
  await enter(page, 'Depth away from it', '12');
  await enter(page, 'Width along the wall', '20');
  await expect(page.getByText('Garage', { exact: true }).first()).toBeVisible();

  await addStorey(page);
  // The upper floor reaches over the garage: of 12 ft × 24.5 ft the part over it is told apart from that over open air.
  await enter(page, 'Length', `44' 9 1/2"`);
  await expect(answer(page)).toContainText('1803 ft² of floor');
  await page.getByRole('button', { name: 'A roof of its own over part of it' }).click();
  await enter(page, 'Depth inwards', '10');
  await expect(page.getByLabel('Name of the roof', { exact: true })).toHaveValue(
    'Part roof 1 of upper floor',
  );

  const lines = (await savedBy(page, 'Save its areas as CSV')).split('\n');
  expect(lines.filter((line) => line.includes('floor over Garage'))).toHaveLength(1);
  expect(lines.filter((line) => line.startsWith('Part roof 1 of upper floor,roof'))).toHaveLength(1);

  await page.getByRole('button', { name: 'Back to the plan' }).click();
  await page.getByRole('link').filter({ hasText: 'Ground floor, back wall' }).first().click();
  await page.getByRole('radio', { name: 'Every wall drawn' }).click();
  await page.getByRole('button', { name: 'Choose', exact: true }).click();
  await page.getByRole('button', { name: /^Use Double frame/ }).click();
  await page.getByRole('button', { name: 'Back to the plan' }).click();
  const other = page.getByRole('link').filter({ hasText: 'Upper floor, left wall' }).first();
  // One of them is built in another way.
  await other.click();
  await expect(page.getByText(/^Double frame/).first()).toBeVisible();
  await page.getByRole('button', { name: 'Choose', exact: true }).click();
  await page.getByRole('button', { name: /^Use Masonry/ }).click();
  await expect(page.getByRole('button', { name: 'As planned' })).toBeVisible();
  await page.getByRole('button', { name: 'As planned' }).click();
  await expect(page.getByText(/^Double frame/).first()).toBeVisible();
  await allSent(page);
});

test('a wall is dragged into line with another, and by arrow keys; both are taken back', async ({
  page,
  app,
}) => {
  await bareHouse(page, app.url, `Dragged ${project()}`);
  await page.getByRole('button', { name: 'Draw the house' }).click();
  await page.getByRole('radio', { name: 'L', exact: true }).click();
  await drawRectangle(page, '10', '8');
  await expect(answer(page)).toHaveText('57.6 m² of floor, 144 m³');
  // The third wall lies 3 m behind the front: dragged nearly there, the L becomes a rectangle.
  await page.getByRole('button', { name: 'The next wall' }).click();
  await page.getByRole('button', { name: 'The next wall' }).click();
  const handle = page.getByRole('slider', { name: 'Move wall 3' });
  await handle.scrollIntoViewIfNeeded();
  const box = (await handle.boundingBox()) ?? { x: 0, y: 0, width: 0, height: 0 };
  const picture = (await page.getByRole('img', { name: /^Ground floor from above/ }).boundingBox()) ?? box;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x, y + picture.height / 8, { steps: 4 });
  await page.mouse.up();
  await expect(answer(page)).not.toHaveText('57.6 m² of floor, 144 m³');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(answer(page)).toHaveText('57.6 m² of floor, 144 m³');

  await handle.focus();
  await page.keyboard.press('ArrowDown');
  // 50 mm more of 4 m, less nothing: the inner width of the part is 4 m.
  await expect(answer(page)).toHaveText('57.8 m² of floor, 144 m³');
  await page.keyboard.press('ArrowUp');
  await expect(answer(page)).toHaveText('57.6 m² of floor, 144 m³');
});

test('two devices draw on two storeys without a question, and on one outline are asked', async ({
  page,
  app,
  browser,
}) => {
  await bareHouse(page, app.url, `Two draw ${project()}`);
  await page.getByRole('button', { name: 'Draw the house' }).click();
  await drawRectangle(page, '10', '8');
  await addStorey(page);
  await allSent(page);
  const other = await onOtherDevice(browser, page);
  await other.goto(page.url());
  await expect(answer(other)).toHaveText('139.1 m² of floor, 348 m³');

  await page.context().setOffline(true);
  await enter(page, 'Clear height', '3');
  await enter(page, 'Length', '12');
  await other.getByRole('radio', { name: 'Ground floor' }).click();
  await enter(other, 'Length', '11');
  await allSent(other);
  await page.context().setOffline(false);
  await allSent(page);
  await expect(page.getByText(/was changed on another device/)).toHaveCount(0);
  // 11 m × 8 m below and 12 m × 8 m above, inside of walls of 0.3 m.
  const merged = '161.3 m² of floor, 445 m³';
  for (const each of [page, other]) await expect(answer(each)).toHaveText(merged);

  await page.context().setOffline(true);
  await page.getByRole('radio', { name: 'Ground floor' }).click();
  await enter(page, 'Length', '13');
  await enter(other, 'Length', '10');
  await allSent(other);
  await page.context().setOffline(false);
  await expect(page.getByText(/was changed on another device/)).toBeVisible();
  await page.getByRole('button', { name: 'Keep mine' }).click();
  await allSent(page);
  await expect(other.getByRole('textbox', { name: 'Length', exact: true })).toHaveValue('13');
  await other.close();
});
