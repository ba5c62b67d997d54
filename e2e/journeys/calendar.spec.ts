import { begun, NOW, workLine } from './dated-house';
import { answer } from './drawn-house';
import { isForEverybody } from './for-everybody';
import { allSent, appIsKept, enter, expect, onOtherDevice, test, savedBy } from './running-app';

const project = () => test.info().project.name;

test('a calendar begins as the house is built; a work that moves takes along what follows, and what is seen before it', async ({
  page,
  app,
  browser,
}) => {
  await begun(page, app.url, `Dated ${project()}`, '2027-03-15');
  // Goods on Monday, the slab on Tuesday: what it covers is seen on Monday.
  await expect(answer(page)).toHaveText(/^First hold Mon 15 Mar: \d+ before “Slab poured”$/);
  await expect(workLine(page, 'Wall stood')).toHaveAccessibleName('Wall stood, Wed 17 Mar – Tue 23 Mar');
  await expect(workLine(page, 'Walls lined')).toBeVisible();

  await workLine(page, 'Slab poured').click();
  await page.getByRole('button', { name: 'Set the day on which it begins' }).click();
  await page.getByLabel('Begins on', { exact: true }).fill('2027-03-22');
  await expect(workLine(page, 'Wall stood')).toHaveAccessibleName('Wall stood, Tue 23 Mar – Mon 29 Mar');
  await expect(answer(page)).toHaveText(/^First hold Fri 19 Mar: \d+ before “Slab poured”$/);

  // A day on which nobody works.
  await page.getByLabel('A day without work', { exact: true }).fill('2027-03-26');
  await page.getByRole('button', { name: 'Add this day' }).click();
  await expect(workLine(page, 'Wall stood')).toHaveAccessibleName('Wall stood, Tue 23 Mar – Tue 30 Mar');
  await page.getByRole('button', { name: 'Let it follow' }).click();
  await expect(workLine(page, 'Wall stood')).toHaveAccessibleName('Wall stood, Wed 17 Mar – Tue 23 Mar');

  await allSent(page);
  const other = await onOtherDevice(browser, page);
  await other.clock.install({ time: NOW });
  await other.goto(page.url());
  await expect(workLine(other, 'Wall stood')).toHaveAccessibleName('Wall stood, Wed 17 Mar – Tue 23 Mar');
  await other.close();
});

test('without a server: a passed day asks, “begun” marks what nobody saw, and is taken back', async ({
  page,
  app,
}) => {
  await begun(page, app.url, `Begun ${project()}`, '2027-03-08');
  await appIsKept(page);
  await allSent(page);
  await app.stop();
  await expect(page.getByText('Its day has come: say whether it has begun.', { exact: false })).toHaveCount(
    1,
  );
  // Ten minutes after midnight there.
  await page.clock.setSystemTime(new Date('2027-03-09T11:10:00Z'));
  await page.reload();
  await expect(answer(page)).toHaveText(/^Late since Mon 8 Mar: \d+ before “Slab poured”$/);
  await expect(page.getByText(/should have been seen by Mon 8 Mar/)).toBeVisible();
  await expect(page.getByText(/covered unseen/)).toHaveCount(0);

  await workLine(page, 'Slab poured').click();
  await page.getByRole('button', { name: 'Begun today' }).click();
  await expect(page.getByText(/checkpoints covered unseen/)).toBeVisible();
  await page.getByRole('button', { name: 'Done today' }).click();
  await expect(workLine(page, 'Slab poured')).toHaveAccessibleName(/done$/);
  await page.getByLabel('Done on', { exact: true }).fill('2027-03-09');
  await expect(answer(page)).toContainText('Slab poured: ');
  await expect(page.getByText(/First hold|Late since/)).toHaveCount(0);
  await page.getByRole('button', { name: 'Not begun' }).click();
  await expect(page.getByText(/covered unseen/)).toHaveCount(0);
  await expect(answer(page)).toHaveText(/^Late since/);
  await app.start();
});

