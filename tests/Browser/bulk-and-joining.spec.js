import { expect, test } from '@playwright/test';
import { database, expectAccessible, mailFrom, openConversation, signIn } from './world.js';

const numberOf = async (page) => (await page.locator('.conversation-sub').textContent()).match(/C-(\d+)/)[0];

test('many are changed at once, and that is undone', async ({ page }) => {
    for (const name of ['una', 'duo', 'tre']) {
        await mailFrom(`${name}@bulk.example`, `Meadow question ${name}`, 'Is the field open?');
    }
    await signIn(page);
    for (const name of ['una', 'duo', 'tre']) {
        await expect(page.getByRole('link', { name: `Meadow question ${name}` })).toBeVisible({ timeout: 30_000 });
        await page.getByRole('link', { name: `Meadow question ${name}` }).focus();
        await page.keyboard.press('x');
    }
    await expect(page.locator('#bulk-form')).toContainText('3 chosen');
    // The list is shown anew every minute, and what was chosen stays.
    await mailFrom('other@bulk.example', 'Something else arrives', 'Hello?');
    await expect(page.getByRole('link', { name: 'Something else arrives' })).toBeVisible({ timeout: 30_000 });
    await expect(page.locator('#bulk-form')).toContainText('3 chosen');
    await page.keyboard.press('e');
    await expect(page.locator('#bulk-change')).toBeFocused();
    await page.locator('#bulk-change').selectOption('set_priority:urgent');
    await expectAccessible(page);
    await page.getByRole('button', { name: 'See what changes' }).click();
    await expect(page.getByText('3 conversations will change.')).toBeVisible();
    await expectAccessible(page);
    await page.getByRole('button', { name: 'Change all 3' }).click();
    await expect(page.getByText('3 conversations were changed.')).toBeVisible({ timeout: 30_000 });
    expect(database("SELECT COUNT(*) FROM conversations WHERE subject LIKE 'Meadow question%' AND priority = 'urgent'")).toBe('3');
    await page.getByRole('button', { name: 'Undo it' }).click();
    await expect(page.getByText('3 conversations are as they were before.')).toBeVisible({ timeout: 30_000 });
    expect(database("SELECT COUNT(*) FROM conversations WHERE subject LIKE 'Meadow question%' AND priority = 'normal'")).toBe('3');
});

test('what was joined gets later replies to either, and is separated again', async ({ page }) => {
    const first = await mailFrom('Hedy Aas <hedy@aas.example>', 'Two spars, first mail', 'One spar is short.');
    await mailFrom('Hedy Aas <hedy.work@aas.example>', 'Two spars, second mail', 'And one is split.');
    await signIn(page);
    await openConversation(page, 'Two spars, second mail');
    const second = await numberOf(page);
    await page.goto('/queue/my-turn');
    await openConversation(page, 'Two spars, first mail');
    const kept = await numberOf(page);
    await page.keyboard.press('m');
    await expect(page.locator('#join-other')).toBeFocused();
    await page.keyboard.type(second);
    await page.keyboard.press('Enter');
    await expect(page.locator('#trail')).toContainText('And one is split.');
    await mailFrom('Hedy Aas <hedy.work@aas.example>', `Re: [${second}] Two spars, second mail`, 'Any news of the split one?');
    await expect(page.locator('#trail')).toContainText('Any news of the split one?', { timeout: 30_000 });
    await mailFrom('Hedy Aas <hedy@aas.example>', 'Re: Two spars, first mail', 'And of the short one?', { inReplyTo: first });
    await expect(page.locator('#trail')).toContainText('And of the short one?', { timeout: 30_000 });
    expect(await numberOf(page)).toBe(kept);
    await page.getByRole('button', { name: 'Separate' }).press('Enter');
    await expect(page.getByText('It is a conversation of its own again.')).toBeVisible();
});
