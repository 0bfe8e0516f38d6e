import { expect, test } from '@playwright/test';
import { expectAccessible, expectMailbox, mailFrom, mailbox, signIn, openConversation } from './world.js';

test('a customer says how it went on a page of their own, and the team reads it', async ({ page, browser }) => {
    await mailFrom('Liv Aske <liv@aske.example>', 'A question about bags', 'Does the bag of the Dunlin fit the Merlin as well?');
    await signIn(page);
    await openConversation(page, 'A question about bags');
    await page.keyboard.press('r');
    await page.keyboard.type(';how was');
    await expect(page.getByRole('listbox', { name: 'Templates' }).getByRole('option')).toHaveCount(1);
    await page.keyboard.press('Enter');
    await expect(page.locator('#reply-text')).toHaveValue(/\/rate\/\d+\?signature=/);
    await page.keyboard.press('Control+Enter');
    await expect(page.getByText('Sent.')).toBeVisible();
    await expectMailbox('liv@aske.example', 1);
    const [link] = (await mailbox('liv@aske.example'))[0].text.match(/http:\S+\/rate\/\S+/);

    // No session, and no script.
    const customer = await (await browser.newContext({ javaScriptEnabled: false })).newPage();
    await customer.goto(link);
    await expect(customer.getByRole('heading', { name: 'How did we do?' })).toBeVisible();
    await customer.getByLabel('2 of 5 stars').check({ force: true });
    await customer.getByLabel('Anything you would like to add?').fill('Kind, but slow.');
    await customer.getByRole('button', { name: 'Send' }).click();
    await expect(customer.getByRole('status')).toContainText('Thank you.');
    await expect(customer.getByLabel('2 of 5 stars')).toBeChecked();
    await customer.context().close();

    const scripted = await (await browser.newContext()).newPage();
    await scripted.goto(link);
    await expectAccessible(scripted);
    await scripted.context().close();

    await page.reload();
    await expect(page.locator('.trail')).toContainText('The customer gave 2 of 5 stars: “Kind, but slow.”');
    await page.goto('/templates?find=how+was');
    await expect(page.getByRole('row', { name: /How was it\?/ })).toContainText('2.00');
});

test('a second person says yes, and the one who asked goes on', async ({ page, browser }) => {
    await mailFrom('Jon Eik <jon@eik.example>', 'Bag after three years', 'The bag tore after three years. Is there anything you can do?');
    await signIn(page);
    await page.getByRole('link', { name: 'Bag after three years' }).click();
    await page.getByText('Approval', { exact: true }).click();
    await page.getByLabel('What is to be approved').fill('A new bag for free?');
    await page.getByLabel('Who is asked').selectOption({ label: 'Mads Overgaard' });
    await page.getByRole('button', { name: 'Ask, and hold it' }).click();
    await expect(page.getByText('Asked Mads Overgaard. It is held until there is an answer.')).toBeVisible();
    await expect(page.getByRole('button', { name: 'Approve' })).toHaveCount(0);
    await expectAccessible(page);

    const lead = await (await browser.newContext()).newPage();
    await signIn(lead, 'mads');
    await lead.getByRole('link', { name: /^News/ }).click();
    await lead.getByRole('link', { name: /A new bag for free\?/ }).first().click();
    await lead.getByLabel('What to go by').fill('Once, as a kindness.');
    // Enter is no yes.
    await lead.getByLabel('What to go by').press('Enter');
    await lead.getByRole('button', { name: 'Approve' }).click();
    await expect(lead.getByText('Approved.', { exact: true })).toBeVisible();
    await lead.context().close();

    await expect(page.locator('.trail')).toContainText('Approved by Mads Overgaard: A new bag for free? (Once, as a kindness.)', { timeout: 15_000 });
    await expect(page.locator('#conversation-head')).toContainText('Open');
});

test('who is away is passed over until they are back', async ({ page }) => {
    await signIn(page, 'mads');
    await page.goto('/sorting/teams');
    await expectAccessible(page);
    const ruta = page.getByRole('row', { name: /Ruta Kalnina/ }).last();
    await ruta.getByRole('button', { name: 'Away' }).click();
    await expect(page.getByRole('heading', { name: 'What falls due while Ruta is away' })).toBeVisible();
    await expectAccessible(page);
    await page.goto('/sorting/teams');
    await expect(page.getByRole('form', { name: 'Team Care' }).getByText('away')).toBeVisible();
    await ruta.getByRole('button', { name: 'Is here Ruta Kalnina' }).click();
    await expect(page.getByText('Ruta is here.')).toBeVisible();
    await page.locator('#menu-me summary').click();
    await page.getByRole('button', { name: 'Away', exact: true }).first().click();
    await expect(page.locator('.away-mark')).toBeVisible();
    await page.locator('#menu-me summary').click();
    await page.getByRole('button', { name: 'I am here again' }).click();
    await expect(page.locator('.away-mark')).toHaveCount(0);
});
