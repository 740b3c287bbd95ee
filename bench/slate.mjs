// Drives a real browser over the slate and over a bare scene of the same size, and prints one line of figures.
import { chromium } from '../tests/browser/node_modules/@playwright/test/index.mjs';
import { createServer } from 'node:http';
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { extname, join } from 'node:path';
import { gzipSync } from 'node:zlib';

const [folder, dist, out] = process.argv.slice(2);
const types = { '.html': 'text/html', '.js': 'text/javascript', '.css': 'text/css' };
const server = createServer((request, response) => {
  const path = new URL(request.url, 'http://x').pathname;
  try {
    const body = readFileSync(join(folder, path === '/' ? 'index.html' : path));
    response.writeHead(200, { 'content-type': types[extname(path)] ?? (path === '/' ? 'text/html' : 'application/octet-stream') }).end(body);
  } catch {
    response.writeHead(404).end();
  }
}).listen(0, '127.0.0.1');
await new Promise((resolve) => server.once('listening', resolve));
const base = `http://127.0.0.1:${server.address().port}/`;

const browser = await chromium.launch({ executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking'] });

async function open(hash) {
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 } })).newPage();
  await page.goto(base + hash);
  await page.locator('.scene text').first().waitFor();
  await page.waitForLoadState('networkidle');
  return page;
}

/**
 * Drags a box about for a while; frames a second, and main-thread work a frame from the browser's own trace. Work is the thread's
 * own processor time: on two cores the painter's threads and this driver push the thread aside, which is no work of its.
 */
async function drag(page) {
  const names = page.locator('text.name');
  const name = await names.nth(Math.floor((await names.count()) * 0.45)).boundingBox();
  const [x, y] = [name.x + 2, name.y + 2];
  const session = await page.context().newCDPSession(page);
  const events = [];
  session.on('Tracing.dataCollected', ({ value }) => events.push(...value));
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 10, y + 10, { steps: 3 });
  await session.send('Tracing.start', { transferMode: 'ReportEvents', traceConfig: { includedCategories: ['devtools.timeline', 'disabled-by-default-devtools.timeline', 'devtools.timeline.frame'] } });
  const frames = page.evaluate(
    () =>
      new Promise((resolve) => {
        const start = performance.now();
        let count = 0;
        const step = (now) => {
          count++;
          if (now - start < 3000) requestAnimationFrame(step);
          else resolve(count / ((now - start) / 1000));
        };
        requestAnimationFrame(step);
      }),
  );
  const until = Date.now() + 3000;
  for (let i = 0; Date.now() < until; i++) await page.mouse.move(x + 60 * Math.sin(i / 9) + 20, y + 40 * Math.cos(i / 7) + 20);
  const fps = await frames;
  const done = new Promise((resolve) => session.once('Tracing.tracingComplete', resolve));
  await session.send('Tracing.end');
  await done;
  await page.mouse.up();
  return { fps, work: workPerFrame(events) };
}

function workPerFrame(events) {
  const counts = new Map();
  for (const event of events) if (event.name === 'FireAnimationFrame') counts.set(`${event.pid} ${event.tid}`, (counts.get(`${event.pid} ${event.tid}`) ?? 0) + 1);
  const main = [...counts].sort((a, b) => b[1] - a[1])[0][0];
  const own = events.filter((event) => `${event.pid} ${event.tid}` === main);
  const starts = own.filter((event) => event.name === 'FireAnimationFrame').map((event) => event.ts).sort((a, b) => a - b);
  const work = new Array(starts.length).fill(0);
  for (const task of own.filter((event) => event.name === 'RunTask' && event.tdur)) {
    // Work belongs to the frame in which it ends.
    const end = task.ts + task.dur;
    let at = starts.findIndex((start) => start >= end);
    if (at < 0) at = starts.length - 1;
    if (task.ts >= starts[0]) work[at] += task.tdur / 1000;
  }
  return work.slice(2, -1);
}

/** How long after a key its letter is on the screen. */
async function type(page) {
  const name = await page.locator('text.name').nth(9).boundingBox();
  await page.mouse.click(name.x + 2, name.y + 2);
  await page.locator('.slate').press('Enter');
  await page.locator('textarea').waitFor();
  await page.evaluate(() => {
    window.delays = [];
    document.querySelector('textarea').addEventListener('input', (event) => {
      requestAnimationFrame(() => {
        const channel = new MessageChannel();
        channel.port1.onmessage = () => window.delays.push(performance.now() - event.timeStamp);
        channel.port2.postMessage(0);
      });
    });
  });
  await page.keyboard.type(' and some sixty letters typed one after the other by a person', { delay: 25 });
  await page.waitForFunction(() => window.delays.length >= 55);
  return page.evaluate(() => window.delays);
}

const p95 = (samples) => [...samples].sort((a, b) => a - b)[Math.floor(samples.length * 0.95)];
const all = {};
for (const notation of ['crows-foot', 'chen', 'uml']) {
  const raw = (all[notation] = { slate: [], bare: [], typing: [] });
  for (let round = 0; round < 3; round++) {
    const bare = await open(`#bare-${notation}`);
    raw.bare.push(await drag(bare));
    await bare.context().close();
    const slate = await open(`#${notation}`);
    raw.slate.push(await drag(slate));
    raw.typing.push(...(await type(slate)));
    await slate.context().close();
  }
}
await browser.close();
server.close();
writeFileSync(out, JSON.stringify(all));

const median = (samples) => [...samples].sort((a, b) => a - b)[Math.floor(samples.length / 2)];
const scripts = readdirSync(join(dist, 'assets')).filter((file) => file.endsWith('.js'));
const kilobytes = (files) => (files.reduce((sum, file) => sum + gzipSync(readFileSync(join(dist, 'assets', file))).length, 0) / 1024).toFixed(0);
// What a person loads who only draws: the entry, the page on which one draws, and what these import.
const drawing = closure(scripts.filter((file) => /^(index|DrawPage)-/.test(file)));
for (const [notation, raw] of Object.entries(all)) {
  const figures = {
    notation,
    fps: median(raw.slate.map((run) => run.fps)).toFixed(1),
    bare_fps: median(raw.bare.map((run) => run.fps)).toFixed(1),
    p95_main_ms: p95(raw.slate.flatMap((run) => run.work)).toFixed(1),
    bare_p95_ms: p95(raw.bare.flatMap((run) => run.work)).toFixed(1),
    typing_p95_ms: p95(raw.typing).toFixed(1),
    script_gz_kb: kilobytes([...drawing]),
    all_gz_kb: kilobytes(scripts),
  };
  console.log(`slate: ${Object.entries(figures).map((pair) => pair.join(' ')).join(' ')}`);
}

function closure(entries) {
  const found = new Set(entries);
  for (const file of found)
    for (const [, name] of readFileSync(join(dist, 'assets', file), 'utf8').matchAll(/(?:from|import)\s*["']\.\/([^"']+\.js)["']/g)) found.add(name);
  return found;
}
