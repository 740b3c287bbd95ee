import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { become, expectAccessible, goToDesk, showDesk } from './help';

test.describe.configure({ mode: 'serial' });

const exercise = 'The night of open domes';
const minimum = 'There could be a show that goes with no guide.';

async function openDesk(page: Page) {
  await become(page, 'Ines Okafor');
  await goToDesk(page, exercise);
  await expect(page.getByRole('cell', { name: 'checked' })).toHaveCount(11, { timeout: 30_000 });
}

/** Whether the answer that is shown has a note, once it is shown whole. */
async function shows(page: Page, note: string) {
  await expect(page.getByText('of 11 gone through')).toBeVisible();
  await expect(page.locator('.note').or(page.getByText('No difference was found.')).first()).toBeVisible();
  return (await page.locator('.note', { hasText: note }).count()) > 0;
}

/** Goes from answer to answer with the key, until one shows a note. */
async function goOnTo(page: Page, note: string) {
  for (let i = 0; i < 11; i++) {
    if (await shows(page, note)) return;
    await nextAnswer(page);
  }
  throw new Error(`No answer has the note ${note}`);
}

/** The next answer, once it is the one that is shown: the address is that of the next one a moment before. */
async function nextAnswer(page: Page) {
  const total = page.locator('.total');
  const here = await total.textContent();
  await page.keyboard.press('j');
  await expect.poll(() => total.textContent()).not.toBe(here);
}

/** Opens the first answer from the desk on which a note stands. */
async function openAnswerWith(page: Page, note: string) {
  await page.getByRole('table').getByRole('link').first().click();
  await goOnTo(page, note);
}

test('an open note lights the words that decide it, and its place is looked at closely and left again', async ({ page }) => {
  await openDesk(page);
  await openAnswerWith(page, minimum);
  const zoom = page.getByRole('status', { name: 'zoom' });
  const whole = await zoom.textContent();
  const lit = () => page.evaluate(() => [...(CSS.highlights.get('lit') ?? [])].map((range) => (range as Range).toString()));
  expect(await lit()).toEqual([]);
  await page.locator('.note', { hasText: minimum }).locator('.note-head').click();
  await expect.poll(lit).toEqual(['Exactly one guide leads each show']);
  await page.keyboard.press('z');
  await expect(zoom).not.toHaveText(whole!);
  await page.getByRole('button', { name: 'see the whole drawing' }).click();
  await expect(zoom).toHaveText(whole!);
});

test('one decision holds for all alike, after whose marks change was seen, and is taken back for all', async ({ page }) => {
  await openDesk(page);
  await openAnswerWith(page, minimum);
  await page.locator('.note', { hasText: minimum }).locator('.note-head').click();
  // A show without a guide, made up, shows what the drawing lets in.
  await expect(page.getByRole('table', { name: 'Could be kept as drawn: A show with no guide.' }).getByRole('row')).toHaveText(['ShowGuide', 'show 1none']);
  await page.getByRole('radio', { name: 'all alike (3)' }).click();
  await page.getByRole('radio', { name: /^allow \d/ }).click();
  const changes = page.getByRole('group', { name: 'Whose marks change' });
  await expect(changes).toContainText('3 of 3 marks change');
  await expect(changes.getByRole('listitem')).toHaveCount(3);
  await expectAccessible(page);
  await changes.getByRole('button', { name: 'decide for all 3' }).click();
  await expect(page.locator('.note', { hasText: minimum })).toContainText('allowed ✓ for all alike');

  // The others have it too, and there it can be taken back.
  const here = page.url();
  await nextAnswer(page);
  await goOnTo(page, 'allowed ✓ for all alike');
  await page.locator('.note', { hasText: minimum }).locator('.note-head').click();
  await page.getByRole('button', { name: 'take back for all 3' }).click();
  await expect(page.getByText('allowed ✓ for all alike')).toHaveCount(0);
  await page.goto(here);
  await expect(page.locator('.note', { hasText: minimum })).toBeVisible();
  await expect(page.getByText('allowed ✓ for all alike')).toHaveCount(0);
});

test('what stands for what is said, with the total that it gives, and taken back', async ({ page }) => {
  await openDesk(page);
  await openAnswerWith(page, 'Instrument is missing.');
  const total = await page.locator('.total strong').textContent();
  await page.getByRole('button', { name: 'this stands for that …' }).click();
  await page.getByLabel('In this answer').selectOption({ label: 'Guest' });
  await page.getByLabel('stands for, in the model answer').selectOption({ label: 'Instrument' });
  await expect(page.getByText(/Then the total is/)).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Say so' }).click();
  await expect(page.getByText('Guest stands for Instrument')).toBeVisible();
  await page.getByRole('button', { name: 'take back' }).click();
  await expect(page.getByText('Guest stands for Instrument')).toHaveCount(0);
  await page.keyboard.press('Escape');
  await expect(page.locator('.total strong')).toHaveText(total!);
});

