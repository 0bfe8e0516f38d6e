import { expect, test } from '@playwright/test';
import { expectMailbox, mailFrom, signIn } from './world.js';

test('the core of the work works without JavaScript', async ({ browser }) => {
    await mailFrom('Evi Stamou <evi@stamou.example>', 'Wet kite', 'How do I dry it?');
    const page = await (await browser.newContext({ javaScriptEnabled: false })).newPage();
    await signIn(page);
    await expect(async () => {
        await page.goto('/queue/nobodys-yet');
        await expect(page.getByRole('link', { name: 'Wet kite' })).toBeVisible({ timeout: 500 });
    }).toPass({ timeout: 30_000 });
    await page.getByRole('link', { name: 'Wet kite' }).click();
    await page.getByRole('button', { name: /^Take/ }).click();
    await page.getByLabel('Your answer to Evi Stamou').fill('Hang it in the shade, spars out.');
    await page.locator('#reply-files').setInputFiles({ name: 'shade.txt', mimeType: 'text/plain', buffer: Buffer.from('not in the sun') });
    await page.getByRole('button', { name: /^Send(?!,)/ }).click();
    await expect(page.locator('.entry-us')).toContainText('Hang it in the shade');
    const [answer] = await expectMailbox('evi@stamou.example', 1);
    expect(answer.attachments).toHaveLength(1);
});

test('a form without its token is refused', async ({ page }) => {
    await signIn(page);
    const response = await page.request.post('/queue/next', { form: {}, maxRedirects: 0 });
    expect(response.status()).toBe(419);
});
