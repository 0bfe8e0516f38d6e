import { expect, test } from '@playwright/test';
import { answer, expectAccessible, expectMailbox, mailFrom, setFault, signIn } from './world.js';

test.afterEach(() => setFault('none'));

test('a refusal for good is shown on the trail with its reason, and can be sent again', async ({ page }) => {
    await mailFrom('Kim Rask <kim@rask.example>', 'Full mailbox', 'Anything new?');
    await signIn(page);
    await setFault('permanent', { times: 1 });
    await answer(page, 'Full mailbox', 'Not yet, Kim.');
    await expect(page.getByText('Not delivered.')).toBeVisible({ timeout: 30_000 });
    await expect(page.locator('.delivery-trouble')).toContainText('550');
    await expectAccessible(page);
    await page.getByRole('button', { name: 'Send it again' }).click();
    await expectMailbox('kim@rask.example', 1);
    await expect(page.getByText('Not delivered.')).toHaveCount(0);
});
