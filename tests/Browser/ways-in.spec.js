import { expect, test } from '@playwright/test';
import { act, consoleOf, database, expectAccessible, look, mailFrom, openConversation, signIn } from './world.js';

test('one parcel, three ways: it is seen at once, joined, and answered where the customer reads it', async ({ page }) => {
    // Berit bought on the marketplace. Nobody answers fast enough, so she writes everywhere.
    await mailFrom('Berit Wold <berit@wold.example>', 'My parcel does not move', 'Hello,\n\nwhere is my Marrowby order 71-4480380? It was sent last week.\n\nBerit Wold');
    await signIn(page);
    await openConversation(page, 'My parcel does not move');
    const mailAddress = page.url();
    const beside = page.getByRole('complementary', { name: 'Order and customer' });
    await expect(beside.getByRole('heading', { name: 'Order B-20380' })).toBeVisible();
    // The order was placed on the marketplace, by an account there: that she writes this mail is what she says herself.
    await expect(beside.getByRole('note')).toContainText('berit@wold.example is not an address that is known of them');
    await expect(beside.getByRole('img', { name: /Paid .*Sent/ })).toHaveCount(0);
    await expect(beside).not.toContainText('beritw');
    await expectAccessible(page);

    // She posts in public, by the console that a person would use.
    const customer = await page.context().newPage();
    await customer.goto(consoleOf('pennon'));
    await expectAccessible(customer);
    const post = customer.getByRole('group', { name: 'Post publicly' });
    await post.getByLabel('Account name').fill('@beritflies');
    await post.getByLabel('Shown name').fill('Berit Wold');
    await post.getByLabel('Text').fill('@brindlekites is anybody there? 71-4480380, two weeks.');
    await post.getByRole('button').click();
    await expect(customer.getByRole('status')).toHaveText('Done.');
    // And on the marketplace.
    await act('marrowby', 'order-message', { buyer: 'beritw', name: 'Berit Wold', order_number: '71-4480380', text: 'I want my money back or my kite.' });

    // The first one says so, and offers to join what is not hers for sure only once somebody has said that it is.
    await expect(async () => {
        await page.goto(mailAddress);
        await expect(beside.locator('.same-order-one')).toHaveCount(2, { timeout: 1000 });
    }).toPass({ timeout: 45_000 });
    await expect(beside.getByRole('button', { name: /^Join C-/ })).toHaveCount(0);
    await beside.getByRole('button', { name: 'It is them' }).click();
    await expect(beside.getByRole('img', { name: /Paid .*Sent/ })).toBeVisible();
    await expect(beside).toContainText('Marrowby 71-4480380');
    await expect(beside).toContainText('beritw');
    await beside.locator('.same-order-one').filter({ hasText: 'not verified' }).getByRole('link').click();
    await beside.getByRole('button', { name: 'It is them' }).click();
    await page.goto(mailAddress);
    await expect(beside.getByRole('button', { name: /^Join C-/ })).toHaveCount(2);
    await beside.getByRole('button', { name: /^Join C-/ }).first().click();
    await beside.getByRole('button', { name: /^Join C-/ }).first().click();
    await expect(page.getByText('Open elsewhere too')).toHaveCount(0);
    const trail = page.getByRole('list', { name: 'Trail' });
    await expect(trail).toContainText('where is my Marrowby order');
    await expect(trail).toContainText('is anybody there?');
    await expect(trail).toContainText('I want my money back or my kite.');
    await expectAccessible(page);

    // One answer, on the marketplace where she wrote last; the public one is offered, too.
    await page.getByLabel(/^Your answer/).fill('Sorry, Berit. The carrier has found it: it is at the depot and comes on Thursday.');
    await page.getByLabel('Marrowby: by order message').check();
    await page.getByRole('button', { name: /^Send(?!,)/ }).click();
    await expect(page.getByText('Sent.')).toBeVisible();
    await expect.poll(async () => (await look('marrowby')).orders['71-4480380'].map(({ from }) => from), { timeout: 20_000 }).toEqual(['buyer', 'seller']);
    await page.getByLabel(/^Your answer/).fill('Found, and on its way. We have written to you on Marrowby.');
    await page.getByLabel('Pennon: in public, under the post').check();
    await page.getByRole('button', { name: /^Send(?!,)/ }).click();
    await expect(page.getByText('replied in public')).toBeVisible();
    await expect.poll(async () => (await look('pennon')).posts.filter(({ author }) => author === '@brindlekites').map(({ text }) => text), { timeout: 20_000 }).toContain('Found, and on its way. We have written to you on Marrowby.');

    // She is one customer, and the queue holds her matter once.
    expect(database("SELECT COUNT(*) FROM conversations c JOIN customers k ON k.id = c.customer_id WHERE k.name = 'Berit Wold' AND c.state <> 'resolved'")).toBe('1');
    // What she says next comes to the same place, by whichever way.
    await act('pennon', 'direct', { from: '@beritflies', name: 'Berit Wold', to: '@brindlekites', text: 'Thank you. It came.' });
    await expect(trail).toContainText('Thank you. It came.', { timeout: 30_000 });
});

