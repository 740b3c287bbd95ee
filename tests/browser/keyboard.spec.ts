import { expect, test, type Page } from '@playwright/test';
import { become, openDrawing, pullLine, sentences } from './help';

/** The text of every mark of the ends, in order: what is drawn, not what it means. */
const said = async (page: Page) => (await sentences(page).getByRole('listitem').allTextContents()).join(' ');

/** Goes on with the keys from wherever the page has the focus until the slate has it. */
async function tabToSlate(page: Page) {
  for (let i = 0; i < 40; i++) {
    if (await page.evaluate(() => document.activeElement?.classList.contains('slate'))) return;
    await page.keyboard.press('Tab');
  }
  throw new Error('The slate cannot be reached by the Tab key.');
}

async function typeBox(page: Page, lines: readonly string[]) {
  await page.keyboard.press('e');
  await expect(page.getByLabel('Name, then one attribute a line')).toBeFocused();
  for (const [i, line] of lines.entries()) {
    if (i > 0) await page.keyboard.press('Enter');
    await page.keyboard.type(line);
  }
  await page.keyboard.press('Escape');
}

test.beforeEach(async ({ page }) => {
  await become(page, 'Quentin Ray');
  await page.getByRole('link', { name: 'The hill observatory' }).click();
  await expect(page.locator('.slate')).toBeVisible();
  await tabToSlate(page);
  await page.keyboard.press('Control+a');
  await page.keyboard.press('Delete');
  await expect(page.locator('.scene [data-element]')).toHaveCount(0);
});

test('two boxes and the line between them are drawn without a pointer', async ({ page }) => {
  await typeBox(page, ['Observer', 'PK observer no', 'o phone']);
  await typeBox(page, ['Session', 'PK session no']);
  await expect(page.locator('text.name')).toHaveText(['Observer', 'Session']);

  // The box drawn last is chosen; its line goes to the other, found by an arrow.
  const [observer, session] = await page.locator('text.name').evaluateAll((names) => names.map((name) => name.getBoundingClientRect().toJSON() as DOMRect));
  const across = Math.abs(session!.x - observer!.x) > Math.abs(session!.y - observer!.y);
  const back = across ? (session!.x > observer!.x ? 'ArrowLeft' : 'ArrowRight') : session!.y > observer!.y ? 'ArrowUp' : 'ArrowDown';
  await page.keyboard.press('l');
  await page.keyboard.press(back);
  await page.keyboard.press('Enter');
  await expect(page.locator('.scene .line')).toHaveCount(1);

  // The end at the other box is chosen: exactly one observer; then the end at the session: none or many.
  await page.keyboard.press('1');
  await page.keyboard.press('i');
  await page.keyboard.press('[');
  await page.keyboard.press('0');
  await page.keyboard.press('m');
  await page.keyboard.press('Enter');
  await page.keyboard.type('is led by');
  await page.keyboard.press('Enter');
  await expect.poll(() => said(page)).toContain('Session is led by exactly 1 Observer; Observer goes with 0 or more Session');
});

test('the parts of a box are reached and changed by keys', async ({ page }) => {
  await typeBox(page, ['Observer', 'observer no', 'phone']);
  await page.keyboard.press('Enter');
  await expect(page.getByLabel('Name, then one attribute a line')).toBeFocused();
  await page.keyboard.press('Escape');
  await page.keyboard.press('x');
  await expect(page.locator('.scene .edge.inner')).toHaveCount(1);
  await page.keyboard.press('x');
  await page.keyboard.press('x');
  await expect(page.locator('.scene .edge.inner')).toHaveCount(0);
  const before = await page.locator('text.name').getAttribute('x');
  await page.keyboard.press('Shift+ArrowRight');
  await page.keyboard.press('Shift+ArrowRight');
  await expect.poll(async () => Number(await page.locator('text.name').getAttribute('x'))).toBe(Number(before) + 10);
  await page.keyboard.press('Control+z');
  await expect.poll(async () => Number(await page.locator('text.name').getAttribute('x'))).toBe(Number(before));
});

test('what is chosen is let go step by step, and the focus stays on the slate', async ({ page }) => {
  await typeBox(page, ['Observer']);
  await typeBox(page, ['Session']);
  await page.keyboard.press(' ');
  await expect(page.getByRole('group', { name: 'Symbols' })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('group', { name: 'Symbols' })).toBeHidden();
  await expect(page.locator('.figure.selected')).toHaveCount(1);
  await page.keyboard.press('Escape');
  await expect(page.locator('.figure.selected')).toHaveCount(0);
  await expect(page.locator('.slate')).toBeFocused();
});

