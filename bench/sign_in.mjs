// The sample designer, signed in, in headless Chromium.
import { chromium } from '@playwright/test';

export async function signedIn(base) {
    const browser = await chromium.launch({
        executablePath: '/usr/bin/chromium-headless-shell',
        args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking', '--disable-component-update', '--disable-sync'],
    });
    const page = await browser.newPage({ baseURL: base, viewport: { width: 1280, height: 800 } });
    await page.goto('/sign-in');
    await page.getByLabel('E-mail address').fill('demo@sternbild.test');
    await page.getByLabel('Password').fill('polar grid');
    await page.getByRole('button', { name: 'Sign in' }).click();
    await page.getByRole('heading', { name: 'Sheets' }).waitFor();
    return { browser, page };
}
