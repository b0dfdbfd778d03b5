import { expect, type Locator } from '@playwright/test';

/**
 * Types into a field as a hand does: a click, and key after key. What stood there is selected by the click, so that it goes.
 *
 * @param text taken key by key; nothing empties the field
 */
export async function type(field: Locator, text: string): Promise<void> {
    // What asks for a number first has the focus already, with what stands there selected.
    if (!(await field.evaluate((one) => one === document.activeElement))) await field.click();
    if (text === '') await field.press('Backspace');
    else await field.pressSequentially(text);
    await expect(field).toHaveValue(text);
}
