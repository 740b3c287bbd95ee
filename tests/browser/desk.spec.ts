import { expect, test, type Page } from '@playwright/test';
import { become, expectAccessible, goToDesk, showDesk } from './help';

test.describe.configure({ mode: 'serial' });

const exercise = 'The repair café';

const list = (page: Page) => page.getByRole('navigation', { name: 'Differences' });
const chosen = (page: Page) => list(page).locator('[aria-current=true]');
const having = (page: Page) => page.getByRole('region', { name: 'Answers with this difference' });
const changes = (page: Page) => page.getByRole('group', { name: 'Whose marks change' });

/** How many answers have the chosen difference. */
const numberOf = async (page: Page) => Number(await chosen(page).locator('.number').textContent());

/** Walks with the key to the first difference that costs something and that so many answers have. */
async function goToShared(page: Page, answers: number) {
  for (let i = 0; i < 60; i++) {
    const text = (await chosen(page).textContent())!;
    if ((await numberOf(page)) >= answers && text.includes('−')) return;
    await page.keyboard.press('j');
    await expect(chosen(page)).not.toHaveText(text);
  }
  throw new Error('No difference is shared.');
}

test('a class is gone through by its differences with keys alone: seen, decided for all, taken back', async ({ page }) => {
  await become(page, 'Ines Okafor');
  await goToDesk(page, exercise, 'differences');
  await expect(page.getByRole('application').locator('.scene text').first()).toBeVisible();
  await expectAccessible(page);
  await goToShared(page, 2);
  const number = await numberOf(page);
  await expect(having(page).getByRole('listitem')).toHaveCount(number);
  const shown = having(page).getByRole('listitem').and(page.locator('[aria-current=true]')).getByRole('button');
  const code = await shown.textContent();
  await page.keyboard.press('e');
  await expect(shown).not.toHaveText(code!);
  await expect(page.getByRole('application')).toHaveAttribute('aria-label', new RegExp((await shown.textContent())!));

  // What would change is told before anything does; Esc leaves everything as it is.
  const open = Number(await list(page).locator('h2 strong').textContent());
  await page.keyboard.press('1');
  await expect(changes(page)).toContainText(`of ${number} marks change`);
  await expectAccessible(page);
  const [, before, after] = /(\S+) → (\S+)/.exec((await changes(page).getByRole('listitem').first().textContent())!)!;
  expect(after).not.toBe(before);
  await page.keyboard.press('Escape');
  await expect(changes(page)).toHaveCount(0);
  await expect(list(page).locator('h2 strong')).toHaveText(String(open));

  const headline = (await chosen(page).locator('> span').nth(1).textContent())!;
  await page.keyboard.press('1');
  await expect(changes(page)).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(list(page).getByRole('listitem').filter({ hasText: headline }).filter({ hasText: 'allowed ✓' })).toHaveCount(1);
  await expect(list(page).locator('h2 strong')).toHaveText(String(open - 1));
  // The next one that is to be decided is there.
  await expect(chosen(page)).not.toContainText('✓');

  await list(page).getByRole('button').filter({ hasText: headline }).filter({ hasText: 'allowed ✓' }).click();
  await expect(chosen(page)).toContainText('allowed ✓');
  await page.keyboard.press('t');
  await expect(list(page).locator('h2 strong')).toHaveText(String(open));
});

test('any exact amount is given back, with a word to the students', async ({ page }) => {
  await become(page, 'Ines Okafor');
  await goToDesk(page, exercise, 'differences');
  await goToShared(page, 2);
  const headline = (await chosen(page).locator('> span').nth(1).textContent())!;
  await page.getByLabel('Comment for the students').fill('The sheet leaves it open.');
  await page.getByLabel('Comment for the students').blur();
  await page.getByRole('button', { name: 'an amount' }).click();
  const amount = page.getByLabel(/^gives back/);
  await expect(amount).toBeFocused();
  await amount.fill('99');
  await amount.press('Enter');
  await expect(page.getByRole('alert')).toContainText('An amount between 0 and');
  await amount.fill('1/4');
  await amount.press('Enter');
  await expect(changes(page)).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(list(page).getByRole('listitem').filter({ hasText: headline }).filter({ hasText: 'in part ✓' })).toHaveCount(1);

  // It stands in the answers, which say of each note what was decided.
  await list(page).getByRole('button').filter({ hasText: headline }).filter({ hasText: 'in part ✓' }).click();
  await having(page).getByRole('link').first().click();
  await expect(page.locator('.note.open')).toContainText('allowed in part ✓ for all alike');
  await expect(page.getByLabel('Comment for the student')).toHaveValue('The sheet leaves it open.');
});

test('the picture of the class is the model answer with numbers, and every number leads to its answers and back', async ({ page }) => {
  await become(page, 'Ines Okafor');
  await goToDesk(page, exercise, 'the class');
  const numbers = page.locator('.difference-tag');
  await expect(numbers.first()).toBeVisible();
  await expectAccessible(page);
  await numbers.first().dispatchEvent('pointerdown');
  const symbol = page.getByRole('status', { name: 'At this symbol' });
  const number = symbol.getByRole('button', { name: /show them$/ }).first();
  const counted = Number(/^\d+/.exec((await number.getAttribute('aria-label'))!));
  await number.click();
  await expect(page.getByRole('table', { name: 'Answers' }).getByRole('row')).toHaveCount(counted + 1);
  await expectAccessible(page);
  await page.goBack();
  await expect(numbers.first()).toBeVisible();

  await page.getByRole('radio', { name: 'by mark lines' }).click();
  await expect(page.getByRole('table', { name: 'The lines of the scheme' }).getByRole('row').nth(1)).toContainText('%');
  await expectAccessible(page);
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: 'save as a table (CSV)' }).click();
  expect((await saved).suggestedFilename()).toBe('The repair café - class.csv');

  // To a room it is shown without a way to anybody.
  await page.getByRole('radio', { name: 'at the symbols' }).click();
  await page.getByRole('button', { name: 'show it to the room' }).click();
  await expect(page.getByText('No names, no codes')).toBeVisible();
  await expect(page.getByRole('button', { name: /show them$/ })).toHaveCount(0);
  await page.keyboard.press('Escape');
  await expect(page.getByText('No names, no codes')).toHaveCount(0);
});

