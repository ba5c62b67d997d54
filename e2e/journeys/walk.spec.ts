import type { Page } from '@playwright/test';
import { countDeeds } from './deeds';
import { addStorey, answer, bareHouse, drawRectangle } from './drawn-house';
import { isForEverybody } from './for-everybody';
import { resize, SIZES } from './sizes';
import { allSent, appIsKept, enter, expect, onOtherDevice, test, unsent } from './running-app';

const project = () => test.info().project.name;

/** A tap while looking for what to tap, and a sign on a keypad that is open: seconds, as slow as with gloves. */
const TAP_S = 3;
const SIGN_S = 1;

/** Names of the stops in the order in which they stand. */
const stops = (page: Page) => page.getByRole('button', { name: /^\d+, / });
const namesOf = async (page: Page): Promise<readonly string[]> =>
  (await stops(page).evaluateAll((all) => all.map((each) => each.getAttribute('aria-label') ?? ''))).map(
    (name) => name.replace(/^\d+, /, ''),
  );

/** Opens a house of one rectangular storey at what has to be looked at in it. */
async function oneStorey(page: Page, url: string, name: string): Promise<void> {
  await bareHouse(page, url, name);
  await page.getByRole('button', { name: 'Draw the house' }).click();
  await drawRectangle(page, '10', '8');
  await page.getByRole('button', { name: 'Back to the plan' }).click();
  await page.getByRole('button', { name: 'How it is built' }).click();
}

const ROUND = ['front wall', 'right wall', 'back wall', 'left wall'] as const;

test('without a server a house of two storeys is set up from nothing, and walked from its door on', async ({
  page,
  app,
  browser,
}) => {
  await page.goto(app.url);
  await appIsKept(page);
  await app.stop();
  const deeds = await countDeeds(page);
  const name = `Walked ${project()}`;
  await page.getByRole('button', { name: 'Add a house' }).first().click();
  await page.getByLabel('Name', { exact: true }).fill(name);
  await enter(page, 'Bedrooms', '3');
  await enter(page, 'Limit', '1.5');
  await page.getByRole('button', { name: 'Create house' }).click();
  await page.getByRole('button', { name: 'Draw the house' }).click();
  await drawRectangle(page, '10', '8');
  // The door, in the third wall from the back on.
  await page.getByRole('button', { name: 'The next wall' }).click();
  await page.getByRole('button', { name: 'The next wall' }).click();
  await page.getByRole('button', { name: 'Add an opening in front wall' }).click();
  await page.getByRole('radio', { name: 'Entrance door' }).click();
  await addStorey(page);
  await page.getByRole('button', { name: 'Add an opening in back wall' }).click();
  await page.getByRole('radio', { name: 'Slopes', exact: true }).last().click();
  await page.getByRole('button', { name: 'Back to the plan' }).click();
  await page.getByRole('button', { name: 'How it is built' }).click();
  await page.getByRole('button', { name: 'Outer sheathing' }).click();
  await page.getByRole('button', { name: 'Add what it has' }).click();
  await page.getByRole('button', { name: 'Tub on an outer wall' }).click();
  await page.getByRole('button', { name: 'What to look at' }).click();

  await expect(answer(page)).toHaveText(/^\d+ stops, \d{3} checkpoints$/);
  expect(await namesOf(page)).toEqual([
    ...['front', 'right', 'back', 'left'].map((side) => `Outside, ${side}`),
    ...ROUND.map((wall) => `Ground floor, ${wall}`),
    'Ground floor, in the middle',
    ...ROUND.map((wall) => `Upper floor, ${wall}`),
    'Upper floor, in the middle',
    'Roof of upper floor, from above',
    'Whole house',
  ]);
  const { taps, signs } = await deeds();
  const minutes = (taps * TAP_S + signs * SIGN_S) / 60;
  test.info().annotations.push({
    type: 'set up',
    description: `${taps} taps, ${signs} signs typed, about ${minutes.toFixed(1)} minutes`,
  });
  expect(taps + signs).toBeLessThanOrEqual(120);
  expect(minutes).toBeLessThanOrEqual(10);

  await stops(page).filter({ hasText: 'Ground floor, back wall' }).click();
  await page
    .getByRole('button', { name: /^Tub or shower wall|^Wall behind|tub/i })
    .first()
    .click();
  await expect(page.getByText('Fails by')).toBeVisible();
  await page.getByRole('button', { name: 'Close', exact: true }).last().click();
  await expect(unsent(page)).toBeVisible();

  const said = await answer(page).textContent();
  await expect(page).toHaveURL(/\/stops$/);
  await app.start();
  await page.reload();
  await expect(answer(page)).toHaveText(said ?? '');
  await allSent(page);
  const other = await onOtherDevice(browser, page);
  await other.goto(page.url());
  await expect(answer(other)).toHaveText(said ?? '');
  await other.close();
});

