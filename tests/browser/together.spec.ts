import { expect, test, type Page } from '@playwright/test';
import { become, call, expectAccessible, goToDesk, openDrawing, showDesk } from './help';

const shared = 'Warm-up: the tape archive';
const rows = (page: Page) => page.getByRole('table', { name: 'Answers' }).getByRole('row');

test('answers are shared out, one is passed on, and what an assistant has gone through is confirmed', async ({
  page,
}) => {
  await become(page, 'Ines Okafor');
  await page.goto('/shelf');
  await page.getByRole('listitem').filter({ hasText: shared }).getByRole('link').first().click();
  await page.getByRole('link', { name: 'all answers' }).click();
  await showDesk(page, 'answers');
  await expect(rows(page).nth(1)).toBeVisible();
  const all = await rows(page).count();
  await page.getByLabel('Choose all that are shown').check();
  await page.getByRole('button', { name: 'give to …' }).click();
  const who = page.getByRole('dialog', { name: 'Who is to go through them' });
  await who.getByLabel(/Piet Lindqvist/).check();
  await expectAccessible(page);
  await who.getByRole('button', { name: 'Give', exact: true }).click();
  await expect(rows(page).filter({ hasText: 'Piet Lindqvist' })).toHaveCount(all - 1);
  const desk = page.url();

  await become(page, 'Piet Lindqvist');
  await page.goto(desk);
  await page.getByRole('button', { name: `mine ${all - 1}` }).click();
  const code = (await rows(page).nth(1).getByRole('link').first().textContent())!;
  await rows(page).nth(1).getByRole('link').first().click();
  await expect(page.getByText('for you to go through')).toBeVisible();
  await page.getByRole('button', { name: 'pass it on …' }).click();
  await page.getByLabel('To whom').selectOption({ label: 'to Ines Okafor' });
  await page.getByLabel('why; the record keeps it').fill('It is a friend’s.');
  await page.getByRole('button', { name: 'pass it on', exact: true }).click();
  await expect(page.getByText('for Ines Okafor to go through')).toBeVisible();
  await page.keyboard.press('j');
  await expect(page.getByText('for you to go through')).toBeVisible();
  const other = /candidate (\S+)/.exec((await page.locator('.total').textContent())!)![1]!.replace(',', '');
  await page.keyboard.press('g');
  await expect(page.locator('.total')).not.toContainText(other);

  // Whoever teaches sees whose it is and what is to be confirmed, and who else is there.
  await become(page, 'Ines Okafor');
  await page.goto(desk);
  await expect(rows(page).filter({ hasText: code })).toContainText('Ines Okafor');
  await page.getByRole('button', { name: 'to be confirmed 1' }).click();
  await page.getByLabel(`Choose ${other}`).check();
  await page.getByRole('button', { name: 'what was decided on it stands' }).click();
  await expect(page.getByRole('button', { name: /^to be confirmed/ })).toHaveCount(0);
});

test('two at one answer see each other', async ({ browser, page }) => {
  await become(page, 'Ines Okafor');
  await goToDesk(page, 'The night of open domes');
  await rows(page).nth(1).getByRole('link').first().click();
  await expect(page.locator('.total')).toBeVisible();
  const second = await (await browser.newContext()).newPage();
  await become(second, 'Piet Lindqvist');
  await second.goto(page.url());
  await expect(second.getByText('Ines Okafor has this answer open too.')).toBeVisible();
  await expect(page.getByText('Piet Lindqvist has this answer open too.')).toBeVisible({ timeout: 20_000 });
  await second.context().close();
});

