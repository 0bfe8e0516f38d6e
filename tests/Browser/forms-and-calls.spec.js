import { expect, test } from '@playwright/test';
import { database, expectAccessible, expectMailbox, mailFrom, openConversation, signIn, web } from './world.js';

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

test('a customer says in the form what is to come back, and it waits for its decision', async ({ page }) => {
    const [number, email, title, line] = database(`SELECT o.number, o.email, l.title, l.id FROM orders o JOIN order_lines l ON l.order_id = o.id
        WHERE o.email IS NOT NULL AND o.marketplace IS NULL AND o.status = 'sent' AND l.sent > 0
            AND NOT EXISTS (SELECT 1 FROM returns r WHERE r.order_id = o.id) AND NOT EXISTS (SELECT 1 FROM refunds f WHERE f.order_id = o.id)
        ORDER BY o.placed_at DESC, l.id LIMIT 1 OFFSET 6`).split('\t');
    const customer = await page.context().newPage();
    await customer.goto(`${web}/forms/contact`);
    await customer.getByLabel('Your name').fill('Somebody of the household');
    await customer.getByLabel('Your email address').fill(email);
    await customer.getByLabel('Your message').fill('It is larger than we thought.');
    await customer.getByText('Something is to come back').click();
    await customer.getByLabel('What comes back?').fill(`1 x ${title}`);
    await customer.getByRole('button', { name: 'Send' }).click();
    // It comes back whole, with what is missing.
    await expect(customer.getByText('Please choose why it comes back.')).toBeVisible();
    await expectAccessible(customer);
    await customer.getByLabel('Why does it come back?').selectOption('Changed mind');
    await customer.getByLabel('Order number').fill(number.replace(/\D/g, ''));
    await customer.getByRole('button', { name: 'Send' }).click();
    await expect(customer.getByRole('heading', { name: 'Thank you, it has arrived.' })).toBeVisible();

    expect(database(`SELECT state FROM returns r JOIN return_lines l ON l.return_id = r.id WHERE l.order_line_id = ${line}`)).toBe('asked');
    await signIn(page);
    await page.goto(`/conversations/${database(`SELECT r.conversation_id FROM returns r JOIN return_lines l ON l.return_id = r.id
        WHERE l.order_line_id = ${line}`)}`);
    await expect(page.getByText('It is larger than we thought.').first()).toBeVisible();
    await expect(page.getByRole('link', { name: /^R-\d+/ }).first()).toBeVisible();
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
