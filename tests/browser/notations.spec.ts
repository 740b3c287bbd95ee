import { readFile } from 'node:fs/promises';
import { expect, test, type Page } from '@playwright/test';
import { become, expectAccessible, onSlate, sentences } from './help';

/** An exercise of one's own in a notation, its slate empty. */
async function exerciseIn(page: Page, notation: string) {
  await become(page, 'Ines Okafor');
  await page.getByRole('button', { name: 'write a new exercise' }).click();
  await page.getByLabel('Title').fill(`The tide mill, ${notation}`);
  await page.getByRole('button', { name: 'Begin' }).click();
  await page.getByLabel('The scenario, in Markdown').fill('A mill has stones. Millers grind sacks.');
  await page.getByRole('button', { name: 'Save the scenario' }).click();
  await page.getByRole('combobox', { name: 'Notation' }).selectOption(notation);
  // It holds at once: nothing is to be pressed.
  await expect(page.getByText('saved as you write')).toBeVisible();
  await page.locator('.slate').first().focus();
}

async function place(page: Page, x: number, y: number, symbol: RegExp, text: string) {
  const at = await onSlate(page, x, y);
  await page.mouse.click(at.x, at.y);
  await page.getByRole('group', { name: 'Symbols' }).getByRole('button', { name: symbol }).click();
  await page.keyboard.type(text);
  await page.keyboard.press('Escape');
}

const boxNamed = (page: Page, name: string) =>
  page
    .locator('.scene [data-element]')
    .filter({ has: page.locator('text', { hasText: new RegExp(`^${name}$`) }) })
    .locator('.edge')
    .first();

async function middleOf(page: Page, name: string) {
  const box = (await boxNamed(page, name).boundingBox())!;
  return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
}

async function choose(page: Page, ...names: string[]) {
  for (const [i, name] of names.entries()) {
    const at = await middleOf(page, name);
    if (i > 0) await page.keyboard.down('Shift');
    await page.mouse.click(at.x, at.y);
    if (i > 0) await page.keyboard.up('Shift');
  }
}

test('Chen’s notation by pointing: a stem of ovals, a diamond between two boxes, letters at its lines', async ({ page }) => {
  await exerciseIn(page, 'chen');
  await place(page, 140, 220, /^box/, 'Mill\nmill no (key)\nnames (several)');
  await place(page, 520, 220, /^box/, 'Stone\nstone no (partial key)\nage (derived)\nsize (height, width)');
  await choose(page, 'Mill', 'Stone');
  await page.keyboard.press('d');
  await page.keyboard.type('has');
  await page.keyboard.press('Enter');
  await expect(sentences(page)).toContainText('Mill: mill no (key), names (several)');
  await expect(sentences(page)).toContainText('Stone: stone no (partial key), age (derived), size (height, width)');

  await choose(page, 'Stone');
  await page.keyboard.press('x');
  await choose(page, 'has');
  await page.keyboard.press('x');
  for (const [keys, said] of [
    [['0', 'i'], 'at most 1'],
    [['1', 'm'], 'has 0 or more Stone'],
  ] as const) {
    await page.keyboard.press('Escape');
    await choose(page, 'has');
    await page.keyboard.press(said === 'at most 1' ? '[' : ']');
    for (const key of keys) await page.keyboard.press(key);
  }
  await expect(sentences(page)).toContainText('Stone is weak');
  await expect(sentences(page)).toContainText('(identifying)');
  await expectAccessible(page);
});

test('words of the scenario are chosen by arrows and drawn by letters', async ({ page }) => {
  await exerciseIn(page, 'chen');
  await page.getByRole('complementary', { name: 'Scenario' }).focus();
  for (let i = 0; i < 2; i++) await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('button', { name: 'a box e' })).toBeVisible();
  await page.keyboard.press('e');
  await expect(page.locator('.scene text.name')).toHaveText(['Mill']);
  for (let i = 0; i < 2; i++) await page.keyboard.press('ArrowRight');
  await page.keyboard.press('a');
  await expect(page.locator('.scene text', { hasText: /^stones$/ })).toBeVisible();
  await expect(sentences(page)).toContainText('Mill: stones');

  // With nothing chosen on the slate, an attribute asks whose it is, by name.
  await page.locator('.slate').first().focus();
  await page.keyboard.press('Escape');
  await page.getByRole('complementary', { name: 'Scenario' }).focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Shift+ArrowRight');
  await page.keyboard.press('a');
  await expect(page.getByRole('combobox', { name: 'An attribute of which box?' })).toBeFocused();
  await expectAccessible(page);
  await page.keyboard.type('mi');
  await page.keyboard.press('Enter');
  await expect(sentences(page)).toContainText('Mill: stones, millers grind');
});

