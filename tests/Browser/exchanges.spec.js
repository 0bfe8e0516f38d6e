import { expect, test } from '@playwright/test';
import { act, database, expectAccessibleInLightAndDark, look, signIn } from './world.js';

const orderId = (number) => database(`SELECT id FROM orders WHERE number = '${number}'`);
const inShop = async (number) => (await look('shop')).orders.find((order) => order.number === number);

async function expectPlaced(page) {
    await expect(async () => {
        await page.reload();
        await expect(page.getByRole('heading', { level: 1, name: /: ordered/ })).toBeVisible({ timeout: 500 });
    }).toPass({ timeout: 45_000 });
    return page.locator('main').getByRole('link', { name: /^B-21\d+$/ }).textContent();
}

test('a faulty item is sent again without anything coming back', async ({ page }) => {
    const [conversation, order] = database("SELECT conversation_id, order_id FROM conversation_order JOIN orders ON orders.id = order_id WHERE number = 'B-20366' LIMIT 1").split('\t');
    await signIn(page, 'ilse');
    await page.goto(`/conversations/${conversation}`);
    await page.getByRole('link', { name: 'Send something' }).first().click();
    await expect(page.getByLabel(/^Units of/).first()).toBeFocused();
    await page.keyboard.type('1');
    await page.locator('#exchange-reason').selectOption('Faulty');
    await page.getByRole('button', { name: 'Send it again' }).press('Enter');
    await expect(page.getByRole('alert')).toContainText('Confirm the address to which it goes.');
    await page.getByRole('checkbox', { name: /It goes to/ }).check();
    await page.getByRole('button', { name: 'Send it again' }).press('Enter');
    const number = await expectPlaced(page);
    const { lines, payments, status, instead_of: first } = await inShop(number);
    expect([lines.map(({ unit_price: price, quantity }) => [price, quantity]), payments, status, first]).toEqual([[[0, 1]], [], 'paid', 'B-20366']);
    // Its parcel is followed beside the conversation.
    await act('shop', 'send', { number, parcel: `WP77${number.slice(2)}` });
    await expect.poll(() => database(`SELECT COUNT(*) FROM parcels WHERE number = 'WP77${number.slice(2)}'`), { timeout: 45_000 }).toBe('1');
    await page.goto(`/conversations/${conversation}`);
    await expect(page.locator('#orders-beside')).toContainText(number);
    expect(database(`SELECT COUNT(*) FROM refunds WHERE order_id = ${order}`)).toBe('0');
});

test('an exchange: the new costs more, and the customer pays the difference', async ({ page }) => {
    await signIn(page, 'mads');
    await page.goto(`/orders/${orderId('B-20425')}/send`);
    await page.getByRole('radio', { name: 'Something else, in exchange for it' }).check();
    await page.getByLabel(/^Units of Kestrel 3, green/).fill('1');
    await page.getByLabel('Product 1', { exact: true }).selectOption('PET-22');
    await page.getByLabel('Units of product 1').fill('1');
    await expect(page.getByRole('button', { name: 'Exchange: €60.00 to pay' })).toBeVisible();
    await expectAccessibleInLightAndDark(page);
    await page.locator('#exchange-reason').selectOption('Does not fit');
    await page.getByRole('checkbox', { name: /It goes to/ }).check();
    await page.getByRole('button', { name: 'Exchange: €60.00 to pay' }).press('Enter');
    const number = await expectPlaced(page);
    await expect(page.locator('main')).toContainText(`To be paid: €60.00, at https://shop.brindle.example/pay/${number}`);
    expect([(await inShop(number)).status, (await inShop(number)).payments[0].captured]).toEqual(['unpaid', 18900]);
    await act('shop', 'pay', { number });
    await expect.poll(() => database(`SELECT status FROM orders WHERE number = '${number}'`), { timeout: 45_000 }).toBe('paid');
    // Of the first order, its goods have come back and no payment has.
    await expect.poll(async () => {
        const { lines, payments } = await inShop('B-20425');
        return [lines[0].refunded, payments[0].refunded];
    }, { timeout: 45_000 }).toEqual([18900, 0]);
});

