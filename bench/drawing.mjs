// Draws model answers through the real interface and prints keystrokes, presses and seconds for each way of drawing. Nothing is set
// behind the interface's back: the drawing is made by the keyboard and the pointer alone, and must say what the model answer says.
import { chromium } from '../tests/browser/node_modules/@playwright/test/index.mjs';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { byKeys } from './hands/keys.mjs';
import { byTouch } from './hands/touch.mjs';
import { boxOn, centre, chooseWords, endSpotsOn, Hand, nameSpot, originOn, rim } from './hands/hand.mjs';
import { browserOptions, callFrom, hashOfDrawing, signedIn, until } from './hands/page.mjs';
import { tasks } from './hands/tasks.mjs';

const [base, demo, out, only] = process.argv.slice(2);
const exercises = ['repair-cafe', 'open-domes', 'repair-desk'];
/** Ways that draw the same things one after the other, so that the same document comes of them once it is tidied up. */
const handmade = ['pointing', 'keys', 'touch'];
const ways = ['pointing', 'phrases', 'sentences', 'keys', 'touch'];

await until('the server', async () => (await fetch(`${base}/health/ready`)).ok);

const browser = await chromium.launch(browserOptions);
let page;

/** A page of the instructor's, with a mouse or with fingers. */
async function openPage(hasTouch) {
  await page?.context().close();
  page = await signedIn(browser, base, { viewport: { width: 1600, height: 1100 }, hasTouch });
}

const call = (...request) => callFrom(page, ...request);

/** The exercise of a demo folder once more, or a task, with an empty slate. */
async function emptyExercise(name) {
  const task = tasks[name];
  const question = task?.question ?? JSON.parse(readFileSync(join(demo, name, 'question.json'), 'utf8'));
  const scenario = task?.scenario ?? readFileSync(join(demo, name, 'scenario.md'), 'utf8');
  const [cohort] = await call('GET', '/api/exercises/cohorts');
  const { id } = await call('POST', '/api/exercises', { title: `${question.title}, drawn anew`, cohortId: cohort.id });
  const before = await call('GET', `/api/exercises/${id}`);
  await call('PUT', `/api/exercises/${id}/scenario`, { revision: before.scenario.revision, text: scenario });
  const [asked] = question.parts;
  const [place] = before.parts;
  await call('PUT', `/api/parts/${place.id}`, { revision: place.part.revision, value: { ...place.part.value, ...asked } });
  await page.goto(`${base}/exercises/${id}`);
  await page.locator('.slate').first().waitFor();
  const model = task ? await drawnFrom(place.id, task.lines) : readFileSync(join(demo, name, 'model.json'), 'utf8');
  const reading = await call('POST', `/api/parts/${place.id}/reading`, { drawing: model });
  return { id, notation: asked.learned.notation, drawing: JSON.parse(model).sheets[0], lines: reading.sentences.map((sentence) => sentence.pieces.map(({ text }) => text).join('')) };
}

/** The drawing that statements make. */
async function drawnFrom(part, lines) {
  const empty = JSON.stringify({ format: 'blue-slate-drawing', version: 1, sheets: [{ id: 'sheet1', shapes: [], lines: [] }] });
  const { drawing, problems } = await call('POST', `/api/parts/${part}/amend`, { drawing: empty, lines });
  if (problems.length > 0) throw new Error(JSON.stringify(problems));
  return drawing;
}

const said = async () => (await page.getByRole('list', { name: 'Sentences' }).getByRole('listitem').allTextContents()).map((line) => line.replace(/Still open:.*$/, '').trim());
/** Statements in any order, the attributes of each in any order. */
const plain = (lines) =>
  lines
    .filter((line) => line !== 'write')
    .map((line) => line.replace(/\s+/g, ' ').trim())
    .map((line) => (/^([^:;]+): (.*)$/.test(line) ? `${line.slice(0, line.indexOf(':'))}: ${line.slice(line.indexOf(':') + 2).split(/, (?![^(]*\))/).sort().join(', ')}` : line))
    .sort();

// ---- where things are on the screen

const origin = () => originOn(page);
const boxOf = (text) => boxOn(page, text);
const endSpots = () => endSpotsOn(page);

// ---- a drawing as things to be made by hand

