import { expect, test } from '@playwright/test';
import { answer, database, expectMailbox, mailbox, mailFrom, setFault, signIn } from './world.js';

test.afterEach(() => setFault('none'));

test('an answer that the mail server refuses for now is tried again, and arrives once', async ({ page }) => {
    test.setTimeout(180_000);
    const faults = [['refuse', { times: 2 }], ['temporary', { times: 2 }]];
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

test('a server that lets us send from our bare address only, or loses what is written to others, is found out', async ({ page }) => {
    const takes = () => database("SELECT takes_details FROM accounts WHERE address = 'care@brindle.example'");
    const check = async () => {
        await page.goto('/accounts');
        await page.getByRole('link', { name: 'care@brindle.example' }).click();
        await page.getByRole('button', { name: 'Check the connection' }).click();
        await expect(page.getByText('Both servers let us in')).toBeVisible();
    };
    await signIn(page, 'corin');
    await check();
    await expect.poll(takes).toBe('1');
    await setFault('sender');
    await mailFrom('Ida Weber <ida-bare@weber.example>', 'Weather and senders', 'Too windy?');
    await answer(page, 'Weather and senders', 'Wait for the evening.');
    await expectMailbox('ida-bare@weber.example', 1);
    expect(takes()).toBe('0');

    await setFault('details');
    await check();
    await expect(page.getByText('has not arrived here')).toBeVisible();
    await setFault('none');
    await check();
    await expect(async () => {
        await page.reload();
        await expect(page.getByText('asks for replies to one of its conversation')).toBeVisible({ timeout: 1000 });
    }).toPass();
});
