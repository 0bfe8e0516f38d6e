import { expect, test } from '@playwright/test';
import { expectAccessible, expectMailbox, mailFrom, mailbox, signIn, openConversation } from './world.js';

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

test('a lead writes a template with placeholders, sees how it reads, and goes back to what it was', async ({ page }) => {
    await signIn(page, 'mads');
    await page.goto('/templates');
    await expectAccessible(page);
    await page.getByRole('link', { name: 'New template' }).click();
    await page.getByLabel('Name, by which it is found').fill('Reel repair');
    await page.getByLabel('Folder').fill('Workshop');
    const text = page.getByLabel('Text in English');
    await text.click();
    await page.keyboard.type('Hello {{ first');
    await expect(page.getByRole('listbox', { name: 'Placeholders' }).getByRole('option').first()).toContainText('customer.first_name');
    await page.keyboard.press('Enter');
    await expect(text).toHaveValue('Hello {{ customer.first_name }}');
    await page.keyboard.type(', your reel is mended.');
    await expect(page.locator('#template-preview')).toContainText(/Hello .+, your reel is mended\./);
    await page.getByLabel('One more step').selectOption('tag=');
    await page.getByLabel('Its text').fill('reel');
    await expectAccessible(page);
    await page.getByRole('button', { name: 'Save' }).click();
    await expect(page.getByText('“Reel repair” is saved.')).toBeVisible();
    await expect(page.getByLabel('tag “reel”')).toBeChecked();
    await page.getByLabel('Text in English').fill('Hello {{ customer.nam }}');
    await page.getByRole('button', { name: 'Save' }).click();
    await expect(page.getByRole('alert')).toContainText('Is {{ customer.name }} meant?');
    await page.getByLabel('Text in English').fill('Hello, it is mended.');
    await page.getByRole('button', { name: 'Save' }).click();
    await page.getByRole('link', { name: 'Version 2' }).click();
    await expectAccessible(page);
    await page.locator('.template-version').nth(1).locator('summary').click();
    await page.getByRole('button', { name: 'Make it so again' }).click();
    await expect(page.getByLabel('Text in English')).toHaveValue('Hello {{ customer.first_name }}, your reel is mended.');
});

test('the answer is in the language that somebody says is right, and stays in view below a long letter', async ({ page }) => {
    await mailFrom('Lotte Brand <lotte@brand.example>', 'Spar OK?', `${'B-20999\n\n'.repeat(40)}OK?`);
    await signIn(page);
    await openConversation(page, 'Spar OK?');
    // One line, as long as nobody writes.
    await expect(page.getByLabel('Your answer to Lotte Brand')).toBeInViewport();
    await expect(page.getByRole('button', { name: /^Send(?!,)/ })).toBeHidden();
    await page.keyboard.press('r');
    await expect(page.getByRole('button', { name: /^Send(?!,)/ })).toBeInViewport();
    await page.evaluate(() => window.scrollTo(0, 0));
    await expect(page.getByRole('button', { name: /^Send(?!,)/ })).toBeInViewport();
    await page.locator('#menu-language summary').click();
    await page.getByLabel('Templates answer in').selectOption({ label: 'German' });
    await page.getByRole('button', { name: 'Set', exact: true }).click();
    await expect(page.getByText('It is in German: templates answer in that.')).toBeVisible();
    await page.locator('#reply-text').focus();
    await page.keyboard.type(';spl');
    await expect(page.getByRole('listbox', { name: 'Templates' }).getByRole('option')).toHaveCount(1);
    await page.keyboard.press('Enter');
    await expect(page.locator('#reply-text')).toHaveValue(/^Hallo Lotte,\n\ndanke für die Nachricht/);
    await expectAccessible(page);
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
