import { defineConfig } from '@playwright/test';
import { web } from './world.js';

// Those in which servers fail, workers are killed, or the whole queue or everybody's rules are changed.
const ALONE = /(worst-days|zero-left|rules)\.spec\.js/;
const output = (of) => `../../var/test/playwright/${of}`;

export default defineConfig({
    testDir: '.',
    testMatch: '*.spec.js',
    fullyParallel: true,
    projects: [
        { name: 'ordinary', testIgnore: ALONE, outputDir: output('ordinary') },
        { name: 'alone', testMatch: ALONE, outputDir: output('alone') },
    ],
    // Generous, for machines that share their processor: what is waited for is there in a second or two on an idle one.
    timeout: 120_000,
    expect: { timeout: 30_000 },
    reporter: 'list',
    forbidOnly: true,
    use: {
        baseURL: web,
        viewport: { width: 1280, height: 800 },
        locale: 'en-GB',
        launchOptions: {
            executablePath: '/usr/bin/chromium',
            args: ['--no-sandbox', '--disable-background-networking', '--disable-component-update', '--disable-sync', '--no-first-run'],
        },
        trace: 'retain-on-failure',
    },
});
