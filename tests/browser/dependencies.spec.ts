import { readFileSync } from 'node:fs';
import { expect, test, type Page } from '@playwright/test';
import { become, edgeOf, expectAccessible, goToDesk, onSlate, openDrawing, sentences } from './help';

const row = (page: Page) => page.getByRole('toolbar', { name: 'With what is chosen' });

async function press(page: Page, name: string) {
  const at = await edgeOf(page, name, 'left');
  await page.mouse.click(at.x + 20, at.y);
}

test('attributes are laid out in one go, gathered, and told in sentences both ways', async ({ page }) => {
  await become(page, 'Quentin Ray');
  await openDrawing(page, 'The job sheet');
  const at = await onSlate(page, 120, 160);
  await page.mouse.click(at.x, at.y);
  await page.getByRole('group', { name: 'Symbols' }).getByRole('button', { name: 'box e', exact: true }).click();
  await page.getByLabel('Name, then one attribute a line').fill('job no (key)\nday\npart no (key)\nquantity');
  await page.keyboard.press('Escape');
  await expect(page.locator('text.name')).toHaveText(['job no', 'day', 'part no', 'quantity']);
  await expect(sentences(page)).toContainText('Key: job no, part no');

  // Two that determine together: gathered by keys, and one arrow from there, its head at what is determined.
  await press(page, 'job no');
  await page.keyboard.press('g');
  await press(page, 'part no');
  await row(page)
    .getByRole('button', { name: /^one determinant/ })
    .click();
  // Arrow after arrow from there, without choosing it again.
  await press(page, 'quantity');
  await press(page, 'day');
  await expect(sentences(page)).toContainText('Job no and part no determine quantity and day');
  await page.keyboard.press('ControlOrMeta+z');
  await row(page)
    .getByRole('button', { name: /^that is all/ })
    .click();
  await expect(sentences(page)).toContainText('Job no and part no determine quantity');
  await page.locator('[data-element$="/to"]').last().click({ force: true });
  await row(page).getByRole('radio', { name: 'many' }).click();
  await expect(sentences(page)).toContainText('Job no and part no multidetermine quantity');
  await row(page).getByRole('radio', { name: 'at most one' }).click();
  await expect(sentences(page)).toContainText('Job no and part no determine quantity');
  await expectAccessible(page);

  // An arrow as text draws one, and what is drawn is said in words.
  await page.getByRole('button', { name: 'write', exact: true }).last().click();
  const field = page.getByRole('textbox', {
    name: 'Sentences, one statement a line',
  });
  await field.press('Control+End');
  await field.pressSequentially('job no -> day, visitor no\n');
  await expect(page.locator('text.name')).toHaveText(['job no', 'day', 'part no', 'quantity', 'visitor no']);
  await expect(field).toHaveValue(/Job no determines day and visitor no/);
  await field.press('Escape');
  await expect(sentences(page)).toContainText('Job no determines day and visitor no');
});

test('what is drawn wrong is told with rows that show it', async ({ page }) => {
  await become(page, 'Piet Lindqvist');
  await goToDesk(page, 'The job sheet', 'differences');
  await page.getByText('Job no alone does not determine quantity.').first().click();
  const why = page.getByText('With the same job no and another part no there may be another quantity.');
  await expect(why).toBeVisible();
  await page.keyboard.press('o');
  await expect(page).toHaveURL(/marking/);
  await expect(why).toBeVisible();
  await expect(page.getByText('two rows with the same job no that differ in quantity.')).toBeVisible();
  await expectAccessible(page);
});

