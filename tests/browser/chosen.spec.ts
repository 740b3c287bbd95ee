import { expect, test, type Page } from '@playwright/test';
import { become, drawBox, edgeOf, openDrawing, sentences } from './help';

const row = (page: Page) => page.getByRole('toolbar', { name: 'With what is chosen' });

/** A drawing of one's own, empty. */
async function emptyDrawing(page: Page, who: string, exercise: string) {
  await become(page, who);
  await openDrawing(page, exercise);
  await page.locator('.slate').press('Control+a');
  await page.locator('.slate').press('Delete');
  await expect(page.locator('.scene [data-element]')).toHaveCount(0);
}

/** No name, row or verb of the drawing lies under the short row, and all of it is on the slate. */
async function expectFree(page: Page) {
  const faults = await page.evaluate(() => {
    const panel = document.querySelector('.chosen-row')!.getBoundingClientRect();
    const slate = document.querySelector('.slate')!.getBoundingClientRect();
    const under = [...document.querySelectorAll('.scene text')].filter((text) => {
      const box = text.getBoundingClientRect();
      return box.left < panel.right && panel.left < box.right && box.top < panel.bottom && panel.top < box.bottom;
    });
    const out = panel.left < slate.left || panel.right > slate.right || panel.top < slate.top || panel.bottom > slate.bottom;
    return [...under.map((text) => text.textContent), ...(out ? ['outside the slate'] : [])];
  });
  expect(faults).toEqual([]);
}

test('a line between boxes says nothing by its stroke until one says so, at the line itself', async ({ page }) => {
  await emptyDrawing(page, 'Grace Abel', 'The hill observatory');
  await drawBox(page, 150, 150, 'Dome\nPK dome no');
  await drawBox(page, 600, 150, 'Telescope\nPK telescope no');
  await page.locator('.slate').press('l');
  await page.keyboard.press('ArrowLeft');
  await page.keyboard.press('Enter');
  await expect(row(page).getByRole('radio', { name: 'thin line' })).toBeChecked();
  await expect(sentences(page)).not.toContainText('identifying');
  await expectFree(page);
  await row(page).getByRole('radio', { name: 'solid line' }).click();
  await expect(sentences(page)).toContainText('(identifying)');
  await page.keyboard.press('s');
  await page.keyboard.press('Escape');
  await expect(row(page).getByRole('radio', { name: 'double line' })).toBeChecked();
});

test('the short row draws a weak entity in Chen’s notation without a single key, and stays off every text', async ({ page }) => {
  await emptyDrawing(page, 'Grace Abel', 'Warm-up: the honesty shelf');
  await drawBox(page, 300, 200, 'Copy\ncopy no');
  await expectFree(page);
  await row(page).getByRole('radio', { name: 'double outline' }).click();
  const oval = page.locator('.scene [data-element]').filter({ has: page.locator('text', { hasText: 'copy no' }) });
  await oval.first().locator('.edge').first().click({ force: true });
  await row(page).getByRole('radio', { name: 'dashed underline' }).click();
  await expect(sentences(page)).toContainText('Copy is weak: copy no (partial key)');
  await expectFree(page);
  await row(page).getByRole('button', { name: 'undo' }).click();
  await expect(sentences(page)).toContainText('Copy is weak: copy no');
  await expect(sentences(page)).not.toContainText('partial');
});

test('a class with operations and a line to itself, by what the row offers', async ({ page }) => {
  await emptyDrawing(page, 'Grace Abel', 'The booking desk');
  await drawBox(page, 300, 220, '«interface»\nBookable\n\n\n+ book(): Boolean');
  await expect(sentences(page)).toContainText('Bookable is an interface');
  await row(page).getByRole('button', { name: 'line to itself' }).click();
  await row(page).getByRole('radio', { name: 'many' }).click();
  await expect(sentences(page)).toContainText('Bookable goes with 0 or more Bookable');
  await expectFree(page);
  // The operation is a row: pressed once its box is chosen.
  const member = page.locator('.scene text', { hasText: 'book(): Boolean' });
  await member.click();
  await row(page).getByRole('radio', { name: 'solid underline' }).click();
  await expect(sentences(page)).toContainText('class scope');
});

