import { createHash } from 'node:crypto';

/** Waits for something to become true, and gives it. */
export const until = async (what, test, patience = 20_000) => {
  for (const end = Date.now() + patience; Date.now() < end; ) {
    const value = await test().catch(() => null);
    if (value) return value;
    await new Promise((resolve) => setTimeout(resolve, 20));
  }
  throw new Error(`waited in vain for ${what}`);
};

export const browserOptions = { executablePath: '/usr/bin/chromium', args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking'] };

/** A page on which the demo's instructor is signed in. */
export async function signedIn(browser, base, options) {
  const page = await (await browser.newContext(options)).newPage();
  await page.goto(base);
  await page.getByRole('button', { name: 'Ines Okafor' }).click();
  await page.getByText('sign out').waitFor();
  return page;
}

/** A call of a page's own session. */
export const callFrom = (page, method, path, body) =>
  page.evaluate(
    async ([method, path, body]) => {
      const session = await (await fetch('/api/session')).json();
      const reply = await fetch(path, { method, headers: { 'content-type': 'application/json', 'X-Blue-Slate-Guard': session.guard }, body: body && JSON.stringify(body) });
      if (!reply.ok) throw new Error(`${path}: ${reply.status} ${await reply.text()}`);
      const text = await reply.text();
      return text === '' ? null : JSON.parse(text);
    },
    [method, path, body],
  );

/**
 * A hash of all that is in a document but the names that the slate gave: what stands where, seen from the upper left, with which texts
 * and symbols, and what is at what.
 */
export function hashOfDrawing(text) {
  const [sheet] = JSON.parse(text).sheets;
  const [left, top] = [0, 1].map((axis) => Math.min(...sheet.shapes.map((shape) => shape.place[axis])));
  const from = ([x, y, ...size]) => [x - left, y - top, ...size];
  const told = new Map();
  const shapes = sheet.shapes.map(({ id, place, compartments = [], ...shape }) => {
    const all = compartments.map((rows) => rows.map(({ id: _, ...row }) => row));
    told.set(id, JSON.stringify([shape, all, from(place)]));
    compartments.flat().forEach((row) => told.set(row.id, `row ${JSON.stringify({ ...row, id: '' })} of ${told.get(id)}`));
    return told.get(id);
  });
  const end = ({ shape, row, line, end: other, ...rest }) => [told.get(shape ?? row) ?? (line || other ? 'a line' : 'nothing'), rest];
  const lines = sheet.lines.map(({ id: _, from: one, to, route = [], labels = [], ...rest }) =>
    JSON.stringify([end(one), end(to), route.map(from), labels.map(({ at, ...label }) => [label, from(at)]), rest]),
  );
  return createHash('sha256').update(JSON.stringify([shapes.sort(), lines.sort()])).digest('hex').slice(0, 12);
}
