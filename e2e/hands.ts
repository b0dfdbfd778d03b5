import type { Page } from '@playwright/test';
import type { DeskPage } from './desk';
import { expect } from './journey';

/** Says a verb in everyday words. */
export async function say(page: Page, words: string): Promise<void> {
    await page.keyboard.press('/');
    await page.keyboard.type(words);
    await page.keyboard.press('Enter');
}

/** Gives what is picked, or was drawn last, a colour. */
export async function fill(desk: DeskPage, colour: string, revision: number): Promise<void> {
    await desk.page.getByRole('button', { name: `Fill with ${colour}` }).click();
    await desk.revision(revision);
}

export const onlyOne = async (page: Page) => expect(page.locator('[data-picked="1"]')).toHaveCount(1);

export const steps = async (desk: DeskPage) => (await desk.stored()).plan.steps;