test('a public post asks how it is answered, is liked, changed and removed', async ({ page }) => {
    const { id } = await act('pennon', 'post', { author: '@gulla', name: 'Gulla Berg', text: '@brindlekites my reel sings when it turns, is that meant to be?' });
    await signIn(page);
    await openConversation(page, 'my reel sings when it turns, is that meant to be?');
    await expect(page.getByText('posted in public')).toBeVisible();
    await page.getByRole('button', { name: 'Like' }).click();
    await expect(page.getByRole('button', { name: 'Liked' })).toBeVisible();
    await expect.poll(async () => (await look('pennon')).posts.find((post) => post.id === id).likes, { timeout: 20_000 }).toEqual(['@brindlekites']);

    // Nothing is sent before the way is chosen.
    await page.getByLabel(/^Your answer/).fill('A drop of oil, and it is silent.');
    await page.getByRole('button', { name: /^Send(?!,)/ }).click();
    await expect(page.getByLabel('Pennon: in public, under the post')).toBeFocused();
    await page.getByLabel('Pennon: by direct message to @gulla').check();
    await page.getByRole('button', { name: /^Send(?!,)/ }).click();
    await expect(page.getByText('replied to @gulla')).toBeVisible();
    await expect.poll(async () => (await look('pennon')).directs.some(({ to }) => to === '@gulla'), { timeout: 20_000 }).toBe(true);

    await act('pennon', 'edit', { id, text: '@brindlekites my reel sang when it turned. Solved!' });
    await expect(page.getByText('Solved!')).toBeVisible({ timeout: 30_000 });
    await expect(page.getByText('Changed by the customer')).toBeVisible();
    await act('pennon', 'remove', { id });
    await expect(page.getByText('Removed by the customer')).toBeVisible({ timeout: 30_000 });
    await expectAccessible(page);
});

test('what is only listed becomes a conversation by hand, and a post of our own goes out', async ({ page }) => {
    await act('snapline', 'comment', { photo: 'f1', by: 'mira.k', shown: 'Mira K', text: 'Such a blue' });
    await signIn(page, 'mads');
    await expect(async () => {
        await page.goto('/public?only=listed');
        await expect(page.getByText('Such a blue')).toBeVisible({ timeout: 1000 });
    }).toPass({ timeout: 30_000 });
    await expectAccessible(page);
    const post = `The stall opens at nine on Saturday, by the old crane ${Date.now()}`;
    await page.getByLabel('Text').fill(post);
    await page.getByRole('button', { name: 'Post for everybody to read' }).click();
    await expect(page.getByText(post)).toBeVisible();
    await expect.poll(async () => (await look('pennon')).posts.filter(({ text }) => text === post).length, { timeout: 20_000 }).toBe(1);

    await page.goto('/public?only=listed');
    await page.getByRole('listitem').filter({ hasText: 'Such a blue' }).getByRole('button', { name: 'Make it a conversation' }).click();
    await expect(page.getByText('It is a conversation now.')).toBeVisible();
    await expect(page.getByText('commented in public')).toBeVisible();
});

test('the marketplace’s rules are told before an answer is on its way', async ({ page }) => {
    await act('quaymart', 'write', { about: 'order', ref: 'QM20114873', code: 'c-9901', name: 'Rikke', text: 'Where can I see how the bridle is tied?' });
    await signIn(page);
    await openConversation(page, 'Where can I see how the bridle is tied?');
    await page.getByLabel(/^Your answer/).fill('Look at https://shop.example/bridle, please.');
    await page.getByRole('button', { name: /^Send(?!,)/ }).click();
    await expect(page.getByRole('alert')).toContainText('allows no links and no email addresses');
    await expect(page.getByLabel(/^Your answer/)).toHaveValue('Look at https://shop.example/bridle, please.');
    await page.getByLabel(/^Your answer/).fill('The leaflet in the bag shows it on page two.');
    await page.getByRole('button', { name: /^Send(?!,)/ }).click();
    await expect.poll(async () => (await look('quaymart')).threads.find(({ customer }) => customer.code === 'c-9901').entries.map(({ by }) => by), { timeout: 20_000 }).toEqual(['customer', 'seller']);
});
