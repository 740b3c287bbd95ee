import { expect, test } from '@playwright/test';
import { become, drawBox, expectAccessible, goToDesk, openDrawing } from './help';

test('people are added, come in by their link, and the record tells of it', async ({ page, browser }) => {
  await become(page, 'Ines Okafor');
  await page.getByRole('link', { name: 'Data design, autumn' }).first().click();
  await expect(page.getByRole('heading', { level: 1, name: 'Data design, autumn' })).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Add people' }).click();
  await page.getByLabel('One a line: a name, a comma, an e-mail address').fill('Ada Finch ada.finch@example.invalid');
  await page.getByRole('button', { name: 'Add them' }).click();
  await expect(page.getByRole('alert')).toContainText('Line 1 is not a name, a comma and an address');
  await page.getByLabel('One a line: a name, a comma, an e-mail address').fill('Ada Finch, ada.finch@example.invalid');
  await page.getByRole('button', { name: 'Add them' }).click();
  await expect(page.getByRole('dialog', { name: 'The way in for one person' })).toBeVisible();
  const link = (await page.getByRole('list', { name: 'Links' }).locator('span').textContent())!;
  await page.getByRole('button', { name: 'done' }).click();
  await expect(page.getByText('student, has not come in yet')).toBeVisible();

  const theirs = await (await browser.newContext()).newPage();
  await theirs.goto(link);
  await theirs.getByLabel('Password, at least 10 characters').fill('a password of her own');
  await expectAccessible(theirs);
  await theirs.getByRole('button', { name: 'Come in' }).click();
  await expect(theirs.getByText('Ada Finch')).toBeVisible();
  await expect(theirs.getByText('Harbour community radio')).toBeVisible();
  await theirs.context().close();

  await page.getByRole('button', { name: 'record' }).click();
  await expect(page.getByRole('row', { name: /Ada Finch signed in/ })).toBeVisible();
  await expect(page.getByRole('row', { name: /Ines Okafor changed who is in it: 1 added as student/ })).toBeVisible();
  await expectAccessible(page);

  await page.getByRole('button', { name: 'people' }).click();
  await page.getByRole('row', { name: /Ada Finch/ }).getByRole('button', { name: 'erase' }).click();
  const erase = page.getByRole('button', { name: 'Erase for good' });
  await expect(erase).toBeDisabled();
  await page.getByLabel('Type the name to go on').fill('Ada Finch');
  await erase.click();
  // Behind the dialog no row is seen by its role: it goes when the person is erased.
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await expect(page.getByRole('row', { name: /Ada Finch/ })).toHaveCount(0);
});

test('names are shown on the desk when asked for, and the record keeps that', async ({ page }) => {
  await become(page, 'Ines Okafor');
  await goToDesk(page, 'Harbour community radio');
  await page.getByRole('button', { name: 'show names' }).click();
  await expect(page.getByText('Grace Abel')).toBeVisible();
  await page.getByRole('link', { name: 'what is next' }).click();
  await page.getByRole('link', { name: 'Data design, autumn' }).first().click();
  await page.getByRole('button', { name: 'record' }).click();
  await expect(page.getByRole('row', { name: /Ines Okafor looked at names/ }).first()).toBeVisible();
});

test('an earlier state is looked at and taken up as one step', async ({ page }) => {
  await become(page, 'Elif Sand');
  await openDrawing(page, 'The hill observatory');
  await drawBox(page, 200, 150, 'Dome');
  await expect(page.getByText('saved', { exact: true })).toBeVisible();
  await page.reload();
  await expect(page.locator('text.name')).toHaveText(['Dome']);
  await page.locator('.slate').press('Control+a');
  await page.locator('.slate').press('Delete');
  await expect(page.locator('text.name')).toHaveCount(0);
  await expect(page.getByText('saved', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'earlier states' }).click();
  await page.getByRole('listitem').filter({ hasText: 'as it was opened' }).getByRole('button').first().click();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Go on from this one' }).click();
  await expect(page.getByRole('dialog')).toHaveCount(0);
  await expect(page.locator('text.name')).toHaveText(['Dome']);
  await page.locator('.slate').press('Control+z');
  await expect(page.locator('text.name')).toHaveCount(0);
});