test('a line in a class diagram is named in its middle by one key', async ({ page }) => {
  await exerciseIn(page, 'uml');
  await place(page, 120, 200, /^box/, 'Mill');
  await place(page, 460, 200, /^box/, 'Stone');
  const [from, to] = [await middleOf(page, 'Mill'), await middleOf(page, 'Stone')];
  const edge = (await boxNamed(page, 'Mill').boundingBox())!;
  await page.mouse.move(edge.x + edge.width, from.y);
  await page.mouse.down();
  await page.mouse.move(to.x, to.y, { steps: 4 });
  await page.mouse.up();
  for (const key of ['1', 'm', 'Enter']) await page.keyboard.press(key);
  await page.keyboard.type('turns');
  await page.keyboard.press('Enter');
  await page.keyboard.press('p');
  await expect(page.locator('.scene .line-text')).toHaveText('turns');
  await expect(sentences(page)).toContainText('Mill turns 1 or more Stone');
  await page.locator('.scene .line-text').click();
  await expect(page.getByLabel('text of the line')).toHaveValue('turns');
});

test('a circle beneath chosen boxes, cups turned by one key, and a wrong end put on purpose and kept', async ({ page }) => {
  await exerciseIn(page, 'chen');
  await place(page, 300, 120, /^box/, 'Person');
  await place(page, 160, 380, /^box/, 'Miller');
  await place(page, 460, 380, /^box/, 'Carter');
  await choose(page, 'Person', 'Miller', 'Carter');
  await page.keyboard.press('o');
  await page.keyboard.type('d');
  await page.keyboard.press('Enter');
  await expect(sentences(page)).toContainText('Miller and Carter are kinds of Person (disjoint, partial)');
  // The kinds have their cups; one more press of the key gives one to whatever is chosen, or turns it.
  await expect(page.locator('.scene .along')).toHaveCount(2);
  await page.keyboard.press('Control+a');
  await page.keyboard.press('u');
  await expect(page.locator('.scene .along')).toHaveCount(3);
  await page.keyboard.press('Control+z');
  await expect(page.locator('.scene .along')).toHaveCount(2);

  await choose(page, 'Miller');
  await page.keyboard.press(']');
  await page.getByRole('button', { name: 'other symbols' }).click();
  await page.getByRole('radio', { name: 'a foot', exact: true }).click();
  await expect(page.getByText('saved', { exact: true })).toBeVisible();
  await page.reload();
  await expect(page.locator('.scene .end-stroke')).not.toHaveCount(0);
});

test('a class diagram of six classes is typed as sentences without the pointer', async ({ page }) => {
  await exerciseIn(page, 'uml');
  await page.getByRole('button', { name: 'write', exact: true }).focus();
  await page.keyboard.press('Enter');
  const lines = [
    'Person is abstract: name of type String (private)',
    'Miller: since of type Date (private)',
    'Carter: cart of type String (optional, private)',
    'Mill: name of type String (private)',
    'Mill can grind given sack of type Sack giving Boolean (public)',
    'Stone: size of type Integer (private)',
    'Sack: weight of type Decimal (private)',
    'Stone goes with exactly 1 Mill; Mill goes with 1 or more Stone (composition in Mill)',
    'Miller works 0 or more Mill; Mill goes with exactly 1 Miller',
    'Carter as driver brings 0 or more Sack; Sack goes with 0 or 1 Carter',
    'Miller and Carter are kinds of Person (overlapping, total)',
  ];
  for (const line of lines) {
    await page.keyboard.type(line);
    await page.keyboard.press('Enter');
  }
  await expect(page.locator('.scene text.name')).toHaveCount(6);
  await page.keyboard.press('Escape');
  for (const line of lines) await expect(sentences(page)).toContainText(line);
  await expect(page.locator('.scene text.name.italic')).toHaveText('Person');
  await expect(page.locator('.scene text', { hasText: '+ grind(sack: Sack): Boolean' })).toBeVisible();
});

test('Tab takes a completion, and what cannot be taken is told while the rest is drawn', async ({ page }) => {
  await exerciseIn(page, 'crows-foot');
  await page.getByRole('button', { name: 'write', exact: true }).click();
  await page.keyboard.type('Mill: mill no (key)\nStone: stone no (key)\n');
  await expect(page.locator('.scene text.name')).toHaveCount(2);
  await page.keyboard.type('Mill has 1 or more Sto');
  await page.keyboard.press('Tab');
  await page.keyboard.type('; and more\n');
  await expect(page.getByText('Here a second half is wanted')).toBeVisible();
  await expect(page.locator('.scene .end-stroke').first()).toBeVisible();
});