test('a table is brought to third normal form, stage by stage', async ({ page }) => {
  await become(page, 'Rosa Tamm');
  await openDrawing(page, 'The job sheet');
  await page.getByRole('button', { name: 'write', exact: true }).last().click();
  const field = page.getByRole('textbox', {
    name: 'Sentences, one statement a line',
  });
  await field.fill(
    [
      'Key: job no, part no',
      'Job no determines day and visitor no',
      'Visitor no determines phone',
      'Part no determines price',
      'Job no and part no determine quantity',
      'UNF: Sheet has job no (key), day, visitor no, phone, {part no, price, quantity}',
    ].join('\n'),
  );
  await field.press('Control+End');
  await field.press('Enter');
  const sheets = page.getByRole('group', { name: 'Sheets' });
  await expect(sheets.getByRole('button', { name: 'UNF' })).toBeVisible();
  await field.press('Escape');

  // Each stage is begun from the one before; what depends on a part of the key gets a table of its own.
  await sheets.getByRole('button', { name: 'begin a stage' }).click();
  await expect(sheets.getByRole('button', { name: '1NF' })).toHaveAttribute('aria-pressed', 'true');
  await sheets.getByRole('button', { name: 'next stage' }).click();
  await expect(sheets.getByRole('button', { name: '2NF' })).toHaveAttribute('aria-pressed', 'true');
  await giveOwnTable(page, 'Everything', 'part no');
  await expect(sentences(page)).toContainText('2NF: Part has part no (key), price');
  await giveOwnTable(page, 'Everything', 'job no');
  await expect(sentences(page)).toContainText('2NF: Job has job no (key), day, visitor no, phone');
  await expect(page.locator('text.name')).toHaveText(['Everything', 'Part', 'Job']);
  await sheets.getByRole('button', { name: 'next stage' }).click();
  await expect(sheets.getByRole('button', { name: '3NF' })).toHaveAttribute('aria-pressed', 'true');
  await giveOwnTable(page, 'Job', 'visitor no');
  await expect(sentences(page)).toContainText('3NF: Job has job no (key), day, visitor no (foreign key)');
  await expect(sentences(page)).toContainText('3NF: Visitor has visitor no (key), phone');
  await expectAccessible(page);

  // What was split is one step back.
  const view = page.getByRole('group', { name: 'View' });
  await view.getByRole('button', { name: 'undo' }).click();
  await expect(sentences(page)).not.toContainText('3NF: Visitor');
  await view.getByRole('button', { name: 'redo' }).click();
  await expect(sentences(page)).toContainText('3NF: Visitor');

  // An arrow is pulled from the edge of one cell to another; a line to another table refers, and says nothing.
  const day = await cell(page, 'day');
  const visitor = await cell(page, 'visitor no');
  await page.mouse.move(day.x + day.width / 2, day.y + day.height);
  await page.mouse.down();
  await page.mouse.move(visitor.x + visitor.width / 2, visitor.y + visitor.height / 2, { steps: 5 });
  await page.mouse.up();
  await expect(sentences(page)).toContainText('Day determines visitor no');
  await view.getByRole('button', { name: 'undo' }).click();
  await expect(sentences(page)).not.toContainText('Day determines');

  // A table that is too wide is drawn as a list, and back.
  await page.locator('text.name', { hasText: 'Visitor' }).click();
  await page.getByRole('button', { name: 'as a list' }).click();
  await expect(page.getByText('Visitor, box, 2 rows')).toBeVisible();
  await page.getByRole('button', { name: 'as cells' }).click();
  await expect(page.getByText('Visitor, row of cells, 2 cells')).toBeVisible();

  // A table is written like any box, with its marks in words.
  await page.locator('text.name', { hasText: 'Visitor' }).click();
  await page.keyboard.press('Enter');
  const box = page.getByLabel('Name of the table, then one column a line');
  await expect(box).toHaveValue('Visitor\nvisitor no (key)\nphone');
  await box.fill('Guest\nvisitor no (key)\nphone\nhome');
  await page.keyboard.press('Escape');
  await expect(sentences(page)).toContainText('3NF: Guest has visitor no (key), phone, home');
});

