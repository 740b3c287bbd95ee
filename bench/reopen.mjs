// Draws at random through the real interface, closes the page once all is saved, opens it again, and compares what is on the slate and
// what the server holds.
import { chromium } from '../tests/browser/node_modules/@playwright/test/index.mjs';
import { join } from 'node:path';
import { browserOptions, callFrom, signedIn, until } from './hands/page.mjs';

const [base, , out, wanted = '50', first = '1'] = process.argv.slice(2);
const notations = ['crows-foot', 'chen', 'uml'];
const deedsADrawing = 14;

await until('the server', async () => (await fetch(`${base}/health/ready`)).ok);

/** Numbers by chance, the same for the same seed: mulberry32. */
function chance(seed) {
  let state = seed >>> 0;
  const next = () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
  return { next, of: (all) => all[Math.floor(next() * all.length)], to: (n) => Math.floor(next() * n) };
}

const browser = await chromium.launch(browserOptions);
let page = await signedIn(browser, base, { viewport: { width: 1400, height: 900 }, hasTouch: true });
const context = page.context();

const call = (...request) => callFrom(page, ...request);
const [cohort] = await call('GET', '/api/exercises/cohorts');
const usual = { chen: { doubleLineSaysAll: true, counts: 'letters', underlinesAreOneKey: true }, 'crows-foot': { strokeSaysIdentifying: true }, uml: { aggregationCounts: true } };

/** An exercise of a notation whose slate is empty. */
async function empty(notation, seed) {
  const { id } = await call('POST', '/api/exercises', { title: `By chance, ${seed}`, cohortId: cohort.id });
  const reply = await call('GET', `/api/exercises/${id}`);
  await call('PUT', `/api/exercises/${id}/scenario`, { revision: reply.scenario.revision, text: 'Whatever comes.' });
  const [part] = reply.parts;
  await call('PUT', `/api/parts/${part.id}`, { revision: part.part.revision, value: { ...part.part.value, learned: { notation, level: 'conceptual', ...usual[notation] } } });
  return id;
}

const names = ['Lantern', 'Tide table', 'Keeper', 'Größe', 'مَنارة', 'Sea-mark 7', 'fog signal', 'Rope', 'W', 'Pier of the old harbour'];
const rows = ['PK lantern no', 'o height', '- oil: Integer', 'colour', 'phones (several)', 'name (first, last)', '+ trim(to: Integer)', 'key (key)', 'since'];
const keys = ['x', 'x', 'y', 'i', 's', 's', 'u', 'p', '[', ']', '<', '>', '0', '1', 'm', 'i', 'o', 'f', 'a', 'd', 'v', 'o', 'q', 'j', 'n', 'k', 'g', 'l', 'Enter', 'ArrowLeft', 'ArrowDown', 'Shift+ArrowRight', 'Escape', 'Control+z', 'Control+z', 'Control+y', 'Control+d', 'Control+a', 'Delete', 't', '}', '{'];
const slate = () => page.locator('.slate').first();

/** Ends whatever is being typed or asked. */
async function settle() {
  for (let i = 0; i < 4; i++) {
    if (await page.evaluate(() => document.activeElement?.classList.contains('slate'))) break;
    await page.keyboard.press('Escape');
    await page.waitForTimeout(20);
  }
  await slate().focus();
}

async function somewhere(random) {
  const at = await slate().boundingBox();
  return { x: at.x + 60 + random.to(at.width - 180), y: at.y + 50 + random.to(at.height - 190) };
}

async function shape(random) {
  const boxes = await page.locator('.scene .edge').evaluateAll((all) => all.map((edge) => edge.getBoundingClientRect().toJSON()));
  const seen = boxes.filter(({ width, y }) => width > 12 && y > 0);
  return seen.length === 0 ? null : random.of(seen);
}
const middle = ({ x, y, width, height }) => ({ x: x + width / 2, y: y + Math.min(12, height / 2) });

