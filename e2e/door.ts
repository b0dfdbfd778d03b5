import { expect, type Page } from '@playwright/test';

/** Opens an account: with the form, the letter in the simulated mailbox, and the link in it. */
export async function openAccount(page: Page, name: string, email: string, password: string): Promise<void> {
    await page.goto('/register');
    await page.getByLabel('Name').fill(name);
    await page.getByLabel('E-mail address').fill(email);
    await page.getByLabel('Password').fill(password);
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
    await page.getByLabel('E-mail address').fill(email);
    await page.getByLabel('Password').fill(password);
    await page.getByRole('button', { name: 'Sign in' }).click();
}
