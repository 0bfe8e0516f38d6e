import { expect, test } from '@playwright/test';
import { signIn } from './world.js';

// Runs last: it works the demo's queue down to nothing.
test('a morning’s work goes from a full queue to an empty one by keyboard alone', async ({ page }) => {
    test.setTimeout(1_800_000);
    await signIn(page);
    const rows = page.locator('.row-link');
    const left = async () => {
        await page.goto('/queue/my-turn');
        return rows.count();
    };
    const atFirst = await left();
    expect(atFirst).toBeGreaterThanOrEqual(30);
    let worked = 0;
    const done = { answered: 0, held: 0, resolved: 0 };
    while (await left() > 0 && worked < 120) {
        await page.keyboard.press('ArrowDown');
        await page.keyboard.press('Enter');
        await page.waitForURL('**/conversations/*');
        const isOnlyMail = await page.locator('fieldset.routes, p.routes, .route-public').count() === 0;
        if (worked % 3 === 0 && isOnlyMail && await page.locator('#reply-text').count() === 1) {
            await page.keyboard.press('r');
            await page.keyboard.press('Control+a');
            await page.keyboard.type('Hello, that is settled now. Write again if anything is left.');
            await page.keyboard.press('Control+Enter');
            await expect(page.locator('#menu-state summary')).toContainText('Waiting');
            done.answered += 1;
        } else if (worked % 3 === 1) {
            await page.keyboard.press('h');
            await page.keyboard.type('The workshop looks at it');
            await page.keyboard.press('Enter');
            await expect(page.locator('#menu-state summary')).toContainText('Held');
            done.held += 1;
        } else {
            await page.keyboard.press('v');
            await page.keyboard.press('Enter');
            await expect(page.locator('#menu-state summary')).toContainText('Resolved');
            done.resolved += 1;
        }
        worked += 1;
        await page.keyboard.press('q');
        await page.waitForURL('**/queue/**');
    }
    expect(await rows.count()).toBe(0);
    await expect(page.getByText('Nothing is waiting for you.')).toBeVisible();
    expect(worked).toBeGreaterThanOrEqual(30);
    expect(Math.min(...Object.values(done))).toBeGreaterThan(5);
});
