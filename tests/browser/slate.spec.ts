import { expect, test } from '@playwright/test';
import { become, drawBox, edgeOf, onSlate, pullLine, sentences } from './help';

/** The marks of a line's end, as they are drawn. */
const texts = (page: import('@playwright/test').Page) => page.locator('.scene text').allTextContents();

test.beforeEach(async ({ page }) => {
  await become(page, 'Amara Diallo');
  await page.getByRole('link', { name: 'The hill observatory' }).click();
  await expect(page.locator('.slate')).toBeVisible();
  await page.locator('.slate').press('Control+a');
  await page.locator('.slate').press('Delete');
  await expect(page.locator('.scene [data-element]')).toHaveCount(0);
});

test('everything that is done can be undone and done again', async ({ page }) => {
  const states: string[] = [];
  const remember = async () => states.push((await texts(page)).join('|') + (await page.locator('.scene .line').count()));
  const slate = page.locator('.slate');
  await remember();
  await drawBox(page, 150, 150, 'Observer\nPK observer no');
  await remember();
  await drawBox(page, 560, 150, 'Session\nPK session no');
  await remember();
  await pullLine(page, 'Observer', 'Session');
  await remember();
  await page.keyboard.press('1');
  await page.keyboard.press('m');
  await page.keyboard.press('Enter');
  await page.getByLabel('verb, read from this end').fill('is booked by');
  await page.keyboard.press('Enter');
  await remember();
  await slate.press('Control+a');
  await slate.press('Control+d');
  await remember();
  await slate.press('Delete');
  await slate.press('Control+a');
  await slate.press('Shift+ArrowDown');
  const end = (await texts(page)).join('|');

  const steps = 12;
  for (let i = 0; i < steps; i++) await slate.press('Control+z');
  await expect(page.locator('.scene [data-element]').first()).toBeVisible();
  for (let i = 0; i < 30; i++) await slate.press('Control+z');
  for (let i = 0; i < 60; i++) await slate.press('Control+y');
  expect((await texts(page)).join('|')).toBe(end);
});

test('a wrong end is drawn on purpose and kept', async ({ page }) => {
  await drawBox(page, 150, 150, 'Observer');
  await drawBox(page, 560, 150, 'Session');
  await pullLine(page, 'Observer', 'Session');
  await page.getByRole('button', { name: 'other symbols' }).click();
  await page.getByRole('radio', { name: 'a filled arrowhead' }).click();
  await expect(page.locator('.scene .end-filled')).toHaveCount(1);
  await expect(page.getByText('saved', { exact: true })).toBeVisible();
  await page.reload();
  await expect(page.locator('.scene .end-filled')).toHaveCount(1);
});

test('a line stays attached while its box is dragged, and lets go of an end that is pulled away', async ({ page }) => {
  await drawBox(page, 150, 150, 'Observer');
  await drawBox(page, 560, 150, 'Session');
  await pullLine(page, 'Observer', 'Session');
  await page.keyboard.press('Escape');
  const route = () => page.locator('.scene .line').getAttribute('d');
  const before = await route();
  const name = (await page.locator('text.name', { hasText: 'Session' }).boundingBox())!;
  await page.mouse.move(name.x + 5, name.y + 5);
  await page.mouse.down();
  await page.mouse.move(name.x + 5, name.y + 200, { steps: 8 });
  expect(await route()).not.toBe(before);
  await page.mouse.up();
  await expect(sentences(page)).toContainText('Observer goes with');

  const hit = (await page.locator('.end-hit').nth(1).boundingBox())!;
  const empty = await onSlate(page, 300, 480);
  await page.mouse.move(hit.x + hit.width / 2, hit.y + hit.height / 2);
  await page.mouse.down();
  await page.mouse.move(empty.x, empty.y, { steps: 6 });
  await page.mouse.up();
  await expect(sentences(page)).not.toContainText('goes with');
});

