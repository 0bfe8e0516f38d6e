import { expect, test } from '@playwright/test';
import { database, mailFrom, putInto, signIn } from './world.js';

// Mail that was made to hold up whoever reads it.
function hostile(subject, piece, megabytes) {
    return `From: Zoltan Karr <zoltan@karr.example>\r\nTo: returns@brindle.example\r\nSubject: ${subject}\r\nMessage-ID: <${Date.now()}.${Math.random()}@karr.example>\r\n`
        + `Content-Type: text/html; charset=utf-8\r\n\r\n<p>Read me</p>${piece.repeat(Math.floor(megabytes * 1e6 / piece.length))}\r\n`;
}

test('while mail is read that was made to hold us up, mail of another account arrives within ten seconds', async ({ page }) => {
    const stored = (subject) => Number(database(`SELECT COUNT(*) FROM messages WHERE subject = '${subject}'`));
    const pieces = ['<b>', '<table><tr><td>', '<b><i><u></b></i></u><p>'];
    for (const [number, piece] of pieces.entries()) {
        await putInto('returns@brindle.example', hostile(`Held up ${number}`, piece, 12));
    }
    await mailFrom('Petra Lund <petra@lund.example>', 'A plain question', 'Does the Dunlin come in red?');
    await expect.poll(() => stored('A plain question'), { timeout: 10_000 }).toBe(1);
    for (const number of pieces.keys()) {
        await expect.poll(() => stored(`Held up ${number}`), { timeout: 60_000 }).toBe(1);
    }
    expect(database('SELECT COUNT(*) FROM unreadable_mail')).toBe('0');
    // It can be opened, says that it is not all there, and its original can be had.
    await signIn(page);
    await page.goto(`/conversations/${database("SELECT conversation_id FROM messages WHERE subject = 'Held up 0'")}`);
    await expect(page.getByText('Read me').first()).toBeVisible();
    await expect(page.getByText('some of it stands as plain text')).toBeVisible();
    await expect(page.getByRole('link', { name: 'Original' }).first()).toBeVisible();
});
