import { expect, test, type Page } from '@playwright/test';
import { become, drawBox, expectAccessible, publish } from './help';

const inSeconds = (seconds: number) => new Date(Date.now() + seconds * 1000).toISOString();

const line = (page: Page, title: string) => page.getByRole('listitem').filter({ hasText: title });

test('an exercise opens by itself; when the time is over what is drawn is handed in, and what came after is a person’s to take', async ({ page, context }) => {
  test.setTimeout(120_000);
  const title = 'The lantern walk';
  const id = await publish(page, title, { opensAt: inSeconds(12), closesAt: inSeconds(38) });
  await become(page, 'Rosa Tamm');
  await expect(line(page, title)).toContainText('opens');
  await line(page, title).getByRole('link', { name: title }).click();
  await expect(page.getByText(/^It opens in 0:/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Start drawing' })).toBeDisabled();
  await expectAccessible(page);
  await page.getByRole('button', { name: 'Start drawing' }).click({ timeout: 20_000 });

  await expect(page.getByText(/0:\d\d left/)).toBeVisible();
  await expect(page.getByRole('alert').filter({ hasText: 'One minute left.' })).toBeAttached();
  await drawBox(page, 300, 200, 'Walk');
  await expect(page.getByText('saved', { exact: true })).toBeVisible();
  await context.setOffline(true);
  await drawBox(page, 300, 400, 'Lantern');
  await expect(page.getByText(/kept in this browser/)).toBeVisible();
  await expect(page.getByText('time is over', { exact: true })).toBeVisible({ timeout: 40_000 });
  await context.setOffline(false);
  await expect(page.getByText('The time was over: what you had drawn by then was handed in for you.')).toBeVisible({ timeout: 20_000 });
  await expect(page.locator('text.name')).toHaveText(['Walk']);
  await page.getByRole('link', { name: 'what is next' }).click();
  await expect(line(page, title)).toContainText('ended by the clock');

  await become(page, 'Ines Okafor');
  await page.goto(`/exercises/${id}/answers?view=answers`);
  await page.getByRole('link', { name: /^[2-9A-Z]{4}$/ }).click();
  await expect(page.getByText('A drawing came after the end, and does not count.')).toBeVisible();
  await page.getByRole('button', { name: 'look at it' }).click();
  const sheet = page.getByRole('dialog', { name: 'Came after the end' });
  await expect(sheet.locator('text.name')).toHaveText(['Walk', 'Lantern']);
  await expectAccessible(page);
  await sheet.getByLabel('Why it is taken').fill('The network of the room was down.');
  await sheet.getByRole('button', { name: 'Take it instead' }).click();
  await expect(page.getByText('came after the end')).toHaveCount(0);
  await expect(page.locator('.slate text.name', { hasText: 'Lantern' }).first()).toBeVisible();
  await expect(page.getByText(/, late, ended by the clock/)).toBeVisible();
});

test('practice: help a step at a time, marks as soon as it is checked, and another attempt', async ({ page }) => {
  const title = 'The rope ladder';
  await publish(page, title, { attempts: 2, bestCounts: true }, { told: 'when-handed-in', aids: { help: 4, sentences: true } });
  await become(page, 'Nils Abara');
  await line(page, title).getByRole('link', { name: title }).click();
  await expect(page.getByText('You may ask for help 4 times; how often you did is kept with your answer.')).toBeVisible();
  await expect(page.getByText('You may sit it 2 times; your best attempt counts.')).toBeVisible();
  await page.getByRole('button', { name: 'Start drawing' }).click();
  const help = page.getByRole('region', { name: 'Help' });
  await help.getByRole('button', { name: 'where is one?' }).click();
  await expect(help.getByText('Draw something first.')).toBeVisible();
  await drawBox(page, 300, 200, 'Key');
  await help.getByRole('button', { name: 'how many?' }).click();
  await expect(help.getByText(/differences are left: .* missing/)).toBeVisible();
  await help.getByRole('button', { name: 'where is one?' }).click();
  await expect(help.getByRole('listitem')).toHaveCount(1);
  await help.getByRole('button', { name: 'what is it?' }).click();
  await help.getByRole('button', { name: 'and why?' }).click();
  await expect(help.getByRole('heading', { name: 'no help left' })).toBeVisible();
  await expect(help.getByRole('button', { name: 'where is another?' })).toBeDisabled();
  await expectAccessible(page);

  await page.getByRole('button', { name: 'hand in' }).click();
  await page.getByRole('button', { name: 'Hand in for good' }).click();
  await page.getByRole('link', { name: 'read your marks' }).click({ timeout: 20_000 });
  await expect(page.locator('.total')).toContainText('of 20');
  await page.getByRole('link', { name: 'what is next' }).click();
  await expect(line(page, title).filter({ hasText: 'attempt 2, if you like' })).toBeVisible();
  await line(page, title).filter({ hasText: 'attempt 2' }).getByRole('link', { name: title }).click();
  await page.getByRole('button', { name: 'Start drawing' }).click();
  await expect(page.locator('.slate')).toBeVisible();
  await expect(page.locator('text.name')).toHaveCount(0);
});
