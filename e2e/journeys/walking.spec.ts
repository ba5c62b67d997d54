import type { Page } from '@playwright/test';
import { demoHouse } from './demo-pages';
import { begun, workLine } from './dated-house';
import { countDeeds } from './deeds';
import { answer } from './drawn-house';
import { isForEverybody } from './for-everybody';
import { choosePictures, datedPicture, plainPicture, tiles } from './pictures';
import {
  allSent,
  appIsKept,
  expect,
  onOtherDevice,
  openSettled,
  seedHouse,
  test,
  unsent,
} from './running-app';

const project = () => test.info().project.name;
const wrenfold = demoHouse('Wrenfold 4');

/** How much is left on the round, as the page says it. */
const leftWords = (page: Page) => page.getByText(/this round: \d+$/);
async function leftOnRound(page: Page): Promise<number> {
  const words = (await leftWords(page).textContent()) ?? '';
  return Number(/(\d+)$/.exec(words)?.[1]);
}
const key = (page: Page, name: string) => page.getByRole('button', { name, exact: true });
const current = (page: Page) => page.locator('[aria-current="step"]');

/** What is looked at, as its line is called, once the page round it has followed. */
async function nameOfCurrent(page: Page): Promise<string> {
  await expect(page.locator('[aria-busy="true"]')).toHaveCount(0);
  return (await current(page).getAttribute('aria-label')) ?? '';
}

/** What is pressed within a moment of moving on does not count; a hand takes longer. */
const A_MOMENT_MS = 350;

/** Presses a key as a hand does that has seen what it meets. */
async function press(page: Page, name: string): Promise<void> {
  await page.waitForTimeout(A_MOMENT_MS);
  await key(page, name).click();
}

/** Says what was found, and waits until the walk has gone on. */
async function say(page: Page, value: string): Promise<void> {
  const before = await leftOnRound(page);
  await press(page, value);
  await expect(leftWords(page)).toHaveText(new RegExp(`: ${before - 1}$`));
}

/** Opens the walk of a house of the demo. */
async function atWalk(page: Page, url: string): Promise<void> {
  await page.goto(`${url}/houses/${wrenfold.houseId}/walk`);
  await expect(leftWords(page)).toBeVisible();
}

/** A place of the walk by its number. */
async function toPlace(page: Page, number: number): Promise<void> {
  await page.getByRole('button', { name: /: all places$/ }).click();
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /left$/ })
    .nth(number - 1)
    .click();
  await expect(
    page.getByRole('button', { name: new RegExp(`, ${number} of \\d+: all places$`) }),
  ).toBeVisible();
}

