import { readFile } from 'node:fs/promises';
import type { Browser, Page } from '@playwright/test';
import { expect, test } from './journey';
import { openAccount, signIn } from './door';
import { type } from './type';

const PASSWORD = 'quay and bollard';

/** A device of its own: its cookies are not those of the others. */
async function device(browser: Browser): Promise<Page> {
    const context = await browser.newContext({ baseURL: process.env['STERNBILD_URL'], storageState: { cookies: [], origins: [] } });
    return context.newPage();
}

test('an account: another password signs other devices out, sheets are taken home, and all goes when its owner leaves', async ({
    browser,
}) => {
    const email = `ines-${Date.now()}@sternbild.test`;
    const page = await device(browser);
    await openAccount(page, 'Ines Varga', email, PASSWORD);
    await page.getByRole('button', { name: 'New sheet' }).click();
    await type(page.getByLabel('Name', { exact: true }), 'Quay');
    await page.getByRole('button', { name: 'Make the sheet' }).click();
    await page.waitForURL(/sheets\//);
    const other = await device(browser);
    await signIn(other, email, PASSWORD);
    await expect(other.getByRole('heading', { name: 'Sheets' })).toBeVisible();

    await page.goto('/');
    await page.getByRole('button', { name: 'Ines Varga' }).click();
    await type(page.getByLabel('Password so far'), 'a guess');
    await type(page.getByLabel('New password'), 'lantern and buoy');
    await page.getByRole('button', { name: 'Change the password' }).press('Enter');
    await expect(page.getByText('This is not the password of the account.')).toBeVisible();
    await type(page.getByLabel('Password so far'), PASSWORD);
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
    await type(page.getByLabel('Your password, to be sure'), 'lantern and buoy');
    await page.getByRole('button', { name: 'Delete everything' }).click();
    await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible();
    await signIn(page, email, 'lantern and buoy');
    await expect(page.getByText('No account has this e-mail address and password.')).toBeVisible();
});

test('a forgotten password is set anew by a letter, which is good once; others learn nothing of who has an account', async ({
    browser,
}) => {
    const email = `otto-${Date.now()}@sternbild.test`;
    const page = await device(browser);
    await openAccount(page, 'Otto Lind', email, PASSWORD);

    const other = await device(browser);
    const asks = async (address: string) => {
        await other.goto('/sign-in');
        await other.getByRole('link', { name: 'Forgot the password?' }).press('Enter');
        await type(other.getByLabel('E-mail address'), address);
        await other.getByRole('button', { name: 'Send the letter' }).press('Enter');
        return (await other.getByRole('status').textContent())?.replace(address, '…');
    };
    expect(await asks('nobody@sternbild.test')).toBe(await asks(email));
    await other.getByRole('link', { name: 'Open the simulated mailbox' }).click();
    const link = other.getByRole('link', { name: /\/reset\// });
    const address = new URL((await link.textContent()) ?? '').pathname;
    await link.click();
    await type(other.getByLabel('New password'), 'lantern and buoy');
    await other.getByLabel('New password').press('Enter');
    await expect(other.getByText('No sheet yet')).toBeVisible();

    await page.reload();
    await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible();
    await page.goto(address);
    await type(page.getByLabel('New password'), 'another attempt');
    await page.getByRole('button', { name: 'Set it and come in' }).click();
    await expect(page.getByRole('alert')).toContainText('not good any more');
    await signIn(page, email, 'lantern and buoy');
    await expect(page.getByText('No sheet yet')).toBeVisible();

    // Somebody else tries to open an account with the same address: only its owner learns that there is one.
    const third = await device(browser);
    await third.goto('/register');
    await type(third.getByLabel('Name'), 'Somebody');
    await type(third.getByLabel('E-mail address'), email);
    await type(third.getByLabel('Password'), 'a long password');
    await third.getByRole('button', { name: 'Open the account' }).click();
    await expect(third.getByText(`A letter is on its way to ${email}`)).toBeVisible();
    await third.getByRole('link', { name: 'Open the simulated mailbox' }).click();
    await expect(third.getByRole('heading', { name: 'Your account at Sternbild', exact: true })).toBeVisible();
    await third.goto('/confirm/somethingelse');
    await third.getByRole('button', { name: 'Come in' }).press('Enter');
    await expect(third.getByRole('heading', { name: 'Not by this link' })).toBeVisible();
});
