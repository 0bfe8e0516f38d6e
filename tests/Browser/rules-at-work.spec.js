import { expect, test } from '@playwright/test';
import { expectAccessible, signIn } from './world.js';

test('rules are put in order by a number, begin from ready-made ones, and nudge plans are made', async ({ page }) => {
    await signIn(page, 'mads');
    await page.goto('/rules/new');
    await page.getByRole('button', { name: 'No scan of the parcel for five days' }).click();
    await expect(page.getByText('is made, and off.')).toBeVisible();
    await expect(page.getByLabel('How many hours')).toHaveValue('120');
    await expectAccessible(page);
    await page.goto('/rules');
    const place = page.getByLabel('Place of No scan of the parcel for five days');
    await place.fill('1');
    await place.press('Enter');
    await expect(page.locator('#rule-table tbody tr').first()).toContainText('No scan of the parcel for five days');
    await page.goto('/nudges');
    await expectAccessible(page);
    await expect(page.locator('.nudge-form').first().getByLabel('Name')).toHaveValue('No answer');
});

test('an answer that comes late takes no later choice back', async ({ page }) => {
    await signIn(page, 'mads');
    await page.goto('/rules/new');
    let release;
    const isReleased = new Promise((go) => { release = go; });
    let isFirst = true;
    await page.route('**/rules/redraw', async (route) => {
        // Said before it is asked for: the second may be the one that answers first here, too.
        const isHeld = isFirst;
        isFirst = false;
        const response = await route.fetch();
        if (isHeld) {
            await isReleased;
        }
        // Given up by then.
        await route.fulfill({ response }).catch(() => {});
    });
    // On its way before the second choice is made: it is the second answer that comes first.
    const asked = page.waitForRequest('**/rules/redraw');
    await page.getByLabel('What', { exact: true }).selectOption('message_text');
    await asked;
    await page.getByLabel('What it does').selectOption('set_priority');
    await expect(page.getByLabel('Which', { exact: true })).toBeVisible();
    release();
    await page.unrouteAll({ behavior: 'wait' });
    await expect(page.getByLabel('Which', { exact: true })).toBeVisible();
    await expect(page.getByLabel('What', { exact: true })).toHaveValue('message_text');
    await expect(page.getByLabel('How', { exact: true })).toBeVisible();
    // A line that is added has the focus.
    await page.getByRole('button', { name: 'Add a condition' }).click();
    await expect(page.locator('#line-1-field')).toBeFocused();
});
