// What the browser tests share: where everything is, signing in, writing and reading mail as a
// customer, and the check that a page is accessible.
import { execFileSync } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import path from 'node:path';
import { fileURLToPath } from 'node:url';
import { expect } from '@playwright/test';
import { ImapFlow } from 'imapflow';
import { simpleParser } from 'mailparser';

const port = Number(process.env.CAIRNFIELD_PORT ?? 8560);
export const root = path.resolve(path.dirname(fileURLToPath(import.meta.url)), '../..');
export const variable = process.env.CAIRNFIELD_VAR ?? path.join(root, 'var/test');
export const web = `http://127.0.0.1:${port}`;
export const outside = `http://127.0.0.1:${port + 1}`;
export const smtpPort = port + 2;
export const imapPort = port + 3;

const SERVICES = ['pennon', 'snapline', 'marrowby', 'quaymart', 'shop', 'wren-parcel', 'tollgate'];

// The console of a simulated service.
export const consoleOf = (service) => `http://127.0.0.1:${port + 6 + SERVICES.indexOf(service)}`;

// Does something at a service as a customer, without the page.
export async function act(service, what, values) {
    const response = await fetch(`${consoleOf(service)}/act/${what}`, { method: 'POST', body: JSON.stringify(values), headers: { accept: 'application/json', 'content-type': 'application/json' } });
    const answer = await response.json();
    expect(response.ok, JSON.stringify(answer)).toBe(true);
    return answer;
}

export async function serviceFault(service, kind, times = '') {
    const response = await fetch(`${consoleOf(service)}/faults`, { method: 'POST', body: JSON.stringify({ kind, times: String(times) }), headers: { accept: 'application/json', 'content-type': 'application/json' } });
    expect(response.ok).toBe(true);
}

// What a service knows: its data, as its own console shows it.
export async function look(service) {
    return (await fetch(`${consoleOf(service)}/look`)).json();
}

// Signed in once for each person in each worker: what one story is told once must not be shown to another's.
const sessions = new Map();

export async function signIn(page, name = 'ilse') {
    if (!sessions.has(name)) {
        await page.goto('/sign-in');
        await page.getByLabel('Email address').fill(`${name}@brindle.example`);
        await page.getByLabel('Password').fill('kites-and-cairns');
        await page.getByRole('button', { name: 'Sign in' }).click();
        await page.waitForURL('**/queue/**');
        sessions.set(name, await page.context().cookies());
        return;
    }
    await page.context().addCookies(sessions.get(name));
    await page.goto('/queue/my-turn');
}

const inTheDark = (page, dark) => page.emulateMedia({ colorScheme: dark ? 'dark' : 'light' });

// In light and in dark, which change nothing but the colours.
export async function expectAccessibleInLightAndDark(page) {
    await expectAccessible(page);
    await inTheDark(page, true);
    await expectAccessible(page, ['color-contrast']);
    await inTheDark(page, false);
}

export async function expectPagesAccessible(page, addresses) {
    for (const address of addresses) {
        expect((await page.goto(address)).status(), address).toBe(200);
        await expectAccessibleInLightAndDark(page);
        await expectReflow(page, address);
    }
}

// WCAG 1.4.10: at a width of 320 nothing is to be scrolled sideways but tables and pictures by themselves.
async function expectReflow(page, address) {
    const whole = page.viewportSize();
    await page.setViewportSize({ width: 320, height: 800 });
    expect(await page.evaluate(() => document.documentElement.scrollWidth), `${address} at a width of 320`).toBeLessThanOrEqual(320);
    await page.setViewportSize(whole);
}

const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

// Beside the WCAG's own: headings in order, everything in a landmark, each landmark with a name of its own.
const STRUCTURE = Object.fromEntries(['heading-order', 'region', 'landmark-unique', 'landmark-one-main', 'page-has-heading-one']
    .map((rule) => [rule, { enabled: true }]));

