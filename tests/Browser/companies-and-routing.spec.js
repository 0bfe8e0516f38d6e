import { expect, test } from '@playwright/test';
import { database, expectAccessible, expectListening, mailFrom, signIn } from './world.js';

test('somebody writes from a company’s domain, is confirmed beside the conversation, and stands on its page', async ({ page }) => {
    await mailFrom('Nora Field <nora.field@kitebarn.example>', 'Window of the shop', 'Could we have two Merlins for the window, on loan until spring?');
    await signIn(page);
    // Where somebody hands it out before it is seen in a list, it is found all the same.
    const id = () => database("SELECT COALESCE(MAX(id), 0) FROM conversations WHERE subject = 'Window of the shop'");
    await expect.poll(id).not.toBe('0');
    await page.goto(`/conversations/${id()}`);
    const side = page.locator('#customer-side');
    await expect(side.getByText('Writes from a domain of')).toBeVisible();
    await side.getByRole('button', { name: 'Is of it' }).click();
    await expect(side.locator('.of-company')).toContainText('Of Kite Barn');
    await expect(page.locator('.trail')).toContainText('The customer is of Kite Barn by Ilse Norrby');
    await expect(side.getByLabel('Payment')).toHaveValue('Thirty days');

    await side.getByRole('link', { name: 'Kite Barn' }).click();
    await expect(page.getByRole('heading', { name: 'Kite Barn', exact: true })).toBeVisible();
    await expectAccessible(page);
    await page.getByLabel('Change Nora Field').click();
    const change = page.getByRole('row', { name: /Nora Field/ });
    await change.getByLabel('What they do there').fill('dresses the window');
    await change.getByRole('button', { name: 'Save' }).click();
    await expect(page.getByRole('row', { name: /Nora Field.*dresses the window/ })).toBeVisible();
    await expect(page.getByRole('link', { name: /Window of the shop/ })).toBeVisible();

    await page.goto('/search?q=company%3Abarn+window');
    await expect(page.getByText('Window of the shop')).toBeVisible();
    await page.goto('/companies');
    await expectAccessible(page);
});

test('a lead tries where a message would go, with the reasons, and nothing of it is kept', async ({ page }) => {
    await signIn(page, 'mads');
    await page.goto('/routing');
    await expectAccessible(page);
    await page.getByLabel('It comes to').selectOption({ label: 'returns@brindle.example' });
    await page.getByLabel('From').fill('tilde@farther.example');
    await page.getByLabel('Subject').fill('Sending a kite back');
    await page.getByLabel('Text').fill('I would like to send the Dunlin back, it is too small for my son.');
    await page.getByRole('button', { name: 'See where it goes' }).click();
    const tried = page.locator('section', { has: page.locator('#tried-title') });
    await expect(tried).toContainText('team Returns bench');
    await expect(tried).toContainText('promised as in “Returns”');
    await expect(tried).toContainText('To the returns bench');
    await expectAccessible(page);
    expect(database("SELECT COUNT(*) FROM conversations WHERE subject = 'Sending a kite back'")).toBe('0');
    expect(database("SELECT COUNT(*) FROM handles WHERE value = 'tilde@farther.example'")).toBe('0');
});

test('what is sorted under a category for its members alone is gone for the others, also for who is looking at it', async ({ browser }) => {
    await mailFrom('Pia Lund <pia@lund.example>', 'Something about a colleague', 'I would rather not say this to everybody.');
    const id = () => database("SELECT COALESCE(MAX(id), 0) FROM conversations WHERE subject = 'Something about a colleague'");
    await expect.poll(id).not.toBe('0');
    const [ilse, mads] = await Promise.all([0, 1].map(async () => (await browser.newContext()).newPage()));
    await signIn(ilse);
    await signIn(mads, 'mads');
    for (const page of [ilse, mads]) {
        await page.goto(`/conversations/${id()}`);
        await expect(page.locator('#trail')).toContainText('rather not say this');
        await expectListening(page);
    }
    await mads.locator('#menu-category summary').press('Enter');
    await mads.getByRole('button', { name: /About one of us \(its members alone\)/ }).click();
    await expect(mads.getByText('members alone, read by Corin, Mads')).toBeVisible();
    await expectAccessible(mads);
    // Ilse does nothing: her page finds out.
    await expect(ilse.getByRole('heading', { level: 1, name: 'There is no such page' })).toBeVisible();
    await expect(ilse.getByText('rather not say this')).toHaveCount(0);
    await ilse.goto('/search?q=%22about+a+colleague%22');
    await expect(ilse.getByText('Nothing was found.')).toBeVisible();
    await ilse.goto('/queue/nobodys-yet');
    await expect(ilse.getByText('Something about a colleague')).toHaveCount(0);
});
