import { expect, test } from '@playwright/test';
import { database, expectAccessible, expectAccessibleInLightAndDark, look, signIn } from './world.js';

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
