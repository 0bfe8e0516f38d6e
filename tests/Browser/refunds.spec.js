import { expect, test } from '@playwright/test';
import { database, expectAccessible, expectAccessibleInLightAndDark, look, mailbox, signIn } from './world.js';

test('money is given back from the worksheet by keyboard, goes to the card, and the shop knows of it', async ({ page }) => {
    const [conversation, order] = database("SELECT conversation_id, order_id FROM conversation_order JOIN orders ON orders.id = order_id WHERE number = 'B-20417' LIMIT 1").split('\t');
    await signIn(page, 'mads');
    await page.goto(`/conversations/${conversation}`);
    await page.getByRole('link', { name: 'Give money back' }).first().click();
    await expect(page.getByText('Choose what goes back.')).toBeVisible();
    // The cursor stands in the first line.
    await page.keyboard.type('1');
    await expect(page.getByRole('button', { name: 'Give back €119.00' })).toBeVisible();
    await expect(page.getByRole('row', { name: /Merlin delta/ })).toContainText('119.00');
    await page.getByRole('radio', { name: 'share' }).check();
    await expect(page.getByRole('button', { name: 'Give back €126.71' })).toBeVisible();
    await expect(page.getByText(/Delivery: its share for the goods that are back is €7.71/)).toBeVisible();
    await expectAccessibleInLightAndDark(page);
    await page.getByRole('button', { name: /Give back/ }).press('Enter');
    await expect(page.getByRole('alert')).toContainText('Choose why the money goes back.');
    await page.getByLabel('Reason').selectOption('Faulty');
    await page.getByRole('button', { name: 'Give back €126.71' }).press('Enter');
    await expect(page.getByRole('heading', { level: 1 })).toContainText('€126.71 of B-20417');
    await expect(async () => {
        await page.reload();
        await expect(page.getByRole('heading', { level: 1 })).toContainText('given back', { timeout: 500 });
    }).toPass({ timeout: 45_000 });
    await expectAccessible(page);
    // Once at the provider, and in the shop's book.
    const given = (await look('tollgate')).refunds.filter(({ payment, by }) => payment === 'pay-20417-c' && by === 'api');
    expect(given.map(({ amount, state }) => [amount, state])).toEqual([[12671, 'done']]);
    await expect.poll(async () => (await look('shop')).orders.find(({ number }) => number === 'B-20417').payments[0].refunded, { timeout: 45_000 }).toBe(12671);
    await page.goto(`/conversations/${conversation}`);
    await expect(page.locator('#trail')).toContainText('€126.71 of order B-20417 have gone back');
    expect(database(`SELECT refunded FROM order_payments WHERE order_id = ${order}`)).toBe('12671');
});

test('above the limit, a lead says yes from the email, and the customer is told with the credit note', async ({ page, browser }) => {
    const [conversation, order] = database("SELECT conversation_id, order_id FROM conversation_order JOIN orders ON orders.id = order_id WHERE number = 'B-20402' LIMIT 1").split('\t');
    await signIn(page, 'ilse');
    await page.goto(`/orders/${order}/refund?conversation=${conversation}`);
    await expect(page.getByText('Choose what goes back.')).toBeVisible();
    await page.keyboard.type('1');
    await page.getByLabel('Reason').selectOption('Faulty');
    await page.getByLabel('Tell the customer with').selectOption({ label: 'Refund is on its way' });
    await expect(page.getByText('A second person says yes before you give money back. It is held until then.')).toBeVisible();
    await page.getByRole('button', { name: /Ask to give back €/ }).press('Enter');
    await expect(page.getByText(/It waits for the yes of/)).toBeVisible();
    const address = new URL(page.url()).pathname;

    await expect.poll(async () => (await mailbox('mads@brindle.example')).some(({ text }) => text.includes(address)), { timeout: 45_000 }).toBe(true);
    const [link] = (await mailbox('mads@brindle.example')).find(({ text }) => text.includes(address)).text.match(/http:\S+\/approvals\/\d+/);
    const lead = await (await browser.newContext()).newPage();
    await lead.goto(link);
    await lead.getByLabel('Email address').fill('mads@brindle.example');
    await lead.getByLabel('Password').fill('kites-and-cairns');
    await lead.getByRole('button', { name: 'Sign in' }).click();
    await expect(lead.getByRole('heading', { level: 1, name: /Give back €.* of B-20402: faulty/ })).toBeVisible();
    await expectAccessibleInLightAndDark(lead);
    await lead.keyboard.press('a');
    await expect(lead.getByText('Given.')).toBeVisible();
    await lead.getByRole('link', { name: 'The refund' }).click();
    await expect(async () => {
        await lead.reload();
        await expect(lead.getByText(/The customer was told/)).toBeVisible({ timeout: 500 });
    }).toPass({ timeout: 45_000 });
    const note = await lead.getByRole('link', { name: /^CN-\d+$/ }).textContent();
    await lead.goto(`/conversations/${conversation}`);
    await expect(lead.locator('#trail')).toContainText(`${note}.pdf`);
    await expectAccessible(lead);
});