test.describe('in the hand', () => {
  test.skip(({ viewport }) => (viewport?.width ?? 0) > 1000, 'the walk is in the hand');

  test('a storey is walked without a signal, resumed after a reload, and is whole on a second screen', async ({
    page,
    app,
    browser,
    request,
  }) => {
    test.slow();
    await seedHouse(app, request, wrenfold);
    await atWalk(page, app.url);
    await appIsKept(page);
    await toPlace(page, 5);
    await app.stop();
    const before = await leftOnRound(page);
    const deeds = await countDeeds(page);
    await say(page, 'Good');
    expect((await deeds()).taps).toBe(1);
    for (let i = 1; i < 30; i++) await say(page, 'Good');

    // Reloaded midway it goes on where it was.
    const at = await page.getByRole('button', { name: /: all places$/ }).getAttribute('aria-label');
    const next = await nameOfCurrent(page);
    await page.reload();
    await expect(leftWords(page)).toHaveText(new RegExp(`: ${before - 30}$`));
    await expect(page.getByRole('button', { name: /: all places$/ })).toHaveAccessibleName(at ?? '');
    await expect(current(page)).toHaveAccessibleName(next);
    for (let i = 30; i < 60; i++) await say(page, i % 9 === 0 ? 'Not here' : 'Good');

    // A hole with what is usual in four taps, and the same again in one.
    const count = await countDeeds(page);
    await key(page, 'Hole').click();
    await page.getByRole('radio', { name: 'Cable', exact: true }).click();
    await page.getByRole('radio', { name: '3 mm', exact: true }).click();
    await page.getByRole('checkbox', { name: 'Collar, taped or bonded' }).click();
    expect((await count()).taps).toBe(4);
    await expect(page.getByRole('status').getByText('Fits', { exact: true })).toBeVisible();
    await key(page, 'Done').click();
    const holes = (number: number) => page.getByRole('heading', { name: `Holes · ${number}`, exact: true });
    await expect(holes(1)).toBeVisible();
    // Taken back, and the same again.
    await page.getByRole('button', { name: 'Undo: hole' }).click();
    await expect(page.getByRole('heading', { name: /^Holes/ })).toHaveCount(0);
    await key(page, 'Hole').click();
    await page.getByRole('radio', { name: 'Cable', exact: true }).click();
    await page.getByRole('radio', { name: '3 mm', exact: true }).click();
    await page.getByRole('checkbox', { name: 'Collar, taped or bonded' }).click();
    await key(page, 'Done').click();
    await expect(holes(1)).toBeVisible();
    for (let i = 2; i <= 13; i++) {
      await page.getByRole('button', { name: /^Again: Cable/ }).click();
      await expect(holes(i)).toBeVisible();
    }
    for (let i = 14; i <= 25; i++) {
      await page.getByRole('button', { name: '+1' }).first().click();
      await expect(holes(i)).toBeVisible();
    }

    await expect(unsent(page)).toBeVisible();
    await app.start();
    await allSent(page);
    const other = await onOtherDevice(browser, page);
    await atWalk(other, app.url);
    await expect(leftWords(other)).toHaveText(new RegExp(`: ${before - 60}$`));
    const place = Number(/, (\d+) of/.exec(at ?? '')?.[1]);
    expect(place).toBeGreaterThan(5);
    await toPlace(other, Number(/, (\d+) of/.exec((await nameOfPlace(page)) ?? '')?.[1]));
    await expect(other.getByRole('heading', { name: 'Holes · 25', exact: true })).toBeVisible();
    await other.close();
  });

  test('a mend takes its reason and its picture in three taps; two presses at once are one; undo goes back', async ({
    page,
    app,
    request,
  }) => {
    await seedHouse(app, request, wrenfold);
    await atWalk(page, app.url);
    await toPlace(page, 20);
    const before = await leftOnRound(page);
    const first = await nameOfCurrent(page);
    const deeds = await countDeeds(page);
    await press(page, 'Mend');
    await page.getByRole('group', { name: 'How it fails' }).getByRole('checkbox').first().click();
    const choosing = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: 'Take a photo, go on' }).click();
    await (await choosing).setFiles([await plainPicture(7)]);
    expect((await deeds()).taps).toBeLessThanOrEqual(3);
    // It has moved on by itself.
    await expect(key(page, 'Good')).toBeVisible();
    await expect(leftWords(page)).toHaveText(new RegExp(`: ${before - 1}$`));
    await page.getByRole('button', { name: `${first}, Mend` }).click();
    await expect(page.getByText('A photo is owed', { exact: false })).toHaveCount(0);
    await expect(page.getByRole('link', { name: /^Photo of/ }).first()).toBeVisible();

    await page.getByRole('button', { name: 'Place after' }).click();
    await expect(leftWords(page)).toHaveText(new RegExp(`: ${before - 1}$`));
    const there = await nameOfPlace(page);
    // Two presses within a moment are one: nobody has seen what the second one meets.
    await page.waitForTimeout(A_MOMENT_MS);
    await key(page, 'Good').dblclick();
    await expect(leftWords(page)).toHaveText(new RegExp(`: ${before - 2}$`));
    await page.getByRole('button', { name: /^Undo: Good/ }).click();
    await expect(leftWords(page)).toHaveText(new RegExp(`: ${before - 1}$`));
    expect(await nameOfPlace(page)).toBe(there);
  });

  test('one thing is taken round the house; a leak that nobody asked for takes four taps', async ({
    page,
    app,
    request,
  }) => {
    await seedHouse(app, request, wrenfold);
    await atWalk(page, app.url);
    await page.getByRole('radio', { name: /^Electrical/ }).click();
    await expect(page.getByText(/ · only /)).toBeVisible();
    const left = await leftOnRound(page);
    expect(left).toBeGreaterThan(0);
    await say(page, 'Good');
    await page.getByRole('radio', { name: 'Everything' }).click();
    expect(await leftOnRound(page)).toBeGreaterThan(left);

    const deeds = await countDeeds(page);
    await key(page, 'Leak').click();
    const choosing = page.waitForEvent('filechooser');
    await page.getByRole('button', { name: 'Take a photo' }).click();
    await (await choosing).setFiles([await plainPicture(8)]);
    // The picture that comes in moves what is below it: a hand presses what it sees.
    await expect(page.getByRole('dialog').getByRole('link', { name: /^Photo of/ })).toBeVisible();
    await page.getByRole('radio', { name: '6 mm', exact: true }).click();
    await page.getByRole('radio', { name: 'Open joint' }).click();
    await expect(page.getByRole('radio', { name: 'Open joint' })).toBeChecked();
    expect((await deeds()).taps).toBe(4);
    await expect(page.getByText('To mend it: sealant that stays soft.')).toBeVisible();
    await key(page, 'Done').click();
    await expect(page.getByRole('button', { name: 'Open joint, Open' })).toBeVisible();
    await allSent(page);
    await isForEverybody(page, true);
  });
});

