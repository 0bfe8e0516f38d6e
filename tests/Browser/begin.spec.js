import { spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { expect, test } from '@playwright/test';
import { expectAccessible, expectAccessibleInLightAndDark, mailbox, mailFrom, openConversation, root } from './world.js';

// An installation of its own, without anybody, beside the one that the other stories share.
const port = Number(process.env.CAIRNFIELD_PORT ?? 8560) + 40;
const web = `http://127.0.0.1:${port}`;
const folder = mkdtempSync(path.join(tmpdir(), 'cairnfield-begin-'));
// Nothing of what the other one was started with.
const environment = { PATH: process.env.PATH, HOME: process.env.HOME, CAIRNFIELD_VAR: folder, CAIRNFIELD_PORT: String(port) };
const run = (command, ...options) => spawnSync(path.join(root, 'bin', command), options, { env: environment, encoding: 'utf8' });

test.use({ baseURL: web });
test.afterAll(() => {
    run('stop');
    rmSync(folder, { recursive: true, force: true });
});

test('from the empty database to the first answered mail', async ({ page }) => {
    test.setTimeout(240_000);
    page.setDefaultTimeout(30_000);
    const started = run('start', '--no-demo', '--background');
    expect(started.status, started.stderr).toBe(0);
    const link = started.stdout.match(/http:\/\/\S+\/begin\/\S+/)[0];
    const secret = (name) => readFileSync(path.join(folder, '.env'), 'utf8').match(new RegExp(`^${name}=(.*)$`, 'm'))[1];

    // The store; what is wrong is said, and what was written stays.
    await page.goto(link);
    await expectAccessibleInLightAndDark(page);
    await page.getByLabel('Name, as customers know it').fill('Sagelund Papier');
    await page.getByLabel('Country').selectOption('Denmark');
    await page.getByLabel('Currency').fill('DKK');
    await page.getByLabel(/^Language that you answer in/).selectOption('Danish');
    await page.getByLabel('Time zone').selectOption('Europe/Copenhagen');
    await page.getByLabel('Saturday').fill('in the morning');
    await page.getByRole('button', { name: 'Go on' }).click();
    await expect(page.getByRole('alert')).toContainText('Saturday: write “in the morning” as 09:00–17:00');
    await page.getByLabel('Saturday').fill('10–14');
    await page.getByRole('button', { name: 'Go on' }).click();

    // Left here, it goes on here.
    await expect(page.getByRole('heading', { name: 'Who are you?' })).toBeVisible();
    await page.goto(link);
    await expectAccessible(page);
    await page.getByLabel('Your name').fill('Greta Sommer');
    await page.getByLabel('Your email address').fill('greta@sagelund.example');
    await page.getByLabel('New password').fill('ledger-otter-violin-7');
    await page.getByLabel('Once more').fill('ledger-otter-violin-7');
    await page.getByRole('button', { name: 'Make me the administrator' }).click();
    await expect(page.getByText('You are the administrator of Sagelund Papier now.')).toBeVisible();
    expect((await page.goto(link)).status()).toBe(410);

    // Set up says what is missing, and leads back here.
    await page.goto('/set-up');
    await expect(page.getByText('none is connected: nothing can arrive')).toBeVisible();
    await page.getByRole('link', { name: 'Begin', exact: true }).click();
    await expectAccessibleInLightAndDark(page);
    await expect(page.getByText('Forsinket pakke')).toBeVisible();
    await page.getByRole('button', { name: 'Take them' }).click();
    await expect(page.getByText(/^Taken: 12 categories, 8 outcomes, 6 templates, 5 rules/)).toBeVisible();

    // The first way in: a wrong password is found out, and a server inside is connected on purpose only.
    await page.getByRole('link', { name: 'Connect an email address' }).click();
    const fill = async (values) => {
        for (const [name, value] of Object.entries(values)) {
            await page.locator(`#${name}`).fill(value);
        }
    };
    await fill({ address: 'hej@sagelund.example', imap_host: '127.0.0.1', imap_port: secret('STANDIN_IMAP_PORT'), imap_user: 'hej@sagelund.example', smtp_host: '127.0.0.1', smtp_port: secret('STANDIN_SMTP_PORT') });
    await page.locator('#imap_security').selectOption('none');
    await page.locator('#smtp_security').selectOption('none');
    await page.locator('#imap_password').fill('not this one');
    await page.getByRole('button', { name: 'Connect', exact: true }).click();
    await expect(page.getByRole('alert')).toContainText('is inside your own network');
    await page.locator('#imap_password').fill('not this one');
    await page.getByLabel('This server is inside our own network').check();
    await page.getByRole('button', { name: 'Connect', exact: true }).click();
    await page.getByRole('button', { name: 'Check the connection' }).click();
    await expect(page.getByRole('alert')).toContainText('refused the user name');
    await page.goto('/begin');
    // It may stand above the page as well, as one that is silent.
    await page.locator('#step-way_in').getByRole('link', { name: 'hej@sagelund.example' }).click();
    await page.locator('#imap_password').fill(secret('STANDIN_PASSWORD'));
    await page.getByRole('button', { name: 'Save' }).click();
    await page.getByRole('button', { name: 'Check the connection' }).click();
    await expect(page.getByText('Both servers let us in')).toBeVisible();
    await expect(async () => {
        await page.goto('/begin');
        await expect(page.getByText(/^heard of /)).toBeVisible({ timeout: 1000 });
    }).toPass({ timeout: 40_000 });
    await page.getByRole('button', { name: 'Leave it: I am alone for now' }).click();
    await expect(page.getByText('Everything is there.')).toBeVisible();

    // The first mail, and its answer.
    await mailFrom('Jens Holm <jens@holm.example>', 'Hvor er mit papir?', 'Hej,\n\nhvor er mit papir? Jeg har ventet i to uger.\n\nJens', { to: 'hej@sagelund.example', at: `http://127.0.0.1:${port + 1}` });
    await page.getByRole('link', { name: 'To the inbox' }).click();
    await openConversation(page, 'Hvor er mit papir?');
    await page.getByLabel(/^Your answer to/).fill('Hej Jens,\n\ndet er sendt i dag.\n\nGreta');
    await page.getByRole('button', { name: /^Send(?!,)/ }).click();
    await expect(page.locator('.entry-us')).toContainText('det er sendt i dag');
    const world = { port: Number(secret('STANDIN_IMAP_PORT')), password: secret('STANDIN_PASSWORD') };
    await expect.poll(async () => (await mailbox('jens@holm.example', world)).map(({ text, from }) => [from.value[0].name, text.includes('det er sendt i dag')]), { timeout: 40_000 }).toEqual([['Sagelund Papier', true]]);
});