const nameOf = (shape) => shape.text.replace(/^«[^»]*»\s*/, '');
const rowsOf = (shape) => (shape.compartments ?? []).map((rows) => rows.map((row) => [row.mark, row.ring ? 'o' : '', row.text].filter(Boolean).join(' ')).join('\n')).join('\n\n');

/** Ovals of a shape as the lines that are typed for them. */
function stemOf(drawing, shape) {
  const ovals = (id) => drawing.lines.flatMap((line) => (line.from.shape === id ? drawing.shapes.filter((other) => other.id === line.to.shape && other.form === 'oval') : []));
  return ovals(shape.id).map((oval) => {
    const parts = ovals(oval.id).map((part) => part.text);
    return oval.text + (parts.length > 0 ? ` (${parts.join(', ')})` : '') + ({ solid: ' (key)', dashed: ' (partial key)' }[oval.underline] ?? '') + ({ double: ' (several)', dashed: ' (derived)' }[oval.outline] ?? '');
  });
}

/** Places for boxes on a grid, far enough apart that nothing has to be looked for. */
function spots(shapes, width, height) {
  const across = Math.ceil(Math.sqrt(shapes.length * 1.3));
  const down = Math.ceil(shapes.length / across);
  return new Map(shapes.map((shape, i) => [shape.id, { x: ((i % across) + 0.5) * (width / across), y: (Math.floor(i / across) + 0.5) * (height / down) - 40 }]));
}

/** The keys that choose the least and the most at an end, by how the end is drawn. */
const bits = { ring: '0', bar: '1' };
const crowKeys = ([most, least]) => [bits[least], most === 'foot' ? 'm' : 'i'];
const textKeys = { 1: ['1', 'i'], '0..1': ['0', 'i'], '*': ['0', 'm'], '1..*': ['1', 'm'] };
const letterKeys = (end, stroke) => [stroke === 'double' ? '1' : '0', end.count === '1' ? 'i' : 'm'];

/** How often the key for the next end symbol is pressed until the wanted one shows: the order in which the slate offers them. */
const ends = join(demo, '../symbols/ends');
const offered = readdirSync(ends)
  .map((file) => JSON.parse(readFileSync(join(ends, file), 'utf8')))
  .filter(({ notations }) => notations.includes('uml'))
  .sort((a, b) => (a.rank ?? 0) - (b.rank ?? 0));
const tips = Object.fromEntries(offered.map(({ name }, i) => [name, i + 1]));

/** How often the key for the stroke is pressed, by notation: a line begins as the first of its strokes. */
const strokeKeys = { 'crows-foot': { dashed: 1, solid: 2 }, chen: { solid: 0, double: 1 }, uml: { solid: 0, dashed: 1 } };

class Drawer {
  constructor(hand, exercise) {
    const { notation, drawing } = exercise;
    Object.assign(this, { hand, notation, drawing, exercise });
    this.byId = new Map(drawing.shapes.map((shape) => [shape.id, shape]));
    this.boxes = drawing.shapes.filter((shape) => shape.form === 'rectangle');
  }

  /** Chooses where the boxes go. */
  async lay() {
    const at = await origin();
    this.places = spots(this.boxes, at.width, at.height);
    for (const place of this.places.values()) Object.assign(place, { x: place.x + at.x, y: place.y + at.y });
    return at;
  }

  async start() {
    const at = await this.lay();
    // The slate has the focus once it was pressed; the row of symbols that this opens is put away.
    await this.hand.click({ x: at.x + at.width - 8, y: at.y + 8 });
    await this.hand.press('Escape');
  }

  textOf(shape) {
    const rows = this.notation === 'chen' ? stemOf(this.drawing, shape).join('\n') : rowsOf(shape);
    return rows === '' ? shape.text : `${shape.text}\n${rows}`;
  }

  /** Marks of a box that are no text. */
  async dress(shape) {
    if (shape.outline === 'double') await this.hand.press('x');
    if (shape.italic) await this.hand.press('i');
  }

  async pointBox(shape) {
    const place = this.places.get(shape.id);
    await page.mouse.move(place.x - (this.notation === 'uml' ? 50 : 0), place.y);
    await this.hand.press('e');
    await this.hand.type(this.textOf(shape));
    await this.hand.press('Escape');
    await this.dress(shape);
  }

  async choose(...shapes) {
    for (const [i, shape] of shapes.entries()) await this.hand.click(nameSpot(await boxOf(nameOf(shape))), i > 0);
  }

