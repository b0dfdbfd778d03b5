import { defineConfig } from '@playwright/test';

/** How many times as long everything takes here as on a quiet machine; bin/test measures it first. */
const PACE = Number(process.env['STERNBILD_PACE'] ?? 1);

/** What is not there within this does not come; on a quiet machine all of it comes within a tenth. */
const PATIENCE = 15_000 * PACE;

/** `journeys`, or `trouble`: what servers do that die. */
const RUN = process.env['STERNBILD_RUN'] ?? 'journeys';

export default defineConfig({
    testDir: 'e2e',
    outputDir: `e2e/.output/${RUN}`,
    // Two at a time, journey by journey; those that stop and start the servers that all share run by themselves, one after another.
    workers: Number(process.env['STERNBILD_WORKERS'] ?? 1),
    fullyParallel: true,
    ...(RUN === 'trouble' ? { testMatch: '**/trouble.spec.ts' } : { testIgnore: '**/trouble.spec.ts' }),
    // STERNBILD_REPEAT=10 bin/test journeys NAME: whether it holds ten times.
    repeatEach: Number(process.env['STERNBILD_REPEAT'] ?? 1),
    // What passes only when tried again is named in the summary.
    retries: Number(process.env['STERNBILD_RETRIES'] ?? 1),
    // A journey takes at most half a minute where the machine is quiet.
    timeout: 120_000 * PACE,
    expect: { timeout: PATIENCE },
    reporter: [['list'], ['json', { outputFile: `e2e/.output/${RUN}.json` }]],
    globalSetup: './e2e/signIn.ts',
    use: {
        baseURL: process.env['STERNBILD_URL'],
        actionTimeout: PATIENCE,
        navigationTimeout: 2 * PATIENCE,
        screenshot: 'only-on-failure',
        viewport: { width: 1280, height: 800 },
        acceptDownloads: true,
        launchOptions: {
            executablePath: '/usr/bin/chromium-headless-shell',
            args: [
                '--no-sandbox',
                '--disable-gpu',
                '--disable-quic',
                '--no-first-run',
                '--disable-background-networking',
                '--disable-component-update',
                '--disable-sync',
            ],
        },
    },
});
