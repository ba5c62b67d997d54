import {
  allSent,
  appIsKept,
  createHouse,
  enter,
  expect,
  onOtherDevice,
  openPart,
  sizes,
  test,
} from './running-app';

test('a form says what is missing and what is wrong, field by field', async ({ page, app }) => {
  await page.goto(`${app.url}/houses/new`);
  await page.getByRole('button', { name: 'Create house' }).click();
  await expect(page.getByText('3 fields still need you.')).toBeVisible();
  await expect(page.getByText('Give the house a name.')).toBeVisible();
  await enter(page, 'Volume', '0');
  await expect(page.getByText('Must be above 0 m³.')).toBeVisible();
  await enter(page, 'Volume', 'big');
  await expect(page.getByText('Not a number: write it like 12.5 or 12,5, or with m³, L, ft³.')).toBeVisible();
  await enter(page, 'Volume', '1,200');
  await expect(page.getByText('1.2 or 1200?')).toBeVisible();
  await page.getByRole('button', { name: '1200', exact: true }).click();
  await enter(page, 'Bedrooms', '2.5');
  await expect(page.getByText('This must be a whole number.')).toBeVisible();
  await expect(page.getByLabel('Volume', { exact: true })).toHaveValue('1200');

  // Nothing is made from a field that is not right, and nothing of its beginning.
  await page.getByLabel('Name', { exact: true }).fill('Typed house');
  const rest = {
    'Envelope area': '420 m2',
    'Floor area': '150',
    Height: '18\'6"',
    Storeys: '2',
    Bedrooms: '3',
  };
  for (const [label, text] of Object.entries(rest)) await enter(page, label, text);
  await enter(page, 'Limit', '2,5');
  await enter(page, 'Volume', '148.5.1');
  await page.getByRole('button', { name: 'Create house' }).click();
  await expect(page.getByText('Not right yet: Volume.')).toBeVisible();
  await expect(page).toHaveURL(/\/houses\/new$/);
  await enter(page, 'Volume', '148.5');
  await page.getByRole('button', { name: 'Create house' }).click();
  await page.getByRole('button', { name: 'Change' }).click();
  await expect(page.getByLabel('Volume', { exact: true })).toHaveValue('148.5');
  await expect(page.getByLabel('Height', { exact: true })).toHaveValue('5.6388');
});

