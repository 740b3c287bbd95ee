// Goes through a class with keys alone, as a marker would: the questions of the class, its differences, each decided once for all, the
// answers that want nothing more, and then those whose marks are in doubt, one by one. Prints how many keys that took.
import { chromium } from '../tests/browser/node_modules/@playwright/test/index.mjs';
import { browserOptions, signedIn, until } from './hands/page.mjs';

const [base] = process.argv.slice(2);

await until('the server', async () => (await fetch(`${base}/health/ready`)).ok);
const browser = await chromium.launch(browserOptions);
const page = await signedIn(browser, base, { viewport: { width: 1280, height: 800 } });
page.setDefaultTimeout(30_000);
const began = performance.now();
const used = { keys: 0, decisions: 0, replies: 0, opened: 0 };

const press = async (key) => {
  used.keys++;
  await page.keyboard.press(key);
};
/** Tabs to something and presses it, as somebody without a mouse has to. */
const go = async (locator) => {
  await locator.waitFor();
  for (let tabs = 0; tabs < 400; tabs++) {
    if (await locator.evaluate((one) => one === document.activeElement)) return press('Enter');
    await press('Tab');
  }
  throw new Error('it cannot be reached by Tab');
};
/** The desk as it is once everybody is checked. */
const settled = async () => {
  await until('all checks', async () => !(await states()).includes('waiting'), 180_000);
  await page.reload();
  await page.locator('.desk-list').waitFor();
  await page.waitForLoadState('networkidle');
};
/** How far each answer is, by the server. */
const states = () =>
  page.evaluate(async () => {
    const exercises = await (await fetch('/api/exercises')).json();
    return (await (await fetch(`/api/marking/exercises/${exercises[0].id}`)).json()).answers.map(({ state }) => state);
  });

await go(page.locator('main').getByRole('link').first());
await page.locator('.desk-list').waitFor();
await settled();

const questions = page.getByRole('link', { name: /questions? of the class/ });
if (await questions.count()) {
  await press('q');
  const question = page.getByRole('region', { name: 'The question' });
  for (let asked = null; await question.or(page.getByText(/Nothing (else )?is open/)).first().waitFor(), await question.count(); ) {
    const text = await question.getByRole('status').first().innerText();
    if (text === asked) await until('the next question', async () => (await question.getByRole('status').first().innerText()) !== asked);
    asked = await question.getByRole('status').first().innerText();
    used.replies++;
    await press('y');
    await until('the reply', async () => !(await question.count()) || (await question.getByRole('status').first().innerText()) !== asked);
  }
  await go(page.locator('main').getByRole('link').first());
  await page.locator('.desk-list').waitFor();
  await settled();
}

// Most losses stand; now and then one is allowed, or in part.
const open = page.locator('.desk-list button.difference:not(.decided)').filter({ hasText: '−' });
while (await open.count()) {
  const left = await open.count();
  const current = page.locator('.desk-list button.difference[aria-current=true]');
  if (!(await current.filter({ hasText: '−' }).count())) {
    await press('j');
    continue;
  }
  used.decisions++;
  await press(used.decisions % 11 === 0 ? '5' : used.decisions % 7 === 0 ? '1' : '0');
  await page.getByRole('button', { name: /^decide (for all|so)/ }).waitFor();
  await press('Enter');
  await until('the decision', async () => (await open.count()) < left);
}

if (await page.getByRole('button', { name: /nothing more: gone through/ }).count()) {
  await press('g');
  await until('the answers', async () => !(await page.getByRole('button', { name: /nothing more: gone through/ }).count()));
}

const undone = async () => (await states()).filter((state) => state !== 'gone-through').length;
const rest = await undone();
if (rest > 0) {
  await go(page.locator('.desk-head').getByText('answers', { exact: true }));
  await go(page.locator('.answer-rows').getByRole('link').first());
  for (let left = rest; left > 0; ) {
    await page.getByRole('button', { name: /gone through/ }).waitFor();
    const at = page.url();
    used.opened++;
    await press('g');
    await until('the next answer', async () => page.url() !== at);
    left = await undone();
  }
}

const answers = await states();
if (answers.some((state) => state !== 'gone-through')) throw new Error('somebody was not gone through');
console.log(
  `evening: answers ${answers.length} keys ${used.keys} keys_per_answer ${(used.keys / answers.length).toFixed(2)} ` +
    `decisions ${used.decisions} replies ${used.replies} opened ${used.opened} seconds ${Math.round((performance.now() - began) / 1000)}`,
);
await browser.close();
