import { expect, test } from '@playwright/test';
import { database, killHard, mailFrom } from './world.js';

test('killing the receiving worker at any moment loses no message and stores none twice', async () => {
    test.setTimeout(240_000);
    const count = 50;
    for (let number = 0; number < count; number += 1) {
        await mailFrom(`Mila Gray <mila${number}@gray.example>`, `Grey sky ${number}`, `Message ${number}`);
        if (number % 9 === 5) {
            killHard('worker-intake');
        }
    }
    const stored = () => database("SELECT COUNT(*) FROM messages WHERE subject LIKE 'Grey sky %'");
    let last = '';
    for (let round = 0; round < 6 && stored() !== String(count); round += 1) {
        await expect.poll(() => { const now = stored(); const grew = now !== last; last = now; return grew || now === String(count); }, { timeout: 60_000 }).toBe(true);
        killHard('worker-intake');
    }
    await expect.poll(stored, { timeout: 120_000 }).toBe(String(count));
    expect(database("SELECT COUNT(DISTINCT subject) FROM messages WHERE subject LIKE 'Grey sky %'")).toBe(String(count));
    expect(database('SELECT COUNT(*) FROM unreadable_mail')).toBe('0');
});
