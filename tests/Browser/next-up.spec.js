import { expect, test } from '@playwright/test';
import { database, expectListening, expectMailbox, mailFrom, signIn } from './world.js';

// Mail that lies with Ruta; all else lies with Mads.
async function giveRuta(people, subjectOf, domain) {
    const ruta = database("SELECT id FROM teammates WHERE email = 'ruta@brindle.example'");
    database(`UPDATE conversations SET owner_id = (SELECT id FROM teammates WHERE email = 'mads@brindle.example') WHERE owner_id IS NULL OR owner_id = ${ruta}`);
    for (const name of people) {
        await mailFrom(`${name} Brandt <${name.toLowerCase()}@${domain}>`, subjectOf(name), 'Hello, a question about the last order.');
    }
    const theirs = `subject LIKE '${subjectOf('%')}'`;
    await expect.poll(() => database(`SELECT COUNT(*) FROM conversations WHERE ${theirs}`)).toBe(String(people.length));
    database(`UPDATE conversations SET owner_id = ${ruta} WHERE ${theirs}`);
    return `/queue/my-turn?owner=${ruta}`;
}

const NAMES = ['Alba', 'Bente', 'Cleo', 'Dorrit', 'Elin', 'Frida', 'Greta', 'Hanne', 'Iben', 'Jytte', 'Karla', 'Liv'];

test('a morning’s work: a dozen lie with somebody, and in the end none, by keyboard alone', async ({ page }) => {
    const mine = await giveRuta(NAMES, (name) => `Morning question of ${name}`, 'morning.example');
    await signIn(page, 'ruta');
    const rows = page.locator('.row-link').filter({ hasText: 'Morning question of' });
    const done = [
        async () => {
            await page.keyboard.press('r');
            await page.keyboard.type('Hello, that is settled now. Write again if anything is left.');
            await page.keyboard.press('Control+Enter');
            await expect(page.locator('#menu-state summary')).toContainText('Waiting');
        },
        async () => {
            await page.keyboard.press('h');
            await page.keyboard.type('The workshop looks at it');
            await page.keyboard.press('Enter');
            await expect(page.locator('#menu-state summary')).toContainText('Held');
        },
        async () => {
            await page.keyboard.press('v');
            // By its letters, in the open menu; none of them does anything else.
            await page.keyboard.type('inf');
            await expect(page.getByRole('button', { name: 'Information given' })).toBeFocused();
            await page.keyboard.press('Enter');
            await expect(page.locator('#menu-state summary')).toContainText('Resolved');
        },
    ];
    for (let left = NAMES.length; left > 0; left -= 1) {
        await page.goto(mine);
        await expect(rows).toHaveCount(left);
        await expectListening(page);
        await page.keyboard.press('ArrowDown');
        await page.keyboard.press('Enter');
        await page.waitForURL('**/conversations/*');
        await expectListening(page);
        await done[left % done.length]();
    }
    await page.goto(mine);
    await expect(page.getByText('Nothing here fits what the list is narrowed to.')).toBeVisible();
});

test('ten are answered in a row, each time going on to the next, and the last is called back from there', async ({ page }) => {
    const people = NAMES.slice(0, 11);
    const mine = await giveRuta(people, (name) => `Next please, says ${name}`, 'next.example');
    await signIn(page, 'ruta');
    await page.goto(mine);
    await expectListening(page);
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('Enter');
    await page.waitForURL('**/conversations/*');
    const answered = [];
    for (let count = 0; count < 10; count += 1) {
        await expectListening(page);
        const title = await page.getByRole('heading', { level: 1 }).textContent();
        answered.push(title.replace(/.*says /u, '').trim());
        await expect(page.locator('#compose')).toHaveAttribute('data-folded', '');
        await page.keyboard.press('r');
        await page.keyboard.type(`Hello ${answered.at(-1)}, it is on its way.`);
        await page.keyboard.press('Control+Shift+Enter');
        await expect(page.getByRole('status').filter({ hasText: `${answered.at(-1)} Brandt` })).toBeVisible();
        await expect(page.getByRole('heading', { level: 1 })).not.toHaveText(title);
    }
    expect(new Set(answered).size).toBe(10);
    await page.keyboard.press('z');
    await expect(page.getByText('Called back: it was not sent')).toBeVisible();
    await expect(page.locator('#reply-text')).toHaveValue(`Hello ${answered.at(-1)}, it is on its way.`);
    for (const name of answered.slice(0, 9)) {
        const [answer] = await expectMailbox(`${name.toLowerCase()}@next.example`, 1);
        expect(answer.text).toContain(`Hello ${name}, it is on its way.`);
    }
});
