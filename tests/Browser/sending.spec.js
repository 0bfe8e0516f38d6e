import { expect, test } from '@playwright/test';
import { expectAccessible, expectMailbox, mailbox, mailFrom, openConversation, signIn } from './world.js';

const numberOf = async (page) => (await page.locator('.conversation-sub').textContent()).match(/C-(\d+)/)[0];

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
