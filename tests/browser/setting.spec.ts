import { readFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { become, drawBox, expectAccessible, publish } from './help';

test('words are tied to what they tell of in one step, and stay with it when the scenario is edited', async ({ page }) => {
  await become(page, 'Ines Okafor');
  await page.getByRole('button', { name: 'write a new exercise' }).click();
  await page.getByLabel('Title').fill('The rowing shed');
  await page.getByRole('button', { name: 'Begin' }).click();
  const scenario = page.getByLabel('The scenario, in Markdown');
  await scenario.fill('A crew has a number and a name. A rower has a number and rows in exactly one crew. A crew has at most eight rowers.');
  await page.getByRole('button', { name: 'Save the scenario' }).click();
  await page.getByRole('button', { name: 'write', exact: true }).click();
  for (const line of ['Crew: crew no (key), name', 'Rower: rower no (key)', 'Crew has 0 to 8 Rower; Rower rows in exactly 1 Crew']) {
    await page.keyboard.press('Control+End');
    await page.keyboard.type(line);
    await page.keyboard.press('Enter');
  }
  await expect(page.locator('text.name')).toHaveCount(2);
  await page.keyboard.press('Escape');
  await page.getByRole('tab', { name: /^preflight/ }).click();
  const cover = page.getByRole('region', { name: 'Words and model answer' });
  await expect(cover).toContainText('things are decided by words');
  await cover.getByText('could be tied to what is drawn').click();
  await expectAccessible(page);
  await cover.getByRole('button', { name: 'tie “crew” to Crew' }).click();
  await cover.getByRole('button', { name: 'tie them all' }).click();
  await expect(cover.getByText('could be tied')).toHaveCount(0);
  await expect(page.getByText('saved', { exact: true })).toBeVisible();

  // A sentence in front of them all, and one of the ties loses its words.
  await page.getByRole('button', { name: 'change the scenario' }).click();
  await scenario.fill('Crews of the shed row at dawn.\n\nA crew has a number and a name. A rower has a number and rows in exactly one crew.');
  await page.getByRole('button', { name: 'Save the scenario' }).click();
  await page.getByRole('tab', { name: /^preflight/ }).click();
  await expect(page.getByText('Ties whose words are gone')).toBeVisible();
  await expect(page.locator('.preflight > li').filter({ hasText: 'no longer stands in the scenario' })).toHaveCount(1);
});

test('an exercise is tried on oneself: drawn, checked, drawn on, and nothing counts', async ({ page }) => {
  const id = await publish(page, 'The bell tower', {});
  await page.goto(`/exercises/${id}`);
  await page.getByRole('link', { name: 'try it on yourself' }).click();
  await expect(page.locator('.slate').first()).toBeVisible();
  await expect(page.getByText('Nothing of it counts.')).toBeVisible();
  await drawBox(page, 300, 200, 'Key');
  await expect(page.getByText('kept in this browser')).toBeVisible();
  await page.reload();
  await expect(page.locator('text.name')).toHaveText(['Key']);
  await page.getByRole('button', { name: 'check it' }).click();
  await expect(page.locator('.total')).toContainText('of 20, your own try');
  await expect(page.getByText(/You drew 1 box in .*Nothing of it counts\./)).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'draw on' }).click();
  await expect(page.locator('.slate text.name').first()).toHaveText('Key');
  await page.getByRole('button', { name: 'begin once more' }).click();
  await expect(page.locator('.slate text.name')).toHaveCount(0);
  await page.getByRole('link', { name: 'back to the exercise' }).click();
  await page.getByRole('button', { name: /^times/ }).click();
  await expect(page.getByText(/^18 of 18 have not begun|^\d+ of \d+ have not begun/)).toBeVisible();
});

test('a correction of the wording reaches whoever draws, and says what changed', async ({ page, browser }) => {
  const title = 'The signal box';
  const id = await publish(page, title, {});
  const other = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const student = await other.newPage();
  await become(student, 'Rosa Tamm');
  await student.getByRole('listitem').filter({ hasText: title }).getByRole('link', { name: title }).click();
  await student.getByRole('button', { name: 'Start drawing' }).click();
  await expect(student.locator('.prose')).toContainText('A workshop house lends keys.');

  await page.goto(`/exercises/${id}`);
  await page.getByRole('button', { name: 'correct the wording' }).click();
  const sheet = page.getByRole('dialog', { name: 'Correct the wording' });
  await expect(sheet.getByText('1 student is drawing, and told at once.')).toBeVisible();
  const text = sheet.getByLabel('The scenario, in Markdown');
  await text.fill((await text.inputValue()).replace('A workshop house lends keys.', 'A house of workshops lends keys.'));
  await expectAccessible(page);
  await sheet.getByLabel('Why, told to everybody').fill('It was said badly.');
  await sheet.getByRole('button', { name: 'Correct it for everybody' }).click();
  await expect(page.locator('.prose')).toContainText('A house of workshops lends keys.');

  await expect(student.getByText('The wording was corrected')).toBeVisible({ timeout: 20_000 });
  await expect(student.locator('.prose')).toContainText('A house of workshops lends keys.');
  await student.getByRole('button', { name: 'what changed' }).click();
  await expect(student.getByRole('region', { name: 'As it is now' }).locator('mark').first()).toBeVisible();
  await expectAccessible(student);
  await other.close();
});

