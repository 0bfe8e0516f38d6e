import { expect, test } from '@playwright/test';
import { answer, database, expectMailbox, killHard, mailbox, mailFrom, setFault, signIn, workers } from './world.js';

test.afterEach(() => setFault('none'));

test('killing the sending worker at any moment loses no answer and sends none twice', async ({ page }) => {
    test.setTimeout(180_000);
    const addresses = ['a', 'b', 'c', 'd'].map((letter) => `kill-${letter}@frost.example`);
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
    await expect.poll(() => database("SELECT COUNT(*) FROM outbox WHERE recipients LIKE '%frost.example%' AND state != 'sent'"), { timeout: 60_000 }).toBe('0');
    for (const address of addresses) {
        expect(await mailbox(address)).toHaveLength(1);
    }
    expect(workers('worker-outbox')).toHaveLength(1);
});
