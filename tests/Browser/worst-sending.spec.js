import { expect, test } from '@playwright/test';
import { database, expectAccessible, expectMailbox, killHard, mailbox, mailFrom, openConversation, setFault, signIn, workers } from './world.js';

test.afterEach(() => setFault('none'));

async function answer(page, subject, text) {
    await page.goto('/queue/my-turn');
    await openConversation(page, subject);
    await page.getByLabel(/^Your answer to/).fill(text);
    await page.getByRole('button', { name: /^Send(?!,)/ }).click();
    await expect(page.locator('.entry-us')).toContainText(text);
}

test('a mail server that fails is tried again, and each answer arrives once', async ({ page }) => {
    test.setTimeout(240_000);
    const faults = [['refuse', { times: 2 }], ['temporary', { times: 2 }], ['drop', { times: 2 }], ['delay', { times: 1, seconds: 4 }]];
    const address = (kind) => `fault-${kind}@weber.example`;
    await Promise.all(faults.map(([kind]) => mailFrom(`Ida Weber <${address(kind)}>`, `Weather and ${kind}`, 'Too windy?')));
    await signIn(page);
    for (const [kind, more] of faults) {
        await setFault(kind, more);
        await answer(page, `Weather and ${kind}`, 'Wait for the evening.');
        await expectMailbox(address(kind), 1, 50_000);
        await expect.poll(() => database(`SELECT state FROM outbox WHERE JSON_CONTAINS(recipients, '"${address(kind)}"')`)).toBe('sent');
    }
    for (const [kind] of faults) {
        expect(await mailbox(address(kind)), kind).toHaveLength(1);
    }
});

test('a refusal for good is shown on the trail with its reason, and can be sent again', async ({ page }) => {
    await mailFrom('Kim Rask <kim@rask.example>', 'Full mailbox', 'Anything new?');
    await signIn(page);
    await setFault('permanent', { times: 1 });
    await answer(page, 'Full mailbox', 'Not yet, Kim.');
    await expect(page.getByText('Not delivered.')).toBeVisible({ timeout: 30_000 });
    await expect(page.locator('.delivery-trouble')).toContainText('550');
    await expectAccessible(page);
    await page.getByRole('button', { name: 'Send it again' }).click();
    await expectMailbox('kim@rask.example', 1);
    await expect(page.getByText('Not delivered.')).toHaveCount(0);
});

test('killing the sending worker at any moment loses no answer and sends none twice', async ({ page }) => {
    test.setTimeout(180_000);
    const addresses = ['a', 'b', 'c', 'd', 'e'].map((letter) => `kill-${letter}@frost.example`);
    for (const address of addresses) {
        await mailFrom(`Nik Frost <${address}>`, `Frost ${address}`, 'Does it fly in frost?');
    }
    await signIn(page);
    await setFault('delay', { seconds: 1.5 });
    for (const address of addresses) {
        await answer(page, `Frost ${address}`, `Yes, ${address}.`);
        // In the middle of handing it over, or just before or after.
        await new Promise((go) => { setTimeout(go, Math.random() * 1200); });
        killHard('worker-outbox');
    }
    await setFault('delay', { seconds: 0.2 });
    for (const address of addresses) {
        await expectMailbox(address, 1, 90_000);
    }
    await expect.poll(() => database("SELECT COUNT(*) FROM outbox WHERE state NOT IN ('sent', 'back')"), { timeout: 60_000 }).toBe('0');
    for (const address of addresses) {
        expect(await mailbox(address)).toHaveLength(1);
    }
    expect(workers('worker-outbox')).toHaveLength(1);
});
