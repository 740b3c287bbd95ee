import { expect, test } from '@playwright/test';
import { become, drawBox, expectAccessible, goToDesk, pullLine, sentences, showDesk } from './help';

test.describe.configure({ mode: 'serial' });

test('an instructor sets an exercise of two parts, each with its model answer and its scheme', async ({ page }) => {
  await become(page, 'Ines Okafor');
  await page.getByRole('button', { name: 'write a new exercise' }).click();
  await page.getByLabel('Title').fill('The lighthouse');
  await page.getByRole('button', { name: 'Begin' }).click();
  await page.getByLabel('The scenario, in Markdown').fill('A lighthouse has a name and at least one keeper, who has a number.');
  await page.getByRole('button', { name: 'Save the scenario' }).click();
  await drawBox(page, 120, 160, 'Lighthouse\nPK name');
  const parts = page.getByRole('navigation', { name: 'Parts of the exercise' });
  await expect(parts).toBeHidden();

  await page.getByRole('button', { name: 'add a part' }).click();
  await expect(parts.getByRole('button', { name: 'Part 2' })).toHaveAttribute('aria-current', 'page');
  await page.getByLabel('Title of this part').fill('With its keepers');
  await page.getByLabel('Marks for this part').fill('10');
  await expect(parts.getByRole('button', { name: '2 With its keepers' })).toBeVisible();
  await expect(page.getByText('Part 2 of 2; 50 marks in all', { exact: false })).toBeVisible();
  await drawBox(page, 120, 160, 'Lighthouse\nPK name');
  await drawBox(page, 460, 160, 'Keeper\nPK keeper no');
  await pullLine(page, 'Lighthouse', 'Keeper');
  await page.keyboard.press('1');
  await page.keyboard.press('m');
  await expectAccessible(page);

  // What is drawn in one part is there when one comes back, and can be undone there.
  await parts.getByRole('button', { name: 'Part 1' }).click();
  await expect(page.locator('text.name')).toHaveText(['Lighthouse']);
  await parts.getByRole('button', { name: '2 With its keepers' }).click();
  await expect(page.locator('text.name')).toHaveText(['Lighthouse', 'Keeper']);
  await page.goBack();
  await expect(page.locator('text.name')).toHaveText(['Lighthouse']);

  await page.getByRole('tab', { name: 'scheme', exact: true }).click();
  await page.getByRole('button', { name: 'Derive the scheme' }).click();
  await expect(page.getByText('marks in all', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: /publish to/ }).click();
  await expect(page.getByText('Part 2 has no marking scheme yet.', { exact: false })).toBeVisible();
  await page.getByRole('button', { name: 'not now' }).click();
  await parts.getByRole('button', { name: '2 With its keepers' }).click();
  await page.getByRole('tab', { name: 'scheme', exact: true }).click();
  await page.getByRole('button', { name: 'Derive the scheme' }).click();
  await expect(page.getByText('marks in all', { exact: true })).toBeVisible();

  // A part too many is taken away again.
  await page.getByRole('tab', { name: 'asked', exact: true }).click();
  await page.getByRole('button', { name: 'add a part' }).click();
  await expect(parts.getByRole('button', { name: 'Part 3' })).toHaveAttribute('aria-current', 'page');
  await page.getByRole('button', { name: 'take this part away' }).click();
  await page.getByRole('button', { name: 'Take it away' }).click();
  await expect(parts.getByRole('button')).toHaveCount(2);

  await page.getByRole('button', { name: /publish to/ }).click();
  await page.getByRole('button', { name: 'Publish', exact: true }).click();
  await expect(page.getByRole('link', { name: 'all answers' })).toBeVisible();
});

test('a student draws every part, comes back to each, and hands them in together', async ({ page }) => {
  await become(page, 'Rosa Tamm');
  await page.getByRole('link', { name: 'The lighthouse' }).click();
  await expect(page.getByRole('heading', { name: '2. With its keepers' })).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: /Start/ }).click();
  await drawBox(page, 120, 160, 'Lighthouse\nPK name');
  await page.getByRole('button', { name: '2 With its keepers' }).click();
  await drawBox(page, 120, 160, 'Tower\nPK name');
  await expect(sentences(page)).toContainText('Tower');
  await page.getByRole('button', { name: 'Part 1' }).click();
  await expect(page.locator('text.name')).toHaveText(['Lighthouse']);
  await expect(page.getByText('saved', { exact: true })).toBeVisible();
  await page.reload();
  await page.getByRole('button', { name: '2 With its keepers' }).click();
  await expect(page.locator('text.name')).toHaveText(['Tower']);

  await page.getByRole('button', { name: 'hand in' }).click();
  await expect(page.getByText('“With its keepers” has 1 box', { exact: false })).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Hand in for good' }).click();
  await expect(page.getByText('your receipt')).toBeVisible();
  await page.getByRole('button', { name: 'Part 1' }).click();
  await expect(page.locator('text.name')).toHaveText(['Lighthouse']);
});

