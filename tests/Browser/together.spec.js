import { expect, test } from '@playwright/test';
import { expectAccessible, expectMailbox, mailFrom, openConversation, signIn } from './world.js';

test('two people see each other on one conversation', async ({ browser }) => {
    await mailFrom('Gus Lind <gus@lind.example>', 'Knots for a bridle', 'Which one holds?');
    const [ilse, mads] = await Promise.all(['ilse', 'mads'].map(async (name) => {
        const page = await (await browser.newContext()).newPage();
        await signIn(page, name);
        await openConversation(page, 'Knots for a bridle');
        return page;
    }));
    await expect(ilse.locator('#here')).toContainText('Mads is looking');
    await mads.getByLabel('Your answer to Gus Lind').pressSequentially('Hello Gus');
    await expect(ilse.locator('#here')).toContainText('Mads is writing');
    await mads.goto('/queue/my-turn');
    await expect(ilse.locator('#here')).not.toContainText('Mads');

    // A word to somebody by name, who is told of it, and sees what happened since they looked.
    await ilse.keyboard.press('i');
    await ilse.keyboard.type('@Mads can you take it?');
    await ilse.keyboard.press('Control+Enter');
    const told = mads.getByRole('link', { name: /can you take it/ }).first();
    await expect(async () => {
        await mads.getByRole('link', { name: /^News/ }).click();
        await expect(told).toBeVisible({ timeout: 1000 });
    }).toPass({ timeout: 30_000 });
    await told.click();
    await expect(mads.getByText('New since you looked')).toBeVisible();
});

test('two people on one conversation cannot overwrite each other', async ({ browser }) => {
    await mailFrom('Cara Holt <cara@holt.example>', 'Which tail is longer', 'Six or nine?');
    const [ilse, mads] = await Promise.all(['ilse', 'mads'].map(async (name) => {
        const page = await (await browser.newContext()).newPage();
        await signIn(page, name);
        await openConversation(page, 'Which tail is longer');
        return page;
    }));
    await ilse.getByLabel('Your answer to Cara Holt').fill('Hello Cara, the six.');
    await mads.getByLabel('Your answer to Cara Holt').fill('Hello Cara, the nine is longer, the six flies better.');
    await mads.getByRole('button', { name: /^Send(?!,)/ }).click();
    await expect(mads.locator('.entry-us')).toHaveCount(1);

    // Ilse sees it by herself, and what she wrote stays.
    await expect(ilse.locator('.entry-us')).toContainText('the six flies better', { timeout: 20_000 });
    await expect(ilse.getByLabel('Your answer to Cara Holt')).toHaveValue('Hello Cara, the six.');
    await ilse.getByRole('button', { name: /^Send(?!,)/ }).click();
    await expect(ilse.getByRole('alert')).toContainText('Not sent yet: this came in between');
    await expect(ilse.getByRole('alert')).toContainText('the six flies better');
    await expect(ilse.getByLabel('Your answer to Cara Holt')).toHaveValue('Hello Cara, the six.');
    await expectAccessible(ilse);
    await expectMailbox('cara@holt.example', 1);
    await ilse.getByLabel('Your answer to Cara Holt').fill('And both fit the Merlin.');
    await ilse.getByRole('button', { name: /^Send all the same/ }).click();
    await expectMailbox('cara@holt.example', 2);
});
