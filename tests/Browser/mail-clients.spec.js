import { execFileSync } from 'node:child_process';
import { chmodSync, mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { expect, test } from '@playwright/test';
import { database, imapPort, mailbox, outside, setting, signIn, smtpPort, variable } from './world.js';

// Two mail programs that others wrote, as customers use them, and a mail system that cannot deliver.
let folder;

test.beforeEach(() => {
    mkdirSync(variable, { recursive: true });
    folder = mkdtempSync(path.join(variable, 'mail-clients-'));
});
test.afterEach(() => rmSync(folder, { recursive: true, force: true }));

function mutt(name, address, given, input) {
    const settings = path.join(folder, `muttrc-${address}`);
    const box = `imap://${encodeURIComponent(address)}@127.0.0.1:${imapPort}/INBOX`;
    writeFileSync(settings, [
        `set realname="${name}" from="${address}" use_from=yes envelope_from=yes smtp_url="smtp://127.0.0.1:${smtpPort}/"`,
        `set folder="${box}" spoolfile="${box}" imap_pass="${setting('STANDIN_PASSWORD')}" ssl_starttls=no ssl_force_tls=no`,
        'set record="" copy=no fast_reply=yes autoedit=yes include=yes abort_unmodified=no abort_nosubject=no reply_to=yes quit=yes',
        `set header_cache="" tmpdir="${folder}" sort=date-received`,
        '',
    ].join('\n'));
    return execFileSync('sh', ['-c', given, 'mutt', settings], { input: input ?? '', timeout: 30_000, env: { ...process.env, TERM: 'xterm', folder } });
}

const muttWrites = (name, address, subject, text, copies) => mutt(
    name, address, `mutt -n -F "$1" -s '${subject}' ${copies.map((copy) => `-c ${copy}`).join(' ')} care@brindle.example`, text,
);

// Answers the last message of the mailbox, to everybody.
function muttAnswers(name, address, text, as = address) {
    const editor = path.join(folder, `editor-${Date.now()}`);
    writeFileSync(editor, `#!/bin/sh\n{ printf '%s\\n\\n' '${text}'; cat "$1"; } > "$1.new" && mv "$1.new" "$1"\n`);
    chmodSync(editor, 0o700);
    const keys = `<last-entry><group-reply>${as === address ? '' : `<edit-from><kill-line>${as}<enter>`}<send-message><exit>`;
    mutt(name, address, `script -qec "mutt -n -F '$1' -e 'set editor=${editor}' -e 'push ${keys}'" /dev/null`);
}

function swaks(from, ...more) {
    execFileSync('swaks', ['--server', `127.0.0.1:${smtpPort}`, '--from', from, '--hide-all', ...more], { timeout: 30_000 });
}

const stored = (subject) => Number(database(`SELECT COUNT(*) FROM messages m JOIN conversations c ON c.id = m.conversation_id WHERE c.subject = '${subject}' AND m.direction = 'in'`));
const conversationOf = (subject) => database(`SELECT MIN(id) FROM conversations WHERE subject = '${subject}'`);

async function arrived(subject, count) {
    await expect.poll(() => stored(subject)).toBe(count);
    expect(database(`SELECT COUNT(*) FROM conversations WHERE subject LIKE '%${subject}%'`)).toBe('1');
}

// The only way to answer, or the one that is chosen of several.
const goingTo = (page) => page.locator('.compose-from:not(:empty), .routes label:has(:checked)').filter({ hasText: '@' });

// Answers as the page proposes it, and says whom it goes to.
async function answers(page, subject, text, to, copies = '') {
    await page.goto(`/conversations/${conversationOf(subject)}`);
    await expect(goingTo(page)).toContainText(to, { ignoreCase: true });
    await expect(page.locator('#reply-cc')).toHaveValue(copies);
    await answer(page, text);
}

async function answer(page, text) {
    await page.locator('#reply-text').fill(text);
    await page.locator('#reply-form').getByRole('button', { name: /^Send(?!,)/ }).click();
    await expect(page.getByRole('status').filter({ hasText: 'Sent.' })).toBeVisible();
}

// Once, and as the last that came.
async function received(address, text) {
    const found = async () => (await mailbox(address)).filter((message) => message.text.startsWith(text));
    await expect.poll(async () => (await found()).length, { message: `${text} to ${address}` }).toBe(1);
    expect((await mailbox(address)).at(-1).text).toContain(text);
    return (await found())[0];
}

test('five mails there and back with a mail program, somebody in copy, and an address that changes', async ({ page }) => {
    const [ada, nils, home, subject] = ['ada@lark.example', 'nils@lark.example', 'ada@home.example', 'Larks for the school'];
    await signIn(page);
    muttWrites('Ada Lark', ada, subject, 'Do you sell twenty at once?\n', [nils]);
    await arrived(subject, 1);
    await answers(page, subject, 'We do, at a tenth less.', ada, nils);
    expect((await received(ada, 'We do, at a tenth less.')).cc.value.map(({ address }) => address)).toEqual([nils]);
    await received(nils, 'We do, at a tenth less.');

    muttAnswers('Ada Lark', ada, 'And when could they be here?');
    await arrived(subject, 2);
    await answers(page, subject, 'On Friday.', ada, nils);
    await received(ada, 'On Friday.');

    // Whoever is in copy answers everybody: it is part of the same, and the customer stays the customer.
    await received(nils, 'On Friday.');
    muttAnswers('Nils Lark', nils, 'Friday suits the school.');
    await arrived(subject, 3);
    await received(ada, 'Friday suits the school.');
    await answers(page, subject, 'Then Friday it is.', ada, nils);
    await received(ada, 'Then Friday it is.');
    await received(nils, 'Then Friday it is.');

    // From another address: until somebody says that it is hers, both have the answer.
    muttAnswers('Ada Lark', ada, 'Please write to me at home.', home);
    await arrived(subject, 4);
    await answers(page, subject, 'Is that you, Ada?', ada, `${home}, ${nils}`);
    await received(home, 'Is that you, Ada?');
    await page.goto(`/conversations/${conversationOf(subject)}`);
    await page.getByRole('complementary', { name: 'Order and customer' }).getByRole('link', { name: 'Ada Lark' }).first().click();
    await page.locator('#handle-value').fill(home);
    await page.getByRole('button', { name: 'Add', exact: true }).click();
    await expect(page.getByText(`${home} is theirs now.`)).toBeVisible();
    muttAnswers('Ada Lark', home, 'It is.');
    await arrived(subject, 5);
    await answers(page, subject, 'Good, it goes there.', home, nils);
    await received(home, 'Good, it goes there.');
    expect((await mailbox(ada)).filter(({ text }) => text.startsWith('Good'))).toEqual([]);
});

test('five mails there and back that refer to little, reports that mail came back, and an address to answer to', async ({ page }) => {
    const [ben, subject] = ['ben@heron.example', 'A heron with one leg'];
    const writes = (from, text, ...headers) => swaks(from, '--to', 'care@brindle.example', '--body', text, ...headers);
    await signIn(page);
    writes(ben, 'It has but one.', '--h-Subject', subject, '--h-From', `Ben Heron <${ben}>`);
    await arrived(subject, 1);
    await answers(page, subject, 'Is the other in the box?', ben);
    const first = await received(ben, 'Is the other in the box?');

    // One that only refers, one that only names the number, one that only comes to the address that it was asked for.
    writes(ben, 'It is not.', '--h-Subject', 'no', '--add-header', `In-Reply-To: ${first.messageId}`);
    await arrived(subject, 2);
    await answers(page, subject, 'We send one.', ben);
    await received(ben, 'We send one.');
    writes('BEN@Heron.example', 'Thank you.', '--h-Subject', `about [C-${conversationOf(subject)}]`);
    await arrived(subject, 3);
    await answers(page, subject, 'With pleasure.', ben);
    const third = await received(ben, 'With pleasure.');
    swaks(ben, '--to', third.replyTo.value[0].address, '--body', 'It has come.', '--h-Subject', 'hello');
    await arrived(subject, 4);
    await answers(page, subject, 'Does it stand?', ben);
    await received(ben, 'Does it stand?');

    // The other side's mail system gives up later, and names nothing of ours: it writes to where the answer was sent from.
    const sentFrom = (await (await fetch(`${outside}/faults`, { headers: { accept: 'text/html' } })).text())
        .match(/care\+m\d+\.[a-z2-7]{16}@brindle\.example(?=[^]{0,80}ben@heron\.example)/i);
    expect(sentFrom).not.toBeNull();
    const report = path.join(folder, 'report');
    writeFileSync(report, `From: Mail Delivery Subsystem <mailer-daemon@mx.heron.example>\nTo: ${sentFrom[0]}\nSubject: Returned mail: delivery failed\n\nDelivery to ${ben} failed for good: 552 5.2.2 Mailbox full\n`);
    swaks('<>', '--to', sentFrom[0], '--data', `@${report}`);
    await arrived(subject, 5);
    await page.goto(`/conversations/${conversationOf(subject)}`);
    await expect(page.getByText(`Did not reach ${ben}: the mailbox is full`)).toBeVisible();
    await expect(page.locator('#menu-state summary')).toContainText('Open');
    await expect(goingTo(page)).toContainText(ben, { ignoreCase: true });

    // Answers are wanted elsewhere from now on.
    writes(ben, 'My mailbox is full, write to the shop.', '--h-Subject', `Re: ${subject}`, '--add-header', `In-Reply-To: ${third.messageId}`, '--add-header', 'Reply-To: shop@heron.example');
    await arrived(subject, 6);
    // Anybody could ask for that in his name: it is offered, and somebody says so.
    await page.goto(`/conversations/${conversationOf(subject)}`);
    await expect(goingTo(page)).toContainText(ben, { ignoreCase: true });
    await expect(page.getByText('asks for answers at shop@heron.example').first()).toBeVisible();
    await page.locator('#reply-text').click();
    await page.getByLabel(/shop@heron\.example, where their mail asks for answers/).check();
    await answer(page, 'We do: does it stand?');
    await received('shop@heron.example', 'We do: does it stand?');
});