const nameOfPlace = (page: Page) =>
  page.getByRole('button', { name: /: all places$/ }).getAttribute('aria-label');

test('drilled again, and covered unseen: both events stay, and nothing that was hidden unseen is good', async ({
  page,
  app,
}) => {
  await begun(page, app.url, `Drilled ${project()}`, '2027-03-15');
  const house = page.url().replace(/\/calendar.*/, '');
  const rim = (state: string) =>
    page
      .getByRole('button', {
        name: new RegExp(`^Corners and wall junctions leave room for fill, .*${state}$`),
      })
      .first();
  // A picture from before anything was covered.
  await page.goto(`${house}/record`);
  await choosePictures(page, [await datedPicture('2027:03:02 10:00:00')]);
  await expect(tiles(page)).toBeVisible();
  await page.goto(`${house}/walk`);
  // To the first wall inside.
  await toPlace(page, 5);
  await page
    .getByRole('button', { name: /^Corners and wall junctions/ })
    .first()
    .click();
  await say(page, 'Good');
  await expect(rim('Good')).toBeVisible();
  await allSent(page);

  // On the next day the electrician begins.
  await page.clock.setSystemTime(new Date('2027-03-09T02:00:00Z'));
  await page.goto(`${house}/calendar`);
  await workLine(page, 'Services run').click();
  await page.getByRole('button', { name: 'Begun today' }).click();
  await page.goto(`${house}/walk`);
  await toPlace(page, 5);
  await rim('Look again').click();
  await expect(
    page.getByText('“Services run” began on Tue 9 Mar, after it was good: look again.', { exact: false }),
  ).toBeVisible();
  await expect(page.getByText(/^Good, Mon 8 Mar/)).toBeVisible();
  await say(page, 'Good');
  await expect(rim('Good')).toBeVisible();

  // What insulation hides has not been seen.
  await page.goto(`${house}/calendar`);
  await workLine(page, 'Insulated').click();
  await page.getByRole('button', { name: 'Begun today' }).click();
  await page.clock.setSystemTime(new Date('2027-03-10T02:00:00Z'));
  await page.goto(`${house}/walk`);
  await toPlace(page, 5);
  const covered = page.getByRole('button', { name: /, Covered unseen$/ });
  const count = await covered.count();
  expect(count).toBeGreaterThan(0);
  const name = ((await covered.first().getAttribute('aria-label')) ?? '').replace(/, Covered unseen$/, '');
  await covered.first().click();
  await expect(current(page)).toHaveAccessibleName(`${name}, Covered unseen`);
  await expect(page.getByText('covered unseen, and never good', { exact: false })).toBeVisible();
  await press(page, 'Good');
  await expect(page.getByRole('button', { name: /^Undo: Good/ })).toBeVisible();
  await toPlace(page, 5);
  await page.getByRole('button', { name: `${name}, Covered unseen` }).click();
  await page.getByRole('checkbox', { name: 'It was opened up' }).click();
  await press(page, 'Good');
  await toPlace(page, 5);
  await expect(page.getByRole('button', { name: `${name}, Good` })).toBeVisible();
  await expect(covered).toHaveCount(count - 1);

  // Another is shown by the picture from before.
  const other = ((await covered.first().getAttribute('aria-label')) ?? '').replace(/, Covered unseen$/, '');
  await covered.first().click();
  await expect(current(page)).toHaveAccessibleName(`${other}, Covered unseen`);
  await page.getByRole('button', { name: 'A photo from before shows it' }).click();
  await page
    .getByRole('dialog')
    .getByRole('button', { name: /^Photo of/ })
    .click();
  await expect(page.getByText('By a photo of Tue 2 Mar', { exact: false })).toBeVisible();
  await press(page, 'Good');
  await toPlace(page, 5);
  await page.getByRole('button', { name: `${other}, Good` }).click();
  await expect(page.getByText(/^Good, Tue 2 Mar, by photo/)).toBeVisible();
});

