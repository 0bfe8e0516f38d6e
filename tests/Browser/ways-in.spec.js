import { expect, test } from '@playwright/test';
import { act, consoleOf, database, expectAccessible, expectMailbox, look, mailFrom, openConversation, serviceFault, signIn, web } from './world.js';

test('one parcel, three ways: it is seen at once, joined, and answered where the customer reads it', async ({ page }) => {
    // Berit bought on the marketplace. Nobody answers fast enough, so she writes everywhere.
    await mailFrom('Berit Wold <berit@wold.example>', 'My parcel does not move', 'Hello,\n\nwhere is my Marrowby order 71-4480380? It was sent last week.\n\nBerit Wold');
    await signIn(page);
    await openConversation(page, 'My parcel does not move');
    const mailAddress = page.url();
    const beside = page.getByRole('complementary', { name: 'Order and customer' });
    await expect(beside.getByRole('heading', { name: 'Order B-20380' })).toBeVisible();
    await expect(beside.getByRole('img', { name: /Paid .*Sent/ })).toBeVisible();
    await expect(beside).toContainText('Marrowby 71-4480380');
    await expect(beside).toContainText('beritw');
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

    // The first one says so, and offers to join them.
    await expect(async () => {
        await page.goto(mailAddress);
        await expect(beside.getByText('Open elsewhere too')).toBeVisible({ timeout: 1000 });
        await expect(beside.getByRole('button', { name: /^Join C-/ })).toHaveCount(2, { timeout: 1000 });
    }).toPass({ timeout: 45_000 });
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

test('an administrator connects, checks, pauses and disconnects an account', async ({ page }) => {
    await signIn(page, 'corin');
    await page.getByRole('link', { name: /^Set up/ }).click();
    await page.getByRole('link', { name: 'Ways in' }).click();
    await expectAccessible(page);
    await page.getByRole('link', { name: 'brindle.kites' }).click();
    await expect(page.getByText('kept; write here to change it')).toHaveCount(0);
    await expect(page.getByLabel('Key that the service gave you')).toHaveValue('');
    await page.getByRole('button', { name: 'Check the connection' }).click();
    await expect(page.getByText('Snapline knows us as brindle.kites.')).toBeVisible();
    await expectAccessible(page);

    await page.getByRole('button', { name: 'Pause' }).click();
    await expect(page.getByText('Paused. Nothing is read or sent')).toBeVisible();
    await act('snapline', 'message', { by: 'paused.pia', shown: 'Pia', text: 'Written while you were away' });
    await page.getByRole('button', { name: 'Go on' }).click();
    await expect.poll(() => database("SELECT COUNT(*) FROM messages WHERE text = 'Written while you were away'"), { timeout: 30_000 }).toBe('1');

    await page.getByText('Disconnect …').click();
    await page.getByRole('button', { name: 'Disconnect it' }).click();
    await expect(page.getByText('its secrets are thrown away')).toBeVisible();
    await page.getByRole('link', { name: 'brindle.kites' }).click();
    await page.getByLabel('Key that the service gave you').fill('not the key');
    await page.getByRole('button', { name: 'Connect it again' }).click();
    await expect(page.getByRole('alert')).toContainText('The API key is not known here.');
    await page.getByLabel('Key that the service gave you').fill(`kites-${new URL(web).port}-brindlekites`);
    await page.getByRole('button', { name: 'Save' }).click();
    await page.getByRole('button', { name: 'Check the connection' }).click();
    await expect(page.getByText('Snapline knows us as brindle.kites.')).toBeVisible();
});

test('customers and orders are found, likely duplicates merged and separated', async ({ page }) => {
    await signIn(page);
    await page.getByRole('link', { name: 'Customers' }).click();
    await page.getByLabel('Name, address, number or order').fill('wrenfield');
    await page.getByRole('button', { name: 'Find' }).click();
    await expect(page.getByRole('link', { name: 'Ana Wrenfield' })).toHaveCount(2);
    await expectAccessible(page);
    await page.getByRole('link', { name: /Likely duplicates/ }).click();
    await expectAccessible(page);
    await page.getByRole('listitem').filter({ hasText: 'same name Ana Wrenfield' }).getByRole('button', { name: 'They are one' }).click();
    await expect(page.getByText('It can be undone below.')).toBeVisible();
    await expect(page.getByText('anaw88')).toBeVisible();
    await expectAccessible(page);
    await page.getByRole('button', { name: 'Undo it' }).click();
    await expect(page.getByText('They are two customers again')).toBeVisible();

    await page.getByRole('link', { name: 'Orders', exact: true }).click();
    await expectAccessible(page);
    await page.getByLabel('Number, name or address').fill('71-4480217');
    await page.getByRole('button', { name: 'Find' }).click();
    await page.getByRole('link', { name: 'B-20388' }).click();
    await expect(page.getByText(/No scan for \d+ days/)).toBeVisible();
    await expectAccessible(page);
});

test('earlier conversations are taken over with progress, and a report of what was not', async ({ page }) => {
    const mails = Array.from({ length: 40 }, (_, number) => `From old Mon Mar 04 10:00:00 2024\nFrom: Old Friend ${number} <old${number}@friends.example>\nTo: care@brindle.example\nSubject: From the old days ${number}\n${number === 7 ? '' : 'Date: Mon, 04 Mar 2024 10:00:00 +0100\n'}Message-ID: <old${number}@friends.example>\n\nThe kite number ${number} flies.\n\n`);
    await signIn(page, 'corin');
    await page.goto('/history');
    await expectAccessible(page);
    await page.getByLabel(/^File/).setInputFiles({ name: 'old-days.mbox', mimeType: 'application/mbox', buffer: Buffer.from(mails.join('')) });
    await page.getByRole('button', { name: 'Take it over' }).click();
    await expect(page.getByText('Done.')).toBeVisible({ timeout: 45_000 });
    await expect(page.getByText('39 messages taken, 0 were here before, 1 not taken.')).toBeVisible();
    await expect(page.getByText('It has no date')).toBeVisible();
    await expectAccessible(page);
    const [file] = await Promise.all([page.waitForEvent('download'), page.goto('/history/export?format=jsonl').catch(() => null)]);
    expect(file.suggestedFilename()).toMatch(/^conversations-.*\.jsonl$/);
});
