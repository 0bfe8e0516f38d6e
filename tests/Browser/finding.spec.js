import { expect, test } from '@playwright/test';
import { act, expectAccessible, mailFrom, signIn } from './world.js';

test('one finds, goes to, saves a view, and moves cards of its board, all by keys', async ({ page }) => {
    await mailFrom('Lea Friis <lea@friis.example>', 'Ångström kite reel', 'Is the reel made of ash?');
    await signIn(page);
    await expect(page.getByRole('link', { name: 'Ångström kite reel' })).toBeVisible({ timeout: 30_000 });
    await expect(async () => {
        await page.keyboard.press('/');
        await page.keyboard.type('angstrom state:open');
        await page.keyboard.press('Enter');
        await expect(page.locator('.found mark').first()).toHaveText('Ångström', { timeout: 1000 });
    }).toPass({ timeout: 30_000 });
    await expectAccessible(page);
    await page.locator('h1').click({ force: true }).catch(() => {});
    await page.evaluate(() => document.activeElement.blur());
    await page.keyboard.press('g');
    await page.keyboard.type('new view');
    await expect(page.locator('#go-to-found')).toContainText('New view');
    await expectAccessible(page);
    await page.keyboard.press('Enter');
    await page.waitForURL('**/views/new');
    await page.getByLabel('Name', { exact: true }).fill('Reels');
    await page.getByRole('button', { name: 'Add a condition' }).click();
    await page.locator('.condition-line').nth(1).getByLabel('What').selectOption('subject');
    await page.locator('.condition-line').nth(1).getByLabel('Value').fill('reel');
    await page.getByLabel('Name', { exact: true }).focus();
    // Without the condition on the state, so that a card that is moved stays on the board.
    await page.getByRole('button', { name: 'Take this condition away' }).first().click();
    await expect(page.locator('.condition-line')).toHaveCount(1);
    await expect(page.locator('#condition-editor')).toContainText(/fits?\s+right now/);
    await expectAccessible(page);
    await page.getByRole('button', { name: 'Save' }).click();
    await expect(page.getByRole('link', { name: 'Ångström kite reel' })).toBeVisible();
    await page.keyboard.press('b');
    await page.waitForURL('**/board');
    await expectAccessible(page);
    await page.getByRole('link', { name: 'Ångström kite reel' }).focus();
    await page.keyboard.press('Shift+ArrowRight');
    await expect(page.locator('[data-column=waiting]')).toContainText('Ångström kite reel');
    await page.getByRole('link', { name: 'Ångström kite reel' }).focus();
    await page.keyboard.press('m');
    await expect(page.getByRole('dialog', { name: 'Where to?' })).toBeVisible();
    await expectAccessible(page);
    await page.getByLabel('Who must act first, and why').fill('The workshop measures it');
    await page.keyboard.press('Enter');
    await expect(page.locator('[data-column=held]')).toContainText('Ångström kite reel');
});

test('customers and orders are found, likely duplicates merged and separated', async ({ page }) => {
    await signIn(page);
    await page.getByRole('link', { name: 'Customers' }).click();
    await page.getByLabel('Name, company, address, number or order').fill('wrenfield');
    await page.getByRole('button', { name: 'Find' }).click();
    await expect(page.getByRole('link', { name: 'Ana Wrenfield' })).toHaveCount(2);
    await expectAccessible(page);
    await page.getByRole('link', { name: /Likely duplicates/ }).click();
    await expectAccessible(page);
    await page.getByRole('listitem').filter({ hasText: 'same name Ana Wrenfield' }).getByRole('button', { name: 'They are one' }).click();
    await expect(page.getByText('It can be undone below.')).toBeVisible();
    await expect(page.getByText('anaw88')).toBeVisible();
    await expectAccessible(page);
    await page.getByRole('button', { name: 'Undo it' }).click();
    await expect(page.getByText('They are two customers again')).toBeVisible();

    await page.getByRole('link', { name: 'Orders', exact: true }).click();
    await expectAccessible(page);
    await page.getByLabel('Number, name or address').fill('71-4480217');
    await page.getByRole('button', { name: 'Find' }).click();
    await page.getByRole('link', { name: 'B-20388' }).click();
    await expect(page.getByText(/No scan for \d+ days/)).toBeVisible();
    await expectAccessible(page);
});
