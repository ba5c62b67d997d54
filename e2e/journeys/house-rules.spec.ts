import { framedHouse } from './dated-house';
import { expect, openSettled, test } from './running-app';

test.skip(({ viewport }) => (viewport?.width ?? 0) > 1000, 'the same sheets as in the hand');

test('a house has a rule on holes in its own way, everywhere at once, and takes it back; that of a flue stands', async ({
  page,
  app,
}) => {
  const house = await framedHouse(page, app.url, 'Own rules');
  await openSettled(page, `${house}/walk`);
  const dialog = page.getByRole('dialog');
  const judged = (word: string) => dialog.getByRole('status').getByText(word, { exact: true });
  await page.getByRole('button', { name: 'Hole', exact: true }).click();
  await dialog.getByRole('radio', { name: 'Cable', exact: true }).click();
  await dialog.getByRole('radio', { name: '25 mm', exact: true }).click();
  await dialog.getByRole('radio', { name: 'Board or sheathing', exact: true }).click();
  await dialog.getByRole('checkbox', { name: 'Sealant that stays soft' }).click();
  await expect(judged('Doubtful')).toBeVisible();

  await dialog.getByRole('button', { name: 'More', exact: true }).click();
  await dialog.getByRole('button', { name: 'The rule that decides' }).click();
  const here = dialog.getByRole('radiogroup', { name: 'In this house' });
  await expect(here.getByRole('radio', { name: 'As given: doubtful' })).toBeChecked();
  await here.getByRole('radio', { name: 'Wrong' }).click();
  await expect(judged('Wrong')).toBeVisible();
  await dialog.getByRole('textbox', { name: 'Why', exact: true }).fill('It let go in the house before');
  await expect(dialog.getByText('As this house has it. It let go in the house before.')).toBeVisible();
  await dialog.getByRole('button', { name: 'Done' }).click();

  // Its mend follows from it, and what a failure lets through is what this house says.
  await openSettled(page, `${house}/mends`);
  const mend = page.getByRole('button', { name: /^Cable, .*, Open$/ });
  await expect(mend).toBeVisible();
  await page.getByRole('button', { name: 'Figures by class' }).click();
  const large = page.getByRole('group', { name: 'Often over 50 m³/h' });
  await large.getByRole('textbox', { name: 'High' }).fill('60');
  await large.getByRole('textbox', { name: 'High' }).blur();
  await expect(large.getByText('Must be 70 m³/h or more.')).toBeVisible();
  await large.getByRole('textbox', { name: 'High' }).fill('300');
  await large.getByRole('textbox', { name: 'High' }).blur();
  await expect(large.getByRole('button', { name: 'As given: 25 · 70 · 200 m³/h' })).toBeVisible();

  await openSettled(page, `${house}/built`);
  const rule = page.getByRole('button', { name: /^Sealant that stays soft.*: Wrong in this house$/ });
  await rule.click();
  await dialog.getByRole('radio', { name: 'As given: doubtful' }).click();
  await dialog.getByRole('button', { name: 'Done' }).click();
  await expect(rule).toHaveCount(0);
  await page.getByRole('button', { name: 'All rules' }).click();
  await page.getByRole('button', { name: /^Show all \d+ rules$/ }).click();
  await page.getByRole('button', { name: 'Metal collar with rated sealant · flue or chimney: Fits' }).click();
  await expect(dialog.getByText(/in every house: here local code and licensed trades decide/)).toBeVisible();
  await expect(dialog.getByRole('radio')).toHaveCount(0);
  await dialog.getByRole('button', { name: 'Done' }).click();

  await openSettled(page, `${house}/mends`);
  await expect(page.getByRole('heading', { level: 2 }).first()).toBeVisible();
  await expect(mend).toHaveCount(0);
});

test('a junction is drawn from the build-ups that meet, and how it is joined is held against their barriers', async ({
  page,
  app,
}) => {
  await openSettled(page, `${await framedHouse(page, app.url, 'Joined')}/continuity`);
  const dialog = page.getByRole('dialog');
  await page
    .getByRole('img', { name: /^The air barrier where it is cut/ })
    .locator('circle')
    .nth(2)
    .click();
  const picture = dialog.getByRole('img', { name: /what meets, and where the air barrier runs$/ });
  await expect(picture).toBeVisible();
  // Two that meet, each by its number.
  await expect(picture.getByText('1', { exact: true })).toBeVisible();
  await expect(picture.getByText('2', { exact: true })).toBeVisible();
  const status = dialog.getByRole('status');
  await dialog.getByRole('checkbox', { name: 'Foam', exact: true }).click();
  await expect(status.getByText('Wrong', { exact: true })).toBeVisible();
  await expect(status.getByText(/Foam pushes a sheet away.*Instead: Tape/)).toBeVisible();
  await dialog.getByRole('checkbox', { name: 'Tape', exact: true }).click();
  await expect(status.getByText('Fits', { exact: true })).toBeVisible();
  await dialog.getByRole('radio', { name: 'No', exact: true }).first().click();
  await expect(status.getByText('Doubtful', { exact: true })).toBeVisible();
  await dialog.getByRole('button', { name: 'What it is built of' }).click();
  await expect(dialog.getByText(/layers from indoors outwards, to scale/)).toBeVisible();
});