test('what is not there any more is not sent: the money goes back after all, and all three books and the notes agree', async ({ page }) => {
    await signIn(page, 'mads');
    // As we had heard it last; the shop has sold it since.
    database("UPDATE products SET stock = 2 WHERE sku = 'MER-TEA'");
    await page.goto(`/orders/${orderId('B-20410')}/send`);
    await page.getByRole('radio', { name: 'Something else, in exchange for it' }).check();
    await page.getByLabel(/^Units of Merlin delta, red/).fill('1');
    await page.getByLabel('Product 1', { exact: true }).selectOption('MER-TEA');
    await page.getByLabel('Units of product 1').fill('1');
    await page.locator('#exchange-reason').selectOption('Does not fit');
    await page.getByRole('checkbox', { name: /It goes to/ }).check();
    await page.getByRole('button', { name: /^Exchange/ }).press('Enter');
    await expect(async () => {
        await page.reload();
        await expect(page.getByText(/there are 0 in stock/)).toBeVisible({ timeout: 500 });
    }).toPass({ timeout: 45_000 });
    const refund = database(`SELECT id FROM refunds WHERE order_id = ${orderId('B-20410')}`);
    const notes = () => database(`SELECT GROUP_CONCAT(takes_back ORDER BY number) FROM credit_notes WHERE refund_id = ${refund}`);
    const inBook = async () => {
        const { lines, payments } = await inShop('B-20410');
        return [lines[0].refunded, payments[0].refunded];
    };
    await expect.poll(inBook, { timeout: 45_000 }).toEqual([11900, 0]);
    await expect.poll(notes, { timeout: 45_000 }).toBe('0');
    await page.getByRole('button', { name: /money back/i }).press('Enter');
    await expect(page.getByText('The money is on its way back.')).toBeVisible();
    await expect.poll(inBook, { timeout: 45_000 }).toEqual([11900, 11900]);
    await expect.poll(notes, { timeout: 45_000 }).toBe('0,1,0');
    const { payments } = await inShop('B-20410');
    expect((await look('tollgate')).refunds.filter(({ payment, by }) => payment === payments[0].id && by === 'api').map(({ amount }) => amount)).toEqual([11900]);
});

test('an order that was paid with a gift card and a card goes back to each, and is cancelled before', async ({ page }) => {
    const id = orderId('B-20360');
    await signIn(page, 'mads');
    await page.goto(`/orders/${id}`);
    await page.getByText('Not sent yet: cancel it, or send it elsewhere').click();
    await page.getByLabel('Why it is cancelled').fill('Ordered twice');
    await page.getByRole('button', { name: 'Cancel the order' }).click();
    await expect(page.getByText('B-20360 is cancelled. What was paid can be given back.')).toBeVisible();
    await page.goto(`/orders/${id}/refund?everything=1`);
    const { payments, total } = await inShop('B-20360');
    await expect(page.locator('.split-parts')).toContainText('Gift card …7Q2M €50.00');
    await expect(page.locator('.split-parts')).toContainText(`Card …4242 €${((total - 5000) / 100).toFixed(2)}`);
    await page.getByLabel('Reason').selectOption('Cancelled');
    await page.getByRole('button', { name: `Give back €${(total / 100).toFixed(2)}` }).press('Enter');
    await expect.poll(async () => (await inShop('B-20360')).payments.map(({ refunded }) => refunded), { timeout: 45_000 }).toEqual(payments.map(({ captured }) => captured));
    const atProvider = (await look('tollgate')).refunds.filter(({ payment, by }) => payment === payments[1].id && by === 'api');
    expect(atProvider.map(({ amount }) => amount)).toEqual([total - 5000]);
});