test('readings of the wrong sign are found on their line, and turned', async ({ page, app }) => {
  await createHouse(page, app, { name: `Sign ${test.info().project.name}`, ...sizes });
  await page.getByRole('link', { name: 'Door test', exact: true }).click();
  await page.getByRole('button', { name: 'New door test' }).click();
  await enter(page, 'Temperature indoors', '20');
  await enter(page, 'Temperature outdoors', '8');
  await openPart(page, 'Readings');
  await enter(page, 'Baseline before 1', '-1');
  await enter(page, 'Baseline after 1', '-1');
  // The other sign is asked about once, and then taken as it is typed.
  await enter(page, 'Building pressure, reading 1', '+20');
  await expect(page.getByText('Depressurising takes the house below zero: \u221220 or +20?')).toBeVisible();
  await page.getByRole('button', { name: '+20', exact: true }).click();
  for (const [i, pressure] of [20, 35, 50].entries()) {
    if (i > 0) await enter(page, `Building pressure, reading ${i + 1}`, String(pressure));
    await enter(page, `Flow, reading ${i + 1}`, String(20 * pressure ** 0.65));
  }
  await expect(
    page
      .getByText('While depressurising, the building pressure less its baseline must be below zero.')
      .first(),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Turn the sign of all readings' }).click();
  await expect(page.getByTestId('target-figure')).toBeVisible();
  await enter(page, 'Flow, reading 2', '0');
  await expect(page.getByText('Must be above 0 m³/h.')).toBeVisible();
  await openPart(page, 'Result');
  await expect(page.getByText('A valid run has five readings or more.')).toBeVisible();
});

test('nothing is made of what nothing was entered in, and what was begun waits', async ({ page, app }) => {
  const name = `Begun ${test.info().project.name}`;
  const notThere: string[] = [];
  page.on('response', (answer) => {
    if (answer.status() === 404) notThere.push(answer.url());
  });
  await page.goto(`${app.url}/houses`);
  await expect(page.getByText('Houses', { exact: true }).first()).toBeVisible();
  await page.getByRole('button', { name: 'Add a house' }).first().click();
  await page.getByLabel('Name', { exact: true }).fill(name);
  await enter(page, 'Volume', '612.5');
  await page.getByRole('button', { name: 'Back to the houses' }).click();
  await page.getByRole('button', { name: 'Add a house' }).click();
  await expect(page.getByText('As you left it.')).toBeVisible();
  await expect(page.getByLabel('Volume', { exact: true })).toHaveValue('612.5');
  await page.getByRole('button', { name: 'Clear the form' }).click();
  await expect(page.getByLabel('Volume', { exact: true })).toHaveValue('');
  await page.reload();
  await expect(page.getByLabel('Name', { exact: true })).toHaveValue('');
  await expect(page.getByText('As you left it.')).toHaveCount(0);

  await createHouse(page, app, { name, ...sizes });
  await page.getByRole('button', { name: 'Add an area' }).click();
  await expect(page.getByLabel('Size', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Back to the plan' }).click();
  await expect(page.getByRole('heading', { name: 'Start with the areas of the envelope' })).toBeVisible();
  await page.getByRole('link', { name: 'Door test', exact: true }).click();
  await page.getByRole('button', { name: 'New door test' }).click();
  await page.reload();
  await expect(page.getByLabel('Temperature indoors', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Back to the door tests' }).click();
  await expect(page.getByText('Not tested yet')).toBeVisible();

  // Made by the first thing that is entered, under the address that it had; what is not right is not, and is told.
  await page.getByRole('link', { name: 'Plan', exact: true }).click();
  await page.getByRole('button', { name: 'Add an area' }).click();
  // What nobody measured is no figure.
  await expect(page.getByLabel('Size', { exact: true })).toHaveValue('');
  await enter(page, 'Name', 'Gable wall');
  await page.getByRole('button', { name: 'Back to the plan' }).click();
  await expect(page.getByRole('main').getByText('no size yet', { exact: true })).toBeVisible();
  await page.getByRole('link', { name: /^Gable wall/ }).click();
  await enter(page, 'Size', '62 1/2 m2');
  await expect(page).toHaveURL(/\/areas\/[0-9a-f-]{36}$/);
  await page.getByLabel('Size', { exact: true }).fill('62.5.1');
  await page.getByRole('button', { name: 'Back to the plan' }).click();
  await expect(page.getByText('Size stays 62.5\u00A0m²: “62.5.1” was not right.')).toBeVisible();
  await expect(page.getByText('62.5', { exact: false }).first()).toBeVisible();
  await allSent(page);
  // Nothing was asked for that nobody but this device knew of.
  expect(notThere).toEqual([]);
});

test('an area that becomes another kind is offered build-ups that fit', async ({ page, app }) => {
  await createHouse(page, app, { name: `Kind ${test.info().project.name}`, ...sizes });
  await page.getByRole('button', { name: 'Add an area' }).click();
  await page.getByRole('radio', { name: 'Window or door' }).click();
  await expect(
    page.getByText(/^This build-up is one of a wall; the area is a window or door now/),
  ).toBeVisible();
  await page
    .getByRole('button', { name: /^Use .*window/i })
    .first()
    .click();
  await expect(page.getByText(/^This build-up is one of/)).toHaveCount(0);
  await page.getByRole('radio', { name: 'Ceiling', exact: true }).click();
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText(/^This build-up is one of/)).toHaveCount(0);
  await allSent(page);
});

test('with the server gone entries wait and are sent when it is back', async ({ page, app }) => {
  const name = `Gone ${test.info().project.name}`;
  await createHouse(page, app, { name, ...sizes });
  await page.getByRole('button', { name: 'Add an area' }).click();
  await allSent(page);
  await appIsKept(page);
  await app.stop();
  await page.getByLabel('Name', { exact: true }).fill('West wall');
  const unsent = page.getByRole('button', { name: /unsent/ });
  await expect(unsent).toContainText('retry');
  await unsent.click();
  await expect(unsent).toContainText('trying');
  await app.start();
  await allSent(page);
  await page.reload();
  await expect(page.getByText('West wall').first()).toBeVisible();
});

test('two devices on one field: both are told, and one decides', async ({ page, app, browser }) => {
  const name = `Two ${test.info().project.name}`;
  await createHouse(page, app, { name, ...sizes });
  await page.getByRole('button', { name: 'Change' }).click();
  await allSent(page);
  const other = await onOtherDevice(browser, page);
  await other.goto(app.url);
  await other.getByLabel(/^Your name/).fill('Ada Wren');
  await other.getByRole('button', { name: 'Keep it on this device' }).click();
  await expect(other.getByLabel(/^Your name/)).toHaveCount(0);
  await other.goto(page.url());
  await page.context().setOffline(true);
  await other.getByLabel('Location', { exact: true }).fill('Northby');
  await allSent(other);
  await page.getByLabel('Location', { exact: true }).fill('Southby');
  await page.getByLabel('Builder', { exact: true }).fill('Osk Joinery');
  await page.context().setOffline(false);
  await expect(page.getByText(/was changed on another device meanwhile/)).toBeVisible();
  await expect(page.getByText('Yours: “Southby”')).toBeVisible();
  await expect(page.getByText(/Theirs: “Northby” \(Ada Wren/)).toBeVisible();
  await page.getByRole('button', { name: 'Keep mine' }).click();
  await allSent(page);
  await other.reload();
  await expect(other.getByLabel('Location', { exact: true })).toHaveValue('Southby');

  await page.context().setOffline(true);
  await other.getByLabel('Location', { exact: true }).fill('Westby');
  await allSent(other);
  await page.getByLabel('Location', { exact: true }).fill('Eastby');
  await page.getByLabel('Builder', { exact: true }).fill('Low Sedge Joiners');
  await page.context().setOffline(false);
  await page.getByRole('button', { name: 'Take theirs' }).click();
  await allSent(page);
  for (const each of [page, other]) {
    await expect(each.getByLabel('Location', { exact: true })).toHaveValue('Westby');
    await expect(each.getByLabel('Builder', { exact: true })).toHaveValue('Low Sedge Joiners');
  }
  await other.close();
});

test('an address that leads nowhere says so', async ({ page, app }) => {
  await page.goto(`${app.url}/nowhere/at/all`);
  await expect(page.getByRole('heading', { name: 'Nothing is at this address' })).toBeVisible();
  await page.goto(`${app.url}/houses/01890000-0000-7000-8000-000000000000`);
  await expect(page.getByText('This could not be loaded')).toBeVisible();
});
