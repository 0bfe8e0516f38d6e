import { truncateSync, writeFileSync } from 'node:fs';
import { expect, test } from '@playwright/test';
import { act, database, expectAccessible, expectAccessibleInLightAndDark, look, signIn } from './world.js';

const orderId = (number) => database(`SELECT id FROM orders WHERE number = '${number}'`);
const returnOf = (number) => database(`SELECT returns.id FROM returns JOIN orders ON orders.id = order_id WHERE number = '${number}' ORDER BY returns.id DESC LIMIT 1`);

// Agreed in the order, with a label of the carrier's.
async function agreeTo(page, number, reason) {
    await page.goto(`/orders/${orderId(number)}`);
    await page.getByRole('link', { name: 'Something comes back' }).press('Enter');
    // The cursor stands in the first line.
    await expect(page.getByLabel(/^Units of/).first()).toBeFocused();
    await page.keyboard.type('1');
    await page.getByLabel('Why it comes back').selectOption(reason);
    await expect(page.locator('#offered')).toContainText('may come back until');
    await page.getByRole('button', { name: 'Agree, with a label of ours' }).press('Enter');
    await expect(page.getByRole('heading', { level: 2, name: /R-\d+ · agreed/ })).toBeVisible();
    const id = returnOf(number);
    await expect.poll(() => database(`SELECT label_number FROM returns WHERE id = ${id}`), { timeout: 45_000 }).toMatch(/^WP79/);
    return { id, label: database(`SELECT label_number FROM returns WHERE id = ${id}`) };
}

test('a change of mind: agreed, followed, scanned and inspected by keyboard, and given back less what was opened', async ({ page, browser }) => {
    await signIn(page, 'ilse');
    const { id, label } = await agreeTo(page, 'B-20375', 'Changed mind');
    await page.reload();
    await expect(page.getByRole('link', { name: label })).toBeVisible();
    const answer = await page.request.get(`/returns/${id}/label`);
    expect(answer.headers()['content-type']).toBe('application/pdf');
    expect((await answer.body()).toString('latin1')).toContain(label);
    await act('wren-parcel', 'scan', { number: label, stage: 'collected', place: 'Odense' });
    await expect(async () => {
        await page.reload();
        await expect(page.getByRole('heading', { level: 2, name: /on its way/ })).toBeVisible({ timeout: 500 });
    }).toPass({ timeout: 45_000 });

    // Femi has a scanner that types, and a keyboard.
    const bench = await (await browser.newContext()).newPage();
    await signIn(bench, 'femi');
    await bench.goto('/returns');
    await bench.keyboard.type(`${label}\n`);
    await expect(bench.getByRole('heading', { level: 2, name: /arrived/ })).toBeVisible();
    await expectAccessibleInLightAndDark(bench);
    await bench.keyboard.press('l');
    await bench.keyboard.type(`${label}\n`);
    await expect(bench.getByText(/is arrived\./)).toBeVisible();
    // A photo as large as a film is refused before it is sent.
    const film = test.info().outputPath('kite.jpg');
    writeFileSync(film, '');
    truncateSync(film, 60 * 1024 * 1024);
    const photos = bench.getByLabel(/^Photos/);
    await photos.setInputFiles(film);
    expect(await photos.evaluate((field) => field.validationMessage)).toBe('“kite.jpg” has 60 MB: a photo has 12 MB at most.');
    await bench.goto(`/returns/${id}`);
    await bench.keyboard.press('2');
    await expect(bench.getByRole('radio', { name: /Opened/ })).toBeChecked();
    await expect(bench.getByLabel(/Back to stock/)).not.toBeChecked();
    await bench.keyboard.press('Enter');
    await expect(bench.getByText(/is inspected\./)).toBeVisible();
    await bench.goto(`/returns/${id}`);
    await expect(bench.getByText('Care settles it from here.')).toBeVisible();
    await expect(bench.locator('.bench-one')).toContainText('Merlin delta, slate, opened: of €119.00 we give 85 %, and take €17.85 off.');

    const lead = await (await browser.newContext()).newPage();
    await signIn(lead, 'mads');
    await lead.goto(`/returns/${id}`);
    await lead.getByRole('link', { name: 'Give it back' }).click();
    const total = (11900 + 900 - 1785 - 650) / 100;
    await lead.getByRole('button', { name: `Give back €${total.toFixed(2)}` }).press('Enter');
    await expect(lead.getByRole('heading', { level: 1 })).toContainText(`€${total.toFixed(2)} of B-20375`);
    await expect(lead.getByRole('row', { name: /Taken off at the inspection/ })).toContainText('−€17.85');
    // In the shop's book: the money, and that it came back.
    await expect.poll(async () => {
        const { lines, payments } = (await look('shop')).orders.find(({ number }) => number === 'B-20375');
        return [lines[0].returned, payments[0].refunded];
    }, { timeout: 45_000 }).toEqual([1, total * 100]);
    await lead.goto(`/returns/${id}`);
    await expect(lead.getByRole('heading', { level: 2, name: /settled/ })).toBeVisible();
    await expectAccessible(lead);
});

test('what cannot be: nothing twice, nothing unknown, and declined only with a reason', async ({ page }) => {
    await signIn(page, 'mads');
    await page.goto(`/orders/${orderId('B-20421')}/return`);
    await page.getByRole('button', { name: 'Only note it' }).click();
    await expect(page.getByRole('alert')).toContainText('Choose why it comes back.');
    await page.getByLabel(/Units of Dunlin/).fill('1');
    await page.getByLabel('Why it comes back').selectOption('Faulty');
    await page.getByLabel('What the customer says').fill('A spar is cracked.');
    await page.getByRole('button', { name: 'Only note it' }).click();
    await expect(page.getByRole('heading', { level: 2, name: /asked for/ })).toBeVisible();
    const id = returnOf('B-20421');
    await page.goto(`/orders/${orderId('B-20421')}/return`);
    await expect(page.getByLabel(/Units of Dunlin/)).toBeDisabled();
    await page.goto(`/returns/${id}`);
    await page.getByRole('button', { name: 'Decline' }).click();
    await expect(page.getByRole('alert')).toContainText('Say why it is declined');
    await page.getByLabel('Why not').fill('It is a scratch in the bag, not in the kite.');
    await page.getByRole('button', { name: 'Decline' }).click();
    await expect(page.getByRole('heading', { level: 2, name: /declined/ })).toBeVisible();
    await page.getByLabel(/Scan or type/).fill('WP0000000');
    await page.getByLabel(/Scan or type/).press('Enter');
    await expect(page.getByRole('alert')).toContainText('“WP0000000” belongs to no return.');
    await expect(page.getByLabel(/Scan or type/)).toHaveValue('WP0000000');
    await page.goto('/return-policies');
    await expectAccessibleInLightAndDark(page);
});
