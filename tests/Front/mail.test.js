import assert from 'node:assert/strict';
import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { mkdtempSync, readdirSync, rmSync } from 'node:fs';
import { connect } from 'node:net';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { after, before, beforeEach, test } from 'node:test';
import { fileURLToPath } from 'node:url';
import nodemailer from 'nodemailer';
import { freePort, until } from './standin.js';

// The simulated world of mail: its listener is spoken to as the application does, its pages as a person.
const folder = mkdtempSync(path.join(tmpdir(), 'mail-'));
const server = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '../../standins/mail/server.js');
let http;
let smtp;
let mail;

const page = async (address) => fetch(`http://127.0.0.1:${http}${address}`);

async function form(address, values) {
    const body = new FormData();
    for (const [name, value] of Object.entries(values)) {
        for (const one of [value].flat()) {
            body.append(name, one);
        }
    }
    const response = await fetch(`http://127.0.0.1:${http}${address}`, { method: 'POST', body, headers: { accept: 'application/json' } });
    return { status: response.status, ...(response.status === 200 ? await response.json() : { page: await response.text() }) };
}

const send = (message) => nodemailer.createTransport({ host: '127.0.0.1', port: smtp, connectionTimeout: 3000, socketTimeout: 5000 })
    .sendMail({ from: 'care@brindle.example', to: 'tomas@hruby.example', subject: 'Your order', text: 'On its way.', ...message });