test('an answer is handed in for its student and opened again, and the student reads why', async ({ page }) => {
  await become(page, 'Mina Holt');
  await openDrawing(page, 'The job sheet');
  const times = async () => {
    await become(page, 'Ines Okafor');
    await page
      .getByRole('listitem')
      .filter({ hasText: 'The job sheet' })
      .getByRole('link', { name: 'look at it' })
      .click();
    await page.getByRole('button', { name: /^times/ }).click();
    return page.getByRole('dialog', { name: 'Times' });
  };
  let sheet = await times();
  await sheet.getByRole('button', { name: 'hand in what Mina Holt is drawing' }).click();
  await sheet.getByLabel('why, for Mina Holt to read').fill('The fire alarm ended it.');
  await sheet.getByRole('button', { name: 'hand it in', exact: true }).last().click();
  await expect(sheet.getByText('The fire alarm ended it.')).toBeVisible();
  await expectAccessible(page);

  const line = page.getByRole('listitem').filter({ hasText: 'The job sheet' });
  await become(page, 'Mina Holt');
  await expect(line).toContainText('handed in for you: The fire alarm ended it.');
  sheet = await times();
  await sheet.getByRole('button', { name: 'open the answer of Mina Holt again' }).click();
  await sheet.getByLabel('until', { exact: true }).fill('2099-01-01T10:00');
  await sheet.getByLabel('why, for Mina Holt to read').fill('The room is open again.');
  await sheet.getByRole('button', { name: 'open it', exact: true }).click();
  await expect(sheet.getByText('The room is open again.')).toBeVisible();
  await become(page, 'Mina Holt');
  await expect(line).toContainText('opened again for you until');
  await openDrawing(page, 'The job sheet');
  await expect(page.getByText('The room is open again.')).toBeVisible();
});

test('a line on which two blind markers differ is settled in one step, with a reason', async ({ page }) => {
  await become(page, 'Ines Okafor');
  await goToDesk(page, 'Warm-up: the radio’s crew', 'giving back');
  await page.getByRole('button', { name: 'have a sample marked blind by two' }).click();
  await page.getByLabel(/^How many of/).fill('1');
  await page.getByRole('button', { name: 'Draw 1' }).click();
  const desk = page.url();
  const mark = async (first: number, why: string) => {
    await page.getByRole('link', { name: /^mark / }).click();
    const lines = page.getByRole('complementary', { name: 'Your marks' }).getByRole('radiogroup');
    await expect(lines.first()).toBeVisible();
    for (let at = 0; at < (await lines.count()); at++)
      await lines
        .nth(at)
        .getByRole('radio')
        .nth(at === 0 ? first : 0)
        .click();
    await page
      .getByLabel(/^Why, for/)
      .first()
      .fill(why);
    await page
      .getByLabel(/^Why, for/)
      .first()
      .blur();
    await expectAccessible(page);
    await page.getByRole('button', { name: 'done, see what was found' }).click();
    await expect(page).not.toHaveURL(/blind/);
  };
  await mark(0, 'No key is drawn.');
  await become(page, 'Piet Lindqvist');
  await page.goto(desk);
  await mark(1, 'The key can be made out.');

  await become(page, 'Ines Okafor');
  await page.goto(desk);
  await page.getByText(/^One line on which they differ/).click();
  const row = page.getByRole('row').filter({ hasText: 'The key can be made out.' });
  await expect(row).toContainText('No key is drawn.');
  const way = row.getByRole('button', { name: /^with / }).first();
  const to = (await way.textContent())!.replace('with ', '');
  await way.click();
  await row.getByRole('button', { name: `give ${to}` }).click();
  await expect(row.getByRole('cell').nth(4).locator('strong')).toHaveText(to);
});