test('nearer, farther and all are keys, and the picture keeps its size of strokes', async ({ page }) => {
  await typeBox(page, ['Observer']);
  const width = () => page.locator('.scene .edge').evaluate((edge) => edge.getBoundingClientRect().width);
  const before = await width();
  await page.keyboard.press('+');
  await expect.poll(width).toBeGreaterThan(before);
  await page.keyboard.press('-');
  await page.keyboard.press('-');
  await expect.poll(width).toBeLessThan(before);
  await page.keyboard.press('h');
  await expect.poll(width).toBeCloseTo(before, 0);
});

test('a box of too many letters is not left before it fits, and says why', async ({ page }) => {
  await page.keyboard.press('e');
  await page.getByLabel('Name, then one attribute a line').fill('x'.repeat(201));
  await expect(page.getByText('A line holds at most 200 characters')).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(page.getByLabel('Name, then one attribute a line')).toBeVisible();
  await page.getByLabel('Name, then one attribute a line').fill('Observer\n' + Array.from({ length: 51 }, (_, i) => `row ${i}`).join('\n'));
  await expect(page.getByText('A box holds at most 50 lines; these are')).toBeVisible();
  await page.getByLabel('Name, then one attribute a line').fill('Observer');
  await page.keyboard.press('Escape');
  await expect(page.locator('text.name')).toHaveText('Observer');
});

test('ten pasted lines become ten attributes, without their bullets', async ({ page }) => {
  await page.keyboard.press('e');
  const field = page.getByLabel('Name, then one attribute a line');
  await field.fill(['Observer', ...Array.from({ length: 10 }, (_, i) => `• item ${i + 1}`)].join('\n'));
  await page.keyboard.press('Escape');
  await expect(page.locator('.scene .row-text')).toHaveCount(10);
  await expect(page.locator('.scene .row-text').first()).toHaveText('item 1');
});

test('drawn by keys alone or by the pointer, the document is the same', async ({ browser }) => {
  // Ids are counted instead of drawn by lot, so that two drawings can be one document.
  const open = async (student: string) => {
    const page = await (await browser.newContext()).newPage();
    await page.addInitScript(() => {
      let n = 0;
      crypto.getRandomValues = (<T extends ArrayBufferView>(array: T) => ((array as unknown as Uint32Array).fill(++n), array)) as typeof crypto.getRandomValues;
    });
    await become(page, student);
    await openDrawing(page, 'The hill observatory');
    return page;
  };
  // Tidied up, lines end at whatever edges are best, and no longer where the pointer drew them.
  const tidy = async (page: Page) => {
    await page.locator('.slate').focus();
    for (let i = 0; i < 3; i++) await page.keyboard.press('Escape');
    await Promise.all([page.waitForResponse((reply) => reply.url().endsWith('/tidy')), page.keyboard.press('t')]);
  };
  const documentOf = async (page: Page) => {
    const id = page.url().split('/').pop();
    const reply = await page.request.get(`/api/study/answers/${id}`);
    return ((await reply.json()) as { works: { drawing: string }[] }).works[0]!.drawing;
  };
  const boxes = [
    { lines: ['Presenter', 'PK member no', 'name'], right: -7, down: -3 },
    { lines: ['Programme', 'PK title'], right: 3, down: -3 },
  ];

  const byKeys = await open('Ida Ferro');
  await tabToSlate(byKeys);
  const points: { x: number; y: number }[] = [];
  for (const { lines, right, down } of boxes) {
    await byKeys.keyboard.press('c');
    for (let i = 0; i < Math.abs(right); i++) await byKeys.keyboard.press(right < 0 ? 'ArrowLeft' : 'ArrowRight');
    for (let i = 0; i < Math.abs(down); i++) await byKeys.keyboard.press(down < 0 ? 'ArrowUp' : 'ArrowDown');
    const point = (await byKeys.locator('.chalk-point').boundingBox())!;
    points.push({ x: point.x + point.width / 2, y: point.y + point.height / 2 });
    await typeBox(byKeys, lines);
  }
  await byKeys.keyboard.press('l');
  await byKeys.keyboard.press('ArrowLeft');
  await byKeys.keyboard.press('Enter');
  for (const key of ['1', 'i', '[', '0', 'm']) await byKeys.keyboard.press(key);

  const byPointer = await open('Jonas Pike');
  for (const [i, { lines }] of boxes.entries()) {
    await byPointer.mouse.click(points[i]!.x, points[i]!.y);
    await byPointer.getByRole('group', { name: 'Symbols' }).getByRole('button', { name: 'box e', exact: true }).click();
    await byPointer.getByLabel('Name, then one attribute a line').fill(lines.join('\n'));
    await byPointer.keyboard.press('Escape');
  }
  await pullLine(byPointer, 'Programme', 'Presenter');
  const choose = (group: string, name: string) => byPointer.getByRole('radiogroup', { name: group }).getByRole('radio', { name }).click();
  await choose('least', 'at least one');
  await choose('most', 'at most one');
  await byPointer.locator('.scene .end-hit').first().click();
  await choose('least', 'at least none');
  await choose('most', 'many');

  const drawn = await documentOf(byKeys);
  for (const page of [byKeys, byPointer]) await tidy(page);
  await expect(async () => {
    const [one, other] = [await documentOf(byKeys), await documentOf(byPointer)];
    expect(one).not.toBe(drawn);
    expect(one).toBe(other);
  }).toPass();
});

