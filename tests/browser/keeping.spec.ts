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

test('leaving sends first; what cannot be sent is named, and waits for its account', async ({ context }) => {
  const page = await open(context, 'Kavya Stern');
  await drawBox(page, 200, 150, 'Presenter');
  await page.getByRole('button', { name: 'leave, it is kept' }).click();
  await expect(page.getByRole('heading', { name: 'What is due' })).toBeVisible();
  await expect(page.getByRole('listitem').filter({ hasText: 'Harbour community radio' })).toContainText('go on drawing');
  await holds(page, 0);

  await openDrawing(page, 'Harbour community radio');
  await page.route('**/drawing', (route) => route.abort());
  await drawBox(page, 520, 150, 'Programme');
  await page.getByRole('button', { name: 'leave, it is kept' }).click();
  const left = page.getByRole('dialog', { name: 'Not everything has reached the server' });
  await expect(left).toContainText('The server is away; 2 changes kept in this browser');
  await expectAccessible(page);
  await left.getByRole('button', { name: 'leave all the same' }).click();
  await page.getByRole('button', { name: 'sign out' }).click();
  const unsent = page.getByRole('dialog', { name: 'A drawing has not reached the server' });
  await expect(unsent).toContainText('“Harbour community radio”');
  await expectAccessible(page);
  await unsent.getByRole('button', { name: 'sign out, it waits here' }).click();
  await expect(page.getByText('sign out')).toHaveCount(0);
  await holds(page, 1);

  const again = await open(context, 'Kavya Stern');
  await expect(again.locator('text.name')).toHaveText(['Presenter', 'Programme']);
  await saved(again);
  await holds(again, 0);
});

test('signing out sends what waits, when the server is there again', async ({ context }) => {
  const page = await open(context, 'Kavya Stern');
  await page.route('**/drawing', (route) => route.abort());
  await drawBox(page, 520, 350, 'Studio');
  await page.getByRole('button', { name: 'leave, it is kept' }).click();
  await page.getByRole('button', { name: 'leave all the same' }).click();
  await holds(page, 1);
  await page.unroute('**/drawing');
  await page.getByRole('button', { name: 'sign out' }).click();
  await expect(page.getByText('sign out')).toHaveCount(0);
  await holds(page, 0);
});

test('what is being typed outlives a reload, and a box that is too long keeps its text and says why', async ({ context }) => {
  const page = await open(context, 'Pavel Dunn');
  await drawBox(page, 200, 150, 'Presenter');
  await page.locator('text.name').dblclick();
  const field = page.getByLabel('Name, then one attribute a line');
  await field.fill('Presenter\nPK presenter no\nnickname');
  page.on('dialog', (dialog) => void dialog.accept());
  await page.reload();
  await expect(page.locator('text.row-text')).toHaveText([/presenter no/, /nickname/]);
  await saved(page);

  await page.locator('text.name').dblclick();
  await field.fill(['Presenter', ...Array.from({ length: 51 }, (_, i) => `line ${i}`)].join('\n'));
  await expect(page.getByText('A box holds at most 50 lines; these are 51.')).toBeVisible();
  const slate = (await page.locator('.slate').boundingBox())!;
  await page.mouse.click(slate.x + slate.width - 30, slate.y + 30);
  await expect(field).toBeFocused();
  await expect(field).toHaveValue(/line 50/);
  await field.fill('Presenter\nline 0');
  await page.mouse.click(slate.x + slate.width - 30, slate.y + 30);
  await expect(field).toHaveCount(0);
  await expect(page.locator('text.row-text')).toHaveText(['line 0']);
});

test('a hand-in that could not be sent is given up with “not now”', async ({ context }) => {
  const page = await open(context, 'Jonas Pike');
  await drawBox(page, 200, 150, 'Presenter');
  await saved(page);
  await context.setOffline(true);
  await page.getByRole('button', { name: 'hand in' }).click();
  const dialog = page.getByRole('dialog', { name: 'Hand in?' });
  await dialog.getByRole('button', { name: 'Hand in for good' }).click();
  await expect(dialog.getByRole('alert')).toContainText('The server cannot be reached');
  await dialog.getByRole('button', { name: 'not now' }).click();
  const asked: string[] = [];
  page.on('request', (request) => asked.push(request.url()));
  await context.setOffline(false);
  await drawBox(page, 520, 150, 'Programme');
  await saved(page);
  expect(asked.filter((url) => url.endsWith('/hand-in'))).toEqual([]);
  await page.reload();
  await expect(page.locator('text.name')).toHaveText(['Presenter', 'Programme']);
});

test('what an instructor has not saved is kept, and nothing is derived or published without it', async ({ page }) => {
  await become(page, 'Ines Okafor');
  await page.getByRole('button', { name: 'write a new exercise' }).click();
  await page.getByLabel('Title').fill('The night ferry');
  await page.getByRole('button', { name: 'Begin' }).click();
  const scenario = page.getByLabel('The scenario, in Markdown');
  await scenario.fill('A ferry has a name. A cabin has a number within its ferry.');
  await page.reload();
  await expect(scenario).toHaveValue(/number within its ferry/);
  await expect(page.getByText('This was written in this browser and not saved yet.')).toBeVisible();

  await drawBox(page, 120, 160, 'Ferry\nPK name');
  await saved(page);
  await page.route('**/model', (route) => route.abort());
  await drawBox(page, 460, 160, 'Cabin');
  await page.getByRole('tab', { name: 'scheme' }).click();
  await page.getByRole('button', { name: 'Derive the scheme' }).click();
  await expect(page.getByRole('alert')).toContainText('Nothing was derived.');
  await page.unroute('**/model');
  await page.getByRole('button', { name: 'Derive the scheme' }).click();
  await expect(page.getByText('marks in all', { exact: true })).toBeVisible();
  await expect(page.getByRole('textbox', { name: 'Title of Entity Cabin' })).toBeVisible();

  await page.getByRole('tab', { name: 'asked', exact: true }).click();
  await page.route(/\/api\/parts\/[^/]+$/, (route) => route.abort());
  await page.getByLabel('Minutes, or none').fill('25');
  await expect(page.getByRole('button', { name: 'save again' })).toBeVisible();
  await page.getByRole('tab', { name: 'scheme' }).click();
  await page.getByRole('button', { name: /publish to/ }).click();
  const dialog = page.getByRole('dialog', { name: 'Publish “The night ferry”?' });
  await dialog.getByRole('button', { name: 'Publish', exact: true }).click();
  await expect(dialog.getByRole('alert')).toHaveText('Not everything has reached the server: not saved yet are the scenario and what is asked. Nothing was published.');
  await dialog.getByRole('button', { name: 'not now' }).click();
  await page.getByRole('button', { name: 'Save the scenario' }).click();
  await expect(page.locator('.prose')).toContainText('number within its ferry');
  await page.getByRole('tab', { name: 'asked', exact: true }).click();
  await expect(page.getByLabel('Minutes, or none')).toHaveValue('25');
  await page.unroute(/\/api\/parts\/[^/]+$/);
  await page.getByRole('button', { name: 'save again' }).click();
  await expect(page.getByText('saved as you write')).toBeVisible();
});
