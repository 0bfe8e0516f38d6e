import { expect, test } from '@playwright/test';
import { database, expectAccessible, expectListening, mailbox, signIn, web } from './world.js';

const ADDRESS = 'sanna@brindle.example';

// The link of the last mail that has come.
async function link(count) {
    await expect.poll(async () => (await mailbox(ADDRESS)).length).toBe(count);
    return (await mailbox(ADDRESS)).at(-1).text.match(/http\S+\/pass\/\S+/)[0].replace(/^https?:\/\/[^/]+/, web);
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
    const invitation = await link(1);
    await choose(desk, invitation, 'Manchester2026');
    await expect(desk.getByRole('alert')).toContainText('tried first');
    await choose(desk, invitation, 'a heron on one leg');
    await desk.waitForURL('**/queue/**');
    await desk.goto(invitation);
    await expect(desk.getByText('This link cannot be used any more').first()).toBeVisible();

    await signInAs(telephone, 'a heron on one leg');
    await telephone.waitForURL('**/queue/**');
    await desk.goto('/own-sign-in');
    await expectAccessible(desk);
    await expect(desk.getByRole('table').getByRole('row')).toHaveCount(3);
    await desk.getByRole('button', { name: 'Sign out everywhere else' }).click();
    await telephone.goto('/queue/my-turn');
    await expect(telephone.getByText('You have been signed out')).toBeVisible();

    await telephone.getByRole('link', { name: 'Password forgotten' }).click();
    await telephone.getByLabel('Email address').fill(ADDRESS);
    await telephone.getByRole('button', { name: 'Send the link' }).click();
    await expect(telephone.getByText('If somebody of the team has this address')).toBeVisible();
    await choose(telephone, await link(2), 'a heron on two legs');
    await telephone.waitForURL('**/queue/**');
    // Whoever had the earlier password is out.
    await desk.goto('/queue/my-turn');
    await desk.waitForURL('**/sign-in');

    await telephone.locator('.row-link').first().click();
    await telephone.waitForURL('**/conversations/*');
    await expectListening(telephone);
    const conversation = Number(telephone.url().split('/').at(-1));
    await telephone.locator('button[data-key=t]').click();
    await expect(telephone.getByText('Taken by Sanna Lind')).toBeVisible();
    await page.goto('/people');
    await page.getByRole('link', { name: 'Sanna Lind' }).click();
    await page.getByRole('link', { name: 'Deactivate …' }).click();
    await expectAccessible(page);
    await page.getByLabel('One conversation lies with them').selectOption('Ruta Kalnina');
    await page.getByRole('button', { name: 'Deactivate Sanna' }).click();
    await expect(page.getByText('Their work is handed on.')).toBeVisible();
    await telephone.goto('/queue/my-turn');
    await telephone.waitForURL('**/sign-in');
    await expect.poll(() => database(`SELECT t.name FROM conversations c JOIN teammates t ON t.id = c.owner_id WHERE c.id = ${conversation}`)).toBe('Ruta Kalnina');
    await signInAs(telephone, 'a heron on two legs');
    await expect(telephone.getByText('do not go together')).toBeVisible();
});
