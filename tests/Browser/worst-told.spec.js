import { execFileSync, spawnSync } from 'node:child_process';
import path from 'node:path';
import { expect, test } from '@playwright/test';
import { expectAccessible, mailbox, mailFrom, openWherever, root, setFault, signIn } from './world.js';

test.afterEach(() => setFault('none'));

test('an administrator is told of wrong credentials and of a server that is away, and nothing is lost', async ({ page }) => {
    test.setTimeout(120_000);
    await signIn(page, 'corin');
    await page.goto('/accounts');
    await page.getByRole('link', { name: 'returns@brindle.example' }).click();
    const [imapPort] = [await page.locator('#imap_port').inputValue()];
    await page.locator('#imap_password').fill('wrong password');
    await page.getByRole('button', { name: 'Save' }).click();
    await expect(page.getByText('The settings are saved.')).toBeVisible();
    await page.getByRole('button', { name: 'Check the connection' }).click();
    await expect(page.getByRole('alert')).toContainText('refused the user name “returns@brindle.example” or its password');
    await mailFrom('Jo Finch <jo@finch.example>', 'Sent while you were away', 'Did this arrive?', { to: 'returns@brindle.example' });
    await expect(async () => {
        await page.goto('/queue/my-turn');
        await expect(page.locator('.banner-trouble')).toContainText('returns@brindle.example', { timeout: 500 });
    }).toPass({ timeout: 40_000 });
    await expectAccessible(page);

    // A port where nobody listens: the server is away.
    await page.getByRole('link', { name: 'returns@brindle.example' }).click();
    const password = execFileSync('sed', ['-n', 's/^STANDIN_PASSWORD=//p', path.join(process.env.CAIRNFIELD_VAR, '.env')], { encoding: 'utf8' }).trim();
    await page.locator('#imap_password').fill(password);
    await page.locator('#imap_port').fill('9');
    await page.getByRole('button', { name: 'Save' }).click();
    await page.getByRole('button', { name: 'Check the connection' }).click();
    await expect(page.getByRole('alert')).toContainText('could not be reached');

    // The password that is kept goes to no other server than before, not even back, by who does not know it.
    await page.locator('#imap_port').fill(imapPort);
    await page.getByRole('button', { name: 'Save' }).click();
    await expect(page.getByRole('alert')).toContainText('it would be sent elsewhere than before');
    await page.locator('#imap_password').fill(password);
    await page.getByRole('button', { name: 'Save' }).click();
    await page.getByRole('button', { name: 'Check the connection' }).click();
    await expect(page.getByText('Both servers let us in')).toBeVisible();
    await openWherever(page, 'Sent while you were away');
});

test('a message over 25 MB is set aside whole, with the reason, and the mailbox goes on', async ({ page }) => {
    await mailFrom('Ugo Vasari <ugo@vasari.example>', 'The whole film', 'a line of the film\n'.repeat(1_450_000));
    await mailFrom('Ugo Vasari <ugo@vasari.example>', 'After the film', 'Did the film come through?');
    await signIn(page, 'corin');
    await expect(page.getByRole('link', { name: 'After the film' })).toBeVisible({ timeout: 40_000 });
    await page.getByRole('link', { name: /^Set up/ }).click();
    await page.getByRole('link', { name: 'Ways in' }).click();
    await page.getByRole('link', { name: /^Unreadable mail/ }).click();
    const row = page.getByRole('row', { name: /The whole film/ });
    // The smaller one may be through first.
    await expect(async () => {
        await page.reload();
        await expect(row).toContainText('ugo@vasari.example', { timeout: 1000 });
    }).toPass({ timeout: 30_000 });
    await expect(row).toContainText('messages over 25 MB are set aside');
    await expectAccessible(page);
    await row.getByRole('button', { name: 'Put aside' }).click();
    await expect(page.getByText('There is none.')).toBeVisible();
});

test('a message on standard input is taken, and what became of it printed', async () => {
    const take = (message) => {
        const ended = spawnSync('php', ['artisan', 'mail:take'], { cwd: root, input: message, env: process.env, encoding: 'utf8' });
        expect(ended.status).toBe(0);
        expect(ended.stdout.trim().split('\n')).toHaveLength(1);
        return JSON.parse(ended.stdout);
    };
    const message = 'From: =?utf-8?Q?Pia_S=C3=B8by?= <pia@soby.example>\r\nTo: care@brindle.example\r\nSubject: =?utf-8?Q?Br=C3=A6kket?=\r\nMessage-ID: <pipe@soby.example>\r\nIn-Reply-To: <other@soby.example>\r\n\r\nHej\r\n';
    const taken = take(message);
    expect(taken).toMatchObject({
        result: 'new', subject: 'Brækket', from: 'pia@soby.example', to: ['care@brindle.example'],
        message_id: 'pipe@soby.example', in_reply_to: 'other@soby.example', automatic: false, attachments: [], text: 'Hej',
    });
    expect(taken.conversation).toMatch(/^C-\d+$/);
    expect(take(message)).toMatchObject({ result: 'again', conversation: taken.conversation, message: taken.message });
    expect(take('')).toMatchObject({ result: 'unreadable', conversation: null, reason: 'The message is empty.' });
});
