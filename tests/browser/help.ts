import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import AxeBuilder from '@axe-core/playwright';
import { expect, type Locator, type Page } from '@playwright/test';

/** Becomes a person of the demo. */
export async function become(page: Page, name: string) {
  await page.context().clearCookies();
  await page.goto('/');
  await page.getByRole('button', { name }).click();
  await expect(page.getByText('sign out')).toBeVisible();
}

/** Opens one's drawing of an exercise, starting it when it has not been started. */
export async function openDrawing(page: Page, exercise: string) {
  await page.getByRole('link', { name: exercise }).click();
  const start = page.getByRole('button', { name: /^Start/ });
  await expect(start.or(page.locator('.slate')).first()).toBeVisible();
  if (await start.isVisible()) await start.click();
  await expect(page.locator('.slate').first()).toBeVisible();
}

type DeskView = 'differences' | 'answers' | 'the class' | 'giving back';

/** Shows another view of the desk. */
export async function showDesk(page: Page, view: DeskView) {
  await page.getByRole('radio', { name: view, exact: true }).click();
}

/** Opens the desk of an exercise from the page of what is next. */
export async function goToDesk(page: Page, exercise: string, view: DeskView = 'answers') {
  await page.getByRole('listitem').filter({ hasText: exercise }).getByRole('link', { name: /answers?\b/ }).first().click();
  await showDesk(page, view);
}

/** No fault of accessibility on the page as it is, but for minor ones. */
export async function expectAccessible(page: Page) {
  const { violations } = await new AxeBuilder({ page }).withTags(['wcag2a', 'wcag2aa', 'wcag21aa', 'wcag22aa', 'best-practice']).analyze();
  const faults = violations.filter((violation) => violation.impact !== 'minor');
  expect(faults.map((violation) => `${violation.id}: ${violation.nodes.map((node) => node.target.join(' ')).join('; ')}`)).toEqual([]);
}

/** Where something is, once it is there: what is shown anew is nowhere for a moment. */
async function boxOf(shown: Locator) {
  let box: Awaited<ReturnType<Locator['boundingBox']>> = null;
  await expect(async () => expect((box = await shown.boundingBox())).not.toBeNull()).toPass();
  return box!;
}

/** A place on the slate, from its upper left corner. */
export async function onSlate(page: Page, x: number, y: number) {
  const box = await boxOf(page.locator('.slate').first());
  return { x: box.x + x, y: box.y + y };
}

/** Draws a box with its rows where the pointer is put. */
export async function drawBox(page: Page, x: number, y: number, text: string) {
  const at = await onSlate(page, x, y);
  await page.mouse.click(at.x, at.y);
  await page.getByRole('group', { name: 'Symbols' }).getByRole('button', { name: 'box e', exact: true }).click();
  await page.getByLabel('Name, then one attribute a line').fill(text);
  await page.keyboard.press('Escape');
}

/** The middle of the edge of a box that is drawn under a name. */
export async function edgeOf(page: Page, name: string, edge: 'left' | 'right') {
  const shape = page.locator('.scene [data-element]').filter({ has: page.locator('text.name', { hasText: name }) });
  const box = await boxOf(shape.locator('.edge').first());
  return { x: edge === 'left' ? box.x : box.x + box.width, y: box.y + box.height / 2 };
}

/** Pulls a line from one box to another, and leaves its last end chosen. */
export async function pullLine(page: Page, from: string, to: string) {
  const start = await edgeOf(page, from, 'right');
  const end = await edgeOf(page, to, 'left');
  await page.mouse.move(start.x, start.y);
  await page.mouse.down();
  await page.mouse.move((start.x + end.x) / 2, (start.y + end.y) / 2, { steps: 4 });
  await page.mouse.move(end.x + 20, end.y, { steps: 4 });
  await page.mouse.up();
}

export const sentences = (page: Page) => page.getByRole('list', { name: 'Sentences' });

/** Chooses words of the scenario, as a person does with the pointer. */
export async function chooseWords(page: Page, words: string) {
  await page.locator('.prose').evaluate((prose, wanted) => {
    const walker = document.createTreeWalker(prose, NodeFilter.SHOW_TEXT);
    for (let node = walker.nextNode(); node; node = walker.nextNode()) {
      const at = node.textContent!.indexOf(wanted);
      if (at < 0) continue;
      const range = document.createRange();
      range.setStart(node, at);
      range.setEnd(node, at + wanted.length);
      window.getSelection()!.removeAllRanges();
      window.getSelection()!.addRange(range);
      prose.dispatchEvent(new MouseEvent('mouseup', { bubbles: true }));
      return;
    }
    throw new Error(`The scenario does not say ${wanted}`);
  }, words);
}

/** A call of the page's own session, for what a story begins with. */
export const call = <T = unknown>(page: Page, method: string, path: string, body?: object): Promise<T> =>
  page.evaluate(
    async ([method, path, body]) => {
      const session = await (await fetch('/api/session')).json();
      const headers = { 'content-type': 'application/json', 'X-Blue-Slate-Guard': session.guard };
      const reply = await fetch(path, { method, headers, body: body && JSON.stringify(body) });
      const text = await reply.text();
      if (!reply.ok) throw new Error(`${path}: ${reply.status} ${text}`);
      return text === '' ? null : JSON.parse(text);
    },
    [method, path, body] as const,
  ) as Promise<T>;

const folder = join(import.meta.dirname, '../../demo/key-board');
const file = (name: string) => readFileSync(join(folder, name), 'utf8');

/** Sets an exercise to the demo's class, with a model answer of the demo. */
export async function publish(page: Page, title: string, terms: object, asked: object = {}) {
  await become(page, 'Ines Okafor');
  const [cohort] = await call<{ id: string }[]>(page, 'GET', '/api/exercises/cohorts');
  const { id } = await call<{ id: string }>(page, 'POST', '/api/exercises', { title, cohortId: cohort!.id });
  const { parts } = await call<{ parts: { id: string; part: { value: object } }[] }>(page, 'GET', `/api/exercises/${id}`);
  const part = parts[0]!;
  await call(page, 'PUT', `/api/exercises/${id}/scenario`, { revision: 1, text: file('scenario.md') });
  const [question] = JSON.parse(file('question.json')).parts;
  await call(page, 'PUT', `/api/parts/${part.id}`, { revision: 1, value: { ...question, minutes: null, told: 'when-released', aids: { ...question.aids, help: 0 }, ...asked } });
  await call(page, 'PUT', `/api/parts/${part.id}/model`, { revision: 1, text: file('model.json') });
  const scheme = await call(page, 'POST', `/api/parts/${part.id}/scheme`);
  await call(page, 'PUT', `/api/parts/${part.id}/assessment`, { revision: 1, value: { scheme } });
  await call(page, 'POST', `/api/exercises/${id}/publish`, terms);
  return id;
}
