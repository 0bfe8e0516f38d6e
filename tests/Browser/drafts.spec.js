import { expect, test } from '@playwright/test';
import { expectMailbox, mailFrom, openConversation, signIn } from './world.js';

test('drafts are kept as one types', async ({ page }) => {
    await mailFrom('Dana Ruiz <dana@ruiz.example>', 'Line length', '30 or 40?');
    await signIn(page);
    await openConversation(page, 'Line length');
    await page.getByLabel('Your answer to Dana Ruiz').pressSequentially('Thirty is enough');
    await expect(page.locator('#reply-kept')).toContainText('draft kept');
    await page.locator('#reply-files').setInputFiles({ name: 'table.txt', mimeType: 'text/plain', buffer: Buffer.from('30 m: calm') });
    await expect(page.getByRole('list', { name: 'Files of the answer' })).toContainText('table.txt');
    // Left within the moment in which it would have been kept.
    await page.getByLabel('Your answer to Dana Ruiz').press('End');
    await page.getByLabel('Your answer to Dana Ruiz').pressSequentially(' in most winds');
    await page.goto('/queue/my-turn');
    await page.goBack();
    await page.reload();
    await expect(page.getByLabel('Your answer to Dana Ruiz')).toHaveValue('Thirty is enough in most winds');
    await expect(page.getByRole('list', { name: 'Files of the answer' })).toContainText('table.txt');
    await page.getByRole('button', { name: /^Send(?!,)/ }).click();
    const [answer] = await expectMailbox('dana@ruiz.example', 1);
    expect(answer.attachments.map((file) => file.filename)).toEqual(['table.txt']);
});

test('what cannot be kept says so, and what is written stays', async ({ page }) => {
    await signIn(page);
    await page.locator('.row-link').first().click();
    await page.waitForURL('**/conversations/*');
    await page.route('**/drafts/reply', (route) => route.abort());
    await page.route('**/draft-files', (route) => route.fulfill({ status: 413 }));
    await page.getByLabel(/^Your answer to/).pressSequentially('Half a sentence');
    await expect(page.locator('#reply-kept')).toContainText('not kept');
    await page.locator('#reply-files').setInputFiles({ name: 'film.mov', mimeType: 'video/quicktime', buffer: Buffer.from('film') });
    await expect(page.locator('#draft-files')).toContainText('Not attached');
    await expect(page.getByLabel(/^Your answer to/)).toHaveValue('Half a sentence');
});

test('what could not be kept is there when the page is opened again, and not once it was sent', async ({ page }) => {
    await mailFrom('Dana Ruiz <dana-away@ruiz.example>', 'Line weight', 'Light or heavy?');
    await signIn(page);
    await openConversation(page, 'Line weight');
    const area = page.getByLabel('Your answer to Dana Ruiz');
    await page.route('**/drafts/reply', (route) => route.abort());
    await area.pressSequentially('Light, in most');
    await expect(page.locator('#reply-kept')).toContainText('not kept');
    await page.goto('/queue/my-turn');
    await page.unroute('**/drafts/reply');
    await openConversation(page, 'Line weight');
    await expect(area).toHaveValue('Light, in most');
    await expect(page.locator('#reply-kept')).toContainText('draft kept');

    // The last words are sent before they could be kept as a draft.
    await page.route('**/drafts/reply', (route) => route.abort());
    await area.press('End');
    await area.pressSequentially(' winds.');
    await page.getByRole('button', { name: /^Send(?!,)/ }).click();
    await expect(page.locator('.entry-us')).toContainText('Light, in most winds.');
    await page.unroute('**/drafts/reply');
    await page.reload();
    await expect.poll(() => page.evaluate(() => Object.keys(sessionStorage).filter((name) => name.startsWith('draft')))).toEqual([]);
    await page.reload();
    await expect(area).toHaveValue('');
    await expectMailbox('dana-away@ruiz.example', 1);
});