  /** A line pulled from one shape to another or to a line; its far end is chosen then. */
  async pull(from, to) {
    const before = new Set((await endSpots()).keys());
    const [a, b] = [await boxOf(nameOf(from)), typeof to === 'object' && 'x' in to ? to : await boxOf(nameOf(to))];
    const target = 'width' in b ? (from === to ? { x: b.x + b.width - 6, y: b.y + 6 } : centre(b)) : b;
    await this.hand.pull(from === to ? { x: a.x + a.width, y: a.y + a.height / 2 } : rim(a, target), target);
    return until('the line', async () => [...(await endSpots()).keys()].find((id) => id.endsWith('/to') && !before.has(id)));
  }

  async lines() {
    if (this.notation === 'chen') return this.diamonds();
    const made = new Map();
    for (const line of this.drawing.lines) {
      const [from, to] = [this.byId.get(line.from.shape), this.byId.get(line.to.shape)];
      const target = to ?? (await this.ontoLine(line.to.line, made));
      const id = (await this.pull(from, target)).replace(/\/to$/, '');
      made.set(line.id, id);
      await this.endKeys(line, 'to');
      if (['label', 'role', 'count', 'marks'].some((part) => line.from[part]?.length > 0)) {
        await this.otherEnd();
        await this.endKeys(line, 'from');
      }
      await this.lineKeys(line);
      await this.endOfLine();
    }
  }

  /** Where a line leads that ends on another. */
  async ontoLine(id, made) {
    return this.middleOf(made.get(id));
  }

  async otherEnd() {
    await this.hand.press('[');
  }

  async endOfLine() {
    await this.hand.press('Escape');
  }

  async lineKeys(line) {
    await this.hand.press(...Array(strokeKeys[this.notation][line.stroke ?? 'solid']).fill('s'));
    if (line.text) {
      await this.hand.press('Enter');
      await this.writeText(line.text);
    }
    if (line.pointer === 'to') await this.hand.press('p');
  }

  async writeText(text) {
    await this.hand.type(text);
    await this.hand.press('Enter');
  }

  async endKeys(line, side) {
    const end = line[side];
    if (this.notation === 'uml') {
      if (end.count) await this.hand.press(...textKeys[end.count]);
      if (end.marks) await this.hand.press(...Array(tips[end.marks[0]]).fill('y'));
      if (end.role) {
        await this.hand.press('g');
        await this.writeText(end.role);
      }
    } else {
      await this.hand.press(...crowKeys(end.marks));
      if (end.label) {
        await this.hand.press('Enter');
        await this.writeText(end.label);
      }
    }
  }

  /** A place on a line, a third of its way along, where no text of it stands. */
  async middleOf(id) {
    return page.locator(`.scene [data-element="${id}"] path.line`).evaluate((path) => {
      const point = path.getPointAtLength(path.getTotalLength() / 3);
      const { x, y } = new DOMPoint(point.x, point.y).matrixTransform(path.getScreenCTM());
      return { x, y };
    });
  }

  /** The diamonds and circles of Chen's notation, each between the boxes that it is tied to. */
  async diamonds() {
    for (const shape of this.drawing.shapes.filter(({ form }) => form === 'diamond' || form === 'circle')) {
      const ties = this.drawing.lines.flatMap((line) => {
        const other = line.from.shape === shape.id ? line.to.shape : line.to.shape === shape.id ? line.from.shape : null;
        return other && this.byId.get(other).form === 'rectangle' ? [{ line, at: line.from.shape === other ? 'from' : 'to', other: this.byId.get(other) }] : [];
      });
      const tied = [...new Set(ties.map(({ other }) => other))];
      await this.choose(...tied);
      const before = new Set((await endSpots()).keys());
      await this.tiedTo(shape);
      await this.writeText(shape.text);
      await this.dress(shape);
      if (ties.length > tied.length) {
        await this.pull(shape, tied[0]);
        await this.hand.press('Escape');
      }
      await this.dressTies(shape, ties, before);
      for (const oval of stemOf(this.drawing, shape)) await this.ovalAt(shape, oval);
    }
  }

  /** What is drawn tied to what is chosen. */
  async tiedTo(shape) {
    await this.hand.press(shape.form === 'circle' ? 'o' : 'd');
  }

