import { expect, test } from '@playwright/test';
import { become, expectAccessible, goToDesk, showDesk } from './help';

test('the page of the demo, the kinds of findings, and a page that is not there', async ({ page }) => {
  await page.goto('/');
  await expect(page.getByText('Who do you want to be?')).toBeVisible();
  await expectAccessible(page);
  await become(page, 'Piet Lindqvist');
  await expect(page.getByRole('button', { name: 'write a new exercise' })).toHaveCount(0);
  await page.getByRole('link', { name: 'kinds of findings' }).click();
  await expect(page.getByText('Wrong minimum')).toBeVisible();
  await expectAccessible(page);
});

test('every kind of finding has a page with both drawings, reached from the notes too', async ({ page, context }) => {
  await become(page, 'Piet Lindqvist');
  await page.getByRole('link', { name: 'kinds of findings' }).click();
  await page.getByRole('region', { name: 'Counts at ends' }).getByRole('link', { name: 'Wrong maximum' }).click();
  await expect(page.getByRole('application', { name: 'As wanted' })).toBeVisible();
  await expect(page.getByRole('application', { name: 'As it goes wrong' }).locator('.figure.lit').first()).toBeAttached();
  await expect(page.getByRole('region', { name: 'The note' })).toContainText('Wanted:');
  await expectAccessible(page);
  await page.getByRole('navigation', { name: 'Neighbours' }).getByRole('link').last().click();
  await expect(page.getByRole('heading', { level: 1 })).toHaveText('Wrong minimum');
  await page.goto('/findings/nothing-of-the-kind');
  await expect(page.getByRole('alert')).toBeVisible();

  await page.goto('/');
  await goToDesk(page, 'The repair café');
  // One that lost something, so that there is a note.
  const lost = page.getByRole('row').filter({ has: page.locator('[role=cell]:last-child', { hasNotText: /^40$/ }) });
  await lost.first().getByRole('link').click();
  await page.locator('.note-head').first().click();
  const [opened] = await Promise.all([context.waitForEvent('page'), page.getByRole('link', { name: 'what this is, with an example' }).click()]);
  await expect(opened.getByRole('application', { name: 'As it goes wrong' })).toBeVisible();
});

test('an assistant marks but cannot release', async ({ page }) => {
  await become(page, 'Piet Lindqvist');
  await goToDesk(page, 'The repair café');
  await expect(page.getByRole('row')).toHaveCount(13);
  await showDesk(page, 'giving back');
  await expect(page.getByRole('button', { name: 'Release the marks' })).toHaveCount(0);
});

test('the losses of the notes add up to the visible total', async ({ page }) => {
  await become(page, 'Piet Lindqvist');
  await goToDesk(page, 'The repair café');
  const links = page.getByRole('table').getByRole('link');
  await expect(links).toHaveCount(12);
  for (let i = 0; i < 12; i++) {
    await links.nth(i).click();
    await expect(page.locator('.total strong')).toBeVisible();
    const numbers = await page.evaluate(() => {
      const parts: Record<string, number> = { '½': 1 / 2, '⅓': 1 / 3, '⅔': 2 / 3, '¼': 1 / 4, '¾': 3 / 4, '⅙': 1 / 6, '⅚': 5 / 6, '⅛': 1 / 8, '⅜': 3 / 8 };
      // 12, 1½, 1 5⁄12
      const value = (text: string) => {
        const [, whole = '', over, under, glyph = ''] = /^[−+]?(\d*?)\s?(?:(\d+)⁄(\d+)|(\D))?$/.exec(text.trim())!;
        return Number(whole) + (over ? Number(over) / Number(under) : glyph === '' ? 0 : parts[glyph]!);
      };
      const rounded = document.querySelector('.rounding span:last-child')?.textContent ?? '0';
      return {
        total: value(document.querySelector('.total strong')!.textContent!),
        lost: [...document.querySelectorAll('.note .loss')].reduce((sum, loss) => sum + value(loss.textContent!), 0),
        rounded: value(rounded) * (rounded.startsWith('−') ? -1 : 1),
      };
    });
    // With what the one rounding says, exactly.
    expect(40 - numbers.lost + numbers.rounded).toBeCloseTo(numbers.total, 9);
    await page.goBack();
  }
});

test('feedback can be read on a narrow page', async ({ page }) => {
  await become(page, 'Farid Nordin');
  await page.setViewportSize({ width: 320, height: 640 });
  await page.getByRole('link', { name: 'Harbour community radio' }).click();
  await expect(page.locator('.note').first()).toBeVisible();
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(320);
});
