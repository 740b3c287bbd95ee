import { expect, test, type Page } from '@playwright/test';
import { become, chooseWords, expectAccessible } from './help';

const item = (page: Page, said: string | RegExp) => page.locator('.preflight > li').filter({ hasText: said });
const saved = (page: Page) => expect(page.getByText('saved', { exact: true })).toBeVisible();

test('an exercise is looked over while it is written: what no words decide is put in, accepted, tied or meant so', async ({ page }) => {
  await become(page, 'Ines Okafor');
  await page.getByRole('button', { name: 'write a new exercise' }).click();
  await page.getByLabel('Title').fill('The choir loft');
  await page.getByRole('button', { name: 'Begin' }).click();
  await page
    .getByLabel('The scenario, in Markdown')
    .fill('A choir has a number and a name. Singers have a number and a name; a singer usually sings in one choir.\n\nDraw a diagram.');
  await page.getByRole('button', { name: 'Save the scenario' }).click();
  await expect(page.locator('.prose')).toContainText('usually sings');

  await page.getByRole('button', { name: 'write', exact: true }).click();
  const lines = [
    'Choir: choir no (key), name',
    'Singer: singer no (key), name',
    'Hall: hall no (key)',
    'Choir consists of 1 or more Singer; Singer sings in exactly 1 Choir',
  ];
  for (const line of lines) {
    await page.keyboard.press('Control+End');
    await page.keyboard.type(line);
    await page.keyboard.press('Enter');
  }
  await expect(page.locator('text.name')).toHaveCount(3);
  await page.keyboard.press('Escape');
  await saved(page);

  await page.getByRole('tab', { name: /^preflight/ }).click();
  await expect(item(page, '“a singer usually sings in one choir” tells what is usual, and decides nothing.')).toBeVisible();
  await expectAccessible(page);

  // Better words, where they belong.
  await item(page, 'tells what is usual').getByRole('button', { name: 'put it in' }).click();
  await expect(page.getByLabel('The scenario, in Markdown')).toHaveValue(/in one choir\. A singer sings in exactly one choir\.\n\nDraw/);
  await page.getByRole('button', { name: 'Save the scenario' }).click();
  await expect(item(page, 'tells what is usual')).toHaveCount(0);

  // Both readings are right.
  await item(page, 'Nothing says how many singers a choir consists of.').getByRole('button', { name: 'accept both' }).click();
  await expect(item(page, 'how many singers a choir consists of')).toHaveCount(0);

  // Words that say it in a way of their own.
  await page.locator('text.name', { hasText: 'Hall' }).click();
  await chooseWords(page, 'choir');
  await page.getByRole('button', { name: 'said of Hall' }).click();
  await expect(item(page, 'The scenario does not speak of halls.')).toHaveCount(0);

  // It is meant so, and stays so.
  await item(page, '“hall no”, which a hall has').getByRole('button', { name: 'meant so' }).click();
  await expect(page.getByText('meant so (1)')).toBeVisible();
  await page.getByRole('button', { name: /publish to/ }).click();
  const dialog = page.getByRole('dialog', { name: 'Publish “The choir loft”?' });
  await expect(dialog.getByText('The preflight has one thing open.')).toBeVisible();
  await dialog.getByRole('button', { name: 'look at it first' }).click();
  await expect(item(page, 'Hall is tied to nothing.')).toBeVisible();

  await saved(page);
  await page.reload();
  await page.getByRole('tab', { name: /^preflight/ }).click();
  await expect(page.getByText('meant so (1)')).toBeVisible();
});