test('a box related to itself, and two lines between the same two boxes', async ({ page }) => {
  await drawBox(page, 150, 200, 'Observer\nPK observer no\nname\nemail');
  const edge = await edgeOf(page, 'Observer', 'right');
  await page.mouse.click(edge.x, edge.y + 20);
  const inside = await edgeOf(page, 'Observer', 'left');
  await page.mouse.click(inside.x + 40, inside.y);
  await expect(page.locator('.scene .line')).toHaveCount(1);
  const loop = (await page.locator('.scene .line').getAttribute('d'))!;
  expect(loop.match(/L/g)).toHaveLength(4);

  await drawBox(page, 620, 200, 'Session\nPK session no\ndate');
  await pullLine(page, 'Observer', 'Session');
  await page.keyboard.press('Escape');
  await page.keyboard.press('Escape');
  await pullLine(page, 'Observer', 'Session');
  const lines = await page.locator('.scene .line').evaluateAll((paths) => paths.map((path) => path.getAttribute('d')));
  expect(new Set(lines).size).toBe(3);
});

test('copying and pasting makes new boxes; text from elsewhere makes none', async ({ page, context }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await drawBox(page, 150, 150, 'Observer\nPK observer no');
  await page.locator('.slate').press('Control+c');
  await page.locator('.slate').press('Control+v');
  await expect(page.locator('text.name')).toHaveCount(2);
  await page.evaluate(() => navigator.clipboard.writeText('<b>not a piece</b>'));
  await page.locator('.slate').press('Control+v');
  await expect(page.locator('text.name')).toHaveCount(2);
});

test('what is copied while one writes is the text, not the box', async ({ page, context }) => {
  await context.grantPermissions(['clipboard-read', 'clipboard-write']);
  await drawBox(page, 150, 150, 'Observer');
  await page.locator('.slate').press('Enter');
  await page.keyboard.press('Control+a');
  await page.keyboard.press('Control+x');
  await page.keyboard.type('Watcher of ');
  await page.keyboard.press('Control+v');
  await page.keyboard.press('Escape');
  await expect(page.locator('text.name')).toHaveText(['Watcher of Observer']);
});

test('the keys are told on a question mark, and letters draw nothing while one writes', async ({ page }) => {
  await page.locator('.slate').press('?');
  await expect(page.getByRole('dialog', { name: 'Keys of the slate' })).toBeVisible();
  await page.keyboard.press('Escape');
  await drawBox(page, 150, 150, 'Observer\nreel\nnoon');
  await expect(page.locator('text.name')).toHaveCount(1);
});

test('while the server is away drawing goes on, and what was drawn is sent when it is back', async ({ page }) => {
  await drawBox(page, 150, 150, 'Observer');
  await expect(page.getByText('saved', { exact: true })).toBeVisible();
  await page.route('**/drawing', (route) => route.abort());
  await drawBox(page, 560, 150, 'Session');
  await expect(page.getByText('kept in this browser', { exact: false })).toBeVisible();
  await page.unroute('**/drawing');
  await page.getByRole('button', { name: 'try now' }).click();
  await expect(page.getByText('saved', { exact: true })).toBeVisible();
  await page.reload();
  await expect(page.locator('text.name')).toHaveCount(2);
});

test('two tabs on one answer get a choice with both drawings', async ({ page, context }) => {
  const other = await context.newPage();
  await drawBox(page, 150, 150, 'Observer');
  await expect(page.getByText('saved', { exact: true })).toBeVisible();
  await other.goto(page.url());
  await expect(other.locator('text.name')).toHaveText('Observer');
  await drawBox(page, 500, 150, 'Here');
  await expect(page.getByText('saved', { exact: true })).toBeVisible();
  await drawBox(other, 500, 300, 'There');
  await expect(other.getByRole('dialog', { name: 'This drawing was changed elsewhere in the meantime' })).toBeVisible();
  await expect(other.getByText('Only here: There; only in the other: Here.')).toBeVisible();
  await other.getByRole('button', { name: 'Take the other one' }).click();
  await expect(other.locator('text.name').filter({ hasText: 'Here' })).toHaveCount(1);
  await expect(other.locator('text.name').filter({ hasText: 'There' })).toHaveCount(0);
});

