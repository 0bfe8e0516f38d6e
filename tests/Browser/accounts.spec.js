import { expect, test } from '@playwright/test';
import { act, database, expectAccessible, signIn, web } from './world.js';

test('an administrator connects, checks, pauses and disconnects an account', async ({ page }) => {
    await signIn(page, 'corin');
    await page.getByRole('link', { name: /^Set up/ }).click();
    await page.getByRole('link', { name: 'Ways in' }).click();
    await expectAccessible(page);
    await page.getByRole('link', { name: 'brindle.kites' }).click();
    await expect(page.getByText('kept; write here to change it')).toHaveCount(0);
    await expect(page.getByLabel('Key that the service gave you')).toHaveValue('');
    await page.getByRole('button', { name: 'Check the connection' }).click();
    await expect(page.getByText('Snapline knows us as brindle.kites.')).toBeVisible();
    await expectAccessible(page);

    await page.getByRole('button', { name: 'Pause' }).click();
    await expect(page.getByText('Paused. Nothing is read or sent')).toBeVisible();
    await act('snapline', 'message', { by: 'paused.pia', shown: 'Pia', text: 'Written while you were away' });
    await page.getByRole('button', { name: 'Go on' }).click();
    await expect.poll(() => database("SELECT COUNT(*) FROM messages WHERE text = 'Written while you were away'"), { timeout: 30_000 }).toBe('1');

    await page.getByText('Disconnect …').click();
    await page.getByRole('button', { name: 'Disconnect it' }).click();
    await expect(page.getByText('its secrets are thrown away')).toBeVisible();
    await page.getByRole('link', { name: 'brindle.kites' }).click();
    await page.getByLabel('Key that the service gave you').fill('not the key');
    await page.getByRole('button', { name: 'Connect it again' }).click();
    await expect(page.getByRole('alert')).toContainText('The API key is not known here.');
    await page.getByLabel('Key that the service gave you').fill(`kites-${new URL(web).port}-brindlekites`);
    await page.getByRole('button', { name: 'Save' }).click();
    await page.getByRole('button', { name: 'Check the connection' }).click();
    await expect(page.getByText('Snapline knows us as brindle.kites.')).toBeVisible();
});

test('earlier conversations are taken over with progress, and a report of what was not', async ({ page }) => {
    const mails = Array.from({ length: 40 }, (_, number) => `From old Mon Mar 04 10:00:00 2024\nFrom: Old Friend ${number} <old${number}@friends.example>\nTo: care@brindle.example\nSubject: From the old days ${number}\n${number === 7 ? '' : 'Date: Mon, 04 Mar 2024 10:00:00 +0100\n'}Message-ID: <old${number}@friends.example>\n\nThe kite number ${number} flies.\n\n`);
    await signIn(page, 'corin');
    await page.goto('/history');
    await expectAccessible(page);
    await page.getByLabel(/^File/).setInputFiles({ name: 'old-days.mbox', mimeType: 'application/mbox', buffer: Buffer.from(mails.join('')) });
    await page.getByRole('button', { name: 'Take it over' }).click();
    await expect(page.getByText('Done.')).toBeVisible({ timeout: 45_000 });
    await expect(page.getByText('39 messages taken, 0 were here before, 1 not taken.')).toBeVisible();
    await expect(page.getByText('It has no date')).toBeVisible();
    await expectAccessible(page);
    const [file] = await Promise.all([page.waitForEvent('download'), page.goto('/history/export?format=jsonl').catch(() => null)]);
    expect(file.suggestedFilename()).toMatch(/^conversations-.*\.jsonl$/);
});
