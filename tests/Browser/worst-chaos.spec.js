import { execFileSync } from 'node:child_process';
import { readFileSync, rmSync, writeFileSync } from 'node:fs';
import path from 'node:path';
import { expect, test } from '@playwright/test';
import { database, mailbox, putInto, setFault, signIn, variable, web, workers } from './world.js';

const MAILS = 150;
const ANSWERS = 100;
const PARTS = [
    'worker-intake', 'worker-intake-2', 'worker-outbox', 'scheduler', 'php-fpm', 'nginx', 'mariadb', 'dovecot', 'mail-standin',
];

const pause = (milliseconds) => new Promise((go) => { setTimeout(go, milliseconds); });
const any = (list) => list[Math.floor(Math.random() * list.length)];
const run = (command, ...values) => execFileSync(command, values, { stdio: ['ignore', 'pipe', 'ignore'], encoding: 'utf8' }).trim();
const service = (name) => path.join(variable, 'services', name);
const files = path.join(variable, 'storage/files');

// Stays away, also when its supervisor is killed and begun again.
function takeAway(name) {
    writeFileSync(`${service(name)}/down`, '');
    return insist(() => run('sv', 'down', service(name)));
}

function bringBack(name) {
    rmSync(`${service(name)}/down`, { force: true });
    return insist(() => run('sv', 'up', service(name)));
}

// Whatever is away for a moment is asked again.
async function insist(what, seconds = 60) {
    for (const until = Date.now() + seconds * 1000; ;) {
        try {
            return await what();
        } catch (error) {
            if (Date.now() > until) {
                throw error;
            }
            await pause(300);
        }
    }
}

const number = (sql) => insist(() => Number(database(sql)));
const mainProcess = (name) => Number(readFileSync(path.join(variable, `run/${name}.pid`), 'utf8').split(' ')[0]);

function kill(...pids) {
    for (const pid of pids) {
        try {
            process.kill(pid, 'SIGKILL');
        } catch {
            // It has just ended by itself.
        }
    }
}

// A part alone or with all that it has begun, one supervisor, or the supervisor of all.
function killSomething() {
    const which = any([...PARTS, ...PARTS, 'runsv', 'supervisor', 'supervision']);
    if (which === 'runsv') {
        kill(Number(run('pgrep', '-x', '-f', `runsv ${any(PARTS)}`, '-P', String(mainProcess('supervisor')))));
    } else {
        kill(which === 'supervisor' || Math.random() < 0.5 ? mainProcess(which) : -mainProcess(which));
    }
}

// A file system of 64 KB that is full lies over where files are kept: at once, so that nobody makes a new folder there meanwhile.
function fillFileStore() {
    run('mount', '-t', 'tmpfs', '-o', 'size=64k', 'tmpfs', files);
    try {
        run('dd', 'if=/dev/zero', `of=${files}/everything`, 'bs=1k', 'count=100');
    } catch {
        // Full: that is what was wanted.
    }
}

function emptyFileStore() {
    try {
        run('umount', '-l', files);
    } catch {
        // It was not filled.
    }
}

const health = async () => (await fetch(`${web}/health`)).json();

const shownAsAway = (part) => expect.poll(async () => (await health().catch(() => ({}))).checks?.[part] ?? 'ok', { timeout: 60_000 }).not.toBe('ok');

function letter(index) {
    const file = index % 10 === 3;
    const head = `From: Gale ${index} <gale-${index}@gale.example>\r\nTo: ${inbox(index)}\r\nSubject: Gale ${index}\r\nMessage-ID: <gale-${index}@gale.example>\r\n`;
    return file
        ? `${head}MIME-Version: 1.0\r\nContent-Type: multipart/mixed; boundary=x\r\n\r\n--x\r\nContent-Type: text/plain\r\n\r\nDoes it hold in gale ${index}?\r\n--x\r\nContent-Type: text/plain; name="gale-${index}.txt"\r\nContent-Disposition: attachment; filename="gale-${index}.txt"\r\n\r\nStrength ${index}\r\n--x--\r\n`
        : `${head}\r\nDoes it hold in gale ${index}?\r\n`;
}

const inbox = (index) => (index % 2 === 0 ? 'care@brindle.example' : 'returns@brindle.example');

// Until there is calm, everything is killed.
let killing = null;
let calm = false;

// A slow machine may not come round between two kills: what is to get through is given its time once they are over.
function afterCalm(milliseconds) {
    let since = null;
    return () => {
        since ??= calm ? Date.now() : null;
        return since !== null && Date.now() > since + milliseconds;
    };
}