test('a published model answer is repaired once it was seen whose marks change', async ({ page }) => {
  await become(page, 'Ines Okafor');
  const { id } = (await call<{ id: string; title: string }[]>(page, 'GET', '/api/exercises')).find(
    ({ title }) => title === 'Warm-up: the tram kiosk',
  )!;
  await page.goto(`/exercises/${id}/repair`);
  const slate = page.getByRole('application');
  await expect(slate.locator('.scene text').first()).toBeVisible();
  const look = page.getByRole('button', { name: 'Look whose marks change' });
  await look.click();
  await expect(page.getByText('No marks change.')).toBeVisible();
  const box = slate
    .locator('[data-element]')
    .filter({ has: page.locator('text.name') })
    .last();
  const name = (await box.locator('text.name').textContent())!;
  await box.locator('text.name').click();
  await page.keyboard.press('Delete');
  await expect(page.getByText('look again before you take it')).toBeVisible();
  await look.click();
  await expect(page.getByText('It no longer says:')).toBeVisible();
  await expect(page.getByLabel('Marks that change')).toBeVisible();
  await expectAccessible(page);

  // It waits in this browser until it is taken.
  await page.reload();
  await expect(slate.locator('.scene text').first()).toBeVisible();
  await expect(slate.locator('text.name', { hasText: new RegExp(`^${name}$`) })).toHaveCount(0);
  await look.click();
  await page.getByLabel('Why; the record keeps it').fill('It was never in the text.');
  await page.getByRole('button', { name: 'Repair it and mark again' }).click();
  await expect(page).toHaveURL(new RegExp(`/exercises/${id}$`));
  await expect(slate.locator('.scene text').first()).toBeVisible();
  await expect(slate.locator('text.name', { hasText: new RegExp(`^${name}$`) })).toHaveCount(0);
});

test('an exercise is tried on answers that were drawn before, and nothing of theirs changes', async ({ page }) => {
  await become(page, 'Ines Okafor');
  await page
    .getByRole('listitem')
    .filter({ hasText: 'The repair café' })
    .getByRole('link', { name: 'look at it' })
    .click();
  await page.getByRole('tab', { name: /^preflight/ }).click();
  await page.getByRole('button', { name: 'try it on answers of before …' }).click();
  const sheet = page.getByRole('dialog', { name: 'Answers of before' });
  const whose = sheet.getByLabel('Whose answers');
  const radio = whose.locator('option').filter({ hasText: 'Harbour community radio' }).first();
  await whose.selectOption((await radio.getAttribute('value'))!);
  await sheet.getByRole('button', { name: 'Hold them against it' }).click();
  await expect(sheet.getByRole('region', { name: 'What they earn' }).getByRole('row').nth(2)).toBeVisible();
  await expect(
    sheet.getByRole('region', { name: 'What they lose marks for' }).getByRole('listitem').first(),
  ).toBeVisible();
  await expectAccessible(page);
});

test('another marking is tried on a copy with its answers, and the copy is taken away', async ({ page }) => {
  await become(page, 'Ines Okafor');
  await page.goto('/shelf');
  const line = page.getByRole('listitem').filter({ hasText: shared });
  await line.getByRole('button', { name: 'copy it …' }).click();
  const sheet = page.getByRole('dialog', { name: /^Copy/ });
  await sheet.getByLabel(/^with its/).check();
  await expectAccessible(page);
  await sheet.getByRole('button', { name: 'Copy it' }).click();
  await expect(page.getByRole('heading', { name: `${shared} (trial)` })).toBeVisible();
  await expect(page.getByText(/A trial on copies of \d+ answers/)).toBeVisible();

  // Its scheme is its own to change, and no student meets it.
  await page.getByRole('link', { name: 'the exercise' }).click();
  await expect(page.getByText('Another marking is tried on this copy')).toBeVisible();
  const trial = page.url();
  await become(page, 'Amara Diallo');
  await page.goto('/');
  await expect(page.getByText('(trial)')).toHaveCount(0);

  await become(page, 'Ines Okafor');
  await page.goto(`${trial}/answers`);
  await showDesk(page, 'giving back');
  await expect(page.getByRole('button', { name: 'Release the marks' })).toHaveCount(0);
  await page.getByRole('button', { name: 'Take the copy away' }).click();
  await page
    .getByRole('dialog', { name: /away\?$/ })
    .getByRole('button', { name: 'Take it away' })
    .click();
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  await expect(page.getByText('(trial)')).toHaveCount(0);
});