test('how it is built decides what is asked: a set to begin with, one wall otherwise, what does not go together', async ({
  page,
  app,
}) => {
  await oneStorey(page, app.url, `Built ${project()}`);
  await expect(answer(page)).toHaveText('Say first where the air barrier is');
  await page.getByRole('button', { name: 'What to look at' }).click();
  await expect(page.getByText('Nobody has said yet how this house is built', { exact: false })).toBeVisible();
  await page.getByRole('button', { name: 'Say how it is built' }).click();
  await page.getByRole('button', { name: 'Inner membrane' }).click();
  await expect(answer(page)).toHaveText('The air barrier: inner membrane');

  await page.getByRole('radio', { name: 'Coat on masonry' }).click();
  await expect(page.getByText(/nothing is masonry: choose masonry/)).toBeVisible();
  await page.getByRole('radio', { name: 'Inner membrane' }).click();
  await expect(page.getByText(/nothing is masonry/)).toHaveCount(0);

  await page.getByRole('button', { name: 'Another part' }).click();
  await page.getByRole('button', { name: 'Ground floor, left wall' }).click();
  await page
    .getByRole('group', { name: 'Insulation of walls' })
    .last()
    .getByRole('checkbox', { name: 'Sprayed foam' })
    .click();
  await page.getByRole('button', { name: 'What to look at' }).click();
  await stops(page).filter({ hasText: 'Ground floor, left wall' }).click();
  await expect(page.getByRole('button', { name: /^Foam tight at its edges/ })).toBeVisible();
  await stops(page).filter({ hasText: 'Ground floor, right wall' }).click();
  await expect(page.getByRole('button', { name: /^Foam tight at its edges/ })).toHaveCount(0);
});

test('a checkpoint is left out and asked for again, another is added; what came and went is told', async ({
  page,
  app,
}) => {
  await oneStorey(page, app.url, `Left out ${project()}`);
  await page.getByRole('button', { name: 'Inner membrane' }).click();
  await page.getByRole('button', { name: 'What to look at' }).click();
  await expect(answer(page)).toHaveText(/stops/);
  const said = (await answer(page).textContent()) ?? '';
  await stops(page).filter({ hasText: 'Ground floor, front wall' }).click();
  const first = page.getByRole('button', { name: /, Ground floor, front wall/ }).nth(1);
  const title = ((await first.getAttribute('aria-label')) ?? '').split(', Ground floor')[0] ?? '';
  await first.click();
  await page.getByRole('button', { name: 'Leave it out in all of this house' }).click();
  await expect(answer(page)).not.toHaveText(said);
  await page.getByRole('button', { name: /^Since you looked: 0 came, \d+ went$/ }).click();
  await expect(page.getByText('Went', { exact: true })).toBeVisible();
  await expect(page.getByText(title, { exact: true }).first()).toBeVisible();
  await page.getByRole('button', { name: `Ask for it again: ${title}` }).click();
  await expect(answer(page)).toHaveText(said);

  await page.getByRole('button', { name: 'Add a checkpoint here' }).click();
  await page.getByRole('button', { name: 'Add it' }).click();
  await expect(page.getByText('Say what is to be looked at.')).toBeVisible();
  await page.getByLabel('What should be true there', { exact: true }).fill('Meter box closed behind');
  await page.getByRole('button', { name: 'Add it' }).click();
  await expect(page.getByRole('button', { name: 'Since you looked: 1 came, 0 went' })).toBeVisible();
  await page.getByRole('button', { name: 'Noted' }).click();
  await expect(page.getByRole('button', { name: /^Since you looked/ })).toHaveCount(0);
  await page.getByRole('button', { name: /^Meter box closed behind/ }).click();
  await page.getByRole('button', { name: 'Take it away' }).click();
  await expect(answer(page)).toHaveText(said);
  await page.getByRole('button', { name: 'Undo' }).last().click();
  await expect(page.getByRole('button', { name: /^Meter box closed behind/ })).toBeVisible();
});