test('at a desk: places, detail and plan together, and keys for verdicts', async ({ page, app, request }) => {
  test.skip(project() === 'phone', 'a phone has no keys');
  await seedHouse(app, request, wrenfold);
  await openSettled(page, `${app.url}/houses/${wrenfold.houseId}/walk`);
  await expect(answer(page)).toHaveText(/left here/);
  const before = await leftOnRound(page);
  await page.waitForTimeout(A_MOMENT_MS);
  await page.keyboard.press('1');
  await expect(leftWords(page)).toHaveText(new RegExp(`: ${before - 1}$`));
  await page.keyboard.press('Control+z');
  await expect(leftWords(page)).toHaveText(new RegExp(`: ${before}$`));
  const place = await nameOfPlace(page);
  await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('button', { name: /: all places$/ })).not.toHaveAccessibleName(place ?? '');
  await page.keyboard.press('ArrowLeft');
  await expect(page.getByRole('button', { name: /: all places$/ })).toHaveAccessibleName(place ?? '');
  // A photo of a place without a verdict waits to be judged, and the verdict says so.
  const choosing = page.waitForEvent('filechooser');
  await key(page, 'Photo').click();
  await (await choosing).setFiles([await plainPicture(11)]);
  await page.getByRole('button', { name: 'Judge by photo: 1 place without a verdict' }).click();
  await page.waitForTimeout(A_MOMENT_MS);
  await page.keyboard.press('1');
  await expect(page.getByText(/^Good, .*, by photo/)).toBeVisible();
  await page.getByRole('button', { name: 'Back to the walk' }).click();
  await expect(leftWords(page)).toHaveText(new RegExp(`: ${before - 1}$`));

  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys on the walk' })).toBeVisible();
  await page.keyboard.press('1');
  await page.keyboard.press('Escape');
  await expect(leftWords(page)).toHaveText(new RegExp(`: ${before - 1}$`));
  await isForEverybody(page, false);
});

test('section, sentence and strip follow each verdict; a mend goes from the list once somebody looked again', async ({
  page,
  app,
  request,
}) => {
  const tamsel = demoHouse('Tamsel Row 3');
  const house = `${app.url}/houses/${tamsel.houseId}`;
  await seedHouse(app, request, tamsel);
  await openSettled(page, `${house}/continuity`);
  await expect(answer(page)).toHaveText(
    /^Broken in 4 places, first at Ground floor, left wall: foot; \d+ not shown yet$/,
  );
  const seam = page.getByRole('link', { name: /^Air barrier: / });
  await expect(seam).toHaveAccessibleName(`Air barrier: ${(await answer(page).textContent()) ?? ''}`);

  await page.goto(`${house}/mends`);
  await expect(answer(page)).toHaveText(/^4 mends, \d+ min, first before “Insulated” on /);
  await expect(
    page.getByText('no visit of this trade is planned before', { exact: false }).first(),
  ).toBeVisible();
  // Held against the test: what it explains, and the shortest way to the target.
  await expect(page.getByText(/^The test of .* explains \d+ % to \d+ % of it/)).toBeVisible();
  await expect(page.getByText(/^Shortest way to the target|^All mends together/)).toBeVisible();
  // The list of one trade is printed on a sheet of its own.
  await page.getByRole('radio', { name: 'Carpenter' }).click();
  await expect(answer(page)).toHaveText(/^2 mends/);
  await page.getByRole('button', { name: 'Print this list' }).click();
  await expect(page.frameLocator('iframe[name="printed"]').getByRole('row')).toHaveCount(3);
  const saving = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save as a table' }).click();
  expect((await saving).suggestedFilename()).toBe('Tamsel Row 3 mends.csv');

  await page.getByRole('button', { name: /^Gasket and two sealant lines/ }).click();
  await page.getByRole('button', { name: 'Looked again: it is good' }).click();
  await expect(answer(page)).toHaveText(/^1 mend/);
  await expect(seam).toHaveAccessibleName(/Broken in 3 places/);
  await page.getByRole('button', { name: /^Open joint/ }).click();
  await page.getByRole('radio', { name: 'Accepted as is' }).click();
  await expect(page.getByText('Say why it is accepted as it is.')).toBeVisible();
  await page.getByLabel('Reason', { exact: true }).fill('Behind the stair, out of reach');
  await page.getByLabel('Reviewed by', { exact: true }).fill('Ilse Varga');
  await key(page, 'Done').click();
  await expect(answer(page)).toHaveText('Nothing is to be mended');
  await expect(page.getByRole('button', { name: /^Open joint, .*, Accepted as is$/ })).toBeVisible();
  await allSent(page);

  // Where it is cut, a tap on a joint opens how it is made.
  await page.goto(`${house}/continuity`);
  await expect(answer(page)).toHaveText(/^Broken in 2 places/);
  await page.getByRole('button', { name: /head of the rim: to be mended$/ }).click();
  await expect(page.getByRole('button', { name: /: all places$/ })).toBeVisible();
  await page
    .getByRole('button', { name: /foot, / })
    .last()
    .click();
  await page.getByRole('checkbox', { name: 'Gasket' }).click();
  await page.getByRole('radio', { name: 'Carried through' }).click();
  await key(page, 'Done').click();
  await allSent(page);
});