test('what a statement draws comes into sight, with room for its lines', async ({ page }) => {
  await exerciseIn(page, 'crows-foot');
  await place(page, 160, 200, /^box/, 'Mill\nPK mill no');
  await choose(page, 'Mill');
  for (let step = 0; step < 6; step++) await page.keyboard.press('+');
  await page.getByRole('button', { name: 'write', exact: true }).click();
  for (const [at, name] of ['Quern', 'Dam', 'Weir'].entries()) {
    await page.keyboard.type(`${name}: ${name.toLowerCase()} no (key)\n`);
    await expect(page.locator('.scene text.name')).toHaveCount(at + 2);
    const slate = (await page.locator('.slate').first().boundingBox())!;
    await expect
      .poll(async () => {
        const box = await page.locator('.scene [data-element]').filter({ has: page.getByText(name, { exact: true }) }).first().boundingBox();
        return (
          box !== null &&
          box.x > slate.x &&
          box.y > slate.y &&
          box.x + box.width < slate.x + slate.width &&
          box.y + box.height < slate.y + slate.height
        );
      }, name)
      .toBe(true);
  }
});

test('what two classes share is lifted, and pushed down again', async ({ page }) => {
  await exerciseIn(page, 'uml');
  await place(page, 160, 260, /^box/, 'Miller\n- name: String\n- since: Date');
  await place(page, 480, 260, /^box/, 'Carter\n- name: String\n- cart: String');
  await choose(page, 'Miller', 'Carter');
  await page.getByRole('button', { name: 'lift', exact: true }).click();
  await expect(page.getByRole('checkbox', { name: 'lift name' })).toBeChecked();
  await expect(page.getByRole('checkbox', { name: 'lift since' })).not.toBeChecked();
  await page.getByLabel('What all of them are').fill('Person');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Lift', exact: true }).click();
  await expect(sentences(page)).toContainText('Miller and Carter are kinds of Person');
  await expect(page.locator('.scene text', { hasText: '- name: String' })).toHaveCount(1);
  await choose(page, 'Person');
  await page.getByRole('button', { name: 'push down' }).click();
  await expect(page.locator('.scene text', { hasText: '- name: String' })).toHaveCount(2);
  await expect(sentences(page)).not.toContainText('kinds of');
});

test('a second sheet, a comment, and both in the document', async ({ page }) => {
  await exerciseIn(page, 'crows-foot');
  await place(page, 160, 200, /^box/, 'Mill\nPK mill no');
  await choose(page, 'Mill');
  await page.keyboard.press(';');
  await page.getByLabel('Comment').fill('driven by the tide');
  await page.keyboard.press('Escape');
  // It leaves a mark beside the box, which opens it again.
  await expect(page.locator('.comment-mark title')).toHaveText('driven by the tide');
  await page.locator('.comment-mark').click();
  await expect(page.getByLabel('Comment')).toHaveValue('driven by the tide');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'second sheet' }).click();
  await expect(page.locator('.scene text.name')).toHaveCount(0);
  await place(page, 200, 200, /^box/, 'Stone');
  await place(page, 460, 200, /^box/, 'Sack');
  await expect(page.getByText('saved', { exact: true })).toBeVisible();
  await page.reload();
  await expect(page.locator('.scene text.name')).toHaveText(['Mill']);
  await page.getByRole('button', { name: 'sheet 2' }).click();
  await expect(page.locator('.scene text.name')).toHaveText(['Stone', 'Sack']);
  await page.getByRole('button', { name: 'what the names mean' }).click();
  await expect(page.getByText('driven by the tide')).toBeVisible();
});

test('a picture is saved, and dropped back it opens for change', async ({ page }) => {
  await exerciseIn(page, 'chen');
  await place(page, 200, 260, /^box/, 'Mill\nmill no (key)');
  const files: string[] = [];
  for (const format of ['SVG', 'PNG', 'PDF']) {
    await page.getByRole('button', { name: 'picture', exact: true }).click();
    await page.getByRole('radio', { name: format }).check();
    const download = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Save', exact: true }).last().click();
    expect((await download).suggestedFilename()).toBe(`The tide mill, chen, model answer.${format.toLowerCase()}`);
    files.push((await (await download).path())!);
  }
  await page.locator('.slate').first().focus();
  await page.keyboard.press('Control+a');
  await page.keyboard.press('Delete');
  await expect(page.locator('.scene text')).toHaveCount(0);
  for (const [i, path] of files.entries()) {
    const bytes = [...(await readFile(path))];
    await page
      .locator('.slate')
      .first()
      .evaluate((slate, content) => {
        const transfer = new DataTransfer();
        transfer.items.add(new File([new Uint8Array(content)], 'anything'));
        for (const kind of ['dragover', 'drop'])
          slate.dispatchEvent(
            new DragEvent(kind, {
              dataTransfer: transfer,
              bubbles: true,
              cancelable: true,
            }),
          );
      }, bytes);
    await expect(page.locator('.scene text', { hasText: 'mill no' })).toHaveCount(i + 1);
  }
});

