import { expect, test } from '@playwright/test';
import { database, expectAccessible, expectMailbox, mailbox, mailFrom, openConversation, signIn } from './world.js';

const numberOf = async (page) => (await page.locator('.conversation-sub').textContent()).match(/C-(\d+)/)[0];

test('two people see each other on one conversation within two seconds', async ({ browser }) => {
    await mailFrom('Gus Lind <gus@lind.example>', 'Knots for a bridle', 'Which one holds?');
    const [ilse, mads] = await Promise.all(['ilse', 'mads'].map(async (name) => {
        const page = await (await browser.newContext()).newPage();
        await signIn(page, name);
        await openConversation(page, 'Knots for a bridle');
        return page;
    }));
    await expect(ilse.locator('#here')).toContainText('Mads is looking', { timeout: 4000 });
    await mads.getByLabel('Your answer to Gus Lind').pressSequentially('Hello Gus');
    await expect(ilse.locator('#here')).toContainText('Mads is writing', { timeout: 2000 });
    await mads.goto('/queue/my-turn');
    await expect(ilse.locator('#here')).not.toContainText('Mads', { timeout: 4000 });

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

test('many are changed at once, and that is undone', async ({ page }) => {
    for (const name of ['una', 'duo', 'tre']) {
        await mailFrom(`${name}@bulk.example`, `Meadow question ${name}`, 'Is the field open?');
    }
    await signIn(page);
    for (const name of ['una', 'duo', 'tre']) {
        await expect(page.getByRole('link', { name: `Meadow question ${name}` })).toBeVisible({ timeout: 30_000 });
        await page.getByRole('link', { name: `Meadow question ${name}` }).focus();
        await page.keyboard.press('x');
    }
    await expect(page.locator('#bulk-form')).toContainText('3 chosen');
    // The list is shown anew every minute, and what was chosen stays.
    await mailFrom('other@bulk.example', 'Something else arrives', 'Hello?');
    await expect(page.getByRole('link', { name: 'Something else arrives' })).toBeVisible({ timeout: 30_000 });
    await expect(page.locator('#bulk-form')).toContainText('3 chosen');
    await page.keyboard.press('e');
    await expect(page.locator('#bulk-change')).toBeFocused();
    await page.locator('#bulk-change').selectOption('priority:urgent');
    await expectAccessible(page);
    await page.getByRole('button', { name: 'See what changes' }).click();
    await expect(page.getByText('3 conversations will change.')).toBeVisible();
    await expectAccessible(page);
    await page.getByRole('button', { name: 'Change all 3' }).click();
    await expect(page.getByText('3 conversations were changed.')).toBeVisible({ timeout: 30_000 });
    expect(database("SELECT COUNT(*) FROM conversations WHERE subject LIKE 'Meadow question%' AND priority = 'urgent'")).toBe('3');
    await page.getByRole('button', { name: 'Undo it' }).click();
    await expect(page.getByText('3 conversations are as they were before.')).toBeVisible({ timeout: 30_000 });
    expect(database("SELECT COUNT(*) FROM conversations WHERE subject LIKE 'Meadow question%' AND priority = 'normal'")).toBe('3');
});

test('what was joined gets later replies to either, and is separated again', async ({ page }) => {
    const first = await mailFrom('Hedy Aas <hedy@aas.example>', 'Two spars, first mail', 'One spar is short.');
    await mailFrom('Hedy Aas <hedy.work@aas.example>', 'Two spars, second mail', 'And one is split.');
    await signIn(page);
    await openConversation(page, 'Two spars, second mail');
    const second = await numberOf(page);
    await page.goto('/queue/my-turn');
    await openConversation(page, 'Two spars, first mail');
    const kept = await numberOf(page);
    await page.keyboard.press('m');
    await expect(page.locator('#join-other')).toBeFocused();
    await page.keyboard.type(second);
    await page.keyboard.press('Enter');
    await expect(page.locator('#trail')).toContainText('And one is split.');
    await mailFrom('Hedy Aas <hedy.work@aas.example>', `Re: [${second}] Two spars, second mail`, 'Any news of the split one?');
    await expect(page.locator('#trail')).toContainText('Any news of the split one?', { timeout: 30_000 });
    await mailFrom('Hedy Aas <hedy@aas.example>', 'Re: Two spars, first mail', 'And of the short one?', { inReplyTo: first });
    await expect(page.locator('#trail')).toContainText('And of the short one?', { timeout: 30_000 });
    expect(await numberOf(page)).toBe(kept);
    await page.getByRole('button', { name: 'Separate' }).click();
    await expect(page.getByText('It is a conversation of its own again.')).toBeVisible();
});

test('an answer to be sent later is called off when they answer first', async ({ page }) => {
    await mailFrom('Ida Bruun <ida@bruun.example>', 'Did it arrive', 'I will look tonight.');
    await signIn(page);
    await openConversation(page, 'Did it arrive');
    const number = await numberOf(page);
    await page.getByLabel('Your answer to Ida Bruun').fill('Hello Ida, did you find it?');
    await page.getByLabel('When it is sent').selectOption('unless');
    await page.getByRole('button', { name: /^Send(?!,)/ }).click();
    await expect(page.locator('.entry-later')).toContainText('unless the customer answers first');
    await expectAccessible(page);
    await mailFrom('Ida Bruun <ida@bruun.example>', `Re: [${number}] Did it arrive`, 'Found it, thank you!');
    await expect(page.locator('#trail')).toContainText('was called off', { timeout: 30_000 });
    await expect(page.locator('.entry-later')).toHaveCount(0);
    await page.reload();
    await expect(page.getByLabel('Your answer to Ida Bruun')).toHaveValue('Hello Ida, did you find it?');
    expect(await mailbox('ida@bruun.example')).toHaveLength(0);
});

test('an answer is called back before it leaves', async ({ page }) => {
    await mailFrom('Jon Dekker <jon@dekker.example>', 'Wrong tail', 'Mine is blue.');
    await signIn(page);
    await openConversation(page, 'Wrong tail');
    await page.getByLabel('Your answer to Jon Dekker').fill('It is sent tomorow.');
    await page.keyboard.press('Control+Enter');
    await expect(page.getByRole('button', { name: /^Call back/ })).toBeVisible();
    await page.keyboard.press('z');
    await expect(page.getByText('Called back: it was not sent')).toBeVisible();
    await expect(page.getByLabel('Your answer to Jon Dekker')).toHaveValue('It is sent tomorow.');
    await page.getByLabel('Your answer to Jon Dekker').fill('It is sent tomorrow.');
    await page.getByRole('button', { name: /^Send(?!,)/ }).click();
    const [answer] = await expectMailbox('jon@dekker.example', 1);
    expect(answer.text).toContain('It is sent tomorrow.');
});

test('a partner is asked out of sight of the customer, and their answer brings it back', async ({ page }) => {
    await mailFrom('Kim Engel <kim@engel.example>', 'Parcel in Aarhus', 'It has been there for a week.');
    await signIn(page);
    await openConversation(page, 'Parcel in Aarhus');
    await page.keyboard.press('s');
    await page.locator('#partner-text').fill('Where is the parcel of Kim Engel?');
    await page.getByLabel('Their name').fill('Wren Parcel');
    await page.getByLabel('Their address').fill('desk@wrenparcel.example');
    await page.getByRole('button', { name: /^Ask/ }).click();
    await expect(page.locator('#menu-state summary')).toContainText('Held');
    const [question] = await expectMailbox('desk@wrenparcel.example', 1);
    await mailFrom('Desk <desk@wrenparcel.example>', `Re: ${question.subject}`, 'It goes out today.', { inReplyTo: question.messageId, to: question.replyTo?.value[0].address ?? 'care@brindle.example' });
    await expect(page.locator('.entry-partner').last()).toContainText('It goes out today.', { timeout: 30_000 });
    await expect(page.locator('#menu-state summary')).toContainText('Open');
    expect(await mailbox('kim@engel.example')).toHaveLength(0);
    await expectAccessible(page);
});

test('one finds, goes to, saves a view, and moves cards of its board, all by keys', async ({ page }) => {
    await mailFrom('Lea Friis <lea@friis.example>', 'Ångström kite reel', 'Is the reel made of ash?');
    await signIn(page);
    await expect(page.getByRole('link', { name: 'Ångström kite reel' })).toBeVisible({ timeout: 30_000 });
    await expect(async () => {
        await page.keyboard.press('/');
        await page.keyboard.type('angstrom state:open');
        await page.keyboard.press('Enter');
        await expect(page.locator('.found mark').first()).toHaveText('Ångström', { timeout: 1000 });
    }).toPass({ timeout: 30_000 });
    await expectAccessible(page);
    await page.locator('h1').click({ force: true }).catch(() => {});
    await page.evaluate(() => document.activeElement.blur());
    await page.keyboard.press('g');
    await page.keyboard.type('new view');
    await expect(page.locator('#go-to-found')).toContainText('New view');
    await expectAccessible(page);
    await page.keyboard.press('Enter');
    await page.waitForURL('**/views/new');
    await page.getByLabel('Name', { exact: true }).fill('Reels');
    await page.getByRole('button', { name: 'Add a condition' }).click();
    await page.locator('.condition-line').nth(1).getByLabel('What').selectOption('subject');
    await page.locator('.condition-line').nth(1).getByLabel('Value').fill('reel');
    await page.getByLabel('Name', { exact: true }).focus();
    // Without the condition on the state, so that a card that is moved stays on the board.
    await page.getByRole('button', { name: 'Take this condition away' }).first().click();
    await expect(page.locator('.condition-line')).toHaveCount(1);
    await expect(page.locator('#condition-editor')).toContainText(/fits? right now|fit right now/);
    await expectAccessible(page);
    await page.getByRole('button', { name: 'Save' }).click();
    await expect(page.getByRole('link', { name: 'Ångström kite reel' })).toBeVisible();
    await page.keyboard.press('b');
    await page.waitForURL('**/board');
    await expectAccessible(page);
    await page.getByRole('link', { name: 'Ångström kite reel' }).focus();
    await page.keyboard.press('Shift+ArrowRight');
    await expect(page.locator('[data-column=waiting]')).toContainText('Ångström kite reel');
    await page.getByRole('link', { name: 'Ångström kite reel' }).focus();
    await page.keyboard.press('m');
    await expect(page.getByRole('dialog', { name: 'Where to?' })).toBeVisible();
    await expectAccessible(page);
    await page.getByLabel('Who must act first, and why').fill('The workshop measures it');
    await page.keyboard.press('Enter');
    await expect(page.locator('[data-column=held]')).toContainText('Ångström kite reel');
});
