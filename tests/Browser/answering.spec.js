import { expect, test } from '@playwright/test';
import { expectAccessible, expectMailbox, openConversation, outside, signIn } from './world.js';

test('a customer writes, is answered, answers back, and the same conversation comes again', async ({ page, context }) => {
    const subject = 'Merlin without its bag';
    await signIn(page);
    await expectAccessible(page);
    await expect(page.getByText(subject)).toHaveCount(0);

    const customer = await context.newPage();
    await customer.goto(`${outside}/write`);
    await expectAccessible(customer);
    await customer.getByLabel('From').fill('Signe Aas <signe@aas.example>');
    await customer.getByLabel('Subject').fill(subject);
    await customer.getByLabel('Text', { exact: true }).fill('Hello,\n\nthe Merlin came without its bag. Is it sent apart?\n\nSigne Aas');
    await customer.getByLabel('Files').setInputFiles({ name: 'empty box.txt', mimeType: 'text/plain', buffer: Buffer.from('an empty box') });
    await customer.getByRole('button', { name: 'Send' }).click();
    await expect(customer.getByRole('status')).toHaveText('Sent to care@brindle.example.');

    // It arrives in the queue by itself: the page is never loaded anew.
    await page.evaluate(() => { window.notLoadedAnew = true; });
    await expect(page.getByRole('link', { name: subject })).toBeVisible({ timeout: 30_000 });
    expect(await page.evaluate(() => window.notLoadedAnew)).toBe(true);

    await openConversation(page, subject);
    const address = page.url();
    await expectAccessible(page);
    await expect(page.getByText('the Merlin came without its bag')).toBeVisible();
    await expect(page.getByRole('complementary', { name: 'Order and customer' })).toContainText('Signe Aas');
    const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'empty box.txt' }).click()]);
    expect(file.suggestedFilename()).toBe('empty box.txt');

    await page.getByRole('button', { name: /^Take/ }).click();
    await expect(page.getByText('Taken by Ilse Norrby')).toBeVisible();
    await page.locator('.tab-note').click();
    await page.getByLabel('Note for the team').fill('Bags were short on Thursday. @Femi, any left?');
    await page.getByRole('button', { name: 'Write note' }).click();
    await expect(page.getByText('only the team sees this')).toBeVisible();
    await expectAccessible(page);

    await page.getByLabel('Your answer to Signe Aas').fill('Hello Signe,\n\nit is on its way in a parcel of its own.\n\nIlse');
    await page.getByRole('button', { name: /^Send(?!,)/ }).click();
    await expect(page.getByRole('status').filter({ hasText: 'Sent.' })).toBeVisible();
    await expect(page.locator('#menu-state summary')).toContainText('Waiting on customer');

    const [answer] = await expectMailbox('signe@aas.example', 1);
    const question = await page.request.get(`${await page.getByRole('link', { name: 'Original' }).first().getAttribute('href')}`);
    const questionId = (await question.text()).match(/^Message-ID: *(<[^>]+>)/im)[1];
    expect(answer.inReplyTo).toBe(questionId);
    expect(answer.text).toContain('it is on its way in a parcel of its own.');
    expect(answer.text).toContain('> the Merlin came without its bag');
    expect(answer.text).not.toContain('Bags were short');
    expect(answer.replyTo.value[0].address).toMatch(/^care\+c\d+\..+@brindle\.example$/);

    // The customer answers from their mailbox; the open page shows it by itself.
    await customer.goto(`${outside}/mailbox?address=signe@aas.example`);
    await expectAccessible(customer);
    await customer.getByRole('link', { name: /Merlin without its bag/ }).click();
    await expectAccessible(customer);
    await customer.getByRole('link', { name: 'Answer it' }).click();
    const written = customer.getByLabel('Text', { exact: true });
    await written.fill(`It came, thank you!\n${await written.inputValue()}`);
    await customer.getByRole('button', { name: 'Send' }).click();
    await expect(page.getByText('It came, thank you!')).toBeVisible({ timeout: 30_000 });
    expect(page.url()).toBe(address);
    await expect(page.locator('#menu-state summary')).toContainText('Open');
    await expect(page.locator('.entry-customer').last().getByText('it is on its way in a parcel')).toBeHidden();

    await page.locator('#menu-resolve summary').click();
    await page.getByRole('button', { name: 'Information given' }).click();
    await expect(page.locator('#menu-state summary')).toContainText('Resolved');
    await page.goto('/queue/resolved');
    await expect(page.getByRole('link', { name: subject })).toBeVisible();
    await expectAccessible(page);
});
