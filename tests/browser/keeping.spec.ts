import { expect, test, type BrowserContext, type Page } from '@playwright/test';
import { become, drawBox, expectAccessible, openDrawing } from './help';

/** Opens the student's drawing of an exercise in a page of its own. */
async function open(context: BrowserContext, student: string): Promise<Page> {
  const page = await context.newPage();
  await become(page, student);
  await openDrawing(page, 'Harbour community radio');
  return page;
}

const saved = (page: Page) => expect(page.getByText('saved', { exact: true })).toBeVisible();

/** What this browser holds, as it is stored. */
const held = (page: Page) =>
  page.evaluate(
    () =>
      new Promise<unknown[]>((resolve, reject) => {
        const request = indexedDB.open('blue-slate');
        request.onerror = () => reject(new Error('The browser does not open its store.'));
        request.onsuccess = () => {
          const database = request.result;
          if (!database.objectStoreNames.contains('drawings')) return resolve([]);
          const all = database.transaction('drawings').objectStore('drawings').getAll();
          all.onsuccess = () => (database.close(), resolve(all.result));
        };
      }),
  );

/** Waits until this browser holds so many drawings. */
const holds = (page: Page, count: number) => expect.poll(async () => (await held(page)).length).toBe(count);

/** Waits until what this browser holds says something. */
const holdsText = (page: Page, text: string) => expect.poll(async () => JSON.stringify(await held(page))).toContain(text);

test('a page that is closed while the server is away loses nothing', async ({ context }) => {
  const page = await open(context, 'Nils Abara');
  await drawBox(page, 200, 150, 'Presenter\nPK presenter no');
  await saved(page);
  await holds(page, 0);
  await context.setOffline(true);
  await drawBox(page, 520, 150, 'Programme\nPK title');
  await expect(page.getByText(/kept in this browser/)).toBeVisible();
  await holdsText(page, 'Programme');
  await page.close();
  await context.setOffline(false);

  const again = await open(context, 'Nils Abara');
  await expect(again.locator('text.name')).toHaveText(['Presenter', 'Programme']);
  await saved(again);
  await holds(again, 0);
  await again.locator('.slate').press('Control+z');
  await expect(again.locator('text.name')).toHaveText(['Presenter']);
});

test('what one person’s browser keeps is never shown to another', async ({ context }) => {
  const page = await open(context, 'Olga Wren');
  await context.setOffline(true);
  await drawBox(page, 200, 150, 'Secret');
  await holdsText(page, 'Secret');
  await page.close();
  await context.setOffline(false);
  const other = await open(context, 'Pavel Dunn');
  await expect(other.getByText('Press anywhere to draw the first box')).toBeVisible();
  await other.close();
  const own = await open(context, 'Olga Wren');
  await expect(own.locator('text.name')).toHaveText(['Secret']);
  await saved(own);
});

test('what was kept and what was saved elsewhere since are both shown, and one is chosen', async ({ context, browser }) => {
  const page = await open(context, 'Rosa Tamm');
  await drawBox(page, 200, 150, 'Presenter');
  await saved(page);
  await context.setOffline(true);
  await drawBox(page, 520, 150, 'Kept');
  await holdsText(page, 'Kept');
  await page.close();
  await context.setOffline(false);

  const elsewhere = await browser.newContext();
  const second = await open(elsewhere, 'Rosa Tamm');
  await drawBox(second, 520, 300, 'Saved since');
  await saved(second);
  await elsewhere.close();

  const again = await open(context, 'Rosa Tamm');
  await expect(again.getByRole('dialog', { name: 'This drawing was changed elsewhere in the meantime' })).toBeVisible();
  await expect(again.getByText('Only here: Kept; only in the other: Saved since.')).toBeVisible();
  await expectAccessible(again);
  await again.getByRole('button', { name: 'Take the other one' }).click();
  await expect(again.locator('text.name')).toHaveText(['Presenter', 'Saved since']);
  await holds(again, 0);
  await again.locator('.slate').press('Control+z');
  await expect(again.locator('text.name')).toHaveText(['Presenter', 'Kept']);
  await saved(again);
});

test('a save that arrived while its acknowledgement was lost is no conflict, also after the page was closed', async ({ context }) => {
  const page = await open(context, 'Leo Quist');
  await drawBox(page, 200, 150, 'Presenter');
  await saved(page);
  await page.route('**/drawing', async (route) => {
    await route.fetch();
    await route.abort();
  });
  await drawBox(page, 520, 150, 'Programme');
  await expect(page.getByText(/kept in this browser/)).toBeVisible();
  await context.setOffline(true);
  await drawBox(page, 200, 350, 'Studio');
  await holdsText(page, 'Studio');
  await page.close();
  await context.setOffline(false);
  const again = await open(context, 'Leo Quist');
  await expect(again.locator('text.name')).toHaveText(['Presenter', 'Programme', 'Studio']);
  await saved(again);
  await expect(again.getByRole('dialog')).toHaveCount(0);
});

test('signing out with a drawing that has not arrived is warned of first', async ({ context }) => {
  const page = await open(context, 'Kavya Stern');
  await page.route('**/drawing', (route) => route.abort());
  await drawBox(page, 200, 150, 'Presenter');
  await holds(page, 1);
  await page.getByRole('link', { name: 'leave, it is kept' }).click();
  await page.getByRole('button', { name: 'sign out' }).click();
  await expect(page.getByRole('dialog', { name: 'A drawing has not reached the server' })).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'not now' }).click();
  await holds(page, 1);
  await page.getByRole('button', { name: 'sign out' }).click();
  await page.getByRole('button', { name: 'Sign out and lose it' }).click();
  await expect(page.getByText('Who do you want to be?')).toBeVisible();
  await holds(page, 0);
});