test('answers are found, sorted, picked out, and several are gone through at once', async ({ page }) => {
  await become(page, 'Ines Okafor');
  await goToDesk(page, exercise);
  const rows = page.getByRole('table', { name: 'Answers' }).getByRole('row');
  await expect(rows).toHaveCount(13);
  await page.getByRole('button', { name: /^marks of/ }).click();
  await expect(page.getByRole('columnheader', { name: /^marks of/ })).toHaveAttribute('aria-sort', 'descending');
  const code = (await rows.nth(3).getByRole('link').first().textContent())!;
  await page.getByRole('searchbox').fill(code.toLowerCase());
  await expect(rows).toHaveCount(2);
  await page.getByRole('searchbox').fill('');
  await page.getByLabel(`Choose ${code}`).check();
  await rows.nth(1).getByRole('checkbox').check();
  await expect(page.getByText('2 answers chosen')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'these 2 are gone through' }).click();
  await expect(rows.filter({ hasText: 'gone through' })).toHaveCount(2);
  await page.getByRole('button', { name: 'not gone through 10' }).click();
  await expect(rows).toHaveCount(11);
  await showDesk(page, 'differences');
  await expect(list(page)).toBeVisible();
});

test('an answer is held back for a reason that its student reads, and no longer', async ({ page }) => {
  await become(page, 'Ines Okafor');
  await goToDesk(page, 'The booking desk');
  await page.getByRole('button', { name: 'show names' }).click();
  const row = page.getByRole('row').filter({ hasText: 'Leo Quist' });
  await row.getByRole('checkbox').check();
  await page.getByRole('button', { name: 'hold back …' }).click();
  await page.getByPlaceholder('why, for the students to read').fill('Please come and see me first.');
  await page.getByRole('button', { name: 'hold back', exact: true }).click();
  await expect(row).toContainText('held back');
  await page.getByRole('button', { name: 'held back 1' }).click();
  await expect(page.getByRole('row')).toHaveCount(2);
  await expectAccessible(page);
  await showDesk(page, 'giving back');
  await page.getByRole('button', { name: 'Release the marks' }).click();
  await expect(page.getByRole('dialog')).toContainText('Please come and see me first.');
  await expect(page.getByRole('dialog')).toContainText('Nobody has gone through');
  await page.getByLabel('release only what somebody has gone through').check();
  await expect(page.getByRole('button', { name: 'Release 0' })).toBeDisabled();

  await become(page, 'Leo Quist');
  await expect(page.getByRole('listitem').filter({ hasText: 'The booking desk' })).toContainText('Please come and see me first.');
  await become(page, 'Ines Okafor');
  await goToDesk(page, 'The booking desk');
  await page.getByRole('button', { name: 'held back 1' }).click();
  await page.getByRole('checkbox').last().check();
  await page.getByRole('button', { name: 'hold back no longer' }).click();
  await expect(page.getByText('No answer is like that.')).toBeVisible();
});

test('one student gets more time, sees it, and has time as everybody again', async ({ page }) => {
  const times = async () => {
    await become(page, 'Ines Okafor');
    await page.getByRole('listitem').filter({ hasText: 'The booking desk' }).getByRole('link', { name: 'look at it' }).click();
    await page.getByRole('button', { name: /^times/ }).click();
    await expect(page.getByText(/of \d+ (have|has) not begun/)).toBeVisible();
  };
  await times();
  const sheet = page.getByRole('dialog', { name: 'Times' });
  await sheet.getByRole('button', { name: 'give Rosa Tamm more time' }).click();
  const due = await sheet.getByLabel('Due, empty for no end').inputValue();
  const later = `${Number(due.slice(0, 4)) + 1}${due.slice(4)}`;
  await sheet.getByLabel('Until, at a time of their own').fill(due);
  await sheet.getByLabel('Why').fill('Ill in the second week.');
  await sheet.getByRole('button', { name: 'give it' }).click();
  await expect(sheet.getByText('later than everybody')).toBeVisible();
  await sheet.getByLabel('Until, at a time of their own').fill(later);
  await sheet.getByRole('button', { name: 'give it' }).click();
  await expect(sheet.getByText('Ill in the second week.')).toBeVisible();
  await expectAccessible(page);

  const line = () => page.getByRole('listitem').filter({ hasText: 'The booking desk' });
  await become(page, 'Grace Abel');
  const everybody = await line().getByText(/due /).textContent();
  await become(page, 'Rosa Tamm');
  await expect(line().getByText(/due /)).not.toHaveText(everybody!);
  await times();
  await sheet.getByRole('button', { name: 'change the time of Rosa Tamm' }).click();
  await sheet.getByRole('button', { name: 'take it back' }).click();
  await expect(sheet.getByText('Ill in the second week.')).toHaveCount(0);
});
