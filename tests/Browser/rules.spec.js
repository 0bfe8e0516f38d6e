import { expect, test } from '@playwright/test';
import { expectAccessible, mailFrom, openWherever, signIn } from './world.js';

test('a rule is built as a sentence, tried out on the past, switched on, and leaves its trace', async ({ page }) => {
    await mailFrom('Pim Reel <pim@reel.example>', 'Reel jammed at once', 'The reel jammed and the handle broke off.');
    await signIn(page, 'mads');
    await expect(page.getByRole('link', { name: 'Reel jammed at once' })).toBeVisible();
    await page.goto('/rules');
    await expectAccessible(page);
    await page.getByRole('link', { name: 'New rule' }).click();
    await page.getByLabel('What', { exact: true }).selectOption('message_text');
    await page.getByLabel('Value').fill('reel jammed');
    await page.getByLabel('Value').press('Tab');
    await expect(page.locator('.rule-fitting')).toContainText('Reel jammed at once');
    await page.getByLabel('What it does').selectOption('set_priority');
    await page.getByLabel('Which', { exact: true }).selectOption('urgent');
    await page.getByRole('button', { name: 'And also' }).click();
    await page.getByLabel('What it does').nth(1).selectOption('note');
    await page.getByLabel(/what the note says/).fill('Reels of {{ customer.first_name | "theirs" }}: ask for the batch.');
    // Tried out as it is written, before there is any such rule.
    await page.getByRole('button', { name: 'Try it out, without saving' }).click();
    await expect(page.locator('#tried')).toContainText('would have matched');
    await expect(page.locator('#tried').getByRole('row', { name: /Reel jammed at once/ })).toBeVisible();
    await page.getByLabel('Name, as it stands on the trail').fill('Jammed reels');
    await expectAccessible(page);
    await page.getByRole('button', { name: /Save, and see/ }).click();
    // Tried out: it fits the message of a moment ago, and nothing was changed.
    await expect(page.getByRole('status').filter({ hasText: 'would have matched' })).toContainText(/^1 of\s/);
    await expect(page.getByRole('row', { name: /Reel jammed at once/ })).toContainText('Text of the message has “reel jammed”');
    await expectAccessible(page);
    await page.getByRole('button', { name: 'Switch it on' }).click();
    await expect(page.getByText('“Jammed reels” is on.')).toBeVisible();
    await mailFrom('Ole Spool <ole@spool.example>', 'Another jammed one', 'My reel jammed too.');
    await openWherever(page, 'Another jammed one');
    await expect(page.locator('.trail')).toContainText('Rule “Jammed reels” (Text of the message has “reel jammed”)');
    await expect(page.locator('.trail')).toContainText('(Text of the message has “reel jammed”): priority urgent');
    await expect(page.locator('.trail')).toContainText('Reels of Ole: ask for the batch.');
    await page.goto('/rules');
    await page.getByRole('row', { name: /Jammed reels/ }).getByRole('link', { name: /1 run/ }).click();
    await expect(page.getByRole('row', { name: /Another jammed one/ })).toContainText('set the priority to urgent');
    await expectAccessible(page);
    await page.goto('/rules');
    await page.getByRole('button', { name: 'On Jammed reels' }).click();
    await expect(page.getByText('“Jammed reels” is off.')).toBeVisible();
});

test('a rule is written by keyboard alone', async ({ page }) => {
    await signIn(page, 'mads');
    await page.goto('/rules/new');
    const at = () => page.evaluate(() => document.activeElement?.id ?? '');
    const tabTo = async (id) => {
        for (let presses = 0; (await at()) !== id; presses++) {
            expect(presses, `${id} is reached from where one was`).toBeLessThan(12);
            await page.keyboard.press('Tab');
        }
    };
    await page.locator('#clock-since').focus();
    // Each choice shows the form anew, and one goes on where one was.
    await tabTo('line-0-field');
    await page.keyboard.type('Subject of the m');
    await expect(page.locator('#line-0-op')).toBeVisible();
    expect(await at()).toBe('line-0-field');
    await tabTo('line-0-value');
    await page.keyboard.type('strap');
    await tabTo('action-0-do');
    await page.keyboard.type('add the tag');
    await expect(page.locator('#action-0-text')).toBeVisible();
    await tabTo('action-0-text');
    await page.keyboard.type('straps');
    await tabTo('rule-name');
    await page.keyboard.type('Straps');
    // Enter keeps it, and takes nothing away.
    await page.keyboard.press('Enter');
    await expect(page.getByRole('heading', { name: '“Straps”, tried out' })).toBeVisible();
    await expect(page.locator('.rule-sentence')).toContainText('Subject of the message has one of the words “strap” then add the tag “straps”.');
});