test('works out of their order warn and say what to do; what follows itself is said, and nothing is lost', async ({
  page,
  app,
}) => {
  await begun(page, app.url, `Order ${project()}`, '2027-03-15');
  await workLine(page, 'Insulated').click();
  await page.getByRole('button', { name: 'Set the day on which it begins' }).click();
  await page.getByLabel('Begins on', { exact: true }).fill('2027-03-29');
  await expect(
    page.getByText(
      'Insulated begins before “Services run” is done, which has to come first: move one of them.',
    ),
  ).toBeVisible();
  // A Saturday.
  await page.getByLabel('Begins on', { exact: true }).fill('2027-06-12');
  await expect(page.getByText(/which has to come first/)).toHaveCount(0);
  await expect(
    page.getByText(
      /Insulated is set to a day on which nobody works: set it to Mon 14 Jun.*, or make that day/,
    ),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Let it follow' }).click();
  await expect(page.getByText(/nobody works/)).toHaveCount(0);

  // A circle: goods wait for the lining.
  await workLine(page, 'Goods on site').click();
  await page.getByRole('button', { name: 'Follows another work' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Walls lined' }).click();
  await expect(answer(page)).toContainText('circle');
  await page.getByRole('button', { name: 'Do not follow Walls lined' }).click();
  await expect(answer(page)).toHaveText(/^First hold/);

  await page.getByRole('button', { name: 'Delete Goods on site' }).click();
  await expect(workLine(page, 'Goods on site')).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).last().click();
  await expect(workLine(page, 'Goods on site')).toBeVisible();
});

test('a work of its own on one wall counts there; a calendar with all its parts open is read and used by everybody', async ({
  page,
  app,
}) => {
  test.slow();
  await page.emulateMedia({ colorScheme: 'light' });
  await begun(page, app.url, `Own ${project()}`, '2027-03-15');
  await page.getByRole('button', { name: 'Add a work' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Insulated', exact: true }).click();
  await page.getByRole('button', { name: 'On another part' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Ground floor, left wall' }).click();
  await page.getByRole('button', { name: 'Set the day on which it begins' }).click();
  await page.getByLabel('Begins on', { exact: true }).fill('2027-03-10');
  await enter(page, 'Workdays', '2');
  await expect(answer(page)).toHaveText(/^First hold Tue 9 Mar: \d+ before “Insulated”$/);
  await expect(page.getByText(/Not seen yet, and hidden soon: \d+ checkpoints by Tue 9 Mar/)).toBeVisible();
  await allSent(page);
  await isForEverybody(page, project() === 'phone');
});

test('Today tells of every house on the device what is to be seen next, where, and before what; and what is not known', async ({
  page,
  app,
  browser,
}) => {
  const name = `Today ${project()}`;
  await begun(page, app.url, name, '2027-03-15');
  await allSent(page);
  await page.goto(app.url);
  await page.getByRole('button', { name: 'Today', exact: true }).click();
  const card = page.getByRole('link').filter({ hasText: name });
  await expect(card.first()).toContainText('before “Slab poured”');
  await expect(card.first()).toContainText('Whole house');
  await expect(page.getByText('By Mon 15 Mar', { exact: true })).toBeVisible();
  await isForEverybody(page, false);
  await card.first().click();
  await expect(answer(page)).toHaveText(/^First hold Mon 15 Mar/);

  const other = await onOtherDevice(browser, page);
  await other.clock.install({ time: NOW });
  await other.goto(`${app.url}/today`);
  await expect(answer(other)).toHaveText('No house is on this device yet');
  await expect(other.getByText(/^Not on this device/)).toContainText(name);
  await other.close();
});

test('a calendar goes into a file and comes back: works that were moved move, others are asked for, what is none is refused', async ({
  page,
  app,
}) => {
  await begun(page, app.url, `Files ${project()}`, '2027-03-15');
  const text = await savedBy(page, 'Save as iCalendar');
  const bring = (content: string, name = 'works.ics') =>
    page
      .getByLabel('File of a calendar')
      .setInputFiles({ name, mimeType: 'text/calendar', buffer: Buffer.from(content) });
  await bring(text);
  await expect(page.getByText(/works stand as they are here: nothing would change/)).toBeVisible();
  await page.getByRole('dialog').getByRole('button', { name: 'Close' }).click();

  const other =
    'BEGIN:VEVENT\r\nUID:scaffold\r\nSUMMARY:Scaffold down\r\nDTSTART;VALUE=DATE:20270405\r\nEND:VEVENT\r\n';
  await bring(
    text
      .replace('DTSTART;VALUE=DATE:20270315', 'DTSTART;VALUE=DATE:20270322')
      .replace('DTEND;VALUE=DATE:20270316', 'DTEND;VALUE=DATE:20270323')
      .replace('END:VCALENDAR', `${other}END:VCALENDAR`),
  );
  await page.getByRole('button', { name: 'Move 1 work' }).click();
  await page.getByRole('button', { name: 'Say what Scaffold down is' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Clad', exact: true }).click();
  await expect(workLine(page, 'Scaffold down')).toHaveAccessibleName('Scaffold down, Mon 5 Apr · set');
  await expect(workLine(page, 'Goods on site')).toHaveAccessibleName('Goods on site, Mon 22 Mar · set');
  await expect(workLine(page, 'Wall stood')).toHaveAccessibleName('Wall stood, Wed 24 Mar – Tue 30 Mar');

  await bring(text.slice(0, -40));
  await expect(page.getByText(/its end is missing/)).toBeVisible();
  await bring('x'.repeat(2_100_000));
  await expect(page.getByText(/works.ics has 2.1 MB/)).toBeVisible();
  await expect(workLine(page, 'Goods on site')).toHaveAccessibleName('Goods on site, Mon 22 Mar · set');
});
