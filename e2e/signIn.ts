import { mkdir } from 'node:fs/promises';
import { chromium, type FullConfig } from '@playwright/test';

/** Signs the sample designer in once; the journeys begin signed in. */
export default async function signIn(config: FullConfig): Promise<void> {
    const use = config.projects[0]?.use;
    if (use?.baseURL === undefined) {
        throw new Error('bin/test starts the server and says where it is, in STERNBILD_URL.');
    }
    await mkdir('e2e/.output', { recursive: true });
    const browser = await chromium.launch(use.launchOptions);
    const page = await browser.newPage({ baseURL: use.baseURL });
    await page.goto('/sign-in');
    await page.getByLabel('E-mail address').fill('demo@sternbild.test');
    await page.getByLabel('Password').fill('polar grid');
    await page.getByRole('button', { name: 'Sign in' }).click();
    await page.getByRole('heading', { name: 'Sheets' }).waitFor();
    await page.context().storageState({ path: 'e2e/.output/signed-in.json' });
    await browser.close();
}
