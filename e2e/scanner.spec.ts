import { expect, test } from './journey';
import { DeskPage } from './desk';

test('a pencil sketch is scanned and lies straight under the sheet, whatever the scanner does on the way', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('From the scanner');
    const pictures = async () => (await desk.stored()).plan.steps.filter((step) => step.kind === 'picture');
    await desk.bringIn('sketch');
    const dialog = page.getByRole('dialog', { name: 'Scan a sketch' });
    await expect(dialog.getByRole('radio')).toHaveCount(4);
    const fault = dialog.getByRole('alert');

    // Somebody left the cover open.
    await dialog.getByLabel('cover open').check();
    await dialog.getByRole('button', { name: 'Scan it' }).click();
    await expect(fault).toHaveText('The cover is open. Close it, and scan again.');
    await dialog.getByRole('button', { name: 'Close the cover' }).click();
    await expect(fault).toBeHidden();

    // The sheet jams half-way.
    await dialog.getByLabel('the next sheet jams').check();
    await dialog.getByText('Signal lamp').click();
    await dialog.getByRole('button', { name: 'Scan it' }).click();
    await expect(dialog.getByRole('progressbar', { name: 'How far the sheet is' })).toBeVisible();
    await expect(fault).toHaveText('The sheet jammed on its way. Take it out, and scan again.');
    expect(await pictures()).toEqual([]);
    await dialog.getByRole('button', { name: 'Take the sheet out' }).click();
    await expect(fault).toBeHidden();

    // Stopped on the way, nothing comes of it.
    await dialog.getByLabel('Dots per inch').selectOption('300');
    await dialog.getByRole('button', { name: 'Scan it' }).click();
    await dialog.getByRole('button', { name: 'Stop' }).press('Enter');
    await expect(dialog.getByRole('button', { name: 'Scan it' })).toBeEnabled();
    expect(await pictures()).toEqual([]);

    await dialog.getByLabel('Dots per inch').selectOption('150');
    await dialog.getByRole('button', { name: 'Scan it' }).click();
    await expect(dialog).toBeHidden();
    await desk.revision(2);
    const [lamp] = await pictures();
    expect(lamp).toMatchObject({ even: true, fade: 0.4 });
    // A5, upright, in the middle of 800 × 800.
    expect(Math.abs((lamp?.['width'] as number) - (800 * 148) / 210)).toBeLessThan(4);
    expect((lamp?.['at'] as [number, number])[1]).toBe(0);
    expect((lamp?.['corners'] as unknown[]).length).toBe(4);
    expect((await desk.stored()).scene.findings).toEqual([]);
});

test('the same by keyboard: the tray is gone through by arrows, and what was scanned is left as it is', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('From the scanner by keys');
    await desk.bringInByKeys('sketch');
    const dialog = page.getByRole('dialog', { name: 'Scan a sketch' });
    const first = dialog.getByRole('radio').first();
    await expect(first).toBeVisible();
    await first.focus();
    for (let k = 0; k < 3; k++) await page.keyboard.press('ArrowDown');
    await expect(dialog.getByRole('radio', { name: /^Waves and moon/ })).toBeChecked();
    await page.keyboard.press('Tab');
    await page.keyboard.press('ArrowUp');
    await expect(dialog.getByLabel('Dots per inch')).toHaveValue('150');
    await page.keyboard.press('Tab');
    await page.keyboard.press(' ');
    await page.keyboard.press('Enter');
    await expect(dialog).toBeHidden();
    await desk.revision(2);
    const step = (await desk.stored()).plan.steps[0];
    expect(step).toMatchObject({ kind: 'picture' });
    expect(step?.['corners'] ?? null).toBeNull();
    // Keys work on the sheet again.
    await expect(desk.sheet).toBeFocused();
});

test('a picture that is on disk is brought the same way', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('From disk');
    // From the card on the empty sheet.
    const ways = page.getByRole('region', { name: 'Four ways to begin' });
    const choose = async (file: string | { name: string; mimeType: string; buffer: Buffer }) => {
        const chosen = page.waitForEvent('filechooser');
        await ways.getByRole('button', { name: /^A reference/ }).click();
        await page.getByRole('menuitem', { name: 'A picture' }).click();
        await (await chosen).setFiles(file);
    };
    // What is none is refused there, and the ways to begin stay.
    await choose({ name: 'notes.png', mimeType: 'image/png', buffer: Buffer.from('these are notes') });
    await expect(ways.getByText('by its first bytes this file is none')).toBeVisible();
    await desk.revision(1);
    await choose('resources/demo/pictures/lamp.jpg');
    await desk.revision(2);
    expect((await desk.stored()).plan.steps).toMatchObject([{ kind: 'picture' }]);
    await expect(desk.sheet).toBeFocused();
});