// As somebody does who presses “Send it again” until it is sent: always the same answer, with its own key.
async function answer(page, index) {
    const found = () => number(`SELECT COALESCE(MIN(conversation_id), 0) FROM messages WHERE message_id = 'gale-${index}@gale.example'`);
    let conversation = 0;
    for (const isOver = afterCalm(120_000); conversation === 0 && !isOver(); await pause(500)) {
        conversation = await found();
    }
    expect(conversation, `mail ${index} has arrived`).not.toBe(0);
    let once = null;
    const text = `It does, up to strength ${index}.`;
    for (const isOver = afterCalm(120_000); !isOver(); await pause(500)) {
        if (await number(`SELECT COUNT(*) FROM messages WHERE conversation_id = ${conversation} AND direction = 'out' AND text LIKE '${text}%'`) > 0) {
            return;
        }
        once = await page.evaluate(async ({ address, key, written, withFile }) => {
            try {
                const shown = await (await fetch(address)).text();
                const form = new DOMParser().parseFromString(shown, 'text/html').querySelector('#reply-form');
                const values = new FormData(form);
                key ??= values.get('once');
                values.set('once', key);
                values.set('text', written);
                if (withFile) {
                    values.append('files[]', new File(['strengths'], 'strengths.txt', { type: 'text/plain' }));
                }
                await fetch(`${address}/reply`, { method: 'POST', body: values });
            } catch {
                // Nobody answered: it is tried again.
            }
            return key;
        }, { address: `/conversations/${conversation}`, key: once, written: text, withFile: index % 20 === 7 });
    }
    throw new Error(`Answer ${index} could not be sent in two minutes of calm.`);
}


async function calmDown() {
    calm = true;
    await killing;
}

test.afterEach(async () => {
    await calmDown();
    emptyFileStore();
    for (const name of ['mariadb', 'worker-rules']) {
        await bringBack(name);
    }
    await insist(() => setFault('none'));
});

test('with everything killed at random, nothing is lost, nothing doubled, and all runs again by itself', async ({ page }) => {
    test.setTimeout(600_000);
    await signIn(page);
    const unreadable = await number('SELECT COUNT(*) FROM unreadable_mail');
    // One that does not come back, to see that it is told of.
    await takeAway('worker-rules');

    killing = (async () => {
        while (!calm) {
            await pause(300 + Math.random() * 1500);
            await insist(killSomething, 20);
        }
    })();
    const writing = (async () => {
        for (let index = 0; index < MAILS; index += 1) {
            await insist(() => putInto(inbox(index), letter(index)));
            await pause(250);
        }
    })();
    const answering = Array.from({ length: 4 }, async (_, lane) => {
        for (let index = lane; index < ANSWERS; index += 4) {
            await answer(page, index);
        }
    });

    await pause(8000);
    await takeAway('mariadb');
    await shownAsAway('database');
    // Also to whoever asks for a page.
    await expect.poll(() => page.request.get('/queue/my-turn').then((shown) => shown.status()).catch(() => 0), { timeout: 30_000 }).toBe(503);
    await pause(5000);
    await bringBack('mariadb');

    await pause(5000);
    fillFileStore();
    await shownAsAway('files');
    // Mail waits in the mailbox: once that has lasted, it stands above everybody's pages.
    await expect.poll(() => page.request.get('/queue/my-turn').then((shown) => shown.text()).catch(() => ''), { timeout: 90_000 })
        .toContain('until there is room');
    emptyFileStore();

    await shownAsAway('rules');
    await bringBack('worker-rules');
    await writing;
    await calmDown();
    await Promise.all(answering);

    const stored = () => number("SELECT COUNT(*) FROM messages WHERE direction = 'in' AND from_address LIKE 'gale-%@gale.example'");
    await expect.poll(stored, { timeout: 120_000, intervals: [1000] }).toBe(MAILS);
    expect(await number("SELECT COUNT(DISTINCT conversation_id) FROM messages WHERE from_address LIKE 'gale-%@gale.example'")).toBe(MAILS);
    expect(await number("SELECT COUNT(*) FROM attachments WHERE name LIKE 'gale-%.txt'")).toBe(MAILS / 10);
    expect(await number('SELECT COUNT(*) FROM unreadable_mail')).toBe(unreadable);
    await expect.poll(() => number("SELECT COUNT(*) FROM outbox WHERE recipients LIKE '%gale.example%' AND state != 'sent'"), { timeout: 120_000, intervals: [1000] }).toBe(0);

    // Handed over twice is what SMTP cannot promise against: the same message then, which mail programs show once.
    for (let index = 0; index < ANSWERS; index += 1) {
        const received = await mailbox(`gale-${index}@gale.example`);
        expect(new Set(received.map(({ messageId }) => messageId)).size, `answers to ${index}`).toBe(1);
        expect(received[0].text).toContain(`It does, up to strength ${index}.`);
        expect(received[0].attachments).toHaveLength(index % 20 === 7 ? 1 : 0);
    }

    await expect.poll(async () => (await health()).works, { timeout: 60_000 }).toBe(true);
    for (const name of ['worker-intake', 'worker-intake-2', 'worker-outbox', 'worker-rules', 'scheduler']) {
        await expect.poll(() => workers(name).length, { message: name }).toBe(1);
    }
    await page.goto('/queue/my-turn');
    await expect(page.locator('.banner-trouble')).toHaveCount(0);
});