test('the parts are marked one by one and released together', async ({ page }) => {
  await become(page, 'Ines Okafor');
  await goToDesk(page, 'The lighthouse');
  await expect(page.getByRole('columnheader', { name: 'With its keepers' })).toBeVisible();
  const row = page.getByRole('row').nth(1);
  await expect(row.getByRole('cell').nth(2)).toContainText('checked', { timeout: 30_000 });
  await expectAccessible(page);
  await row.getByRole('link').first().click();
  await expect(page.locator('.total')).toContainText('of 40');
  await page.getByRole('button', { name: '2 With its keepers' }).click();
  await expect(page.locator('.total')).toContainText('of 10');
  await expectAccessible(page);
  await page.getByRole('button', { name: 'gone through' }).click();
  await page.getByRole('row').nth(1).getByRole('link').nth(1).click();
  await expect(page.locator('.total')).toContainText('of 40');
  await page.getByRole('button', { name: 'gone through' }).click();
  await showDesk(page, 'giving back');
  await page.getByRole('button', { name: 'Release the marks' }).click();
  await page.getByRole('button', { name: 'Release 1' }).click();
  await expect(page.getByText('All marks are released.')).toBeVisible();

  await become(page, 'Rosa Tamm');
  await page.getByRole('listitem').filter({ hasText: 'The lighthouse' }).getByRole('link').click();
  await expect(page.getByText('in all parts', { exact: false })).toBeVisible();
  await page.getByRole('button', { name: '2 With its keepers' }).click();
  await expect(page.locator('.total')).toContainText('of 10');
  await expectAccessible(page);
});

test('a part begins with the own drawing of the one before, and the last with its model answer', async ({ page }) => {
  await become(page, 'Ines Okafor');
  await page.getByRole('button', { name: 'write a new exercise' }).click();
  await page.getByLabel('Title').fill('The pier');
  await page.getByRole('button', { name: 'Begin' }).click();
  await page.getByLabel('The scenario, in Markdown').fill('A pier has a name and a length.');
  await page.getByRole('button', { name: 'Save the scenario' }).click();
  const parts = page.getByRole('navigation', { name: 'Parts of the exercise' });
  const derive = async () => {
    await page.getByRole('tab', { name: 'scheme', exact: true }).click();
    await page.getByRole('button', { name: 'Derive the scheme' }).click();
    await expect(page.getByText('marks in all', { exact: true })).toBeVisible();
    await page.getByRole('tab', { name: 'asked', exact: true }).click();
  };
  await drawBox(page, 120, 160, 'Pier\nPK name\nlength');
  await derive();
  for (const [at, begins] of [['2', 'own-drawing 1'], ['3', 'model-answer 2']] as const) {
    await page.getByRole('button', { name: 'add a part' }).click();
    await expect(parts.getByRole('button', { name: `Part ${at}` })).toHaveAttribute('aria-current', 'page');
    await page.getByLabel('Students begin with').selectOption(begins);
    await expect(page.getByText('saved', { exact: true })).toBeVisible();
    await drawBox(page, 120, 160, 'Pier\nPK name\nlength');
    await derive();
  }
  await expectAccessible(page);
  await page.getByRole('button', { name: /publish to/ }).click();
  await page.getByRole('button', { name: 'Publish', exact: true }).click();
  await expect(page.getByRole('link', { name: 'all answers' })).toBeVisible();

  await become(page, 'Nils Abara');
  await page.getByRole('link', { name: 'The pier' }).click();
  await expect(page.getByText('You begin with your drawing of part 1; what was amiss there costs nothing again.')).toBeVisible();
  await page.getByRole('button', { name: /Start/ }).click();
  await parts.getByRole('button', { name: 'Part 2' }).click();
  await expect(page.getByText('Draw part 1 first: there is nothing in it yet.')).toBeVisible();
  await parts.getByRole('button', { name: 'Part 1' }).click();
  await drawBox(page, 120, 160, 'Pier\nPK name');
  await parts.getByRole('button', { name: 'Part 2' }).click();
  await page.getByRole('button', { name: 'Begin with your drawing of part 1' }).click();
  await expect(page.locator('text.name')).toHaveText(['Pier']);
  await page.getByRole('button', { name: 'undo' }).first().click();
  await page.getByRole('button', { name: 'Begin with your drawing of part 1' }).click();
  await expect(page.locator('text.name')).toHaveText(['Pier']);

  await parts.getByRole('button', { name: 'Part 3' }).click();
  await page.getByRole('button', { name: 'Begin with the model answer of part 2' }).click();
  await expect(page.getByRole('dialog', { name: 'Close part 2?' })).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Close part 2 and begin' }).click();
  await expect(page.locator('.scene')).toContainText('length');
  await expect(page.getByRole('dialog')).toBeHidden();
  await parts.getByRole('button', { name: 'Part 2' }).click();
  await expect(page.getByText('This part is closed', { exact: false })).toBeVisible();
  await page.reload();
  await expect(page.getByText('This part is closed', { exact: false })).toBeVisible();
  await expect(page.getByText('saved', { exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'hand in' }).click();
  await page.getByRole('button', { name: 'Hand in for good' }).click();
  await expect(page.getByText('your receipt')).toBeVisible();

  await become(page, 'Ines Okafor');
  await goToDesk(page, 'The pier');
  const row = page.getByRole('row').nth(1);
  await expect(row.getByRole('cell').nth(2)).toContainText('checked', { timeout: 30_000 });
  await row.getByRole('link').first().click();
  await parts.getByRole('button', { name: 'Part 2' }).click();
  await page.getByRole('button', { name: /is missing\. inherited/ }).click();
  await expect(page.getByText('stood in the drawing of the earlier part already', { exact: false }).first()).toBeVisible();
});
