import { expect, test } from '@playwright/test';
import { act, database, serviceFault } from './world.js';

test('2,000 events with duplicates, gaps, reordering and outages: every item is there exactly once', async () => {
    test.setTimeout(600_000);
    const mark = `storm${Date.now()}`;
    await serviceFault('pennon', 'webhook_twice', 300);
    await serviceFault('pennon', 'webhook_late', 250);
    await serviceFault('pennon', 'webhook_lost', 700);
    await serviceFault('pennon', 'webhook_forged', 40);
    await serviceFault('pennon', 'webhook_old', 40);
    const written = [];
    const edited = new Map();
    const removed = new Set();
    let events = 0;
    const count = (answer) => { events += 1; return answer; };
    const people = 150;
    for (let batch = 0; batch < 75; batch++) {
        await Promise.all(Array.from({ length: 20 }, async (_, index) => {
            const number = batch * 20 + index;
            const person = `@storm${number % people}`;
            const { id } = count(number % 4 === 0
                ? await act('pennon', 'direct', { from: person, name: `Storm ${number % people}`, to: '@brindlekites', text: `${mark} direct ${number}` })
                : await act('pennon', 'post', { author: person, name: `Storm ${number % people}`, text: `@brindlekites ${mark} post ${number}` }));
            written.push(id);
            if (number % 4 === 1) {
                count(await act('pennon', 'edit', { id, text: `@brindlekites ${mark} post ${number}, put right` }));
                edited.set(id, `@brindlekites ${mark} post ${number}, put right`);
            }
            if (number % 12 === 3) {
                count(await act('pennon', 'remove', { id }));
                removed.add(id);
            }
        }));
        if (batch % 15 === 7) {
            // The service itself is out of order for a while, when it is asked for what was missed.
            await serviceFault('pennon', 'error', 3);
            await serviceFault('pennon', 'busy', 2);
        }
    }
    expect(events).toBeGreaterThanOrEqual(2000);

    const countStored = () => Number(database(`SELECT COUNT(*) FROM messages WHERE text LIKE '%${mark}%' AND direction = 'in'`));
    await expect.poll(countStored, { timeout: 240_000, intervals: [2000] }).toBe(written.length);
    const settled = () => database(`SELECT COUNT(*) FROM messages WHERE text LIKE '%${mark}%' AND removed_at IS NOT NULL`) + ' ' + database(`SELECT COUNT(*) FROM messages WHERE text LIKE '%${mark}%put right'`);
    await expect.poll(settled, { timeout: 120_000, intervals: [2000] }).toBe(`${removed.size} ${edited.size}`);
    expect(countStored()).toBe(written.length);
    const stored = database(`SELECT outside_id FROM messages WHERE text LIKE '%${mark}%' AND direction = 'in'`).split('\n').sort();
    expect(stored).toEqual([...written].sort());
    expect(Number(database(`SELECT COUNT(*) FROM channel_items WHERE text LIKE '%${mark}%' AND message_id IS NULL`))).toBe(0);
    // What was wrongly signed or old was refused, and an administrator can see it.
    expect(Number(database("SELECT SUM(times) FROM event_traces WHERE problem = 'bad_signature'"))).toBeGreaterThan(0);
    // Out of the way of the tests that come after: they look for theirs in the queue.
    database(`UPDATE conversations SET state = 'closed', waiting_since = NULL, due_at = NULL WHERE id IN (SELECT conversation_id FROM messages WHERE text LIKE '%${mark}%')`);
});
