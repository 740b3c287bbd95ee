import { expect, test, type Page } from '@playwright/test';
import { become, drawBox, expectAccessible, sentences } from './help';

/** Starts an exercise of the demo, or goes on with it. */
async function open(page: Page, student: string, exercise: string) {
  await become(page, student);
  await page.getByRole('link', { name: exercise }).click();
  const start = page.getByRole('button', { name: /^Start/ });
  await expect(start.or(page.locator('.slate'))).toBeVisible();
  if (await start.isVisible()) await start.click();
  await expect(page.locator('.slate')).toBeVisible();
}

const saved = (page: Page) => expect(page.getByText('saved', { exact: true })).toBeVisible();

test('what was due says so before one starts, and what is handed in late says that it is', async ({ page }) => {
  await become(page, 'Mina Holt');
  await page.getByRole('link', { name: 'Harbour community radio' }).click();
  await expect(page.getByText(/It was due .*; what is handed in now counts as late/)).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Start the clock' }).click();
  await drawBox(page, 200, 150, 'Presenter\nPK presenter no');
  await saved(page);
  await page.getByRole('button', { name: 'hand in' }).click();
  await expect(page.getByText(/it will be marked as late/)).toBeVisible();
  await page.getByRole('button', { name: 'Hand in for good' }).click();
  await expect(page.getByText(/This came late/).first()).toBeVisible();
  await expectAccessible(page);
});

test('an empty slate says how to begin, and an empty answer is asked about before it is handed in', async ({ page }) => {
  await open(page, 'Nils Abara', 'The repair café');
  await expect(page.getByText('Press anywhere to draw the first box')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'hand in' }).click();
  await expect(page.getByText('Nothing is drawn. An empty answer earns nothing.')).toBeVisible();
  await page.getByRole('button', { name: 'not now' }).click();
  await expect(page.getByText('Press anywhere to draw the first box')).toBeVisible();
});

test('handing in quotes what was typed and not understood', async ({ page }) => {
  await open(page, 'Nils Abara', 'The repair café');
  await page.getByRole('button', { name: 'write', exact: true }).click();
  await page.keyboard.type('Visitor: visitor no (key)\nVisit: visit no (key)\nVisitor pays 1 or more Visit; and more\n');
  await expect(page.locator('.scene text.name')).toHaveText(['Visitor', 'Visit']);
  await expect(page.locator('.editor-foot')).toContainText('line 3');
  await page.getByRole('button', { name: 'hand in' }).click();
  await expect(page.getByRole('dialog')).toContainText('Not drawn, since it was not understood: “Visitor pays 1 or more Visit; and more”.');
  await page.getByRole('button', { name: 'not now' }).click();
  // What is mended is not quoted again.
  await page.getByLabel('Sentences, one statement a line').fill('Visitor: visitor no (key), name\nVisit: visit no (key)\nVisitor pays 1 or more Visit\n');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'hand in' }).click();
  await expect(page.getByRole('dialog')).toContainText('2 boxes');
  await expect(page.getByRole('dialog')).not.toContainText('Not drawn');
});

test('a session that ran out is taken up again over the slate, and nothing is lost', async ({ page }) => {
  await open(page, 'Rosa Tamm', 'The repair café');
  await drawBox(page, 200, 150, 'Visitor\nPK visitor no');
  await saved(page);
  await page.context().clearCookies();
  await drawBox(page, 520, 150, 'Visit\nPK visit no');
  await expect(page.getByText('Your session has ended')).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Go on as Rosa Tamm' }).click();
  await saved(page);
  await expect(sentences(page)).toContainText('Visit: visit no (key)');
  await page.reload();
  await expect(page.locator('text.name')).toHaveText(['Visitor', 'Visit']);
});

test('while the server is away the page says what it keeps and that the sentences wait', async ({ page, context }) => {
  await open(page, 'Olga Wren', 'The repair café');
  await drawBox(page, 200, 150, 'Visitor\nPK visitor no');
  await saved(page);
  await context.setOffline(true);
  await drawBox(page, 520, 150, 'Visit\nPK visit no');
  await expect(page.getByText(/the server is away; \d+ changes? kept in this browser/)).toBeVisible();
  await expect(sentences(page)).toContainText('What was drawn since waits for the server.');
  await expectAccessible(page);
  await context.setOffline(false);
  await page.getByRole('button', { name: 'try now' }).click();
  await saved(page);
  await expect(sentences(page)).not.toContainText('waits for the server');
});

test('marks that are not released are not shown, and the receipt stays to be read', async ({ page }) => {
  await become(page, 'Ben Kowal');
  await page.getByRole('link', { name: 'The repair café' }).click();
  await expect(page.getByText('your receipt')).toBeVisible();
  await expectAccessible(page);
  const address = page.url();
  await page.goto(`${address}/marks`);
  await expect(page.getByText('The marks of this answer are not released yet.')).toBeVisible();
  await expectAccessible(page);
});

test('an answer of somebody else and an exercise that is gone are said in words', async ({ page }) => {
  await become(page, 'Ben Kowal');
  await page.getByRole('link', { name: 'The repair café' }).click();
  await expect(page.getByText('your receipt')).toBeVisible();
  const address = page.url();
  await become(page, 'Rosa Tamm');
  await page.goto(address);
  await expect(page.getByRole('alert')).toHaveText(/There is no such answer among yours/);
  await page.goto(address.replace(/answers\/.*/, 'study/00000000-0000-0000-0000-000000000000'));
  await expect(page.getByRole('alert')).toHaveText(/There is no such exercise among yours/);
  await expectAccessible(page);
});
