import { expect, test } from '@playwright/test';
import { become, chooseWords, drawBox, expectAccessible, goToDesk, pullLine, sentences, showDesk } from './help';

test.describe.configure({ mode: 'serial' });

test('an instructor writes an exercise and publishes it', async ({ page }) => {
  await become(page, 'Ines Okafor');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'write a new exercise' }).click();
  await page.getByLabel('Title').fill('The tool library');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Begin' }).click();

  await page.getByLabel('The scenario, in Markdown').fill('A **member** borrows tools. Each member has a number and a name.\n\nA tool has a code. A loan is of one tool to one member.<script>alert(1)</script>');
  await page.getByRole('button', { name: 'Save the scenario' }).click();
  await expect(page.locator('.prose strong')).toHaveText('member');

  await drawBox(page, 120, 160, 'Member\nPK member no\nname');
  await drawBox(page, 460, 160, 'Loan\nPK loan no\ndate');
  await pullLine(page, 'Member', 'Loan');
  await page.keyboard.press('0');
  await page.keyboard.press('m');
  await page.keyboard.press('[');
  await page.keyboard.press('1');
  await page.keyboard.press('i');
  await page.keyboard.press('Enter');
  await page.getByLabel('verb, read from this end').fill('takes out');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');
  await page.keyboard.press('s');
  await expect(sentences(page)).toContainText('Member takes out 0 or more Loan; Loan goes with exactly 1 Member');
  await expect(page.getByText('saved', { exact: true })).toBeVisible();
  await expectAccessible(page);

  await page.getByRole('tab', { name: 'scheme' }).click();
  await page.getByRole('button', { name: 'Derive the scheme' }).click();
  await expect(page.getByText('marks in all', { exact: true })).toBeVisible();
  await page.getByLabel('Choose Entity Member').check();
  await page.getByLabel('Choose Key of Member').check();
  await page.getByRole('button', { name: 'merge 2' }).click();
  await page.getByRole('textbox', { name: 'Title of Entity Member; Key of Member' }).fill('Member and its key');
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Choose Member and its key')).toBeVisible();
  await page.getByLabel('all extras at most').fill('2');
  await page.getByLabel('all extras at most').press('Enter');
  await expectAccessible(page);

  await page.getByRole('tab', { name: 'accepted', exact: true }).click();
  const box = (await page.locator('.end-hit').nth(1).boundingBox())!;
  await page.mouse.click(box.x + box.width / 2, box.y + box.height / 2);
  await page.getByRole('group', { name: /Minimum at Loan/ }).getByLabel('one').check();
  await expect(page.getByText('also one').first()).toBeVisible();
  // The drawing is only pointed at here: a press beside an edge draws nothing.
  const name = (await page.locator('text.name', { hasText: 'Loan' }).boundingBox())!;
  const shapes = await page.locator('.scene .figure').count();
  await page.mouse.click(name.x + name.width / 2, name.y - 12);
  await page.mouse.click(name.x + name.width / 2, name.y + 200);
  await expect(page.getByRole('group', { name: 'Symbols' })).toHaveCount(0);
  await expect(page.locator('.scene .figure')).toHaveCount(shapes);

  await page.getByRole('button', { name: /publish to/ }).click();
  await page.getByRole('button', { name: 'Publish', exact: true }).click();
  await expect(page.getByRole('link', { name: 'all answers' })).toBeVisible();
});

