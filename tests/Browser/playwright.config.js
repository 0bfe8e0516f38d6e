import { defineConfig } from '@playwright/test';
import { web } from './world.js';

// In which everything is killed: with nobody beside it.
const CHAOS = /worst-chaos\.spec\.js/;
// Those in which servers fail, workers are killed, or the whole queue or everybody's rules are changed: one at a time, and beside
// them only those that merely look, or have an installation of their own.
const ALONE = /(next-up|rules|rules-at-work|worst-[\w-]+)\.spec\.js/;
const LOOKING = /(accessible[\w-]*|begin)\.spec\.js/;
const output = (of) => `../../var/test/playwright/${of}`;

export default defineConfig({
    testDir: '.',
    testMatch: '*.spec.js',
    fullyParallel: true,
    projects: [
        { name: 'ordinary', testIgnore: [ALONE, LOOKING], outputDir: output('ordinary') },
        { name: 'chaos', testMatch: CHAOS, workers: 1, outputDir: output('chaos') },
        { name: 'alone', testMatch: ALONE, testIgnore: CHAOS, workers: 1, outputDir: output('alone') },
        { name: 'looking', testMatch: LOOKING, outputDir: output('looking') },
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
            // Without the windows and tabs that nobody sees, a story takes half the time.
            executablePath: '/usr/bin/chromium-headless-shell',
            args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--disable-background-networking', '--disable-component-update', '--disable-sync', '--no-first-run'],
        },
        // A trace of everything costs as much as the stories themselves: CAIRNFIELD_TRACE=yes asks for it.
        trace: process.env.CAIRNFIELD_TRACE ? 'retain-on-failure' : 'off',
        screenshot: 'only-on-failure',
    },
});
