import { allSent, enter, expect, savedBy, test } from './running-app';
import { layer, newWall } from './wall-of-layers';

test('a material of our own is described where it is needed, altered for the practice, and goes out and in as a file', async ({
  page,
  app,
}) => {
  const name = `Hemp batt ${test.info().project.name}`;
  await newWall(page, app, 'Own material');
  await layer(page, 3)
    .getByRole('button', { name: /: change$/ })
    .click();
  await layer(page, 3).getByRole('button', { name: 'Choose a material' }).click();
  await page.getByLabel('Search', { exact: true }).fill(name);
  await page.getByRole('button', { name: 'A material of our own' }).click();
  const described = page.getByRole('group', { name: 'New material' });
  await enter(described, 'Conductivity', '0,039');
  await enter(described, 'Fixed thickness', '50');
  await enter(described, 'R at that thickness', '1,1');
  await expect(described.getByText(/By its conductivity R\s1\.28\s\S+ as said R\s1\.10/)).toBeVisible();
  await described.getByRole('button', { name: 'Take the conductivity' }).click();
  await described.getByRole('button', { name: 'Keep it in the library' }).click();
  await expect(described.getByRole('alert')).toContainText('Say where its figures are from');
  await described.getByLabel('Where its figures are from', { exact: true }).fill('Label of the pack');
  await described.getByRole('button', { name: 'Keep it in the library' }).click();
  await expect(layer(page, 3).getByText(/^50\smm · R 1\.28/)).toBeVisible();
  await allSent(page);

  await page.goto(`${app.url}/materials`);
  const own = page.getByRole('group', { name, exact: true });
  await expect(own.getByText('Our own · Label of the pack')).toBeVisible();
  const text = await savedBy(page, 'Save them to a file');
  const bring = (content: string) =>
    page
      .getByLabel('File of materials')
      .setInputFiles({ name: 'materials.json', mimeType: 'application/json', buffer: Buffer.from(content) });
  await bring(text.slice(0, -30));
  await expect(page.getByText(/its end is missing/)).toBeVisible();
  await bring(text);
  await expect(page.getByText(/0 materials were brought in\. \d+ (was|were) here already/)).toBeVisible();
  await own.getByRole('button', { name: `${name}: change` }).click();
  await own.getByRole('button', { name: `Take out ${name}` }).click();
  await expect(own).toHaveCount(0);
  await bring(text);
  await expect(page.getByText(/^1 material was brought in/)).toBeVisible();
  await expect(own).toHaveCount(1);
  // What is built of it keeps its own figures, whatever becomes of the library.
  await page.goBack();
  await expect(layer(page, 3).getByText(/^50\smm · R 1\.28/)).toBeVisible();
});

test('build-ups go out as a file and come in elsewhere, with what nobody there knows named', async ({
  page,
  app,
}) => {
  await newWall(page, app, 'File');
  await page.getByLabel('Name of the build-up', { exact: true }).fill('Walls of the barn');
  await page.getByRole('button', { name: 'Choose', exact: true }).click();
  const text = await savedBy(page, 'Save all of this house to a file');
  await newWall(page, app, 'File taken');
  await page.getByRole('button', { name: 'Choose', exact: true }).click();
  const bring = (content: string) =>
    page
      .getByLabel('File of build-ups')
      .setInputFiles({ name: 'build-ups.json', mimeType: 'application/json', buffer: Buffer.from(content) });
  await bring(text.replace('calvet-build-ups', 'other'));
  await expect(page.getByText(/This is no file of build-ups/)).toBeVisible();
  await bring(text.replace('"materialId": "plasterboard"', '"materialId": "moon-dust"'));
  await expect(
    page.getByText(/Not known here, kept with the figures of the file: Plasterboard/),
  ).toBeVisible();
  await page.getByRole('button', { name: 'Use Walls of the barn' }).click();
  await expect(page.getByLabel('Name of the build-up', { exact: true })).toHaveValue('Walls of the barn');
});