test('what was found is said in one tap, without a server; two who knew nothing of each other are both told of', async ({
  page,
  app,
  browser,
}) => {
  const name = `Found ${project()}`;
  await oneStorey(page, app.url, name);
  await page.getByRole('button', { name: 'Outer sheathing' }).click();
  await page.getByRole('button', { name: 'What to look at' }).click();
  await expect(answer(page)).toHaveText(/stops/);
  await appIsKept(page);
  await allSent(page);
  const other = await onOtherDevice(browser, page);
  await other.goto(page.url());
  await expect(answer(other)).toHaveText(/stops/);
  const front = (of: Page) => stops(of).filter({ hasText: 'Ground floor, front wall' });
  const line = (of: Page) => of.getByRole('button', { name: /, Ground floor, front wall/ }).nth(1);
  for (const one of [page, other]) {
    await front(one).click();
    await expect(line(one)).toBeVisible();
  }
  await app.stop();

  const say = async (on: Page, value: string) => {
    await line(on).click();
    await on.getByRole('radio', { name: value, exact: true }).click();
  };
  await say(page, 'Good');
  // Pressed twice it is one.
  await page.getByRole('radio', { name: 'Good', exact: true }).click();
  await page.getByRole('button', { name: 'Close', exact: true }).last().click();
  await expect(line(page)).toHaveAccessibleName(/, Good$/);
  await expect(front(page)).toContainText(/\d+ left/);

  await say(other, 'Mend');
  await other.getByRole('checkbox').first().click();
  await other.getByLabel('Note', { exact: true }).fill('behind the meter');
  await other.getByRole('button', { name: 'Close', exact: true }).last().click();
  await expect(line(other)).toHaveAccessibleName(/, Mend$/);

  await app.start();
  for (const one of [page, other]) {
    await one.reload();
    await front(one).click();
    await expect(line(one)).toHaveAccessibleName(/, Mend$/);
    await allSent(one);
  }
  // The worse counts on both, and both are shown; who looks again settles it.
  await line(page).click();
  await expect(page.getByText(/Mend.* · Good.*: said without knowing of each other/)).toBeVisible();
  await expect(page.getByLabel('Note', { exact: true })).toHaveValue('behind the meter');
  await page.getByRole('radio', { name: 'Good', exact: true }).click();
  await expect(page.getByText(/without knowing of each other/)).toHaveCount(0);
  await page.getByRole('button', { name: 'Close', exact: true }).last().click();
  await expect(line(other)).toHaveAccessibleName(/, Good$/);
  await page.getByRole('button', { name: 'Undo' }).last().click();
  await expect(line(page)).toHaveAccessibleName(/, Mend$/);
  await other.close();
});

test('planned services stand as holes to come; what is on a part that is gone asks where it is now', async ({
  page,
  app,
}) => {
  await oneStorey(page, app.url, `Services ${project()}`);
  await page.getByRole('button', { name: 'Add what it has' }).click();
  await page.getByRole('button', { name: 'Planned service' }).click();
  await page.getByRole('radio', { name: 'Waste pipe' }).click();
  await enter(page, 'How many', '2');
  await enter(page, 'Width of the hole', '110');
  await page.getByRole('button', { name: 'Ground floor, back wall' }).click();
  await page.getByRole('button', { name: 'Ground floor, right wall' }).click();
  await page.getByRole('button', { name: 'What to look at' }).click();
  await expect(page.getByText('2 × Waste pipe')).toBeVisible();
  await expect(page.getByText('110 mm · Ground floor, right wall')).toBeVisible();

  await page.getByRole('button', { name: 'Back to the house' }).click();
  await page.getByRole('button', { name: 'Open the drawing' }).click();
  await page.getByRole('button', { name: 'Delete this storey' }).click();
  await page.getByRole('button', { name: 'Back to the plan' }).click();
  await expect(page.getByRole('button', { name: 'Draw the house' })).toBeVisible();
  await page.goto(page.url() + '/stops');
  await expect(page.getByText('Draw the house first')).toBeVisible();
});

test('both pages, with all their parts open, are read and used by everybody', async ({ page, app }) => {
  test.slow();
  await page.emulateMedia({ colorScheme: 'light' });
  await oneStorey(page, app.url, `Walk for all ${project()}`);
  await page.getByRole('button', { name: 'Inner membrane' }).click();
  await page.getByRole('button', { name: 'Another part' }).click();
  await page.getByRole('button', { name: 'Ground floor, left wall' }).click();
  await page.getByRole('button', { name: 'Add what it has' }).click();
  await page.getByRole('button', { name: 'Joist hangers built into masonry' }).click();
  await allSent(page);
  await isForEverybody(page, project() === 'phone');
  await page.emulateMedia({ colorScheme: 'light' });
  if (project() === 'phone') await resize(page, SIZES.phone);
  await page.getByRole('button', { name: 'What to look at' }).click();
  await stops(page).filter({ hasText: 'Ground floor, front wall' }).click();
  await isForEverybody(page, project() === 'phone');
});
