import { expect, test } from '@playwright/test';
import { become, expectAccessible } from './help';

test('a model answer is built up before a class by two keys', async ({ page }) => {
  await become(page, 'Ines Okafor');
  await page.getByRole('listitem').filter({ hasText: 'The repair café' }).getByRole('link', { name: 'look at it' }).click();
  await page.getByRole('link', { name: 'build it up step by step' }).click();
  await expect(page.getByText('Nothing is drawn yet: press →.')).toBeVisible();
  await expect(page.locator('.scene .figure')).toHaveCount(0);

  await page.keyboard.press('ArrowRight');
  await expect(page.getByText('A visitor is known by its visitor no.')).toBeVisible();
  await expect(page.locator('text.name')).toHaveText(['Visitor']);
  await expect(page.locator('.scene text.row-text')).toHaveText(['visitor no']);
  const place = await page.locator('text.name').getAttribute('x');
  await expectAccessible(page);

  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await expect(page.getByText('Visitor pays 0 or more Visit; Visit is paid by exactly 1 Visitor')).toBeVisible();
  await page.keyboard.press('ArrowLeft');
  await expect(page.locator('text.name')).toHaveText(['Visitor', 'Visit']);

  const last = page.getByRole('button', { name: 'next →' });
  while (await last.isEnabled()) await page.keyboard.press('ArrowRight');
  await expect(page.getByText('17 of 17')).toBeVisible();
  await expect(page.locator('text.name')).toHaveCount(6);
  expect(await page.locator('text.name').first().getAttribute('x')).toBe(place);
  await page.getByRole('link', { name: 'back to the exercise' }).click();
  await expect(page.getByRole('tab', { name: /^preflight/ })).toBeVisible();
});

test('a student whose marks are out walks through the model answer beside the own drawing', async ({ page }) => {
  await become(page, 'Amara Diallo');
  await page.getByRole('listitem').filter({ hasText: 'Harbour community radio' }).getByRole('link', { name: 'Harbour community radio' }).click();
  await page.getByRole('link', { name: 'the model answer, step by step' }).click();
  const own = page.getByRole('application', { name: 'Your drawing' });
  const model = page.getByRole('application', { name: 'The model answer, as far as it is built up' });
  await expect(own.locator('text.name').first()).toBeVisible();
  await expect(model.locator('text.name')).toHaveCount(0);
  await page.keyboard.press('ArrowRight');
  await expect(model.locator('text.name')).toHaveCount(1);
  const name = (await model.locator('text.name').textContent())!;
  await expect(own.locator('.lit').filter({ hasText: name }).first()).toBeVisible();
  await expectAccessible(page);
  await page.getByRole('link', { name: 'back to your marks' }).click();
  await expect(page.locator('.total')).toContainText('of 40');
});

test('the steps are put in another order, drawn together and said in other words, and kept', async ({ page }) => {
  await become(page, 'Ines Okafor');
  await page.getByRole('listitem').filter({ hasText: 'The repair café' }).getByRole('link', { name: 'look at it' }).click();
  await page.getByRole('link', { name: /step by step/ }).click();
  const step = page.locator('.step');
  await expect(step).toContainText('0 of');
  const all = Number((await step.textContent())!.match(/0 of (\d+)/)![1]);
  await page.keyboard.press('ArrowRight');
  const first = (await step.locator('.said').textContent())!;
  await page.keyboard.press('ArrowRight');
  await page.getByRole('button', { name: 'change this step' }).click();
  const why = step.getByRole('textbox', { name: 'Why' });
  await why.fill('Ask the class first.');
  // Arrows move within what is written, and lead to no other step.
  await page.keyboard.press('ArrowLeft');
  await expect(step).toContainText(`2 of ${all}`);
  await expectAccessible(page);
  await page.getByRole('button', { name: 'earlier' }).click();
  await expect(step).toContainText(`1 of ${all}`);
  await expect(why).toHaveValue('Ask the class first.');
  await page.getByRole('button', { name: 'later' }).click();
  await expect(step).toContainText(`2 of ${all}`);
  await page.getByRole('button', { name: 'together with the one before' }).click();
  await expect(step).toContainText(`1 of ${all - 1}`);
  await page.getByRole('button', { name: 'done' }).click();
  await page.reload();
  await expect(step).toContainText(`0 of ${all - 1}`);
  await page.keyboard.press('ArrowRight');
  await expect(step.locator('.said')).toContainText(first);
  await expect(step.locator('.why')).toContainText('Ask the class first.');

  await page.getByRole('button', { name: 'change this step' }).click();
  await page.getByRole('button', { name: 'take apart' }).click();
  await expect(step).toContainText(`1 of ${all}`);
  await page.getByRole('button', { name: 'all as proposed' }).click();
  await expect(step.getByRole('status')).toHaveText('as proposed');
});
