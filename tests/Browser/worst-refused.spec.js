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