test('several are chosen by keys alone, and what is found by its name is gone to', async ({ page }) => {
  await emptyDrawing(page, 'Grace Abel', 'The hill observatory');
  await drawBox(page, 120, 120, 'Dome');
  await drawBox(page, 420, 120, 'Night watch');
  await drawBox(page, 720, 120, 'Target');
  const slate = page.locator('.slate');
  await slate.press('/');
  await expect(page.getByRole('combobox', { name: 'Find on the slate' })).toBeFocused();
  // As fast as a machine types: no letter is lost.
  await page.keyboard.type('dom');
  await expect(page.getByRole('combobox', { name: 'Find on the slate' })).toHaveValue('dom');
  await expect(page.getByRole('option')).toHaveText(['Dome']);
  await page.keyboard.press('Enter');
  await expect(slate).toBeFocused();
  await expect(page.locator('.figure.selected')).toHaveText(['Dome']);
  await page.keyboard.press('g');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await expect(page.locator('.figure.selected')).toHaveCount(2);
  await expect(page.locator('.slate [role=status]').first()).toContainText('Target');
  await page.keyboard.press('g');
  await page.keyboard.press('Delete');
  await expect(page.locator('text.name')).toHaveText(['Night watch']);
  await page.keyboard.press('Control+f');
  await page.getByRole('combobox').fill('dome');
  await expect(page.getByText('Nothing here is called so.')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(slate).toBeFocused();
});

test('what is pasted goes to free space near the pointer, and a text from elsewhere is told', async ({ page, context }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await emptyDrawing(page, 'Grace Abel', 'The hill observatory');
  await drawBox(page, 150, 150, 'Dome\nPK dome no');
  await page.locator('.slate').press('Control+c');
  const slate = (await page.locator('.slate').boundingBox())!;
  await page.mouse.move(slate.x + 650, slate.y + 450);
  await page.keyboard.press('Control+v');
  await expect(page.locator('text.name')).toHaveCount(2);
  const copy = (await page.locator('text.name').nth(1).boundingBox())!;
  expect(Math.hypot(copy.x + copy.width / 2 - slate.x - 650, copy.y - slate.y - 450)).toBeLessThan(120);
  await page.evaluate(() => navigator.clipboard.writeText('somebody else’s text'));
  await page.keyboard.press('Control+v');
  await expect(page.getByRole('alert')).toContainText('Only what was copied from a slate');
  await expect(page.locator('text.name')).toHaveCount(2);
});

test('a statement that is not understood is asked about at its word and draws nothing; all that can be typed is shown', async ({ page }) => {
  await emptyDrawing(page, 'Grace Abel', 'The hill observatory');
  await page.getByRole('button', { name: 'write', exact: true }).click();
  const field = page.getByRole('textbox', { name: 'Sentences, one statement a line' });
  await field.pressSequentially('A dome holds at least one telescope\n');
  await expect(page.locator('text.name')).toHaveText(['Dome', 'Telescope']);
  await field.pressSequentially('a telescope stands in one room\n');
  await page.getByRole('button', { name: 'line 4: “one” is not understood' }).click();
  expect(await field.evaluate((area: HTMLTextAreaElement) => area.value.slice(area.selectionStart, area.selectionEnd))).toBe('one');
  await expect(page.locator('text.name')).toHaveCount(2);
  await page.getByRole('button', { name: 'all that can be typed' }).click();
  await expect(page.getByText('Guide and Steward are kinds of Helper by task')).toBeVisible();
});

test('typing takes away nothing that was drawn, however late the server says it', async ({ page }) => {
  await emptyDrawing(page, 'Grace Abel', 'The hill observatory');
  let answer = () => {};
  const held = new Promise<void>((resolve) => (answer = resolve));
  await page.route('**/reading', async (route) => {
    await held;
    await route.continue();
  });
  await drawBox(page, 150, 150, 'Dome\nPK dome no');
  await page.getByRole('button', { name: 'write', exact: true }).click();
  const field = page.getByRole('textbox', { name: 'Sentences, one statement a line' });
  await field.pressSequentially('Session: session no (key)\n');
  await drawBox(page, 500, 150, 'Telescope\nPK telescope no');
  answer();
  await expect(page.locator('text.name')).toHaveText(['Dome', 'Telescope', 'Session']);
  await expect(field).toHaveValue(/Dome: dome no \(key\)/);

  // What is drawn by hand while one types is said in the text before more of the text is drawn.
  let again = () => {};
  const late = new Promise<void>((resolve) => (again = resolve));
  await page.unroute('**/reading');
  await page.route('**/reading', async (route) => {
    await late;
    await route.continue();
  });
  await drawBox(page, 640, 300, 'Observer\nPK badge no');
  await field.press('Control+End');
  await field.pressSequentially('Plate: plate no (key)\n');
  again();
  await expect(page.locator('text.name')).toHaveText(['Dome', 'Telescope', 'Session', 'Observer', 'Plate']);
  await expect(field).toHaveValue(/Observer: badge no \(key\)/);
});

test('a caret stays where it is typed, however late the server answers', async ({ page }) => {
  let answer = () => {};
  const held = new Promise<void>((resolve) => (answer = resolve));
  await page.route('**/reading', async (route) => {
    await held;
    await route.continue();
  });
  await emptyDrawing(page, 'Grace Abel', 'The hill observatory');
  await page.getByRole('button', { name: 'write', exact: true }).click();
  await expect(page.getByRole('textbox', { name: 'Sentences, one statement a line' })).toBeFocused();
  const answered = page.waitForResponse('**/reading');
  answer();
  await answered;
  // Two frames on, the page has taken the answer in.
  await page.evaluate(() => new Promise((resolve) => requestAnimationFrame(() => requestAnimationFrame(resolve))));
  await page.keyboard.type('Visitor: visitor no (key)\n');
  await expect(page.locator('text.name')).toHaveText(['Visitor']);
});

test.describe('by touch', () => {
  test.use({ hasTouch: true });

  test('what keys do is within a finger’s reach: targets of 44 pixels, inside the slate, over no text', async ({ page }) => {
    await emptyDrawing(page, 'Grace Abel', 'The hill observatory');
    await drawBox(page, 150, 150, 'Dome\nPK dome no');
    await drawBox(page, 600, 150, 'Telescope\nPK telescope no');
    const edge = await edgeOf(page, 'Dome', 'left');
    await page.touchscreen.tap(edge.x + 20, edge.y - 20);
    await row(page).getByRole('button', { name: /^line l/ }).tap();
    const other = await edgeOf(page, 'Telescope', 'left');
    await page.touchscreen.tap(other.x + 20, other.y - 20);
    await row(page).getByRole('radio', { name: 'many' }).tap();
    await row(page).getByRole('radio', { name: 'at least one' }).tap();
    await expect(sentences(page)).toContainText('Dome goes with 1 or more Telescope');
    await expectFree(page);
    const small = await row(page)
      .locator('button')
      .evaluateAll((buttons) => buttons.filter((button) => button.getBoundingClientRect().height < 44).map((button) => button.textContent));
    expect(small).toEqual([]);
    // Two boxes, chosen with a finger.
    await page.touchscreen.tap(edge.x + 20, edge.y - 20);
    await row(page).getByRole('button', { name: /^and another/ }).tap();
    await page.touchscreen.tap(other.x + 20, other.y - 20);
    await expect(row(page)).toContainText('2 chosen');
    await row(page).getByRole('button', { name: /^take away/ }).tap();
    await expect(page.locator('.scene .figure')).toHaveCount(0);
    // A finger that lets go of what was chosen draws nothing.
    await page.getByRole('button', { name: 'undo', exact: true }).last().tap();
    await page.touchscreen.tap(edge.x + 20, edge.y - 20);
    await page.touchscreen.tap(edge.x + 20, edge.y + 300);
    await expect(page.getByRole('group', { name: 'Symbols' })).toHaveCount(0);
  });
});
