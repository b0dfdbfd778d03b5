import { defineConfig } from '@playwright/test';

export default defineConfig({
    testDir: 'e2e',
    outputDir: 'e2e/.output',
    // Two at a time, a file each; then, one after another, those that stop and start the servers that all share.
    workers: Number(process.env['STERNBILD_WORKERS'] ?? 1),
    fullyParallel: false,
    projects: [
        { name: 'journeys', testIgnore: '**/trouble.spec.ts' },
        { name: 'trouble', testMatch: '**/trouble.spec.ts', dependencies: ['journeys'], workers: 1 },
    ],
    // A machine that stood still for a while is no fault; what passes only when tried again is named in the summary.
    retries: 2,
    // Generous, for machines with two busy cores; a journey that passes takes a few seconds.
    timeout: 120_000,
    expect: { timeout: 20_000 },
    reporter: [['list'], ['json', { outputFile: 'e2e/.output/results.json' }]],
    globalSetup: './e2e/signIn.ts',
    use: {
        baseURL: process.env['STERNBILD_URL'],
        // What does not come within this does not come.
        actionTimeout: 20_000,
        viewport: { width: 1280, height: 800 },
        acceptDownloads: true,
        launchOptions: {
            executablePath: '/usr/bin/chromium',
            args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking', '--disable-component-update', '--disable-sync'],
        },
    },
});
