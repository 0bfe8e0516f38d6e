import { execFile } from 'node:child_process';
import path from 'node:path';
import { promisify } from 'node:util';
import { expect, test } from '@playwright/test';
import { database, killHard, look, root, serviceFault, signIn, variable } from './world.js';

const COUNT = 1000;

test.afterEach(async () => {
    await serviceFault('tollgate', 'none');
    // A thousand credit notes are still to be drawn, which takes minutes: the stories after this one do not wait for them.
    database("UPDATE credit_notes JOIN refunds ON refunds.id = refund_id SET draw_next_at = NULL WHERE reason = 'Goodwill'");
});

test('a thousand refunds are paid once each, while the provider fails in every way and workers are killed', async ({ page }) => {
    test.setTimeout(600_000);
    const faults = { error: 25, busy: 15, answer_lost: 80, answer_late: 1, webhook_lost: 250, webhook_twice: 200, webhook_late: 150, webhook_old: 10, webhook_forged: 10 };
    for (const [kind, times] of Object.entries(faults)) {
        await serviceFault('tollgate', kind, times);
    }
    const giving = promisify(execFile)('php', [path.join(root, 'tests/Browser/give-back.php'), String(COUNT)], { env: { ...process.env, CAIRNFIELD_VAR: variable } });
    let isOver = false;
    const killing = (async () => {
        while (!isOver) {
            await new Promise((go) => { setTimeout(go, 700 + Math.random() * 1500); });
            killHard('worker-outbox');
        }
    })();
    await giving;
    const left = () => Number(database("SELECT COUNT(*) FROM refunds WHERE state != 'done' AND reason = 'Goodwill'"));
    // Half of it while workers are killed.
    await expect.poll(left, { timeout: 240_000, intervals: [1000] }).toBeLessThan(COUNT / 2);
    isOver = true;
    await killing;
    await expect.poll(left, { timeout: 240_000, intervals: [1000] }).toBe(0);

    const paid = (await look('tollgate')).refunds.filter(({ by }) => by === 'api');
    const ours = database("SELECT GROUP_CONCAT(once) FROM payouts JOIN refunds ON refunds.id = refund_id WHERE reason = 'Goodwill'").split(',').sort();
    expect(ours).toHaveLength(COUNT);
    const byUs = paid.filter(({ reference }) => ours.includes(reference));
    expect(byUs.filter(({ state }) => state === 'done').map(({ reference }) => reference).sort()).toEqual(ours);
    expect(byUs.filter(({ amount, state }) => amount !== 100 || state !== 'done')).toEqual([]);

    // The two books agree, also as the page says it.
    await signIn(page, 'mads');
    await page.goto('/refunds');
    await page.getByRole('button', { name: /Compare with/ }).click();
    await expect(async () => {
        await page.goto('/refunds');
        await expect(page.getByText(/and the two agree/)).toBeVisible({ timeout: 500 });
    }).toPass({ timeout: 45_000 });
});
