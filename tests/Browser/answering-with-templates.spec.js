import { expect, test } from '@playwright/test';
import { expectAccessible, expectMailbox, mailbox, mailFrom, openConversation, signIn } from './world.js';

test('a question is answered with a template in a few keys, with what goes along', async ({ page }) => {
    await mailFrom('Runa Field <runa@field.example>', 'Spar gone again', 'It broke on the first day.');
    await signIn(page);
    await openConversation(page, 'Spar gone again');
    await page.keyboard.press('r');
    await page.keyboard.type(';spl');
    const found = page.getByRole('listbox', { name: 'Templates' });
    await expect(found.getByRole('option')).toHaveCount(1);
    await page.keyboard.press('Enter');
    await expect(page.locator('#reply-text')).toHaveValue(/^Hello Runa,\n\nthank you for telling us\. Spars of batch K/);
    await expect(found).toBeHidden();
    const also = page.locator('#reply-steps');
    await expect(also.getByLabel('tag “batch K”')).toBeChecked();
    await also.getByLabel('priority high').uncheck();
    await expectAccessible(page);
    // A small piece in the middle of a sentence.
    await page.locator('#reply-text').focus();
    await page.keyboard.press('Control+End');
    await page.keyboard.type('\n\nPS: ;opening');
    await expect(found.getByRole('option')).toHaveCount(1);
    await page.keyboard.press('Tab');
    await expect(page.locator('#reply-text')).toHaveValue(/PS: We answer Monday to Friday/);
    await page.keyboard.press('Control+Enter');
    await expect(page.getByText('Sent.')).toBeVisible();
    await expect(page.locator('.conversation-words')).toContainText('batch K');
    await expect(page.locator('.conversation-words')).toContainText('normal');
    await expect(page.getByRole('heading', { name: /Damaged on arrival/ })).toBeVisible();
    await expectMailbox('runa@field.example', 1);
    expect((await mailbox('runa@field.example'))[0].text).toContain('Spars of batch K');
});

test('what could not be filled is seen, and stops the sending', async ({ page }) => {
    await mailFrom('Odd Berg <odd@berg.example>', 'Berg asks for his invoice', 'Where is my invoice?');
    await signIn(page);
    await openConversation(page, 'Berg asks for his invoice');
    await page.keyboard.press('r');
    await page.keyboard.type(';invoice att');
    await expect(page.getByRole('listbox', { name: 'Templates' }).getByRole('option')).toHaveCount(1);
    await page.keyboard.press('Enter');
    await expect(page.getByText('Not filled:')).toBeVisible();
    // The first gap is chosen, so that typing fills it.
    await expect.poll(() => page.evaluate(() => window.getSelection().toString() || document.activeElement.value.slice(document.activeElement.selectionStart, document.activeElement.selectionEnd))).toBe('{{ order.number }}');
    await page.keyboard.press('Control+Enter');
    await expect(page.getByRole('alert').filter({ hasText: 'Not sent: {{ order.number }} in line 3' })).toBeVisible();
    await expect(page.locator('#reply-text')).toHaveValue(/\{\{ order\.number \}\}/);
});

test('a template is chosen by the letters typed, however late the list comes', async ({ page }) => {
    await mailFrom('Tove Late <tove@late.example>', 'When are you open', 'On Saturday?');
    await signIn(page);
    await openConversation(page, 'When are you open');
    await page.keyboard.press('r');
    await page.keyboard.type(';spl');
    const found = page.getByRole('listbox', { name: 'Templates' });
    await expect(found.getByRole('option')).toHaveCount(1);
    // The answer to what is typed next comes late; the list still stands for what was typed before.
    let release;
    const isReleased = new Promise((go) => { release = go; });
    await page.route('**/templates?q=opening', async (route) => {
        await isReleased;
        await route.continue();
    });
    await page.keyboard.press('Backspace');
    await page.keyboard.press('Backspace');
    await page.keyboard.press('Backspace');
    await page.keyboard.type('opening');
    await page.keyboard.press('Tab');
    release();
    await expect(page.locator('#reply-text')).toHaveValue(/^We answer Monday to Friday/);
    await expect(found).toBeHidden();
});

test('a template is put in while the draft is still being kept, and nothing of either is lost', async ({ page }) => {
    await mailFrom('Per Slow <per@slow.example>', 'Spar again', 'It broke.');
    await signIn(page);
    await openConversation(page, 'Spar again');
    let release;
    const isReleased = new Promise((go) => { release = go; });
    await page.route('**/drafts/reply', async (route) => {
        await isReleased;
        await route.continue();
    });
    await page.keyboard.press('r');
    const beingKept = page.waitForRequest('**/drafts/reply');
    await page.keyboard.type(';spl');
    await expect(page.getByRole('listbox', { name: 'Templates' }).getByRole('option')).toHaveCount(1);
    await beingKept;
    await page.keyboard.press('Enter');
    await expect(page.locator('#reply-text')).toHaveValue(/^Hello Per,/);
    const isKept = page.waitForResponse((response) => response.url().endsWith('/drafts/reply') && response.request().postData().includes('Hello'));
    release();
    await isKept;
    await page.reload();
    await expect(page.locator('#reply-text')).toHaveValue(/^Hello Per,/);
});