test('seen in another notation, with what that cannot say, and taken up as one step', async ({ page }) => {
  await exerciseIn(page, 'chen');
  await place(page, 200, 260, /^box/, 'Mill\nmill no (key)\nage (derived)');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'in another notation' }).click();
  await page.getByRole('radio', { name: 'UML' }).click();
  await expect(page.getByRole('application', { name: 'In UML' }).locator('text', { hasText: '/age' })).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Take it instead' }).click();
  await expect(page.locator('.scene text', { hasText: 'mill no {id}' })).toBeVisible();
  await page.locator('.slate').first().focus();
  await page.keyboard.press('Control+z');
  await expect(page.locator('.scene text', { hasText: 'mill no {id}' })).toHaveCount(0);
});

test('what is wrong with the form of a drawing is told in the margin where the exercise allows it', async ({ page }) => {
  await become(page, 'Leo Quist');
  await page.getByRole('link', { name: 'The hill observatory' }).click();
  const start = page.getByRole('button', { name: /^Start/ });
  await expect(page.getByText('What is wrong with the form of your drawing is told')).toBeVisible();
  await start.click();
  await expect(page.locator('.slate')).toBeVisible();
  await place(page, 200, 200, /^box/, 'Observer\nname');
  await place(page, 520, 200, /^box/, 'Session\nPK session no');
  await page.getByRole('button', { name: '3 remarks on the drawing' }).click();
  const margin = page.getByRole('complementary', {
    name: 'Remarks on your drawing',
  });
  await expect(margin.getByRole('listitem')).toHaveText(['Observer is tied to nothing.', 'Session is tied to nothing.', 'Observer has no key.']);
  await expectAccessible(page);
  await margin.getByRole('button', { name: 'Observer has no key.' }).click();
  await page.keyboard.press('Enter');
  await page.keyboard.type('\nPK observer no');
  await page.keyboard.press('Escape');
  await expect(margin.getByRole('listitem')).toHaveCount(2);
  await page.keyboard.press('F4');
  await expect(page.getByRole('button', { name: '2 remarks on the drawing' })).toBeVisible();
});

/** Draws a line by keys from what is chosen: arrows lead from neighbour to neighbour until the other one is reached. */
async function lineByKeys(page: Page, to: string) {
  const count = await page.locator('.scene .line').count();
  await page.keyboard.press('l');
  const chosen = page.locator('.scene .figure.selected').filter({ has: page.locator('.edge') });
  for (let i = 0; i < 8 && (await chosen.filter({ has: page.locator('text', { hasText: new RegExp(`^${to}$`) }) }).count()) === 0; i++) {
    const here = (await chosen.locator('.edge').first().boundingBox())!;
    const there = await middleOf(page, to);
    const [dx, dy] = [there.x - here.x - here.width / 2, there.y - here.y - here.height / 2];
    await page.keyboard.press(Math.abs(dx) > Math.abs(dy) ? (dx > 0 ? 'ArrowRight' : 'ArrowLeft') : dy > 0 ? 'ArrowDown' : 'ArrowUp');
  }
  await page.keyboard.press('Enter');
  await expect(page.locator('.scene .line')).toHaveCount(count + 1);
}

async function boxByKeys(page: Page, lines: readonly string[]) {
  await page.keyboard.press('e');
  for (const [i, line] of lines.entries()) {
    if (i > 0) await page.keyboard.press('Enter');
    await page.keyboard.type(line);
  }
  await page.keyboard.press('Escape');
}

test('Chen’s notation by keys alone', async ({ page }) => {
  await exerciseIn(page, 'chen');
  await boxByKeys(page, ['Mill', 'mill no (key)']);
  await boxByKeys(page, ['Stone', 'stone no (key)', 'age (derived)']);
  await page.keyboard.press('d');
  await page.keyboard.type('turns');
  await page.keyboard.press('Enter');
  await lineByKeys(page, 'Mill');
  for (const key of ['1', 'i']) await page.keyboard.press(key);
  await expect(sentences(page)).toContainText('Stone: stone no (key), age (derived)');
  await expect(sentences(page)).toContainText('Stone turns 0 or 1 Mill; Mill goes with at least 1 Stone');
});