const fault = (kind, times = '', seconds = '') => form('/faults', { kind, times: String(times), seconds: String(seconds) });
const accepted = async () => (await (await fetch(`http://127.0.0.1:${http}/faults`, { headers: { accept: 'application/json' } })).json()).accepted;
const subjects = async (address) => [...(await (await page(`/mailbox?address=${encodeURIComponent(address)}`)).text()).matchAll(/name=[^"]+">([^<]*)</g)].map(([, subject]) => subject);

before(async () => {
    [http, smtp] = [await freePort(), await freePort()];
    mail = spawn('node', [server], { env: { ...process.env, STANDIN_HTTP_PORT: String(http), STANDIN_SMTP_PORT: String(smtp), STANDIN_MAILDIRS: folder }, stdio: 'inherit' });
    await until('the mail stand-in', () => page('/').then(() => true, () => false));
});
after(async () => {
    mail.kill();
    await once(mail, 'exit');
    rmSync(folder, { recursive: true });
});
beforeEach(() => fault('none'));

test('what is sent lies in the mailbox of each recipient, whole', async () => {
    await send({ to: ['one@box.example', 'two@box.example'], subject: 'To both' });
    assert.deepEqual(await subjects('one@box.example'), ['To both']);
    assert.deepEqual(await subjects('two@box.example'), ['To both']);
    assert.deepEqual(readdirSync(path.join(folder, 'one@box.example', 'tmp')), []);
    const [name] = readdirSync(path.join(folder, 'one@box.example', 'new'));
    const raw = await (await page(`/raw?address=one@box.example&name=${name}`)).text();
    assert.match(raw, /^Subject: To both\r$/m);
});

test('an address with something after a plus, or in capitals, is one mailbox', async () => {
    await send({ to: 'Plus+order-20417@Box.example', subject: 'With a plus' });
    assert.deepEqual(await subjects('plus@box.example'), ['With a plus']);
});

test('an address cannot name a place outside the mailboxes', async () => {
    for (const address of ['../../etc@x.example', '..@x.example', '.hidden@x.example', 'a/b@x.example', 'no-address', '']) {
        assert.equal((await page(`/mailbox?address=${encodeURIComponent(address)}`)).status, 422, address);
        assert.equal((await form('/write', { from: 'a@b.example', to: address, text: 'x' })).status, 422, address);
    }
    assert.equal((await page('/message?address=one@box.example&name=../../../etc/passwd')).status, 404);
    assert.equal((await page('/raw?address=one@box.example&name=none')).status, 404);
    assert.equal((await page('/nowhere')).status, 404);
});

test('a connection is refused as often as it was set, and then no more', async () => {
    await fault('refuse', 1);
    await assert.rejects(send({}), /421/);
    await send({ to: 'after@box.example', subject: 'After it' });
    assert.deepEqual(await subjects('after@box.example'), ['After it']);
});

test('a recipient that is not there is refused for good, and nothing is stored', async () => {
    const before = await accepted();
    await fault('permanent', 1);
    await assert.rejects(send({ to: 'gone@box.example' }), /550/);
    assert.deepEqual(await subjects('gone@box.example'), []);
    assert.equal(await accepted(), before);
});

test('a message that is put off is not stored before it is sent again', async () => {
    await fault('temporary', 1);
    await assert.rejects(send({ to: 'later@box.example', subject: 'Later' }), /451/);
    assert.deepEqual(await subjects('later@box.example'), []);
    await send({ to: 'later@box.example', subject: 'Later' });
    assert.deepEqual(await subjects('later@box.example'), ['Later']);
});

test('a connection that breaks off in the message has handed nothing over', async () => {
    const before = await accepted();
    await fault('drop', 1);
    await assert.rejects(send({ to: 'broken@box.example', text: 'x'.repeat(200_000) }));
    assert.deepEqual(await subjects('broken@box.example'), []);
    assert.equal(await accepted(), before);
});

test('an answer that is held back comes, and a sender who does not wait has handed nothing over', async () => {
    await fault('delay', 1, 1);
    await send({ to: 'slow@box.example', subject: 'Slow' });
    assert.deepEqual(await subjects('slow@box.example'), ['Slow']);
    await fault('delay', 1, 1);
    const socket = connect(smtp, '127.0.0.1');
    const said = [];
    socket.on('data', (part) => said.push(part.toString()));
    const heard = (code) => until(code, () => said.join('').includes(code));
    await heard('220');
    for (const [line, code] of [['EHLO x', '250 '], ['MAIL FROM:<a@b.example>', '2.1.0'], ['RCPT TO:<impatient@box.example>', '2.1.5'], ['DATA', '354']]) {
        socket.write(`${line}\r\n`);
        await heard(code).catch(() => heard('250'));
    }
    const before = await accepted();
    socket.write('Subject: Never\r\n\r\nx\r\n.\r\n');
    socket.destroy();
    await send({ to: 'patient@box.example', subject: 'Meanwhile' });
    assert.equal(await accepted(), before + 1);
    assert.deepEqual(await subjects('impatient@box.example'), []);
});

test('a fault that there is not is refused, with those there are', async () => {
    const refused = await fault('explode');
    assert.equal(refused.status, 422);
    assert.match(refused.page, /refuse, delay, drop, temporary, permanent/);
});

test('a customer writes with files, and is answered in the same thread', async () => {
    const { messageId } = await form('/write', {
        from: 'Tomas Hrubý <tomas@hruby.example>', to: 'care@brindle.example, returns@brindle.example', subject: 'Broken spar', text: 'See the photo.',
        files: [new File(['a photo'], 'spar ü.txt', { type: 'text/plain' }), new File(['more'], 'second.txt', { type: 'text/plain' })],
    });
    assert.match(messageId, /^<.+@.+>$/);
    assert.deepEqual(await subjects('care@brindle.example'), ['Broken spar']);
    assert.deepEqual(await subjects('returns@brindle.example'), ['Broken spar']);
    const [name] = readdirSync(path.join(folder, 'care@brindle.example', 'new'));
    const shown = await (await page(`/message?address=care@brindle.example&name=${name}`)).text();
    assert.ok(shown.includes('spar ü.txt') && shown.includes('second.txt'));
    const answer = await (await page(`/write?from=care@brindle.example&reply=${name}`)).text();
    assert.ok(answer.includes('value="Re: Broken spar"') && answer.includes('&#62; See the photo.'));
    assert.ok(answer.includes(messageId.replaceAll('<', '&#60;').replaceAll('>', '&#62;')));
    assert.ok(answer.includes('value="tomas@hruby.example"') || answer.includes('tomas@hruby.example'));
});

test('an answer to an answer keeps one Re, and a message without a subject is shown as one', async () => {
    await send({ to: 'again@box.example', subject: 'RE: Your kite' });
    const [name] = readdirSync(path.join(folder, 'again@box.example', 'new'));
    assert.ok((await (await page(`/write?from=again@box.example&reply=${name}`)).text()).includes('value="RE: Your kite"'));
    await send({ to: 'nothing@box.example', subject: '' });
    assert.deepEqual(await subjects('nothing@box.example'), ['(no subject)']);
});

test('what is written is shown and does nothing', async () => {
    await send({ to: 'script@box.example', subject: '<script>alert(1)</script>', text: '<img src=x onerror=alert(2)>', from: '"<b>bold</b>" <x@x.example>' });
    const [name] = readdirSync(path.join(folder, 'script@box.example', 'new'));
    for (const address of ['/mailbox?address=script@box.example', `/message?address=script@box.example&name=${name}`, `/write?from=script@box.example&reply=${name}`]) {
        assert.ok(!/<script>alert|<img src=x|<b>bold/.test(await (await page(address)).text()), address);
    }
});

test('what is larger than forty megabytes is refused with its reason, and the next goes through', async () => {
    await assert.rejects(send({ to: 'large@box.example', attachments: [{ filename: 'large.bin', content: Buffer.alloc(31 * 1024 * 1024) }] }), /552|too big|size/i);
    assert.deepEqual(await subjects('large@box.example'), []);
    await send({ to: 'large@box.example', subject: 'Small' });
    assert.deepEqual(await subjects('large@box.example'), ['Small']);
});
