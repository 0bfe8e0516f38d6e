import { expect, test } from '@playwright/test';
import { expectAccessible, expectListening, expectMailbox, mailFrom, signIn } from './world.js';

test('the daily work goes by keyboard alone', async ({ page }) => {
    await mailFrom('Bo Lindqvist <bo@lindqvist.example>', 'Knot in the reel', 'How do I get it out?');
    await signIn(page);
    await expect(page.getByRole('link', { name: 'Knot in the reel' })).toBeVisible({ timeout: 30_000 });
    await page.keyboard.press('?');
    await expect(page.getByRole('dialog', { name: 'Keys of this page' })).toBeVisible();
    await expectAccessible(page);
    await page.keyboard.press('Escape');

    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('ArrowDown');
    await expect(page.locator('.row-link').nth(1)).toBeFocused();
    await page.keyboard.press('ArrowUp');
    await expect(page.locator('.row-link').first()).toBeFocused();
    for (let row = 0; row < 60 && !(await page.evaluate(() => document.activeElement.textContent.includes('Knot in the reel'))); row += 1) {
        await page.keyboard.press('ArrowDown');
    }
    await page.keyboard.press('Enter');
    await page.waitForURL('**/conversations/*');
    await expectListening(page);
    await page.keyboard.press('t');
    await expect(page.getByText('Taken by Ilse Norrby')).toBeVisible();
    await page.keyboard.press('i');
    await page.keyboard.type('Old reel, before the new guide.');
    await page.keyboard.press('Control+Enter');
    await expect(page.locator('.entry-note')).toContainText('before the new guide');
    await page.keyboard.press('r');
    await page.keyboard.type('Hello Bo, put a needle under the third turn and pull gently.');
    await page.keyboard.press('Control+Enter');
    await expect(page.locator('.entry-us')).toContainText('put a needle');
    await expectMailbox('bo@lindqvist.example', 1);

    await page.keyboard.press('h');
    await expect(page.getByLabel('Who must act first, and why')).toBeFocused();
    await page.keyboard.type('Workshop sends a needle');
    await page.keyboard.press('Enter');
    await expect(page.locator('#menu-state summary')).toContainText('Held');
    await page.keyboard.press('v');
    await expect(page.getByRole('button', { name: 'Information given' })).toBeFocused();
    await page.keyboard.press('Enter');
    await expect(page.locator('#menu-state summary')).toContainText('Resolved');
    await page.keyboard.press('v');
    await expect(page.locator('#menu-state summary')).toContainText('Open');
    await page.keyboard.press('q');
    await page.waitForURL('**/queue/**');
});

test('a row that is pressed while the queue changes is the one that opens', async ({ page }) => {
    await mailFrom('Pia Press <pia@press.example>', 'Pressed in time', 'Is it open on Saturday?');
    await signIn(page);
    const row = page.getByRole('link', { name: 'Pressed in time', exact: true });
    await expect(row).toBeVisible();
    await row.scrollIntoViewIfNeeded();
    await row.hover();
    await page.mouse.down();
    // Somebody else's question comes in, and the queue has news of it, while the button is held.
    const hasNews = page.waitForResponse((response) => response.url().includes('/changes?') && response.status() === 200);
    await mailFrom('Udo Urgent <udo@urgent.example>', 'Comes in between', 'Where is it?');
    await hasNews;
    await page.mouse.up();
    await page.waitForURL('**/conversations/*');
    await expect(page.getByRole('heading', { level: 1, name: 'Pressed in time' })).toBeVisible();
});

test('the queue and a conversation stay usable on a telephone', async ({ browser }) => {
    const page = await (await browser.newContext({ viewport: { width: 390, height: 800 } })).newPage();
    await signIn(page);
    const wider = () => page.evaluate(() => document.documentElement.scrollWidth - window.innerWidth);
    expect(await wider()).toBeLessThanOrEqual(0);
    await expectAccessible(page);
    await page.locator('.row-link').first().click();
    await page.waitForURL('**/conversations/*');
    expect(await wider()).toBeLessThanOrEqual(0);
    // It opens at what was said last, with the line to answer in below it.
    await expect(page.getByLabel(/^Your answer to/)).toBeInViewport();
    await expect(page.locator('#trail .entry').last()).toBeInViewport();
    await expectAccessible(page);
    // Every place is at hand in one menu.
    await page.locator('#menu-places summary').click();
    await page.getByRole('link', { name: 'Set up' }).click();
    await expect(page.getByRole('heading', { level: 1, name: 'Set up' })).toBeVisible();
    expect(await wider()).toBeLessThanOrEqual(0);
    await expectAccessible(page);
});
