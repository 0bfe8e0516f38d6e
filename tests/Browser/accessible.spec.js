import { expect, test } from '@playwright/test';
import { database, expectAccessible, expectAccessibleInLightAndDark, expectPagesAccessible, signIn } from './world.js';

// Every page there is, by the place it belongs to, each as somebody who may see it; those under Set up lie beside.
const PAGES = {
    'the queue': ['mads', ['/queue/my-turn', '/queue/waiting', '/queue/held', '/queue/junk', '/queue/1', '/queue/1/board']],
    'finding, news and one’s own': ['mads', ['/views/1', '/search', '/search?q=parcel', '/news', '/tasks', '/own-settings']],
    'customers, orders and what is public': ['mads', ['/public', '/customers', '/companies', '/companies/1', '/customer-groups', '/orders', '/calls/new']],
    'returns and refunds': ['mads', ['/returns?tab=all', '/refunds', '/refunds/spending', '/approvals']],
};

for (const [place, [who, addresses]] of Object.entries(PAGES)) {
    test(`accessible in light and dark: ${place}`, async ({ page }) => {
        await signIn(page, who);
        await expectPagesAccessible(page, addresses);
    });
}

test('accessible in light and dark: one conversation, with a menu open, and what is done with it', async ({ page }) => {
    await signIn(page);
    const [one, other] = database('SELECT id FROM conversations WHERE state = "open" AND joined_into_id IS NULL ORDER BY id LIMIT 2').split('\n');
    await page.goto(`/conversations/${one}`);
    await expectAccessibleInLightAndDark(page);
    await page.locator('#menu-category summary').click();
    await expectAccessibleInLightAndDark(page);
    for (const address of [`/conversations/${one}/forward`, `/join?ids[]=${one}&ids[]=${other}`]) {
        expect((await page.goto(address)).status(), address).toBe(200);
        await expectAccessibleInLightAndDark(page);
    }
});

test('accessible in light and dark: what is done with an order', async ({ page }) => {
    await signIn(page);
    const order = database("SELECT id FROM orders WHERE number = 'B-20421'");
    await expectPagesAccessible(page, ['', '/refund', '/return', '/send'].map((what) => `/orders/${order}${what}`));
});

test('accessible in light and dark: signing in, and what is not there', async ({ page }) => {
    await page.goto('/sign-in');
    await expectAccessibleInLightAndDark(page);
    await signIn(page);
    expect((await page.goto('/nothing-here')).status()).toBe(404);
    await expectAccessible(page);
});
