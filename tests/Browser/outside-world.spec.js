import { expect, test } from '@playwright/test';
import { expectAccessible, expectMailbox, mailFrom, mailbox, outside, setFault } from './world.js';

test('the outside world delivers to any address, whatever its detail and case', async () => {
    await mailFrom('Eli Frost <eli@frost.example>', 'To you', 'Hello', { to: 'Nora+kites@Frost.example' });
    const [message] = await expectMailbox('nora@frost.example', 1);
    expect(message.subject).toBe('To you');
    expect(await mailbox('nobody@frost.example')).toEqual([]);
});

test('it refuses addresses that would lead out of its folder, and says why', async () => {
    for (const to of ['../../etc@passwd', '.hidden@x.example', 'no address', 'a/b@x.example']) {
        const form = new FormData();
        form.set('from', 'Eli <eli@frost.example>');
        form.set('to', to);
        form.set('subject', 'x');
        const response = await fetch(`${outside}/write`, { method: 'POST', body: form });
        expect(response.status).toBe(422);
        expect(await response.text()).toContain('That did not work');
    }
});

test('its faults are set on a page, count down, and unknown ones are refused', async ({ page }) => {
    await page.goto(`${outside}/faults`);
    await expectAccessible(page);
    await page.getByLabel('What goes wrong').selectOption('temporary');
    await page.getByLabel('How many times').fill('3');
    await page.getByRole('button', { name: 'Set' }).click();
    const state = await fetch(`${outside}/faults`, { headers: { accept: 'application/json' } });
    expect(await state.json()).toMatchObject({ kind: 'temporary', times: 3 });
    await setFault('none');

    const form = new FormData();
    form.set('kind', 'explode');
    const response = await fetch(`${outside}/faults`, { method: 'POST', body: form });
    expect(response.status).toBe(422);
    expect(await response.text()).toContain('There is no fault “explode”');
});

test('what is not there is not found', async () => {
    for (const path of ['/nothing', '/message?address=eli@frost.example&name=../../x', '/raw?address=eli@frost.example&name=none']) {
        expect((await fetch(`${outside}${path}`)).status).toBe(404);
    }
});
