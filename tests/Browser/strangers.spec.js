import { expect, test } from '@playwright/test';
import { expectAccessibleInLightAndDark, expectMailbox, mailbox, mailFrom, openConversation, putInto, signIn } from './world.js';

// Hanne Vik has ordered B-20360 and has written before. Whoever has seen her parcel knows name, number and street.
test('a stranger with a customer’s name and order number is shown as what he is, and the customer is asked', async ({ page }) => {
    await mailFrom('Hanne Vik <hanne.vik@freepost.example>', 'New address for B-20360', 'Hello,\n\nplease send B-20360 to Havnegata 9 instead of Strandveien 7.\n\nHanne Vik');
    await signIn(page);
    await openConversation(page, 'New address for B-20360');
    const beside = page.getByRole('complementary', { name: 'Order and customer' });
    const note = beside.getByRole('note');
    await expect(note).toContainText('Not verified.');
    await expect(note).toContainText('Hanne Vik placed it. hanne.vik@freepost.example is not an address that is known of them.');
    // Nothing that he did not say himself.
    for (const hers of ['hanne@vik.example', '5003', 'Dunlin', 'Gift card']) {
        await expect(beside).not.toContainText(hers);
    }
    await page.getByLabel(/^Your answer to/).focus();
    await expect(page.locator('#not-verified')).toContainText('not known to be who placed B-20360');
    await expectAccessibleInLightAndDark(page);

    // She is asked at the address that the shop knows, and he hears nothing of it.
    await note.getByText('Ask at h…@vik.example').click();
    await expect(note.getByRole('textbox')).toHaveValue(/^Hello Hanne Vik,\n\nsomebody wrote to us about your order B-20360/);
    await note.getByRole('button', { name: 'Ask', exact: true }).click();
    await expect(page.getByText(/^Asked in C-\d+\. Nothing of it goes to who wrote here\.$/)).toBeVisible();
    await expect.poll(async () => (await mailbox('hanne@vik.example')).filter(({ text }) => text.includes('from an address that we do not know as yours')).length, { timeout: 30_000 }).toBe(1);
    expect(await mailbox('hanne.vik@freepost.example')).toEqual([]);
});

test('an answer does not go astray to who writes in a customer’s name and asks for answers elsewhere', async ({ page }) => {
    await putInto('care@brindle.example', [
        'From: Birte Holm <birte@holm.example>', 'Reply-To: Birte Holm <birte.holm@thief.example>', 'To: care@brindle.example',
        'Subject: Where may I send it back', 'Message-ID: <asked-elsewhere@holm.example>', 'Date: Mon, 23 Nov 2026 10:00:00 +0100', '', 'Where to, please?', '',
    ].join('\r\n'));
    await signIn(page);
    await openConversation(page, 'Where may I send it back');
    await page.getByLabel(/^Your answer to/).focus();
    await expect(page.getByRole('radio', { name: 'Email to birte@holm.example', exact: true })).toBeChecked();
    await expect(page.getByRole('radio', { name: /^Email to birte\.holm@thief\.example, where their mail asks for answers; nobody there has taken part$/ })).not.toBeChecked();
    await page.getByLabel(/^Your answer to/).fill('To the quayside, please.');
    await page.getByRole('button', { name: /^Send(?!,)/ }).click();
    await expect(page.locator('.entry-us')).toContainText('To the quayside');
    await expect.poll(async () => (await mailbox('birte@holm.example')).filter(({ text }) => text.includes('To the quayside')).length, { timeout: 30_000 }).toBe(1);
    await expectMailbox('birte.holm@thief.example', 0);
});