test('a class diagram by keys alone', async ({ page }) => {
  await exerciseIn(page, 'uml');
  await boxByKeys(page, ['Mill', '- name: String', '', '+ grind(sack: Sack): Boolean']);
  await boxByKeys(page, ['Stone', '- size: Integer']);
  await lineByKeys(page, 'Mill');
  for (const key of ['1', 'i', '[', '0', 'm', 'Enter']) await page.keyboard.press(key);
  await page.keyboard.type('turns in');
  await page.keyboard.press('Enter');
  await expect(sentences(page)).toContainText('Mill can grind given sack of type Sack giving Boolean (public)');
  await expect(sentences(page)).toContainText('Stone turns in exactly 1 Mill; Mill goes with 0 or more Stone');

  // An association class: its line leads to the line, found by what stands on it.
  await page.keyboard.press('Escape');
  await page.keyboard.press('Escape');
  await boxByKeys(page, ['Turn', '- hours: Integer']);
  await page.keyboard.press('l');
  await page.keyboard.press('/');
  await page.keyboard.type('turns in');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Enter');
  await page.keyboard.press('s');
  await expect(sentences(page)).toContainText('; as Turn');
});

test('Chen’s notation by sentences: a weak entity, a ternary, and kinds', async ({ page }) => {
  await exerciseIn(page, 'chen');
  await page.getByRole('button', { name: 'write', exact: true }).click();
  const lines = [
    'Mill: mill no (key), names (several)',
    'Stone is weak: stone no (partial key), age (derived)',
    'Stone stands in exactly 1 Mill; Mill goes with 0 or more Stone (identifying)',
    'Person: person no (key)',
    'Miller: since',
    'Carter: cart',
    'Miller and Carter are kinds of Person (disjoint, partial)',
  ];
  for (const line of lines) {
    await page.keyboard.type(line);
    await page.keyboard.press('Enter');
  }
  await expect(page.locator('.scene .along')).toHaveCount(2);
  await page.keyboard.press('Escape');
  for (const line of lines) await expect(sentences(page)).toContainText(line);
  await expect(page.locator('.scene .edge.inner').first()).toBeVisible();
});

test('a class diagram by pointing: a supertype, a whole and its parts, an association class', async ({ page }) => {
  await exerciseIn(page, 'uml');
  await place(page, 330, 90, /^box/, 'Person');
  await place(page, 140, 300, /^box/, 'Miller');
  await place(page, 520, 300, /^box/, 'Mill');
  await place(page, 520, 500, /^box/, 'Stone');
  await place(page, 140, 500, /^box/, 'Shift');
  const pull = async (from: string, to: { x: number; y: number }, side: 'top' | 'right' | 'bottom') => {
    const box = (await boxNamed(page, from).boundingBox())!;
    const at = {
      top: { x: box.x + box.width / 2, y: box.y },
      right: { x: box.x + box.width, y: box.y + box.height / 2 },
      bottom: { x: box.x + box.width / 2, y: box.y + box.height },
    }[side];
    await page.mouse.move(at.x, at.y);
    await page.mouse.down();
    await page.mouse.move(to.x, to.y, { steps: 6 });
    await page.mouse.up();
  };
  await pull('Miller', await middleOf(page, 'Person'), 'top');
  await page.keyboard.press('y');
  await pull('Stone', await middleOf(page, 'Mill'), 'top');
  for (const key of ['1', 'i', 'y', 'y']) await page.keyboard.press(key);
  await page.keyboard.press('[');
  for (const key of ['1', 'm']) await page.keyboard.press(key);
  await page.keyboard.press('Escape');
  await pull('Miller', await middleOf(page, 'Mill'), 'right');
  for (const key of ['0', 'm', 'Enter']) await page.keyboard.press(key);
  await page.keyboard.type('works in');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');
  const onLine = await page
    .locator('.scene .line')
    .last()
    .evaluate((path) => {
      const line = path as SVGPathElement;
      const { x, y } = line.getPointAtLength(line.getTotalLength() * 0.35);
      const at = new DOMPoint(x, y).matrixTransform(line.getScreenCTM()!);
      return { x: at.x, y: at.y };
    });
  await pull('Shift', onLine, 'top');
  await page.keyboard.press('Escape');
  await page.keyboard.press('s');
  await expect(sentences(page)).toContainText('Miller is a kind of Person');
  await expect(sentences(page)).toContainText('Stone goes with exactly 1 Mill; Mill goes with 1 or more Stone (composition in Mill)');
  await expect(sentences(page)).toContainText('as Shift');
});
