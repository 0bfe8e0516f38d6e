import { expect, test } from '@playwright/test';
import { expectAccessible, mailFrom, openConversation, signIn } from './world.js';

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
    await page.getByLabel('One more step').selectOption('add_tag=');
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
