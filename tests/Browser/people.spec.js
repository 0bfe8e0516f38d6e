import { createHmac } from 'node:crypto';
import { expect, test } from '@playwright/test';
import { database, expectAccessible, expectListening, mailbox, mailFrom, signIn, web } from './world.js';

const ADDRESS = 'sanna@lind.example';

// The link of the last mail that has come.
async function link(says) {
    const found = async () => (await mailbox(ADDRESS)).filter(({ text }) => text.toLowerCase().includes(says) && text.includes('/pass/'));
    await expect.poll(async () => (await found()).length).toBeGreaterThan(0);
    return (await found())[0].text.match(/http\S+\/pass\/\S+/)[0].replace(/^https?:\/\/[^/]+/, web);
}

// What a device shows (RFC 6238), now or so many seconds later.
function codeOf(secret, later = 0) {
    const bits = [...secret].map((letter) => 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567'.indexOf(letter).toString(2).padStart(5, '0')).join('');
    const counter = Buffer.alloc(8);
    counter.writeBigUInt64BE(BigInt(Math.floor((Date.now() / 1000 + later) / 30)));
    const hash = createHmac('sha1', Buffer.from(bits.match(/.{8}/g).map((eight) => Number.parseInt(eight, 2)))).update(counter).digest();
    return String((hash.readUInt32BE(hash[19] & 15) & 0x7fffffff) % 1_000_000).padStart(6, '0');
}

async function choose(page, address, password) {
    await page.goto(address);
    await expectAccessible(page);
    await page.getByLabel('New password').fill(password);
    await page.getByLabel('Once more').fill(password);
    await page.getByRole('button', { name: 'Choose it and go on' }).click();
}

async function signInAs(page, password) {
    await page.goto('/sign-in');
    await page.getByLabel('Email address').fill(ADDRESS);
    await page.getByLabel('Password').fill(password);
    await page.getByRole('button', { name: 'Sign in' }).click();
}

test('somebody is invited, signs in, forgets the password, signs out elsewhere, and leaves with their work handed on', async ({ page, browser }) => {
    await mailFrom('Ola Dahl <ola@dahl.example>', 'A kite for Sanna', 'Is Sanna back?');
    await signIn(page, 'corin');
    await page.goto('/people');
    await expectAccessible(page);
    await page.getByRole('link', { name: 'Invite somebody' }).click();
    await page.getByLabel('Name', { exact: true }).fill('Sanna Lind');
    await page.getByLabel('Email address').fill(ADDRESS);
    await page.getByRole('group', { name: 'Role' }).getByText('Answers customers.').click();
    await page.getByRole('group', { name: 'Teams' }).getByLabel('Care').check();
    await expectAccessible(page);
    await page.getByRole('button', { name: 'Invite' }).click();
    await expect(page.getByText(`A link is on its way to ${ADDRESS}`)).toBeVisible();

    const [desk, telephone] = [await (await browser.newContext()).newPage(), await (await browser.newContext()).newPage()];
    const invitation = await link('invites you');
    await choose(desk, invitation, 'Manchester2026');
    await expect(desk.getByRole('alert')).toContainText('tried first');
    await choose(desk, invitation, 'a heron on one leg');
    await desk.waitForURL('**/queue/**');
    await desk.goto(invitation);
    await expect(desk.getByText('This link cannot be used any more').first()).toBeVisible();

    await desk.goto('/own-sign-in');
    await desk.getByRole('link', { name: 'Switch it on' }).click();
    await expect(desk.locator('.qr svg')).toBeVisible();
    await expectAccessible(desk);
    const secret = (await desk.locator('.second-secret').textContent()).replaceAll(' ', '');
    const used = codeOf(secret);
    await desk.getByLabel('Code that it shows now').fill(used);
    await desk.getByRole('button', { name: 'Switch it on' }).click();
    await expect(desk.locator('.recovery-codes li')).toHaveCount(10);
    const recovery = await desk.locator('.recovery-codes li').first().textContent();

    await signInAs(telephone, 'a heron on one leg');
    await expectAccessible(telephone);
    // The code that was used a moment ago is of no use any more, whether the next half minute has begun or not.
    await telephone.getByLabel('Code that your device shows').fill(used);
    await telephone.getByRole('button', { name: 'Go on' }).click();
    await expect(telephone.getByRole('alert')).toContainText('wrong, or was used');
    await telephone.getByLabel('Code that your device shows').fill(recovery);
    await telephone.getByRole('button', { name: 'Go on' }).click();
    await telephone.waitForURL('**/queue/**');
    await desk.goto('/own-sign-in');
    await expect(desk.getByText('9 recovery codes are left')).toBeVisible();
    await expectAccessible(desk);
    await expect(desk.getByRole('table').getByRole('row')).toHaveCount(3);
    await desk.getByRole('button', { name: 'Sign out everywhere else' }).click();
    // The open queue asks for news, and learns of it.
    await telephone.waitForURL('**/sign-in');
    await expect(telephone.getByText('You have been signed out')).toBeVisible();
    await telephone.getByRole('link', { name: 'Password forgotten' }).click();
    await telephone.getByLabel('Email address').fill(ADDRESS);
    await telephone.getByRole('button', { name: 'Send the link' }).click();
    await expect(telephone.getByText('If somebody of the team has this address')).toBeVisible();
    await choose(telephone, await link('choose a new password'), 'a heron on two legs');
    await telephone.getByLabel('Code that your device shows').fill(codeOf(secret, 30));
    await telephone.getByRole('button', { name: 'Go on' }).click();
    await telephone.waitForURL('**/queue/**');
    // Whoever had the earlier password is out.
    await desk.goto('/queue/my-turn');
    await desk.waitForURL('**/sign-in');

    const conversation = Number(database("SELECT id FROM conversations WHERE subject = 'A kite for Sanna'"));
    await telephone.goto(`/conversations/${conversation}`);
    await expectListening(telephone);
    await telephone.locator('button[data-key=t]').click();
    await expect(telephone.getByText('Taken by Sanna Lind')).toBeVisible();
    await page.goto('/people');
    await page.getByRole('link', { name: 'Sanna Lind' }).click();
    await page.getByRole('link', { name: 'Deactivate …' }).click();
    await expectAccessible(page);
    await page.getByLabel('One conversation lies with them').selectOption('Ruta Kalnina');
    await page.getByRole('button', { name: 'Deactivate Sanna' }).click();
    await expect(page.getByText('Their work is handed on.')).toBeVisible();
    // The page that was left open asks for news, and learns of it.
    await telephone.waitForURL('**/sign-in');
    await expect.poll(() => database(`SELECT t.name FROM conversations c JOIN teammates t ON t.id = c.owner_id WHERE c.id = ${conversation}`)).toBe('Ruta Kalnina');
    expect((await mailbox(ADDRESS)).map(({ subject }) => subject)).toContain('Your signing in to Cairnfield has changed');
    await signInAs(telephone, 'a heron on two legs');
    await expect(telephone.getByText('do not go together')).toBeVisible();
});
