// Reads laid-out drawings, lets the slate's own code route them, and counts overlaps of boxes and texts, crossings and bends.
import { readFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import { pathToFileURL } from 'node:url';

const web = new URL('../web/', import.meta.url).pathname;
const { createServer } = await import(pathToFileURL(createRequire(web + 'package.json').resolve('vite')).href);
const server = await createServer({ root: web, configFile: false, logLevel: 'error', server: { middlewareMode: true, hmr: false, ws: false }, appType: 'custom' });
const { readDrawing } = await server.ssrLoadModule('/src/drawing/format.ts');
const { layOut } = await server.ssrLoadModule('/src/geometry/scene.ts');
const { endTextBox } = await server.ssrLoadModule('/src/geometry/endTexts.ts');
const { overlaps } = await server.ssrLoadModule('/src/geometry/boxes.ts');

const [notation, seconds, ...files] = process.argv.slice(2);
const kinds = {};
const total = { overlaps: 0, crossings: 0, bends: 0, shared: 0, struck: 0 };
for (const file of files) {
  const scene = layOut(readDrawing(await readFile(file, 'utf8')));
  const boxes = [...scene.boxes.values()];
  const texts = [...scene.texts.values()].flat().map(endTextBox);
  const routes = [...scene.routes.values()];
  const segments = routes.map(({ points }) => points.slice(1).map((point, i) => [points[i], point]));
  const found = { boxes: pairs(boxes, overlaps), texts: pairs(texts, overlaps), textsOnBoxes: texts.filter((text) => boxes.some((box) => overlaps(box, text))).length };
  for (const kind in found) total.overlaps += found[kind], (kinds[kind] = (kinds[kind] ?? 0) + found[kind]);
  total.crossings += pairs(segments, (a, b) => a.some((one) => b.some((other) => cross(one, other))));
  total.shared += sumOfPairs(segments, (a, b) => a.reduce((sum, one) => sum + b.reduce((most, other) => Math.max(most, shared(one, other)), 0), 0));
  total.struck += texts.filter((text) => segments.flat().some((segment) => strikes(segment, text))).length;
  total.bends += routes.reduce((sum, { points }) => sum + Math.max(0, points.length - 2), 0);
}
if (process.env.KINDS) console.log(kinds);
await server.close();
const each = (count) => Math.round(count / files.length);
console.log(`layout: notation ${notation} boxes 60 s ${seconds} overlaps ${total.overlaps} crossings ${each(total.crossings)} bends ${each(total.bends)} shared_px ${Math.round(total.shared)} struck ${total.struck}`);

function pairs(all, holds) {
  let count = 0;
  for (let i = 0; i < all.length; i++) for (let j = i + 1; j < all.length; j++) if (holds(all[i], all[j])) count++;
  return count;
}

function sumOfPairs(all, of) {
  let sum = 0;
  for (let i = 0; i < all.length; i++) for (let j = i + 1; j < all.length; j++) sum += of(all[i], all[j]);
  return sum;
}

/** How long two segments lie on each other, in pixels. */
function shared([a, b], [c, d]) {
  const length = Math.hypot(b.x - a.x, b.y - a.y);
  if (length < 0.5) return 0;
  const along = (p) => ((p.x - a.x) * (b.x - a.x) + (p.y - a.y) * (b.y - a.y)) / length;
  const aside = (p) => Math.abs((p.x - a.x) * (b.y - a.y) - (p.y - a.y) * (b.x - a.x)) / length;
  if (aside(c) > 1.5 || aside(d) > 1.5) return 0;
  return Math.max(0, Math.min(length, Math.max(along(c), along(d))) - Math.max(0, Math.min(along(c), along(d))));
}

/** Whether a segment runs through a text, by more than its edge. */
function strikes([a, b], { x, y, width, height }) {
  const [left, right, top, bottom] = [x + 1, x + width - 1, y + 2, y + height - 2];
  let [from, to] = [0, 1];
  for (const [start, way, low, high] of [[a.x, b.x - a.x, left, right], [a.y, b.y - a.y, top, bottom]]) {
    if (Math.abs(way) < 1e-9) {
      if (start <= low || start >= high) return false;
      continue;
    }
    const [one, other] = [(low - start) / way, (high - start) / way];
    [from, to] = [Math.max(from, Math.min(one, other)), Math.min(to, Math.max(one, other))];
  }
  return from < to;
}

/** Whether two segments cross, each in its middle. */
function cross([a, b], [c, d]) {
  const side = (p, q, r) => (q.x - p.x) * (r.y - p.y) - (q.y - p.y) * (r.x - p.x);
  const far = (p, q, r) => side(p, q, r) / (Math.hypot(q.x - p.x, q.y - p.y) || 1);
  const apart = (p, q, r, t) => far(p, q, r) * far(p, q, t) < 0 && Math.min(Math.abs(far(p, q, r)), Math.abs(far(p, q, t))) > 0.5;
  return apart(a, b, c, d) && apart(c, d, a, b);
}
