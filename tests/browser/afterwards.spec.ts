import { expect, test, type Page } from '@playwright/test';
import { become, expectAccessible, goToDesk, showDesk } from './help';

test.describe.configure({ mode: 'serial' });

const released = 'Harbour community radio';

async function openDesk(page: Page, exercise: string) {
  await become(page, 'Ines Okafor');
  await goToDesk(page, exercise);
  await expect(page.getByRole('table')).toBeVisible();
}

test('a question about a note is answered, and the mark that is changed for it is told with its reason', async ({ page }) => {
  await become(page, 'Ben Kowal');
  await page.getByRole('link', { name: released }).click();
  const before = await page.locator('.total strong').textContent();
  await page.locator('.note-head').first().click();
  const headline = (await page.locator('.note.open .headline').textContent())!.trim();
  await page.getByRole('button', { name: 'ask about this note' }).click();
  await page.getByLabel('What you want to ask about this note').fill('Does “was founded by” not say it already?');
  await page.getByRole('button', { name: 'send to your marker' }).click();
  await expect(page.getByText('Your marker has still to answer.')).toBeVisible();
  await expect(page.getByRole('button', { name: 'ask about this note' })).toHaveCount(0);
  await expectAccessible(page);

  await openDesk(page, released);
  await page.getByRole('row').filter({ hasText: '1 question' }).getByRole('link').click();
  const note = page.locator('.note', { hasText: headline });
  await expect(note).toContainText('a question');
  await note.locator('.note-head').click();
  await expect(note).toContainText('Does “was founded by” not say it already?');
  await page.getByLabel('Your answer to the student').fill('It does; the loss is taken back.');
  await page.getByRole('button', { name: 'answer', exact: true }).click();
  await expect(note).toContainText('It does; the loss is taken back.');
  await page.getByRole('radio', { name: /^allow \d/ }).click();
  await expect(page.getByText(`Released with ${before}`)).toBeVisible();
  const after = await page.locator('.total strong').textContent();
  expect(after).not.toBe(before);
  await expectAccessible(page);

  // Nothing has changed for the student until somebody takes it.
  await page.getByRole('link', { name: 'changed for the student' }).click();
  await page.getByRole('button', { name: 'look at the change' }).click();
  const sheet = page.getByRole('dialog', { name: 'Change released marks?' });
  await expect(sheet.getByRole('listitem')).toContainText(`${before} → ${after}`);
  await sheet.getByLabel(/^Why/).fill('The scenario can be read so.');
  await expectAccessible(page);
  await sheet.getByRole('button', { name: 'Change 1' }).click();
  await expect(page.getByText('would be different now')).toHaveCount(0);

  await become(page, 'Ben Kowal');
  await expect(page.getByText(`${after} of 40`)).toBeVisible();
  await page.getByRole('link', { name: released }).click();
  await expect(page.locator('.total strong')).toHaveText(after!);
  await expect(page.getByText('The scenario can be read so.')).toBeVisible();
  await page.locator('.note', { hasText: headline }).locator('.note-head').click();
  await expect(page.getByText('It does; the loss is taken back.')).toBeVisible();
  await expectAccessible(page);
});

test('a mark that would go down is left as it is, unless somebody says so with a reason', async ({ page }) => {
  await openDesk(page, released);
  await page.getByRole('row').filter({ hasText: 'released' }).last().getByRole('link').first().click();
  await page.locator('.note', { hasText: 'allowed ✓' }).or(page.locator('.total')).first().waitFor();
  await openAnswerOfBen(page);
  await page.getByRole('button', { name: 'take back' }).click();
  await expect(page.getByText(/^Released with/)).toBeVisible();
  await page.getByRole('link', { name: 'changed for the student' }).click();
  await page.getByRole('button', { name: 'look at the change' }).click();
  const sheet = page.getByRole('dialog', { name: 'Change released marks?' });
  await expect(sheet.getByRole('checkbox')).not.toBeChecked();
  await expect(sheet.getByRole('button', { name: 'Change 0' })).toBeDisabled();
  await sheet.getByRole('checkbox').check();
  await expect(sheet.getByRole('button', { name: 'Change 1' })).toBeDisabled();
  await sheet.getByLabel(/^Why/).fill('Both readings were looked at again.');
  await sheet.getByRole('button', { name: 'Change 1' }).click();
  await expect(page.getByText('would be different now')).toHaveCount(0);
});

/** Goes to the next or the previous answer, and waits until it is shown: its address is there first. */
async function toNeighbour(page: Page, key: 'j' | 'k') {
  const total = page.locator('.total');
  const shown = (await total.textContent())!;
  await page.keyboard.press(key);
  await expect(total).not.toHaveText(shown);
}

/** Goes through the answers until the one whose loss was allowed is shown, with its note open. */
async function openAnswerOfBen(page: Page) {
  for (let i = 0; i < 9; i++) {
    await expect(page.locator('.note').or(page.getByText('No difference was found.')).first()).toBeVisible();
    const note = page.locator('.note', { hasText: 'allowed ✓' });
    if ((await note.count()) > 0) return note.locator('.note-head').click();
    await toNeighbour(page, 'k');
  }
  throw new Error('No answer has the decision.');
}