const deeds = {
  async box(random) {
    const at = await somewhere(random);
    await page.mouse.move(at.x, at.y);
    await page.keyboard.press('Escape');
    await page.keyboard.press('e');
    await page.keyboard.type(random.of(names));
    for (let n = random.to(3); n > 0; n--) {
      await page.keyboard.press('Enter');
      await page.keyboard.type(random.of(rows));
    }
  },
  async symbol(random) {
    const at = await somewhere(random);
    if (random.next() < 0.5) await page.mouse.click(at.x, at.y);
    else await page.touchscreen.tap(at.x, at.y);
    const choices = page.getByRole('group', { name: 'Symbols' }).getByRole('button');
    const count = await choices.count();
    if (count === 0) return;
    await choices.nth(random.to(count)).click({ timeout: 2000 }).catch(() => undefined);
    await page.keyboard.type(random.of(names));
  },
  async pull(random) {
    const [a, b] = [await shape(random), await shape(random)];
    if (!a || !b) return;
    const to = random.next() < 0.8 ? { x: b.x + b.width / 2, y: b.y + b.height / 2 } : await somewhere(random);
    await page.mouse.move(a.x + a.width / 2, a.y);
    await page.mouse.down();
    await page.mouse.move(to.x, to.y, { steps: 4 });
    await page.mouse.up();
  },
  async drag(random) {
    const a = await shape(random);
    if (!a) return;
    const to = await somewhere(random);
    await page.mouse.move(middle(a).x, middle(a).y);
    await page.mouse.down();
    await page.mouse.move(to.x, to.y, { steps: 4 });
    await page.mouse.up();
  },
  async touch(random) {
    const a = await shape(random);
    if (!a) return;
    await page.touchscreen.tap(middle(a).x, middle(a).y);
    const row = page.getByRole('toolbar', { name: 'With what is chosen' });
    const choices = row.getByRole(random.next() < 0.5 ? 'button' : 'radio');
    const count = await choices.count();
    if (count > 0) await choices.nth(random.to(count)).tap({ timeout: 2000 }).catch(() => undefined);
    const b = await shape(random);
    if (b) await page.touchscreen.tap(middle(b).x, middle(b).y);
  },
  async press(random) {
    const a = await shape(random);
    if (a && random.next() < 0.5) await page.mouse.click(middle(a).x, middle(a).y);
    for (let n = 1 + random.to(5); n > 0; n--) await page.keyboard.press(random.of(keys));
  },
  async say(random) {
    const write = page.getByRole('button', { name: 'write', exact: true });
    if ((await write.count()) === 0) return;
    await write.click();
    const [a, b] = [random.of(names.slice(0, 3)), random.of(names.slice(5, 8))];
    await page.keyboard.type(random.of([`${a}: ${a} no (key), colour`, `${a} shows 0 or more ${b}; ${b} goes with exactly 1 ${a}`, `${b} and Beacon are kinds of ${a}`, `${a} is weak`]));
    await Promise.all([page.waitForResponse((reply) => reply.url().endsWith('/amend'), { timeout: 2500 }), page.keyboard.press('Enter')]).catch(() => undefined);
    await page.waitForTimeout(60);
  },
  async note(random) {
    const a = await shape(random);
    if (!a) return;
    await page.mouse.click(middle(a).x, middle(a).y);
    await page.keyboard.press(';');
    if ((await page.locator('.comment-editor').count()) > 0) await page.keyboard.type(random.of(names));
  },
};

/** What is painted, without where one looks at it from and what is chosen. */
async function painted() {
  await settle();
  await page.keyboard.press('Escape');
  await page.keyboard.press('Escape');
  await page.mouse.move(2, 2);
  await page.waitForTimeout(60);
  return page.locator('.scene .figure').evaluateAll((figures) =>
    figures
      .map((figure) => {
        const copy = figure.cloneNode(true);
        copy.querySelectorAll('.line-band, .end-focus, .row-lit, .row-focus').forEach((one) => one.remove());
        return copy.outerHTML.replace(/ (selected|lit|chosen)(?=[ "])/g, '');
      })
      .sort()
      .join('\n'),
  );
}
const saved = async (id) => (await call('GET', `/api/exercises/${id}`)).parts[0].model.text;

let [equal, things] = [0, 0];
for (let seed = Number(first); seed < Number(first) + Number(wanted); seed++) {
  const random = chance(seed);
  const notation = notations[seed % notations.length];
  const id = await empty(notation, seed);
  await page.goto(`${base}/exercises/${id}`);
  await slate().waitFor();
  const done = [];
  try {
    for (let n = 0; n < deedsADrawing; n++) {
      const name = random.of(n < 3 ? ['box', 'symbol'] : Object.keys(deeds));
      done.push(name);
      await settle();
      await deeds[name](random);
    }
    await settle();
    // What is still being written becomes part of the drawing when one leaves it, and is saved then.
    await page.keyboard.press('Escape');
    await page.keyboard.press('Escape');
    await settle();
    await until('all to be saved', async () => (await page.getByText('saved', { exact: true }).count()) > 0);
    const [slateBefore, serverBefore] = [await painted(), await saved(id)];
    await page.close();
    page = await context.newPage();
    await page.goto(`${base}/exercises/${id}`);
    await slate().waitFor();
    await page.waitForTimeout(150);
    const [slateAfter, serverAfter] = [await painted(), await saved(id)];
    things += slateBefore.split('data-element').length - 1;
    if (slateBefore === slateAfter && serverBefore === serverAfter) equal++;
    else {
      process.exitCode = 1;
      console.error(`seed ${seed} ${notation}: ${serverBefore === serverAfter ? 'painted otherwise' : 'saved otherwise'} after ${done.join(' ')}`);
      if (serverBefore !== serverAfter) console.error(`${serverBefore}\n${serverAfter}`);
      const after = new Set(slateAfter.split('\n'));
      console.error(slateBefore.split('\n').filter((line) => !after.has(line)).slice(0, 2).join('\n').slice(0, 600));
      const before = new Set(slateBefore.split('\n'));
      console.error(slateAfter.split('\n').filter((line) => !before.has(line)).slice(0, 2).join('\n').slice(0, 600));
    }
  } catch (error) {
    process.exitCode = 1;
    console.error(`seed ${seed} ${notation} after ${done.join(' ')}: ${error.message.split('\n')[0]}`);
    await page.screenshot({ path: join(out, `reopen-${seed}.png`) });
  }
}
console.log(`reopen: drawings ${wanted} equal ${equal} elements ${Math.round(things / Number(wanted))}`);
await browser.close();