test('boxes are brought in line, pinned, and tidied up as one step', async ({ page }) => {
  await become(page, 'Farid Nordin');
  await openDrawing(page, 'The hill observatory');
  await drawBox(page, 160, 120, 'Dome');
  await drawBox(page, 400, 190, 'Telescope');
  await drawBox(page, 640, 330, 'Night');
  const lefts = () => page.locator('.scene .edge').evaluateAll((boxes) => boxes.map((box) => Math.round(Number(/M(-?[\d.]+)/.exec(box.getAttribute('d')!)![1]))));
  const apart = await lefts();
  await page.locator('.slate').press('Control+a');
  await page.getByRole('button', { name: 'lefts' }).click();
  expect(new Set(await lefts()).size).toBe(1);
  await page.locator('.slate').press('Control+z');
  expect(await lefts()).toEqual(apart);

  await page.locator('.slate').press('Escape');
  await page.getByRole('button', { name: 'tidy up' }).click();
  await expect.poll(lefts).not.toEqual(apart);
  await page.locator('.slate').press('Control+z');
  expect(await lefts()).toEqual(apart);
});

test('the look and the keys are one’s own, and stay', async ({ page }) => {
  await become(page, 'Hugo Lindt');
  await page.getByRole('link', { name: 'your ways' }).click();
  await page.getByRole('radio', { name: /paper white/ }).check();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'look at the keys' }).click();
  await page.getByRole('button', { name: /^e: a box/ }).click();
  await page.keyboard.press('n');
  await expect(page.getByRole('alert')).toContainText('n is taken: a note');
  await page.keyboard.press('z');
  await expect(page.getByRole('button', { name: /^z: a box/ })).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'close' }).click();

  await page.goto('/');
  expect(await page.locator('html').getAttribute('data-theme')).toBe('bright');
  await openDrawing(page, 'The hill observatory');
  await page.locator('.slate').press('e');
  await expect(page.getByLabel('Name, then one attribute a line')).toHaveCount(0);
  await page.locator('.slate').press('z');
  await expect(page.getByLabel('Name, then one attribute a line')).toBeFocused();
});

test('two who write one scenario see both texts, choose one, and the other is kept', async ({ page, browser }) => {
  await become(page, 'Ines Okafor');
  await page.getByRole('button', { name: 'write a new exercise' }).click();
  await page.getByLabel('Title').fill('The tide mill');
  await page.getByRole('button', { name: 'Begin' }).click();
  const text = page.getByLabel('The scenario, in Markdown');
  await text.fill('A mill grinds with the tide.\nIts stones are named.');

  const second = await (await browser.newContext()).newPage();
  await become(second, 'Ines Okafor');
  await second.goto(page.url());
  await second.getByLabel('The scenario, in Markdown').fill('A mill grinds with the tide.\nIts sacks are numbered.');
  await second.getByRole('button', { name: 'Save the scenario' }).click();
  await expect(second.getByRole('button', { name: 'change the scenario' })).toBeVisible();
  await second.context().close();

  await page.getByRole('button', { name: 'Save the scenario' }).click();
  const choice = page.getByRole('dialog', { name: 'Somebody else saved this scenario in the meantime' });
  await expect(choice.locator('mark')).toHaveText(['stones', 'named', 'sacks', 'numbered']);
  await expectAccessible(page);
  await choice.getByRole('button', { name: 'Take the other one' }).click();
  await expect(text).toHaveValue(/sacks/);
  await page.getByRole('button', { name: 'Save the scenario' }).click();
  await page.getByRole('button', { name: 'one text set aside' }).click();
  await expect(page.getByRole('region', { name: 'The text' })).toContainText('Its stones are named.');
  await expectAccessible(page);
});
