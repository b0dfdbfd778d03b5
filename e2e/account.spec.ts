import { readFile } from 'node:fs/promises';
import { type Browser, expect, type Page, test } from '@playwright/test';

const PASSWORD = 'quay and bollard';

/** A device of its own: its cookies are not those of the others. */
async function device(browser: Browser): Promise<Page> {
    const context = await browser.newContext({ baseURL: process.env['STERNBILD_URL'], storageState: { cookies: [], origins: [] } });
    return context.newPage();
}

async function signIn(page: Page, email: string, password: string): Promise<void> {
    await page.goto('/sign-in');
    await page.getByLabel('E-mail address').fill(email);
    await page.getByLabel('Password').fill(password);
    await page.getByRole('button', { name: 'Sign in' }).click();
}

test('an account: another password signs other devices out, sheets are taken home, and all goes when its owner leaves', async ({ browser }) => {
    const email = `ines-${Date.now()}@sternbild.test`;
    const page = await device(browser);
    await page.goto('/register');
    await page.getByLabel('Name').fill('Ines Varga');
    await page.getByLabel('E-mail address').fill(email);
    await page.getByLabel('Password').fill(PASSWORD);
    await page.getByRole('button', { name: 'Open the account' }).click();
    await page.getByRole('button', { name: 'New sheet' }).click();
    await page.getByLabel('Name', { exact: true }).fill('Quay');
    await page.getByRole('button', { name: 'Make the sheet' }).click();
    await page.waitForURL(/sheets\//);
    const other = await device(browser);
    await signIn(other, email, PASSWORD);
    await expect(other.getByRole('heading', { name: 'Sheets' })).toBeVisible();

    await page.goto('/');
    await page.getByRole('button', { name: 'Ines Varga' }).click();
    await page.getByLabel('Password so far').fill('a guess');
    await page.getByLabel('New password').fill('lantern and buoy');
    await page.getByRole('button', { name: 'Change the password' }).press('Enter');
    await expect(page.getByText('This is not the password of the account.')).toBeVisible();
    await page.getByLabel('Password so far').fill(PASSWORD);
    await page.getByLabel('New password').press('Enter');
    await expect(page.getByText('The password is changed.')).toBeVisible();

    const download = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Take all sheets home' }).click();
    const archive = await readFile(await (await download).path());
    expect(archive.subarray(0, 2).toString()).toBe('PK');
    expect(archive.includes('quay.json')).toBe(true);

    await other.reload();
    await expect(other.getByRole('heading', { name: 'Sign in' })).toBeVisible();
    await signIn(other, email, PASSWORD);
    await expect(other.getByText('No account has this e-mail address and password.')).toBeVisible();
    await signIn(other, email, 'lantern and buoy');
    await expect(other.getByRole('heading', { name: 'Sheets' })).toBeVisible();
    await other.getByRole('button', { name: 'Ines Varga' }).click();
    await other.getByRole('button', { name: 'Sign out everywhere' }).click();
    await expect(other.getByRole('heading', { name: 'Sign in' })).toBeVisible();
    await page.reload();
    await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible();

    await signIn(page, email, 'lantern and buoy');
    await page.getByRole('button', { name: 'Ines Varga' }).click();
    await page.getByRole('button', { name: 'Delete the account…' }).click();
    await page.getByLabel('Your password, to be sure').fill('lantern and buoy');
    await page.getByRole('button', { name: 'Delete everything' }).click();
    await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible();
    await signIn(page, email, 'lantern and buoy');
    await expect(page.getByText('No account has this e-mail address and password.')).toBeVisible();
});
