import { expect, test } from '@playwright/test';
import { expectAccessible, expectListening, expectMailbox, mailFrom, openConversation, signIn } from './world.js';

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

test('two people on one conversation cannot overwrite each other', async ({ browser }) => {
    await mailFrom('Cara Holt <cara@holt.example>', 'Which tail is longer', 'Six or nine?');
    const [ilse, mads] = await Promise.all(['ilse', 'mads'].map(async (name) => {
        const page = await (await browser.newContext()).newPage();
        await signIn(page, name);
        await openConversation(page, 'Which tail is longer');
        return page;
    }));
    await ilse.getByLabel('Your answer to Cara Holt').fill('Hello Cara, the six.');
    await mads.getByLabel('Your answer to Cara Holt').fill('Hello Cara, the nine is longer, the six flies better.');
    await mads.getByRole('button', { name: /^Send(?!,)/ }).click();
    await expect(mads.locator('.entry-us')).toHaveCount(1);

    // Ilse sees it by herself, and what she wrote stays.
    await expect(ilse.locator('.entry-us')).toContainText('the six flies better', { timeout: 20_000 });
    await expect(ilse.getByLabel('Your answer to Cara Holt')).toHaveValue('Hello Cara, the six.');
    await ilse.getByRole('button', { name: /^Send(?!,)/ }).click();
    await expect(ilse.getByRole('alert')).toContainText('Not sent yet: this came in between');
    await expect(ilse.getByRole('alert')).toContainText('the six flies better');
    await expect(ilse.getByLabel('Your answer to Cara Holt')).toHaveValue('Hello Cara, the six.');
    await expectAccessible(ilse);
    await expectMailbox('cara@holt.example', 1);
    await ilse.getByLabel('Your answer to Cara Holt').fill('And both fit the Merlin.');
    await ilse.getByRole('button', { name: /^Send all the same/ }).click();
    await expectMailbox('cara@holt.example', 2);
});

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

test('a form without its token is refused', async ({ page }) => {
    await signIn(page);
    const response = await page.request.post('/queue/next', { form: {}, maxRedirects: 0 });
    expect(response.status()).toBe(419);
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