export async function expectAccessible(page, rules = null) {
    await page.evaluate(`window.axe ?? (() => { ${AXE} })()`);
    // Colours are looked at once they have changed, not on their way.
    await page.evaluate(() => Promise.allSettled(document.getAnimations()
        .filter((animation) => Number.isFinite(animation.effect.getComputedTiming().endTime))
        .map((animation) => animation.finished)));
    // From the top: what a head that stays in place half covers is a matter of how far one has scrolled.
    const scrolled = await page.evaluate(() => {
        const { scrollY } = window;
        window.scrollTo({ top: 0, behavior: 'instant' });
        return scrollY;
    });
    const found = await page.evaluate(async ([only, structure]) => (await window.axe.run(document, {
        resultTypes: ['violations'], preload: false, iframes: false, elementRef: false,
        ...(only ? { runOnly: only } : { runOnly: ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa'], rules: structure }),
    })).violations, [rules, STRUCTURE]);
    // A link that is spread over its row must not lie over another's.
    const covered = await page.evaluate(() => [...document.querySelectorAll('.row-link')].filter((link) => {
        const { left, top, width, height } = link.getClientRects()[0] ?? {};
        const hit = width && document.elementFromPoint(left + Math.min(width, 20) / 2, top + height / 2)?.closest('.row-link');
        return hit && hit !== link;
    }).map((link) => link.textContent.trim()));
    expect(covered, 'lies under another link').toEqual([]);
    await page.evaluate((top) => window.scrollTo({ top, behavior: 'instant' }), scrolled);
    const shown = found.map(({ id, nodes }) => `${id}: ${nodes.slice(0, 3).map((node) => `${node.html} ${node.failureSummary}`).join(' | ')}`);
    expect(shown).toEqual([]);
}

// Writes a mail without the page, for tests that are about something else.
// To another installation's outside world, where its address is given.
export async function mailFrom(address, subject, text, { to = 'care@brindle.example', at = outside, ...more } = {}) {
    const form = new FormData();
    for (const [name, value] of Object.entries({ from: address, to, subject, text, ...more })) {
        form.set(name, value);
    }
    const response = await fetch(`${at}/write`, { method: 'POST', body: form, headers: { accept: 'application/json' } });
    expect(response.ok).toBe(true);
    return (await response.json()).messageId;
}

export async function setFault(kind, { times = '', seconds = '' } = {}) {
    const form = new FormData();
    form.set('kind', kind);
    form.set('times', String(times));
    form.set('seconds', String(seconds));
    const response = await fetch(`${outside}/faults`, { method: 'POST', body: form, headers: { accept: 'application/json' } });
    expect(response.ok).toBe(true);
}

export function setting(name) {
    return readFileSync(path.join(variable, '.env'), 'utf8').match(new RegExp(`^${name}=(.*)$`, 'm'))[1];
}

async function imapOf(address, world = null) {
    const client = new ImapFlow({
        host: '127.0.0.1',
        port: world?.port ?? imapPort,
        secure: false,
        doSTARTTLS: false,
        auth: { user: address, pass: world?.password ?? setting('STANDIN_PASSWORD') },
        logger: false,
    });
    // A connection that breaks off fails what was asked, and nothing else.
    client.on('error', () => {});
    await client.connect();
    return client;
}

// Puts a message into a mailbox as it is, byte for byte.
export async function putInto(address, raw) {
    const client = await imapOf(address);
    await client.append('INBOX', raw);
    await client.logout();
}

// Everything in a customer's mailbox, read over IMAP, the oldest first.
export async function mailbox(address, world = null) {
    const client = await imapOf(address, world);
    const lock = await client.getMailboxLock('INBOX');
    try {
        const messages = [];
        for await (const { source } of client.fetch('1:*', { source: true })) {
            messages.push(await simpleParser(source));
        }
        return messages;
    } catch (error) {
        if (/sequence|Invalid messageset/i.test(`${error.responseText ?? error.message}`)) {
            return [];
        }
        throw error;
    } finally {
        lock.release();
        await client.logout();
    }
}

export async function expectMailbox(address, count, timeout = 30_000) {
    await expect.poll(async () => (await mailbox(address)).length, { timeout }).toBe(count);
    return mailbox(address);
}

export function database(sql) {
    return execFileSync('mariadb', ['--no-defaults', `--socket=${variable}/run/mariadb.sock`, '-uroot', '-N', '-B', 'cairnfield', '-e', sql], { encoding: 'utf8', stdio: ['ignore', 'pipe', 'pipe'] }).trim();
}

// The processes of a part, by the name that each carries in its environment.
export function workers(name) {
    const mark = `\0CAIRNFIELD_PART=${variable}/run/${name}\0`;
    return readdirSync('/proc').filter((pid) => /^\d+$/.test(pid)).map(Number).filter((pid) => {
        try {
            return `\0${readFileSync(`/proc/${pid}/environ`, 'latin1')}`.includes(mark);
        } catch {
            return false;
        }
    });
}

export function killHard(name) {
    for (const pid of workers(name)) {
        try {
            process.kill(pid, 'SIGKILL');
        } catch {
            // It had just ended by itself.
        }
    }
}

// The keys of the page are heard.
export async function expectListening(page) {
    await expect(page.locator('html[data-listens]')).toBeAttached();
}

export async function openConversation(page, subject) {
    const row = page.getByRole('link', { name: subject, exact: true });
    await expect(row).toBeVisible({ timeout: 30_000 });
    await row.click();
    await page.waitForURL('**/conversations/*');
    await expectListening(page);
}

// Whoever's turn it is by now: a rule may have handed it on.
export async function openWherever(page, subject) {
    const id = () => database(`SELECT id FROM conversations WHERE subject = '${subject.replaceAll("'", "''")}' ORDER BY id DESC LIMIT 1`);
    await expect.poll(id, { timeout: 45_000 }).not.toBe('');
    await page.goto(`/conversations/${id()}`);
    await expect(page.getByRole('heading', { level: 1, name: subject })).toBeVisible();
}

export async function answer(page, subject, text) {
    await page.goto('/queue/my-turn');
    await openConversation(page, subject);
    await page.getByLabel(/^Your answer to/).fill(text);
    await page.getByRole('button', { name: /^Send(?!,)/ }).click();
    await expect(page.locator('.entry-us')).toContainText(text);
}