  async ovalAt(shape, text) {
    await this.choose(shape);
    await this.hand.press('v');
    await this.writeText(text);
  }

  async dressTies(shape, ties, before) {
    const fresh = [...(await endSpots()).keys()].filter((id) => !before.has(id));
    for (const { line, at, other } of ties) {
      const wanted = at === 'to' ? line.to : line.from;
      if (shape.form === 'diamond') await this.endOf(shape, other, fresh, letterKeys(wanted, line.stroke), wanted.role);
      else {
        // The key of a circle gives its cup to every line but the first.
        const [placed, wanted] = [other !== ties[0].other, line.along !== undefined];
        const keys = [...(line.stroke === 'double' ? ['s'] : []), ...(placed === wanted ? [] : wanted ? ['u'] : ['u', 'u'])];
        if (keys.length > 0) await this.endOf(shape, other, fresh, keys, undefined, { cup: { placed, wanted }, wanted: line });
      }
    }
  }

  /** Presses the end of one of the new lines at a box, and then keys. */
  async endOf(shape, other, fresh, keys, role, cups) {
    const box = await boxOf(nameOf(other));
    const spots = [...(await endSpots())].filter(([id]) => fresh.includes(id));
    const near = (at) => Math.hypot(Math.max(box.x - at.x, 0, at.x - box.x - box.width), Math.max(box.y - at.y, 0, at.y - box.y - box.height));
    // Of two lines to one box that drawn first.
    const [id, at] = spots.sort((a, b) => Math.round((near(a[1]) - near(b[1])) / 20))[0];
    fresh.splice(fresh.indexOf(id), 1);
    await this.atEnd(other, { id, at }, keys, role, cups);
  }

  async atEnd(other, { at }, keys, role) {
    await this.hand.click(at);
    await this.hand.press(...keys);
    if (role) {
      await this.hand.press('g');
      await this.writeText(role);
    }
    // What opens around an end would lie on its neighbours.
    await this.hand.press('Escape');
  }
}

const rowKeys = { PK: 'p', FK: 'f', AK1: 'a', PPK: 'w' };

/** A box and its attributes from the words of the scenario; what that does not say is typed. */
async function fromPhrases(drawer, shape) {
  const { hand, notation } = drawer;
  if (shape.text !== nameOf(shape) || !(await chooseWords(hand, shape.text))) return drawer.pointBox(shape);
  await hand.press('e');
  const typed = [];
  for (const { text, parts, keys, line } of notation === 'chen' ? ovalRows(drawer, shape) : boxRows(shape)) {
    if (parts || !(await chooseWords(hand, text))) typed.push(line);
    else {
      await hand.press('a', ...keys);
    }
  }
  if (typed.length > 0) {
    await drawer.choose(shape);
    await hand.press('Enter');
    for (const line of typed) await hand.type(`\n${line}`);
    await hand.press('Escape');
  }
  if (shape.outline || shape.italic) await drawer.choose(shape);
  await drawer.dress(shape);
}

const boxRows = (shape) =>
  (shape.compartments ?? []).flatMap((rows, part) =>
    rows.map((row) => ({ text: row.text, parts: part > 0, keys: [...(row.mark ? [rowKeys[row.mark]] : []), ...(row.ring ? ['o'] : [])], line: [row.mark, row.ring ? 'o' : '', row.text].filter(Boolean).join(' ') })),
  );

const ovalRows = ({ drawing, byId }, shape) => {
  const lines = stemOf(drawing, shape);
  const ovals = drawing.lines.filter((line) => line.from.shape === shape.id && byId.get(line.to.shape)?.form === 'oval').map((line) => byId.get(line.to.shape));
  return ovals.map((oval, i) => ({
    text: oval.text,
    parts: drawing.lines.some((line) => line.from.shape === oval.id),
    keys: [...({ solid: ['y'], dashed: ['y', 'y'] }[oval.underline] ?? []), ...({ double: ['x'], dashed: ['x', 'x'] }[oval.outline] ?? [])],
    line: lines[i],
  }));
};