test('a student draws from the scenario, comes back in another browser, and hands in', async ({ page, browser }) => {
  await become(page, 'Rosa Tamm');
  await expectAccessible(page);
  await page.getByRole('link', { name: 'The tool library' }).click();
  await expectAccessible(page);
  await page.getByRole('button', { name: /Start/ }).click();
  await chooseWords(page, 'member');
  await page.getByRole('button', { name: 'a box' }).click();
  await chooseWords(page, 'name');
  await page.getByRole('button', { name: 'an attribute of Member' }).click();
  await expect(page.getByText('saved', { exact: true })).toBeVisible();
  const address = page.url();

  const elsewhere = await browser.newContext();
  const second = await elsewhere.newPage();
  await become(second, 'Rosa Tamm');
  await second.goto(address);
  await expect(second.locator('text.name')).toHaveText('Member');
  await drawBox(second, 520, 160, 'Loan\nPK loan no\ndate');
  await pullLine(second, 'Member', 'Loan');
  await second.keyboard.press('1');
  await second.keyboard.press('m');
  await expect(second.getByText('saved', { exact: true })).toBeVisible();
  await second.getByRole('button', { name: 'hand in' }).click();
  await expect(second.getByText('2 boxes')).toBeVisible();
  await expectAccessible(second);
  await second.getByRole('button', { name: 'Hand in for good' }).click();
  await expect(second.getByText('your receipt')).toBeVisible();
  await expectAccessible(second);
  await elsewhere.close();

  // The first browser still shows the old drawing; what it draws now is told to be too late.
  await drawBox(page, 300, 420, 'Tool');
  await expect(page.getByText('This answer is handed in; it no longer changes.', { exact: false })).toBeVisible();
});

test('the instructor goes through the answer, rules, and releases', async ({ page }) => {
  await become(page, 'Ines Okafor');
  await goToDesk(page, 'The tool library');
  await expect(page.getByRole('cell', { name: 'checked' })).toBeVisible({ timeout: 30_000 });
  await expectAccessible(page);
  await page.getByRole('table').getByRole('link').click();
  const total = page.locator('.total strong');
  const before = await total.textContent();
  await expect(page.getByRole('complementary', { name: 'Notes' }).locator('.note').first()).toBeVisible();
  await expectAccessible(page);
  await page.locator('.note').filter({ has: page.locator('.loss', { hasText: '−' }) }).first().locator('.note-head').click();
  await page.getByLabel('Comment for the student').fill('The wording allows this.');
  await page.getByRole('radio', { name: /^allow \d/ }).click();
  await expect(page.getByRole('radio', { name: /^allow ✓/ })).toBeVisible();
  await expect(total).not.toHaveText(before!);
  await page.getByRole('radio', { name: 'mark lines' }).click();
  await expect(page.getByText('what earns marks')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('radio', { name: 'beside' }).click();
  await expect(page.getByText('The model answer', { exact: true })).toBeVisible();
  await page.getByRole('radio', { name: 'in words' }).click();
  await expect(page.getByText('What the model answer says')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'gone through' }).click();

  await showDesk(page, 'giving back');
  await page.getByRole('button', { name: 'Release the marks' }).click();
  await expect(page.getByText('Frozen for good')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Release 1' }).click();
  await expect(page.getByText('All marks are released.')).toBeVisible();
});

test('the student reads the marks with the notes and the model answer', async ({ page }) => {
  await become(page, 'Rosa Tamm');
  await page.getByRole('link', { name: 'The tool library' }).click();
  await expect(page.locator('.note').first()).toBeVisible();
  await expectAccessible(page);
  // Note by note, until the one that carries the decision.
  const heads = page.locator('.note-head');
  const decided = page.getByText('Your marker allowed it.');
  for (let i = 0; i < (await heads.count()) && (await decided.count()) === 0; i++) await heads.nth(i).click();
  await expect(page.getByText('Your marker allowed it.')).toBeVisible();
  await expect(page.getByText('The wording allows this.')).toBeVisible();
  await page.getByRole('radio', { name: 'beside' }).click();
  await expect(page.getByText('The model answer', { exact: true })).toBeVisible();
  await page.getByRole('radio', { name: 'in words' }).click();
  await expect(page.getByText('What the model answer says')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('radio', { name: 'mark lines' }).click();
  await expect(page.getByText('Entity Loan')).toBeVisible();
});