test('an exercise is found by what is in it, taken out as a folder, brought in again, and is the same', async ({ page }) => {
  await become(page, 'Ines Okafor');
  await page.getByRole('link', { name: 'shelf', exact: true }).click();
  const list = page.getByRole('region', { name: 'Exercises' }).getByRole('listitem');
  await page.getByLabel('relationship of three or more').check();
  await expect(list.filter({ hasText: 'The night of open domes' })).toBeVisible();
  await expect(list.filter({ hasText: 'The tape archive' })).toHaveCount(0);
  await expectAccessible(page);
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    list.filter({ hasText: 'The night of open domes' }).getByRole('link', { name: 'take it out as a folder' }).click(),
  ]);
  expect(download.suggestedFilename()).toBe('the-night-of-open-domes.zip');
  const packed = readFileSync(await download.path());

  await page.getByRole('button', { name: 'bring in a folder' }).click();
  const sheet = page.getByRole('dialog', { name: 'Bring in an exercise' });
  await sheet.getByLabel('File').setInputFiles({ name: 'notes.zip', mimeType: 'application/zip', buffer: Buffer.from('no zip') });
  await sheet.getByRole('button', { name: 'Bring it in' }).click();
  await expect(sheet.getByText('the file: it is no ZIP file.')).toBeVisible();
  await sheet.getByLabel('File').setInputFiles({ name: 'domes.zip', mimeType: 'application/zip', buffer: packed });
  await sheet.getByRole('button', { name: 'Bring it in' }).click();
  await expect(page.locator('.total')).toContainText('being written');
  const id = new URL(page.url()).pathname.split('/').at(-1);
  const again = await page.evaluate(
    async (id) => Array.from(new Uint8Array(await (await fetch(`/api/exercises/${id}/folder`)).arrayBuffer())),
    id,
  );
  expect(Buffer.from(again).equals(packed)).toBe(true);
});

test('a scenario gets its table from a file and its form from a few lines, and both go onto the slate', async ({ page }) => {
  await become(page, 'Ines Okafor');
  await page.getByRole('button', { name: 'write a new exercise' }).click();
  await page.getByLabel('Title').fill('The lost property office');
  await page.getByRole('button', { name: 'Begin' }).click();
  const field = page.getByLabel('The scenario, in Markdown');
  await field.fill('The office keeps what was left in trams.');
  await page.getByLabel('a file').setInputFiles({ name: 'shelf.csv', mimeType: 'text/csv', buffer: Buffer.from('shelf;thing\n1;umbrella\n2;scarf') });
  await expect(field).toHaveValue(/\| 1 \| umbrella \|/);
  await page.getByLabel('a file').setInputFiles({ name: 'ragged.csv', mimeType: 'text/csv', buffer: Buffer.from('a,b\n1') });
  await expect(page.getByRole('alert')).toHaveText('“ragged.csv” has no rows with at least two columns.');
  await page.getByRole('button', { name: 'a form', exact: true }).click();
  await expect(page.getByRole('alert')).toBeHidden();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Save the scenario' }).click();

  const sheet = page.getByRole('complementary', { name: 'Scenario' });
  await expect(sheet.getByRole('figure')).toContainText('Phone');
  const slate = page.locator('.slate');
  await sheet.locator('th', { hasText: 'thing' }).dragTo(slate, { targetPosition: { x: 260, y: 180 } });
  await expect(page.locator('text.name')).toHaveText(['Thing']);
  await sheet.locator('dt', { hasText: 'Phone' }).dragTo(slate, { targetPosition: { x: 260, y: 180 } });
  await expect(page.locator('.scene')).toContainText('phone');
  // A press takes a name whole, and a letter draws it.
  await sheet.locator('dt', { hasText: 'Date' }).click();
  await page.keyboard.press('a');
  await expect(page.locator('.scene')).toContainText('date');
  await expectAccessible(page);
});