test('a tolerance is added at a symbol, and the class is marked again once the change was seen', async ({ page }) => {
  await become(page, 'Ines Okafor');
  await page.getByRole('listitem').filter({ hasText: exercise }).getByRole('link', { name: 'look at it' }).click();
  await page.getByRole('tab', { name: 'accepted', exact: true }).click();
  await page.locator('[data-element="r48/from"] .end-hit').click();
  const accepted = page.getByRole('group', { name: 'Minimum at Guide in Guide leads Show' }).getByLabel('none');
  await accepted.click();
  const sheet = page.getByRole('dialog', { name: 'Whose marks change?' });
  await expect(sheet).toContainText('3 of 11 marks change.');
  await expectAccessible(page);
  await sheet.getByRole('button', { name: 'not now' }).click();
  await expect(accepted).not.toBeChecked();
  await accepted.click();
  const saved = page.waitForResponse((reply) => reply.request().method() === 'PUT' && reply.url().endsWith('/assessment'));
  await sheet.getByRole('button', { name: 'Change it and mark again' }).click();
  expect((await saved).ok()).toBe(true);
  await expect(page.getByText('also none').first()).toBeVisible();

  await openDesk(page);
  await expect(page.getByText('being checked')).toHaveCount(0);
  await page.getByRole('table').getByRole('link').first().click();
  await expect(page.locator('.total')).toBeVisible();
  await expect(page.getByText(minimum)).toHaveCount(0);
});

test('a note of the marker’s own stands at its part, counts in its line, and is taken back', async ({ page }) => {
  await openDesk(page);
  await openAnswerWith(page, 'A person that is both guest and helper is ruled out.');
  const total = page.locator('.total strong');
  const before = await total.textContent();
  await page.getByRole('button', { name: 'a note of your own' }).click();
  const form = page.getByRole('form', { name: 'A note of your own' });
  await page.locator('.slate').first().focus();
  await page.keyboard.press('ArrowRight');
  await expect(form.getByText(/^At: /)).toBeVisible();
  await form.getByLabel('What the student reads').fill('Said at the board: this one is kept by night.');
  await form.getByLabel('Counts in').selectOption({ label: 'Entity Person (1 of 1)' });
  await form.getByPlaceholder('0').fill('all');
  await expect(form.getByText('An amount is wanted')).toBeVisible();
  await form.getByPlaceholder('0').fill('1');
  await expectAccessible(page);
  await form.getByRole('button', { name: 'write it down' }).click();
  await expect(form).toBeHidden();
  await expect(total).not.toHaveText(before!);
  const note = page.locator('.note-head', { hasText: 'Said at the board' });
  await expect(note.locator('.loss')).toHaveText('−1');
  await expect(page.locator('.slate').getByText(/noted$/)).toBeVisible();
  await note.click();
  await expect(page.getByText('By the marker, in “Entity Person”.')).toBeVisible();
  await page.getByRole('button', { name: 'take back' }).click();
  await expect(note).toBeHidden();
  await expect(total).toHaveText(before!);
});

test('an answer is gone through note by note with the keyboard, released, and read by its student', async ({ page }) => {
  await openDesk(page);
  await openAnswerWith(page, 'A person that is both guest and helper is ruled out.');
  const first = page.locator('.note-head').first();
  await first.focus();
  await expect(first).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.locator('.note.open')).toHaveAttribute('aria-label', 'Note 1');
  await page.keyboard.press('ArrowDown');
  await expect(page.locator('.note.open')).toHaveAttribute('aria-label', 'Note 2');
  await page.keyboard.press('ArrowUp');
  await expect(page.locator('.note.open')).toHaveAttribute('aria-label', 'Note 1');
  await page.getByLabel('Comment for the student').first().fill('The word “both” decides it.');
  await page.getByRole('radio', { name: /^in part/ }).click();
  await expect(page.locator('.note.open')).toContainText('allowed in part ✓');
  const total = await page.locator('.total strong').textContent();
  const here = page.url();
  await page.getByRole('button', { name: /^gone through/ }).click();
  await expect(page).not.toHaveURL(here);
  await page.goto('/');
  await goToDesk(page, exercise);
  await showDesk(page, 'giving back');
  await page.getByRole('button', { name: 'Release the marks' }).click();
  await page.getByRole('button', { name: 'Release 11' }).click();
  await expect(page.getByText('All marks are released.')).toBeVisible();
  const paper = page.getByRole('region', { name: 'Feedback on paper' });
  const download = page.waitForEvent('download');
  await paper.getByRole('button', { name: 'all in one PDF' }).click();
  const file = await download;
  expect(file.suggestedFilename()).toBe(`${exercise} - feedback.pdf`);
  expect(readFileSync(await file.path()).subarray(0, 5).toString()).toBe('%PDF-');
  await expect(paper.getByRole('button', { name: 'a PDF for each student' })).toBeEnabled();
  await expectAccessible(page);

  // One of those who handed in finds the comment with the mark that was given.
  for (const student of ['Amara Diallo', 'Ben Kowal', 'Chloé Marchetti', 'Dmitri Vale', 'Elif Sand', 'Farid Nordin', 'Grace Abel', 'Hugo Lindt', 'Ida Ferro']) {
    await become(page, student);
    await page.getByRole('link', { name: exercise }).click();
    await expect(page.locator('.total strong')).toBeVisible();
    if ((await page.getByText('A person that is both guest and helper is ruled out.').count()) === 0) continue;
    await expect(page.locator('.total strong')).toHaveText(total!);
    await page.locator('.note-head').first().click();
    await expect(page.getByText('The word “both” decides it.')).toBeVisible();
    await expectAccessible(page);
    return;
  }
  throw new Error('Nobody got the mark.');
});
