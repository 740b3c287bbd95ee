// Sets a new exercise through the real interface: title, scenario, model answer drawn from the scenario's words, what is accepted besides,
// scheme, preflight, publication. Nothing is set behind the interface's back, and nothing that the scenario says is typed again. The scenario
// is pasted: it was written elsewhere. Prints keystrokes and presses, and what the preflight still had open.
import { chromium } from '../tests/browser/node_modules/@playwright/test/index.mjs';
import { boxOn, centre, chooseWords, endSpotsOn, Hand, nameSpot, originOn, rim } from './hands/hand.mjs';
import { browserOptions, signedIn, until } from './hands/page.mjs';

const [base] = process.argv.slice(2);

const scenario = `The society has several sites. A site has a site code, a name and an address. On each site lie one or more plots; a plot has a plot number and a size, and lies on exactly one site. A member has a member number, a name and perhaps a phone. A plot is rented by at most one member; some plots are rented by none. A member rents any number of plots, or none.

The society owns tools. A tool has a tool number and a kind. A loan has a loan number, a day out and perhaps a day back; it is of exactly one tool, and exactly one member makes it. A tool goes out in any number of loans, new ones in none yet; a member makes any number of loans, or none.

A workday has a date and a task. One or more members help on each workday; a member helps on any number of workdays, or on none.`;

/** Boxes where they are put, each with its rows: the words of the scenario, and the keys for what they are. */
const boxes = [
  ['site', 0, 0, [['site code', 'p'], ['name'], ['address']]],
  ['plot', 0, 1, [['plot number', 'p'], ['size']]],
  ['member', 1, 1, [['member number', 'p'], ['name'], ['phone', 'o']]],
  ['tool', 2, 0, [['tool number', 'p'], ['kind']]],
  ['loan', 2, 1, [['loan number', 'p'], ['day out'], ['day back', 'o']]],
  ['workday', 1, 0, [['date', 'p'], ['task']]],
];

/** From, to; at each end the keys for the least and the most, and the words read from there. */
const lines = [
  ['Site', 'Plot', ['1', 'm', 'lies on'], ['1', 'i', 'has']],
  ['Plot', 'Member', ['0', 'i', 'rents'], ['0', 'm', 'is rented by']],
  ['Member', 'Loan', ['0', 'm', 'is made by'], ['1', 'i', 'makes']],
  ['Tool', 'Loan', ['0', 'm', 'is of'], ['1', 'i', 'goes out in']],
  ['Workday', 'Member', ['1', 'm', 'helps on'], ['0', 'm', 'has']],
];

await until('the server', async () => (await fetch(`${base}/health/ready`)).ok);
const browser = await chromium.launch(browserOptions);
const page = await signedIn(browser, base, { viewport: { width: 1600, height: 1100 } });
const hand = new Hand(page);
const began = performance.now();

const press = async (locator) => {
  await locator.waitFor();
  hand.presses++;
  await locator.click();
};
const saved = () => page.getByText('saved', { exact: true }).waitFor();

await press(page.getByRole('button', { name: 'write a new exercise' }));
await press(page.getByLabel('Title'));
await hand.type('The allotments');
await press(page.getByRole('button', { name: 'Begin' }));
const field = page.getByLabel('The scenario, in Markdown');
await press(field);
await page.keyboard.insertText(scenario);
hand.keys += 2;
await press(page.getByRole('button', { name: 'Save the scenario' }));
await page.locator('.prose').waitFor();

const at = await originOn(page);
const spot = ([, across, down]) => ({ x: at.x + at.width * (0.18 + 0.32 * across), y: at.y + at.height * (0.22 + 0.45 * down) });
await hand.click({ x: at.x + at.width - 8, y: at.y + 8 });
await hand.press('Escape');
for (const box of boxes) {
  const [name, , , rows] = box;
  const place = spot(box);
  if (!(await chooseWords(hand, name))) throw new Error(`The scenario does not say ${name}.`);
  await hand.press('e');
  // Where it is drawn is not where it is wanted: it is pulled there by its name.
  const drawn = await boxOn(page, name[0].toUpperCase() + name.slice(1));
  for (const [text, ...keys] of rows) {
    if (!(await chooseWords(hand, text))) throw new Error(`The scenario does not say ${text}.`);
    await hand.press('a', ...keys);
  }
  await hand.pull(nameSpot(drawn), place);
}

for (const [from, to, there, here] of lines) {
  const before = new Set((await endSpotsOn(page)).keys());
  const [a, b] = [await boxOn(page, from), await boxOn(page, to)];
  await hand.pull(rim(a, centre(b)), centre(b));
  await until('the line', async () => [...(await endSpotsOn(page)).keys()].find((id) => id.endsWith('/to') && !before.has(id)));
  for (const [i, [least, most, words]] of [there, here].entries()) {
    if (i > 0) await hand.press('[');
    await hand.press(least, most, 'Enter');
    await hand.type(words);
    await hand.press('Enter');
  }
  await hand.press('s', 'Escape');
}
await saved();

await press(page.getByRole('tab', { name: 'scheme' }));
await press(page.getByRole('button', { name: /^derive/i }).first());
await page.locator('.margin').getByText(/marks? in all|of 40|40/).first().waitFor();

await press(page.getByRole('tab', { name: /^preflight/ }));
await page.getByRole('region', { name: 'Words and model answer' }).waitFor();
// What is looked over is there once the hand has rested.
await page.waitForTimeout(2500);
const cover = (await page.getByRole('region', { name: 'Words and model answer' }).locator('p').allTextContents()).slice(0, 2);
let items = await page.locator('.margin .preflight .said').allTextContents();
const first = [...items];
for (let round = 0; items.length > 0 && round < 12; round++) {
  await press(page.locator('.margin .preflight .deeds').getByRole('button', { name: /accept both|meant so/ }).first());
  await page.waitForTimeout(1800);
  items = await page.locator('.margin .preflight li:has(.deeds) .said').filter({ visible: true }).allTextContents();
  const meant = await page.locator('.margin details .preflight .said').allTextContents();
  items = items.filter((item) => !meant.includes(item));
}

// A member who helps nowhere and one who helps somewhere are both as right: accepted at the end itself.
await press(page.getByRole('tab', { name: 'accepted' }));
const workday = await boxOn(page, 'Workday');
const ends = [...(await endSpotsOn(page)).values()];
const nearest = ends.sort((a, b) => Math.hypot(a.x - centre(workday).x, a.y - centre(workday).y) - Math.hypot(b.x - centre(workday).x, b.y - centre(workday).y))[0];
await hand.click(nearest);
await press(page.locator('.margin input[type=checkbox]').filter({ visible: true }).first());

await press(page.getByRole('button', { name: /publish to/ }));
const open = await page.getByRole('dialog').getByText(/The preflight has/).count();
await press(page.getByRole('button', { name: 'Publish', exact: true }));
await page.locator('.total').getByText('published').waitFor();

const seconds = Math.round((performance.now() - began) / 1000);
for (const said of [...cover, ...first.map((one) => `looked at: ${one}`)]) console.error(said.replace(/\s+/g, ' ').trim());
console.log(
  `setting: words ${scenario.split(/\s+/).length} entities ${boxes.length} keys ${hand.keys} presses ${hand.presses} items ${first.length} open ${open} seconds ${seconds}`,
);
await browser.close();
process.exit(open === 0 && hand.keys <= 900 && hand.presses <= 60 ? 0 : 1);
