import { expect, test } from '@playwright/test';
import { expectAccessible, expectMailbox, mailFrom, openConversation, signIn, web } from './world.js';

test('a customer fills in the form, without scripts and in a frame, and gets the number', async ({ page, browser }) => {
    const context = await browser.newContext({ javaScriptEnabled: false });
    const customer = await context.newPage();
    await customer.goto(`${web}/forms/contact/frame`);
    const opened = Date.now();
    await customer.getByLabel('Your name').fill('Tilde Zeman');
    await customer.getByLabel('Your email address').fill('tilde@zeman-home.example');
    await customer.getByLabel('What is it about?').selectOption({ label: 'A part is missing' });
    await customer.getByLabel('Order number').fill('B-20417');
    await customer.getByLabel('Your message').fill('The reel was not in the box.');
    await customer.getByLabel('Photos').setInputFiles({ name: 'box.png', mimeType: 'image/png', buffer: Buffer.from('89504e470d0a1a0a', 'hex') });
    // A person takes a while to fill it in; a machine does not.
    await expect.poll(() => Date.now() - opened, { timeout: 10_000, intervals: [500] }).toBeGreaterThan(4000);
    await customer.getByRole('button', { name: 'Send' }).click();
    await expect(customer.getByRole('heading', { name: 'Thank you, it has arrived.' })).toBeVisible();
    const number = (await customer.locator('main b').first().textContent()).trim();
    await context.close();
    const [receipt] = await expectMailbox('tilde@zeman-home.example', 1);
    expect(receipt.subject).toContain(`[${number}]`);
    expect(receipt.headers.get('auto-submitted')).toBeTruthy();

    await signIn(page);
    await openConversation(page, 'A part is missing: B-20417');
    await expect(page.getByText('was placed with another address')).toBeVisible();
    await expect(page.getByRole('link', { name: /box\.png/ })).toBeVisible();

    const open = await page.context().newPage();
    await open.goto(`${web}/forms/contact`);
    await expectAccessible(open);
});

test('a call is written down in one key, while an answer is being written', async ({ page }) => {
    await mailFrom('Vera Engel <vera@engel-home.example>', 'Is the bag waterproof', 'Is it?');
    await signIn(page);
    await openConversation(page, 'Is the bag waterproof');
    const address = page.url();
    await page.getByLabel(/^Your answer/).fill('Nearly: it keeps out ');
    const from = Date.now();
    await page.keyboard.press('F2');
    const dialog = page.getByRole('dialog', { name: 'Write down a call' });
    await expect(dialog.getByLabel(/^Who/)).toBeFocused();
    await expectAccessible(page);
    await page.keyboard.type('B-20440');
    await page.keyboard.press('Tab');
    await page.keyboard.type('Priya asks for the new address once more');
    await page.keyboard.press('Control+Enter');
    await expect(dialog.getByText('Written down as')).toBeVisible();
    expect(Date.now() - from).toBeLessThan(10_000);
    await expect(dialog).toContainText('Priya Raman');
    await expect(dialog).toContainText('Order B-20440 is beside it.');
    await dialog.getByRole('button', { name: 'Back to what I was doing' }).click();
    expect(page.url()).toBe(address);
    await expect(page.getByLabel(/^Your answer/)).toHaveValue('Nearly: it keeps out ');
    // The next call gets an empty form.
    await page.getByRole('heading', { name: 'Is the bag waterproof' }).click();
    await page.keyboard.press('c');
    await expect(dialog.getByLabel(/^Who/)).toHaveValue('');
    await dialog.getByRole('button', { name: 'Leave it' }).click();
});
