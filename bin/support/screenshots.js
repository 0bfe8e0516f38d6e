// Opens the main views as their users do and takes a picture of each.
import { chromium } from 'playwright-core';

const port = Number(process.env.CAIRNFIELD_PORT);
const web = `http://127.0.0.1:${port}`;
const browser = await chromium.launch({ executablePath: '/usr/bin/chromium-headless-shell', args: ['--no-sandbox', '--disable-background-networking'] });

async function signedIn(name, options = {}) {
    const page = await (await browser.newContext({ viewport: { width: 1280, height: 800 }, locale: 'en-GB', ...options })).newPage();
    await page.goto(`${web}/sign-in`);
    await page.fill('#email', `${name}@brindle.example`);
    await page.fill('#password', 'kites-and-cairns');
    await page.click('button[type=submit]');
    await page.waitForURL('**/queue/**');
    return page;
}

async function open(page, subject) {
    await page.goto(`${web}/queue/my-turn`);
    await page.getByRole('link', { name: subject }).click();
    await page.waitForURL('**/conversations/*');
}

// What is caught while it still scrolls has its bar in the wrong place.
async function atRest(page) {
    await page.evaluate(async () => {
        await document.fonts.ready;
        for (let before = -1; before !== window.scrollY;) {
            before = window.scrollY;
            await new Promise((go) => { setTimeout(go, 250); });
        }
    });
}

async function take(page, name) {
    await atRest(page);
    await page.screenshot({ path: `docs/screenshots/${name}.png` });
}

const ilse = await signedIn('ilse');
await ilse.getByRole('link', { name: 'Return of the Kestrel 3' }).focus();
await take(ilse, 'queue');

await open(ilse, 'Two spars snapped');
await ilse.fill('#reply-text', 'Batch K it is, so this one is on us. Two new spars go out today by next-day parcel. You do not need to send anything back.');
await ilse.getByText('draft kept').waitFor();
await take(ilse, 'conversation');

await open(ilse, 'Reel came apart');
await ilse.click('#reply-text');
await ilse.locator('.suggested').waitFor();
await ilse.keyboard.type(';photo');
await ilse.locator('#template-found [data-use]').first().waitFor();
await ilse.keyboard.press('Enter');
await ilse.getByText('checklist “Damaged on arrival”').waitFor();
await take(ilse, 'template');

const telephone = await signedIn('ilse', { viewport: { width: 390, height: 800 } });
await open(telephone, 'Two spars snapped');
await take(telephone, 'telephone');

const dark = await signedIn('ilse', { colorScheme: 'dark' });
await open(dark, 'Parcel says delivered').catch(() => open(dark, 'Strap missing'));
await take(dark, 'dark');

const mads = await signedIn('mads');
await open(ilse, 'Is the 28 kg line included');
await open(mads, 'Is the 28 kg line included');
// Their page has not heard of it yet, however slow this machine is.
await ilse.route('**/changes?**', (route) => route.abort());
await mads.fill('#reply-text', 'Hello Maja, it is in the box, wound on the reel. Nothing to add.');
await mads.getByRole('button', { name: /^Send(?!,)/ }).click();
await mads.getByText('Sent.').waitFor();
await ilse.fill('#reply-text', 'Hello Maja, yes, the 28 kg line is included.');
await ilse.getByRole('button', { name: /^Send(?!,)/ }).click();
await ilse.locator('#between').waitFor();
await take(ilse, 'came-in-between');
await ilse.unroute('**/changes?**');

await ilse.goto(`${web}/public`);
await take(ilse, 'public');
await ilse.goto(`${web}/queue/my-turn`);
await ilse.keyboard.press('c');
await ilse.getByLabel(/^Who/).fill('B-20440');
await ilse.getByLabel('What about').fill('Priya asks whether the new address is in.');
await ilse.getByText('Is it one of these?').waitFor();
await take(ilse, 'call');

// Ana's three ways, joined, with the customer who is behind them.
await ilse.goto(`${web}/queue/my-turn`);
await ilse.getByRole('link', { name: 'still no kite' }).click();
await ilse.locator('.same-order-one').first().waitFor();
const hers = ilse.url();
// What somebody wrote in public under her name is hers once somebody says so.
await ilse.locator('.same-order-one').filter({ hasText: 'not verified' }).getByRole('link').click();
await ilse.getByText('is not an address that is known of them').waitFor();
await take(ilse, 'not-verified');
await ilse.getByRole('button', { name: 'It is them' }).click();
await ilse.goto(hers);
await ilse.getByRole('button', { name: /^Join C-/ }).first().click();
await ilse.getByRole('button', { name: /^Join C-/ }).first().click();
await ilse.getByText('joined into this one').first().waitFor();
await ilse.getByRole('complementary').getByRole('heading', { name: 'Ana Wrenfield' }).getByRole('link').click();
await take(ilse, 'customer');

await mads.goto(`${web}/queue/my-turn/board`);
await take(mads, 'board');
await mads.goto(`${web}/rules`);
await take(mads, 'rules');
await mads.goto(`${web}/promises`);
await mads.getByRole('row', { name: /Everybody/ }).getByRole('link', { name: /%/ }).click();
await take(mads, 'promises');
await mads.goto(`${web}/search?q=parcel+state:open`);
await take(mads, 'search');

// Money and goods: a worksheet from an inspected return, the bench at work, and what became of the returns of thirty days.
await mads.goto(`${web}/returns?tab=settle`);
await mads.locator('.bench-list tbody tr').filter({ hasText: 'opened' }).getByRole('link').first().click();
await mads.getByRole('link', { name: 'Give it back' }).click();
await mads.getByRole('button', { name: /^Give back/ }).waitFor();
await take(mads, 'worksheet');
const femi = await signedIn('femi');
await femi.goto(`${web}/returns?tab=arrived`);
await femi.locator('.bench-list .row-link').first().click();
await femi.locator('[data-bench]').waitFor();
await femi.keyboard.press('2');
await take(femi, 'returns');
await mads.goto(`${web}/returns?part=settled`);
await mads.locator('.bench-flow').scrollIntoViewIfNeeded();
await take(mads, 'returns-flow');

const corin = await signedIn('corin');
await corin.goto(`${web}/set-up`);
await take(corin, 'set-up');

await browser.close();