/** Goes by arrows from what is chosen to a box with this name. */
async function goTo(page: Page, name: string) {
  for (let tries = 0; tries < 16; tries++) {
    const way = await page.evaluate((wanted) => {
      const boxes = [...document.querySelectorAll('.scene .figure')].filter((figure) => figure.querySelector('text.name'));
      const middle = (figure: Element) => {
        const box = figure.getBoundingClientRect();
        return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
      };
      const target = boxes.find((figure) => figure.querySelector('text.name')!.textContent === wanted)!;
      const chosen = boxes.find((figure) => figure.classList.contains('selected'));
      if (chosen === target) return null;
      if (!chosen) return 'ArrowRight';
      const [from, to] = [middle(chosen), middle(target)];
      return Math.abs(to.x - from.x) > Math.abs(to.y - from.y) ? (to.x > from.x ? 'ArrowRight' : 'ArrowLeft') : to.y > from.y ? 'ArrowDown' : 'ArrowUp';
    }, name);
    if (way === null) return;
    await page.keyboard.press(way);
  }
  throw new Error(`${name} cannot be reached by arrows.`);
}

test('of eight boxes every line, every end and every row is reached by keys', async ({ page }) => {
  const others = ['Observer', 'Dome', 'Telescope', 'Target', 'Exposure', 'Filter', 'Weather'];
  await typeBox(page, ['Session', 'session no', 'night', 'remark']);
  for (const name of others) {
    await typeBox(page, [name]);
    await goTo(page, name);
    await page.keyboard.press('l');
    await goTo(page, 'Session');
    await page.keyboard.press('Enter');
  }
  await expect(page.locator('.scene .line')).toHaveCount(others.length);
  const spoken = page.locator('.slate [role=status].sr-only');
  await page.keyboard.press('Escape');
  await page.keyboard.press('Escape');
  await page.keyboard.press('ArrowRight');
  await goTo(page, 'Session');
  await expect(spoken).toContainText('3 rows, 7 lines');

  const heard = new Set<string>();
  for (const _ of others) {
    await page.keyboard.press(']');
    await expect(spoken).toContainText('end at Session of the line to');
    heard.add(/line to ([^:]*)/.exec(await spoken.innerText())![1]!);
  }
  expect([...heard].sort()).toEqual([...others].sort());
  await page.keyboard.press('[');
  const back = /line to ([^:]*)/.exec(await spoken.innerText())![1]!;
  await page.keyboard.press('o');
  await expect(spoken).toContainText(`end at ${back} of the line to Session`);
  await page.keyboard.press('Escape');
  await expect(spoken).toContainText(/thin line from/);
  await page.keyboard.press('Escape');

  await page.keyboard.press('ArrowRight');
  await goTo(page, 'Session');
  for (const row of ['session no', 'night', 'remark']) {
    await page.keyboard.press('>');
    await expect(spoken).toHaveText(`row ${row}`);
  }
  await page.keyboard.press('<');
  await page.keyboard.press('p');
  await expect(spoken).toHaveText('row PK night');

  // From a box to itself.
  await page.keyboard.press('Escape');
  await page.keyboard.press('l');
  await page.keyboard.press('Enter');
  await expect(page.locator('.scene .line')).toHaveCount(others.length + 1);
});