test('a sample is marked blind by two, and how far they agree is told', async ({ page }) => {
  await openDesk(page, 'The repair café');
  await showDesk(page, 'giving back');
  await page.getByRole('button', { name: 'have a sample marked blind by two' }).click();
  await page.getByLabel(/^How many/).fill('1');
  await page.getByRole('button', { name: 'Draw 1' }).click();
  await expect(page.getByText('1 answer to be marked')).toBeVisible();
  for (const marker of ['Ines Okafor', 'Piet Lindqvist']) {
    await become(page, marker);
    await goToDesk(page, 'The repair café');
    await showDesk(page, 'giving back');
    const next = page.getByRole('link', { name: /^mark / });
    const code = (await next.textContent())!.replace('mark ', '');
    // What was found is not to be seen before, not even the total.
    await showDesk(page, 'answers');
    await expect(page.getByRole('row').filter({ hasText: code })).toContainText('–');
    await showDesk(page, 'giving back');
    await next.click();
    await expect(page.getByText('Marked blind: what was found')).toBeVisible();
    await expect(page.locator('.note')).toHaveCount(0);
    if (marker === 'Ines Okafor') await expectAccessible(page);
    const lines = page.getByRole('radiogroup');
    for (let i = 0; i < (await lines.count()); i++) await lines.nth(i).getByRole('radio').first().press('Space');
    if (marker === 'Piet Lindqvist') await lines.first().getByRole('radio').last().press('Space');
    await page.getByRole('button', { name: 'done, see what was found' }).click();
    await expect(page.getByText('gone through').first()).toBeVisible();
  }
  await openDesk(page, 'The repair café');
  await showDesk(page, 'giving back');
  await expect(page.getByText(/differ by 1 of 40 on average/)).toBeVisible();
  await page.getByText('One line on which they differ').click();
  const apart = page.getByRole('table').getByRole('row').nth(1);
  await expect(apart.getByRole('cell').nth(1)).toHaveText('Entity Visitor');
  await expectAccessible(page);
  await apart.getByRole('link').click();
  await expect(page.locator('.total')).toBeVisible();
  await page.goBack();
  await showDesk(page, 'giving back');
  await page.getByRole('button', { name: 'Release the marks' }).click();
  await expect(page.getByRole('dialog')).toContainText('differ by 1 of 40 on average');
});

test('another way of drawing is made as good, after it was seen whose marks change', async ({ page }) => {
  await become(page, 'Ines Okafor');
  await page.getByRole('listitem').filter({ hasText: 'The hill observatory' }).getByRole('link', { name: 'look at it' }).click();
  await page.getByRole('tab', { name: 'accepted', exact: true }).click();
  const way = page.getByRole('radiogroup', { name: 'A linking entity, as a many-to-many relationship' });
  const usual = await way.getByRole('radio', { checked: true }).textContent();
  await way.getByRole('radio', { checked: false }).first().click();
  const sheet = page.getByRole('dialog', { name: 'Whose marks change?' });
  await expect(sheet).toContainText(/marks? changes?/);
  const saved = page.waitForResponse((reply) => reply.request().method() === 'PUT' && reply.url().endsWith('/assessment'));
  await sheet.getByRole('button', { name: 'Change it and mark again' }).click();
  expect((await saved).ok()).toBe(true);
  await expect(way.getByRole('radio', { checked: true })).not.toHaveText(usual!);
  await expectAccessible(page);

  // Words that nobody used change nobody's marks, and are kept at once.
  const kept = page.waitForResponse((reply) => reply.request().method() === 'PUT' && reply.url().endsWith('/assessment'));
  await page.getByLabel(/^These mean the same/).fill('xylograph, woodcut print');
  await page.keyboard.press('Tab');
  expect((await kept).ok()).toBe(true);
  await page.reload();
  await page.getByRole('tab', { name: 'accepted', exact: true }).click();
  await expect(page.getByLabel(/^These mean the same/)).toHaveValue('xylograph, woodcut print');
  await expect(way.getByRole('radio', { checked: true })).not.toHaveText(usual!);
});

test('a drawing of another structure is taken as right, for all who drew so', async ({ page }) => {
  await openDesk(page, 'Warm-up: the boat shed');
  await expect(page.getByRole('cell', { name: 'checked' })).toHaveCount(7, { timeout: 30_000 });
  await page.getByRole('table').getByRole('link').first().click();
  const telling = page.locator('.note', { hasText: 'go together in one relationship' });
  for (let i = 0; i < 7; i++) {
    await expect(page.locator('.note').first()).toBeVisible();
    if ((await telling.count()) > 0) break;
    await toNeighbour(page, 'j');
  }
  await expect(telling).toBeVisible();
  const code = (await page.locator('.total').textContent())!.match(/candidate (\w+)/)![1]!;
  await page.getByRole('button', { name: 'this drawing is as right …' }).click();
  const sheet = page.getByRole('dialog', { name: 'Another right answer?' });
  await expect(sheet.getByRole('listitem').filter({ hasText: code })).toContainText('→ 30');
  await expect(sheet.getByRole('button', { name: 'Accept it for all' })).toBeDisabled();
  await sheet.getByLabel(/^What it does otherwise/).fill('drawn as they did');
  await expectAccessible(page);
  await sheet.getByRole('button', { name: 'Accept it for all' }).click();
  await expect(page.locator('.total strong')).toHaveText('30');
  await expect(page.getByText('No difference was found.')).toBeVisible();

  await become(page, 'Ines Okafor');
  await page.getByRole('listitem').filter({ hasText: 'Warm-up: the boat shed' }).getByRole('link', { name: 'look at it' }).click();
  await page.getByRole('tab', { name: 'accepted', exact: true }).click();
  await page.getByRole('region', { name: 'Further model answers' }).getByRole('button', { name: 'look' }).click();
  await expect(page.getByRole('dialog', { name: 'drawn as they did' }).getByText('goes to')).toBeVisible();
  await expectAccessible(page);
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'forget it' }).click();
  const changes = page.getByRole('dialog', { name: 'Whose marks change?' });
  await changes.getByRole('button', { name: 'Change it and mark again' }).click();
  await expect(page.getByText('drawn as they did')).toHaveCount(0);
});