test.describe('with a finger', () => {
  test.use({ hasTouch: true });

  /** Puts fingers on the page and moves them, step by step. */
  async function fingers(page: import('@playwright/test').Page, ...ways: { from: [number, number]; to: [number, number] }[]) {
    const client = await page.context().newCDPSession(page);
    const at = (share: number) => ways.map(({ from, to }, id) => ({ x: from[0] + (to[0] - from[0]) * share, y: from[1] + (to[1] - from[1]) * share, id }));
    await client.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints: at(0) });
    for (const share of [0.25, 0.5, 0.75, 1]) await client.send('Input.dispatchTouchEvent', { type: 'touchMove', touchPoints: at(share) });
    await client.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] });
  }
  const view = (page: import('@playwright/test').Page) => page.locator('.scene > g').first().getAttribute('transform');

  test('one moves the picture, two zoom it, a tap chooses, and what is chosen moves', async ({ page }) => {
    await drawBox(page, 300, 200, 'Observer');
    const name = page.locator('text.name');
    const place = async () => (await name.boundingBox())!;
    await page.locator('.slate').press('Escape');
    const [start, before] = [await place(), await view(page)];

    await fingers(page, { from: [start.x + 10, start.y + 6], to: [start.x + 70, start.y + 46] });
    expect(await view(page)).not.toBe(before);
    const panned = await place();
    expect(Math.round(panned.x - start.x)).toBe(60);

    await page.touchscreen.tap(panned.x + 10, panned.y + 6);
    await expect(page.locator('.figure.selected')).toHaveCount(1);
    const held = await view(page);
    await fingers(page, { from: [panned.x + 10, panned.y + 6], to: [panned.x + 90, panned.y + 6] });
    expect(await view(page)).toBe(held);
    expect(Math.round((await place()).x - panned.x)).toBe(80);

    const wide = (await page.locator('.scene .edge').first().boundingBox())!.width;
    await fingers(page, { from: [600, 500], to: [500, 500] }, { from: [700, 500], to: [800, 500] });
    expect((await page.locator('.scene .edge').first().boundingBox())!.width).toBeGreaterThan(wide * 1.5);
  });

  test('a tap on the empty slate shows the symbols, and targets are large enough', async ({ page }) => {
    const at = await onSlate(page, 200, 150);
    await page.touchscreen.tap(at.x, at.y);
    const symbol = page.getByRole('group', { name: 'Symbols' }).getByRole('button').first();
    await expect(symbol).toBeVisible();
    expect((await symbol.boundingBox())!.height).toBeGreaterThanOrEqual(24);
  });
});

test('the focus is on the slate on arrival and after every button and sheet, and undo is in reach from everywhere', async ({ page }) => {
  await expect(page).toHaveTitle('The hill observatory · Blue Slate');
  await page.reload();
  await expect(page.locator('.slate')).toBeFocused();
  await drawBox(page, 150, 150, 'Observer');
  await drawBox(page, 500, 150, 'Session');
  await page.getByRole('button', { name: 'pin', exact: true }).click();
  await expect(page.locator('.slate')).toBeFocused();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'what the names mean' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'close' }).click();
  await expect(page.locator('.slate')).toBeFocused();

  await page.getByRole('button', { name: 'earlier states' }).focus();
  // Where it stands, what was written in the box, and the box.
  for (let i = 0; i < 3; i++) await page.keyboard.press('Control+z');
  await expect(page.locator('.scene .figure')).toHaveCount(1);
  for (let i = 0; i < 3; i++) await page.keyboard.press(i === 0 ? 'Control+Shift+z' : 'Control+y');
  await expect(page.locator('text.name')).toHaveText(['Observer', 'Session']);
});
