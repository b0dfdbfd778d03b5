import { expect, type Page } from '@playwright/test';
import { type } from './type';

/** Opens an account: with the form, the letter in the simulated mailbox, and the link in it. */
export async function openAccount(page: Page, name: string, email: string, password: string): Promise<void> {
    await page.goto('/register');
    await type(page.getByLabel('Name'), name);
    await type(page.getByLabel('E-mail address'), email);
    await type(page.getByLabel('Password'), password);
    await page.getByRole('button', { name: 'Open the account' }).click();
    await comeIn(page);
}

/** By the letter that was just asked for. */
export async function comeIn(page: Page): Promise<void> {
    await page.getByRole('link', { name: 'Open the simulated mailbox' }).click();
    await page.getByRole('link', { name: /\/confirm\// }).click();
    await page.getByRole('button', { name: 'Come in' }).press('Enter');
    await expect(page.getByText('No sheet yet')).toBeVisible();
}

export async function signIn(page: Page, email: string, password: string): Promise<void> {
    await page.goto('/sign-in');
    await type(page.getByLabel('E-mail address'), email);
    await type(page.getByLabel('Password'), password);
    await page.getByRole('button', { name: 'Sign in' }).click();
}
