import { until } from './page.mjs';

/** What a person's hands do, counted. */
export class Hand {
  keys = 0;
  presses = 0;

  constructor(page) {
    this.page = page;
  }

  async type(text) {
    for (const [i, line] of text.split('\n').entries()) {
      if (i > 0) await this.press('Enter');
      this.keys += [...line].length;
      await this.page.keyboard.type(line);
    }
  }
  async press(...keys) {
    for (const key of keys) {
      this.keys += key.split('+').length;
      await this.page.keyboard.press(key);
    }
  }
  async tap(at) {
    this.presses++;
    await this.page.touchscreen.tap(at.x, at.y);
  }
  async click(at, shift = false) {
    this.presses++;
    if (shift) await this.page.keyboard.down('Shift');
    await this.page.mouse.click(at.x, at.y);
    if (shift) await this.page.keyboard.up('Shift');
  }
  async pull(from, to) {
    this.presses++;
    await this.page.mouse.move(from.x, from.y);
    await this.page.mouse.down();
    await this.page.mouse.move((from.x + to.x) / 2, (from.y + to.y) / 2, { steps: 3 });
    await this.page.mouse.move(to.x, to.y, { steps: 3 });
    await this.page.mouse.up();
  }
}

// ---- where things are on the screen

export const originOn = (page) => page.locator('.slate').first().boundingBox();
const figureOn = (page, text) =>
  page.locator('.scene [data-element]').filter({ has: page.locator('text', { hasText: new RegExp(`^${text.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}$`) }) });
/** Where the figure with a text is, once it is drawn. */
export async function boxOn(page, text) {
  return until(text, async () => {
    const found = await figureOn(page, text).locator('.edge').evaluateAll((edges) => edges.map((edge) => edge.getBoundingClientRect().toJSON()));
    return found.sort((a, b) => a.width * a.height - b.width * b.height).at(-1);
  });
}
export const centre = (box) => ({ x: box.x + box.width / 2, y: box.y + box.height / 2 });
export const nameSpot = (box) => ({ x: box.x + box.width / 2, y: box.y + Math.min(14, box.height / 2) });

/** The point of a box's outline that is on the way to another. */
export function rim(box, to) {
  const from = centre(box);
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  const part = Math.min(box.width / 2 / (Math.abs(dx) || 1e-9), box.height / 2 / (Math.abs(dy) || 1e-9));
  return { x: from.x + dx * part, y: from.y + dy * part };
}

/** Where the ends of the line drawn last are, by the side. */
export async function endSpotsOn(page) {
  const ends = await page.locator('.scene .end-hit').evaluateAll((hits) => hits.map((hit) => ({ ...hit.getBoundingClientRect().toJSON(), id: hit.closest('[data-element]').getAttribute('data-element') })));
  return new Map(ends.map((end) => [end.id, centre(end)]));
}

/** Chooses words of the scenario with the pointer; false where it does not say them. */
export async function chooseWords(hand, words) {
  const { page } = hand;
  const rect = await page.locator('.prose').evaluate((prose, words) => {
    const walker = document.createTreeWalker(prose, NodeFilter.SHOW_TEXT);
    for (let node = walker.nextNode(); node; node = walker.nextNode()) {
      const found = new RegExp(`(?<![\\p{L}])${words.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}(?![\\p{L}])`, 'iu').exec(node.textContent);
      if (!found) continue;
      const range = document.createRange();
      range.setStart(node, found.index);
      range.setEnd(node, found.index + words.length);
      range.startContainer.parentElement.scrollIntoView({ block: 'nearest' });
      return [...range.getClientRects()].map((rect) => rect.toJSON());
    }
    return null;
  }, words);
  if (!rect) return false;
  const [first, last] = [rect[0], rect.at(-1)];
  await hand.pull({ x: first.left + 0.5, y: first.top + first.height / 2 }, { x: last.right - 0.5, y: last.top + last.height / 2 });
  await page.locator('.phrase-keys').waitFor();
  return true;
}
