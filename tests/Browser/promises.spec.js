import { expect, test } from '@playwright/test';
import { database, expectAccessible, mailFrom, signIn } from './world.js';

const first = (table) => table.getByRole('row', { name: /First reply/ });

test('hours are drawn with the pointer, typed, and kept', async ({ page }) => {
    await signIn(page, 'mads');
    await page.goto('/hours/new');
    await page.getByLabel('Name', { exact: true }).fill('Night desk');
    await page.getByLabel('Saturday').fill('22-24');
    const track = page.locator('[data-day]', { hasText: 'Sunday' }).locator('.day-track');
    const box = await track.boundingBox();
    const at = (hour) => [box.x + (box.width * hour) / 24, box.y + box.height / 2];
    const draw = async (from, to) => {
        await page.mouse.move(...at(from));
        await page.mouse.down();
        await page.mouse.move(...at((from + to) / 2));
        await page.mouse.move(...at(to));
        await page.mouse.up();
    };
    await draw(0, 4);
    await expect(page.getByLabel('Sunday')).toHaveValue('00:00–04:00');
    await draw(10, 12);
    await expect(page.getByLabel('Sunday')).toHaveValue('00:00–04:00, 10:00–12:00');
    // Taken hold of in its middle, it is moved; drawn together, it is gone.
    await draw(11, 13);
    await expect(page.getByLabel('Sunday')).toHaveValue('00:00–04:00, 12:00–14:00');
    await draw(14, 12);
    await expect(page.getByLabel('Sunday')).toHaveValue('00:00–04:00');
    await expectAccessible(page);
    await page.getByRole('button', { name: 'Add', exact: true }).click();
    await expect(page.getByText('“Night desk” is there now.')).toBeVisible();
    await expect(page.getByLabel('Saturday')).toHaveValue('22:00–24:00');
    await expect(page.getByLabel('Sunday')).toHaveValue('00:00–04:00');
    await page.getByLabel('Monday').fill('9-12, 11-15');
    await page.getByRole('button', { name: 'Save' }).click();
    await expect(page.getByRole('alert')).toContainText('overlap');
    await expect(page.getByLabel('Monday')).toHaveValue('9-12, 11-15');
});

test('a set is made and its record read; a stone falls and a warning comes while one looks', async ({ page }) => {
    const subject = 'Thermal soaring with a Dunlin';
    await mailFrom('Tilde Holt <tilde@holt.example>', subject, 'Does the Dunlin fly in a light wind?');
    const id = () => Number(database(`SELECT id FROM conversations WHERE subject = '${subject}'`));
    await expect.poll(id).toBeGreaterThan(0);
    await signIn(page, 'mads');
    await page.goto('/promises');
    await expectAccessible(page);
    await page.getByRole('link', { name: 'New set' }).click();
    await page.getByLabel('Name', { exact: true }).fill('Soaring');
    await page.getByRole('button', { name: 'Add a condition' }).click();
    await page.getByLabel('What', { exact: true }).selectOption({ label: 'Subject' });
    await page.getByLabel('Value').fill('soaring');
    await first(page.locator('.promise-grid')).getByLabel('First reply, priority normal').fill('2 h');
    await first(page.locator('.promise-grid')).getByLabel('First reply is counted in').selectOption('clock time');
    await first(page.locator('.promise-grid')).getByLabel('Warning before First reply').fill('3 h');
    await page.getByRole('button', { name: 'What would change?' }).click();
    await expect(page.locator('#promise-preview')).toContainText('The warning would come before the time has begun');
    await first(page.locator('.promise-grid')).getByLabel('Warning before First reply').fill('1 h');
    await page.getByRole('button', { name: 'What would change?' }).click();
    await expect(page.locator('#promise-preview')).toContainText('One open conversation would fall due at another time.');
    await expect(page.locator('#promise-preview')).toContainText('None would be missed by that.');
    await expectAccessible(page);
    // Besides, its warning is given a tag.
    const atWarning = page.getByRole('group', { name: 'When one is about to be missed' });
    await atWarning.getByRole('button', { name: 'Do something' }).click();
    await atWarning.getByLabel('What it does').selectOption('add the tag');
    await atWarning.getByPlaceholder('the tag').fill('soon too late');
    await expectAccessible(page);
    await page.getByRole('button', { name: 'Save' }).click();
    await expect(page.getByText('“Soaring” is saved.')).toBeVisible();
    await expect(page.getByRole('row', { name: /Soaring/ })).toContainText('About to be missed add the tag');
    await expect.poll(() => database(`SELECT s.name FROM conversations c JOIN promise_sets s ON s.id = c.promise_set_id WHERE c.id = ${id()}`)).toBe('Soaring');

    // One stone falls in three seconds, by what the page was told when it was opened.
    const falls = Math.floor(Date.now() / 1000) + 3;
    database(`UPDATE conversations SET owner_id = (SELECT id FROM teammates WHERE email = 'mads@brindle.example'), stones_fall_at = '[${falls},${falls + 3600},${falls + 7200}]', due_at = FROM_UNIXTIME(${falls + 10800}) WHERE id = ${id()}`);
    await page.goto(`/conversations/${id()}`);
    const cairn = page.locator('.conversation-head .cairn');
    await expect(cairn.locator('.stone')).toHaveCount(4);
    await expect(cairn.locator('.stone')).toHaveCount(3);
    await expect(cairn).toHaveAttribute('aria-label', /3 of 4 stones left/);
    database(`UPDATE promises SET warn_next = UTC_TIMESTAMP() WHERE conversation_id = ${id()} AND kind = 'first_reply'`);
    await expect(page.getByText('First reply is due')).toBeVisible({ timeout: 15_000 });
    await expect.poll(() => database(`SELECT COUNT(*) FROM news WHERE kind = 'promise_warned' AND conversation_id = ${id()}`)).toBe('1');
    await expect(page.locator('.conversation-head')).toContainText('soon too late');

    // Another time is agreed; what was promised still stands there.
    await page.locator('.conversation-head').getByRole('link', { name: 'first reply' }).click();
    await expectAccessible(page);
    await expect(page.getByText('By “Soaring”, since Subject has “soaring”.')).toBeVisible();
    await page.getByLabel('What was said to the customer').fill('Tilde flies at the weekend');
    await page.getByRole('button', { name: 'Agree it' }).click();
    await expect(page.getByText(/^Agreed:/)).toBeVisible();
    await expect(page.locator('.conversation-head')).toContainText('agreed time');

    await page.goto('/promises');
    await page.getByRole('row', { name: /Soaring/ }).getByRole('link', { name: /none yet|%/ }).click();
    await expect(first(page.getByRole('table')).getByRole('cell').nth(0)).toHaveText('1');
    await first(page.getByRole('table')).getByRole('link').last().click();
    await expect(page.getByRole('link', { name: new RegExp(subject) })).toBeVisible();
    await page.goBack();
    await expectAccessible(page);
    const [csv] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'CSV' }).click()]);
    expect(csv.suggestedFilename()).toMatch(/^promises-\d+-by-kind\.csv$/);
});