test('a table gets a number of its own, two become one, and what is calculated is dashed', async ({ page }) => {
  await become(page, 'Quentin Ray');
  await openDrawing(page, 'Warm-up: the hire ledger');
  await page.getByRole('button', { name: 'write', exact: true }).last().click();
  const field = page.getByRole('textbox', { name: 'Sentences, one statement a line' });
  await field.fill(
    [
      'Key: evening no',
      'Evening no determines guide and hours',
      'Guide determines street and town',
      'Hours determine paid',
      'Calculated: paid',
      'Closure of guide: guide, street, town',
      'UNF: Ledger has evening no (key), guide, address (street, town), hours, paid',
      '3NF: Evening has evening no (key), guide (foreign key), hours',
      '3NF: Guide has guide (key), street, town',
    ].join('\n'),
  );
  await field.press('Control+End');
  await field.press('Enter');
  await expect(field).toHaveValue(/UNF: Ledger has evening no \(key\), guide, address \(street, town\), hours, paid/);
  await field.press('Escape');
  await expect(page.getByText('Closure of guide: guide, street, town').first()).toBeVisible();

  // The number takes the place of the key everywhere, and the key stays unique.
  const sheets = page.getByRole('group', { name: 'Sheets' });
  await sheets.getByRole('button', { name: '3NF' }).click();
  await page.locator('text.name', { hasText: 'Guide' }).click();
  await page.getByRole('button', { name: 'a number for its key' }).click();
  await expect(sentences(page)).toContainText('3NF: Guide has guide no (key), guide (alternate key), street, town');
  await expect(sentences(page)).toContainText('3NF: Evening has evening no (key), guide no (foreign key), hours');
  await page.locator('text.name', { hasText: 'Guide' }).click();
  await page.keyboard.press('Enter');
  const box = page.getByLabel('Name of the table, then one column a line');
  await expect(box).toHaveValue('Guide\nguide no (key)\nguide (alternate key)\nstreet\ntown');
  await page.keyboard.press('Escape');
  await expect(sentences(page)).toContainText('guide (alternate key), street');
  await expectAccessible(page);

  // Two tables are one again, and that is one step back.
  await page.locator('text.name', { hasText: 'Evening' }).click();
  await page.locator('text.name', { hasText: 'Guide' }).click({ modifiers: ['Shift'] });
  await page.getByRole('button', { name: 'one table of these' }).click();
  await expect(page.locator('text.name')).toHaveText(['Evening']);
  await page.getByRole('group', { name: 'View' }).getByRole('button', { name: 'undo' }).click();
  await expect(page.locator('text.name')).toHaveText(['Evening', 'Guide']);

  // On purpose it leaves a note that waits for the reason.
  await page.keyboard.press('Escape');
  await page.locator('text.name', { hasText: 'Guide' }).click();
  await expect(page.getByText('Guide, row of cells, 4 cells')).toBeVisible();
  await page.locator('text.name', { hasText: 'Evening' }).click({ modifiers: ['Shift'] });
  await page.getByRole('button', { name: 'one table, denormalised' }).click();
  await expect(page.locator('text.name')).toHaveText(['Evening']);
  await expect(sentences(page)).toContainText('3NF: Evening is denormalised');
  // It is written at once.
  await page.getByLabel('Text', { exact: true }).fill('Denormalised: Evening, since the address is printed');
  await page.keyboard.press('Escape');
  await expect(sentences(page)).toContainText('3NF: Evening is denormalised, since the address is printed');
});

test('rows against a dependency and an anomaly are typed, and what is no rows is refused', async ({ page }) => {
  await become(page, 'Rosa Tamm');
  await openDrawing(page, 'Warm-up: the hire ledger');
  await page.getByRole('button', { name: 'write', exact: true }).last().click();
  const field = page.getByRole('textbox', { name: 'Sentences, one statement a line' });
  const against = 'Counterexample to guide -> hours: guide, hours';
  await field.fill(['Evening no determines guide and hours', `${against}; Ada, 1`].join('\n'));
  await field.press('Control+End');
  await field.press('Enter');
  await expect(page.getByText('then two rows or more')).toBeVisible();
  await field.fill(
    [
      'Attributes: evening no, guide, hours',
      `${against}; Ada, 1; Ada, 2`,
      'Anomaly of row 3: deletion, guide -> hours',
      'Evening no determines guide and hours',
    ].join('\n'),
  );
  await field.press('Control+End');
  await field.press('Enter');
  await field.press('Escape');
  await expect(sentences(page)).toContainText(`${against}; Ada, 1; Ada, 2`);
  await expect(page.locator('g.figure', { hasText: 'Anomaly of row 3' })).toBeVisible();
  await expectAccessible(page);
});

/** Goes to something by its name, from the slate. */
async function find(page: Page, name: string) {
  await page.keyboard.press('/');
  await page.keyboard.type(name);
  await page.keyboard.press('Enter');
}

test('a diagram and its stages are drawn by keys alone', async ({ page }) => {
  await become(page, 'Rosa Tamm');
  await openDrawing(page, 'Warm-up: the studio slots');
  await tabTo(page, (element) => element.classList.contains('slate'));
  await page.keyboard.press('e');
  await page.keyboard.type('host (key)');
  for (const name of ['show (key)', 'producer', 'phone']) {
    await page.keyboard.press('Enter');
    await page.keyboard.type(name);
  }
  await page.keyboard.press('Escape');
  await expect(page.locator('text.name')).toHaveText(['host', 'show', 'producer', 'phone']);

  // Gathered, one arrow from there; then arrow after arrow from one attribute.
  await find(page, 'host');
  await page.keyboard.press('g');
  await find(page, 'show');
  await page.keyboard.press('j');
  await find(page, 'producer');
  await page.keyboard.press('Enter');
  await expect(sentences(page)).toContainText('Host and show determine producer');
  await page.keyboard.press('Escape');
  await find(page, 'producer');
  await page.keyboard.press('l');
  await find(page, 'show');
  await page.keyboard.press('Enter');
  await find(page, 'phone');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');
  await expect(sentences(page)).toContainText('Producer determines show and phone');

  // A stage, and a table of its own for what depends on the producer.
  await tabTo(page, (element) => element.textContent === 'begin a stage');
  await page.keyboard.press('Enter');
  await expect(page.locator('text.name')).toHaveText(['Everything']);
  await tabTo(page, (element) => element.classList.contains('slate'));
  await find(page, 'Everything');

  // From cell to cell: what is drawn in the table says what it would say in the diagram.
  await page.keyboard.press('>');
  await page.keyboard.press('l');
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('Enter');
  await page.keyboard.press('Escape');
  await expect(sentences(page)).toContainText('Host determines show');
  await page.keyboard.press('Control+z');
  await expect(sentences(page)).not.toContainText('Host determines show');
  await find(page, 'Everything');
  await tabTo(page, (element) => element.textContent === 'producer');
  await page.keyboard.press('Enter');
  await expect(sentences(page)).toContainText('1NF: Producer has producer (key), show, phone');
});