/** Types a statement and takes what the interface offers to complete, as soon as it is what one was about to type. */
async function typeStatement(hand, line) {
  const offer = page.locator('.editor-foot');
  for (let at = 0; at < line.length; ) {
    const begun = /[\p{L}\d]*$/u.exec(line.slice(0, at))[0];
    const rest = begun.length === 2 || begun.length === 4 ? /^Tab: …(.*?)\. Enter draws/.exec(await offer.textContent()) : null;
    if (rest && rest[1].length > 2 && line.startsWith(rest[1], at)) {
      await hand.press('Tab');
      at += rest[1].length;
    } else {
      await hand.type(line[at]);
      at++;
    }
  }
  // Nobody types so fast that the statement before is not yet drawn.
  await Promise.all([page.waitForResponse((reply) => reply.url().endsWith('/amend')), hand.press('Enter')]);
  await page.waitForTimeout(30);
}

const tools = () => ({ page, until, endSpots, boxOf, nameOf, nameSpot, origin, crowKeys, textKeys, says: (mark) => offered.find(({ name }) => name === mark).says });

/** Draws boxes, then lines, in one way. */
async function drawAll(drawer) {
  await drawer.start();
  for (const shape of drawer.boxes) await drawer.pointBox(shape);
  await drawer.lines();
}

const byWay = {
  pointing: drawAll,
  keys: ({ hand, exercise }) => drawAll(new (byKeys(Drawer, tools()))(hand, exercise)),
  touch: ({ hand, exercise }) => drawAll(new (byTouch(Drawer, tools()))(hand, exercise)),
  async phrases(drawer) {
    await drawer.start();
    for (const shape of drawer.boxes) await fromPhrases(drawer, shape);
    await drawer.lines();
  },
  async sentences(drawer, lines) {
    await page.getByRole('button', { name: 'write', exact: true }).click();
    drawer.hand.presses++;
    for (const line of lines) await typeStatement(drawer.hand, line);
    await drawer.hand.press('Escape');
  },
};

/** What the server holds once all was tidied up, but for the names that the slate gave. */
async function tidied({ id }) {
  await page.locator('.slate').first().focus();
  for (let i = 0; i < 3; i++) await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'tidy up', exact: true }).waitFor();
  await Promise.all([page.waitForResponse((reply) => reply.url().endsWith('/tidy')), page.keyboard.press('t')]);
  await page.getByRole('button', { name: 'tidy up', exact: true }).waitFor();
  await page.waitForTimeout(100);
  await until('all to be saved', async () => (await page.getByText('saved', { exact: true }).count()) > 0);
  const reply = await call('GET', `/api/exercises/${id}`);
  return hashOfDrawing(reply.parts[0].model.text);
}

const results = [];
const hashes = new Map();
for (const way of ways) {
  let [keys, presses, seconds] = [0, 0, 0];
  await openPage(way === 'touch');
  for (const name of [...exercises, ...Object.keys(tasks)]) {
    if (only && !new RegExp(only).test(`${way}/${name}`)) continue;
    const exercise = await emptyExercise(name);
    const hand = new Hand(page);
    const start = performance.now();
    try {
      await byWay[way](new Drawer(hand, exercise), exercise.lines);
      await until('what the model answer says', async () => plain(await said()).join('\n') === plain(exercise.lines).join('\n'));
    } catch (error) {
      await page.screenshot({ path: join(out, 'drawing-failed.png') });
      const now = plain(await said());
      console.error(`${way} ${name}: ${error.message}`);
      for (const line of plain(exercise.lines).filter((line) => !now.includes(line))) console.error(`  wanted ${line}`);
      for (const line of now.filter((line) => !plain(exercise.lines).includes(line))) console.error(`  found  ${line}`);
      process.exitCode = 1;
    }
    const took = (performance.now() - start) / 1000;
    const same = handmade.includes(way) && exercises.includes(name) ? ` document ${await tidied(exercise)}` : '';
    if (same) hashes.set(name, (hashes.get(name) ?? new Set()).add(same));
    console.log(`${way} ${name}: keys ${hand.keys} presses ${hand.presses} seconds ${took.toFixed(1)}${same}`);
    if (name in tasks) continue;
    keys += hand.keys;
    presses += hand.presses;
    seconds += took;
  }
  results.push(`${way} ${keys} ${presses} ${seconds.toFixed(1)}`);
}
console.log(`documents the same: ${[...hashes.values()].filter((found) => found.size === 1).length} of ${hashes.size}`);
console.log(`drawing: ${results.map((result) => result.replace(/^(\S+) (\S+) (\S+) (\S+)$/, '$1_keys $2 $1_presses $3 $1_seconds $4')).join(' ')}`);
await browser.close();
