import { mkdir } from 'node:fs/promises';
import { chromium, type FullConfig } from '@playwright/test';
import { type } from './type';

/** One for each worker; bin/test brings them in. */
export const DESIGNERS = ['demo@sternbild.test', 'second@sternbild.test'];

/** Where a worker finds that its designer is signed in. */
export function signedIn(worker: number): string {
    return `e2e/.output/signed-in.${worker}.json`;
}

/** Signs the sample designers in once; the journeys begin signed in. */
export default async function signIn(config: FullConfig): Promise<void> {
    const use = config.projects[0]?.use;
    if (use?.baseURL === undefined) {
        throw new Error('bin/test starts the server and says where it is, in STERNBILD_URL.');
    }
    await mkdir('e2e/.output', { recursive: true });
    const browser = await chromium.launch(use.launchOptions);
    for (const [worker, address] of DESIGNERS.slice(0, config.workers).entries()) {
        const page = await browser.newPage({ baseURL: use.baseURL });
        await page.goto('/sign-in');
        await type(page.getByLabel('E-mail address'), address);
        await type(page.getByLabel('Password'), 'polar grid');
        await page.getByRole('button', { name: 'Sign in' }).click();
        await page.getByRole('heading', { name: 'Sheets' }).waitFor();
        await page.context().storageState({ path: signedIn(worker) });
        await page.close();
    }
    await browser.close();
}