/** Where the first cell with a text stands, in pixels of the page. */
async function cell(page: Page, text: string) {
  const found = page.locator('g[data-element]:has(> .cell-hit)').filter({ hasText: new RegExp(`^(FK)?${text}$`) });
  return (await found.first().locator('.cell-hit').boundingBox())!;
}

/** Goes on with the Tab key to the element that is wanted. */
async function tabTo(page: Page, wanted: (element: Element) => boolean) {
  for (let i = 0; i < 80; i++) {
    if (await page.evaluate(`(${wanted.toString()})(document.activeElement)`)) return;
    await page.keyboard.press('Tab');
  }
  throw new Error('What is wanted cannot be reached by the Tab key.');
}

test.describe('by touch', () => {
  test.use({ hasTouch: true });

  test('arrow after arrow is drawn from one attribute', async ({ page }) => {
    await become(page, 'Rosa Tamm');
    await openDrawing(page, 'Warm-up: the radio’s crew');
    await page.getByRole('button', { name: 'write', exact: true }).last().tap();
    const field = page.getByRole('textbox', { name: 'Sentences, one statement a line' });
    await field.fill('Attributes: badge no, name, desk');
    await field.press('Enter');
    await expect(page.locator('text.name')).toHaveText(['badge no', 'name', 'desk']);
    await field.press('Escape');
    await expect(sentences(page)).toBeVisible();
    const tap = async (name: string) => {
      const at = await edgeOf(page, name, 'left');
      await page.touchscreen.tap(at.x + 30, at.y);
    };
    await tap('badge no');
    await row(page).getByRole('button', { name: /^line/ }).tap();
    await tap('name');
    await tap('desk');
    await row(page)
      .getByRole('button', { name: /^that is all/ })
      .tap();
    await expect(sentences(page)).toContainText('Badge no determines name and desk');
    await expectAccessible(page);
  });
});

test('an arrow is marked, an attribute lit on every sheet, and a stage becomes tables in crow’s foot', async ({
  page,
}) => {
  await become(page, 'Olga Wren');
  await openDrawing(page, 'The job sheet');
  await page.getByRole('button', { name: 'write', exact: true }).last().click();
  const field = page.getByRole('textbox', { name: 'Sentences, one statement a line' });
  await field.fill(
    [
      'Key: job no, part no',
      'Job no and part no determine quantity',
      'Part no determines price (partial)',
      '2NF: Part has part no (key), price',
      '2NF: Use has job no (key), part no (key, foreign key), quantity',
    ].join('\n'),
  );
  await field.press('Control+End');
  await field.press('Enter');
  const sheets = page.getByRole('group', { name: 'Sheets' });
  await expect(sheets.getByRole('button', { name: '2NF' })).toBeVisible();
  await field.press('Escape');
  await expect(page.locator('.scene text', { hasText: /^P$/ })).toBeVisible();

  // What is chosen in the diagram marks the sheets on which it stands too.
  await press(page, 'price');
  await expect(sheets.getByRole('button', { name: '2NF' })).toHaveClass(/holds/);
  await sheets.getByRole('button', { name: '2NF' }).click();

  const picture = page.getByRole('button', { name: 'picture', exact: true });
  await picture.click();
  const dialog = page.getByRole('dialog', { name: 'As a picture' });
  await dialog.getByRole('radio', { name: /these tables in crow’s foot/ }).click();
  const saved = page.waitForEvent('download');
  await dialog.getByRole('button', { name: 'Save' }).click();
  const svg = readFileSync((await (await saved).path())!, 'utf8');
  expect(svg).toContain('Use');
  expect(svg).toContain('FK');
  expect(svg).not.toContain('determine');
});

async function giveOwnTable(page: Page, table: string, determinant: string) {
  await page.locator('text.name', { hasText: table }).click();
  await page.getByRole('group', { name: 'Places' }).getByRole('button', { name: determinant, exact: true }).click();
}
