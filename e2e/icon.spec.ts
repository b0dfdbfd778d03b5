import type { Locator } from '@playwright/test';
import { expect, test } from './journey';
import { DeskPage } from './desk';

/** A stop sign for trams: a plate with a bar and a disc cut out of it. On a grid of 8 × 8 cells of 80 that begins at 80, 80. */
const PLATE = 480 * 480;
const BAR = 320 * 80;
const DISC = Math.PI * 80 ** 2;

async function isFinished(desk: DeskPage): Promise<void> {
    const { plan } = await desk.stored();
    const cut = plan.steps.find((step) => step.kind === 'cut');
    expect((await desk.measures(cut?.id ?? ''))['area']).toBeCloseTo(PLATE - BAR - DISC, 3);
    expect((await desk.measures(cut?.id ?? ''))['holes']).toBe(2);
    expect(plan.steps.at(-1)).toMatchObject({ kind: 'style', of: [cut?.id], fill: 'lagoon' });
}

test('an icon is made from nothing by pointer', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.fillInNewSheet('Icon by pointer');
    await page.getByRole('region', { name: 'Four ways to begin' }).getByRole('button', { name: /^A grid/ }).click();
    await desk.grid('Rectangular grid');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(2);
    // Two rectangles are two pulls, once the verb is kept on.
    await desk.mode('points').click();
    await desk.dragAcross(await desk.at(160, 160), await desk.at(640, 640));
    await desk.verb('make', 'Rectangle');
    await desk.revision(3);
    await page.getByRole('button', { name: /^K Keep on/ }).click();
    await desk.dragAcross(await desk.at(240, 480), await desk.at(560, 560));
    await desk.revision(4);
    await page.getByRole('button', { name: 'That is all' }).click();
    await desk.dragAcross(await desk.at(400, 320), await desk.at(480, 320));
    await desk.verb('make', 'Disc, centre and point');
    await desk.revision(5);
    await desk.pick('parts', [[180, 180], [400, 520], [400, 320]]);
    await desk.verb('combine', 'Cut from the first');
    await desk.revision(6);
    await desk.verb('look', 'Fill');
    await page.getByRole('radio', { name: 'lagoon' }).check({ force: true });
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(7);
    await isFinished(desk);
});

test('the same icon is made by keyboard alone', async ({ page }) => {
    const desk = new DeskPage(page);
    const { keyboard } = page;
    /** Goes on with Tab, or back, until something has the focus. */
    const reach = async (target: Locator, key = 'Tab') => {
        for (let presses = 0; presses < 150 && !(await target.evaluate((element) => element === document.activeElement)); presses++)
            await keyboard.press(key);
        await expect(target).toBeFocused();
    };
    /** Walks by arrow keys from the first intersection, which the walk begins at. */
    const pickPoints = async (places: [number, number][]) => {
        await reach(desk.mode('points'));
        await keyboard.press('Space');
        await reach(desk.sheet, 'Shift+Tab');
        let [column, row] = [-1, 0];
        for (const [number, [toColumn, toRow]] of places.entries()) {
            for (; column < toColumn; column++) await keyboard.press('ArrowRight');
            for (; column > toColumn; column--) await keyboard.press('ArrowLeft');
            for (; row < toRow; row++) await keyboard.press('ArrowDown');
            for (; row > toRow; row--) await keyboard.press('ArrowUp');
            await keyboard.press('Enter');
            await expect(page.locator(`[data-picked="${number + 1}"]`)).toHaveCount(1);
        }
    };

    await page.goto('/');
    await reach(page.getByRole('button', { name: 'New sheet' }));
    await keyboard.press('Enter');
    await keyboard.type('Icon by keyboard');
    await keyboard.press('Enter');
    await desk.revision(1);
    await expect(desk.sheet).toBeFocused();
    await keyboard.press('2');
    await expect(page.getByRole('button', { name: 'Do it' })).toBeVisible();
    await keyboard.press('Enter');
    await desk.revision(2);
    await pickPoints([[1, 1], [7, 7]]);
    await keyboard.press('2');
    await desk.revision(3);
    await pickPoints([[2, 5], [6, 6]]);
    await keyboard.press('2');
    await desk.revision(4);
    await pickPoints([[4, 3], [5, 3]]);
    await keyboard.press('4');
    await desk.revision(5);
    // The plate, the bar and the disc, walked to in their order.
    await reach(desk.mode('parts'));
    await keyboard.press('Space');
    await reach(desk.sheet, 'Shift+Tab');
    for (let part = 1; part <= 3; part++) {
        await keyboard.press('ArrowRight');
        await keyboard.press('Enter');
        await expect(page.locator(`[data-picked="${part}"]`)).toHaveCount(1);
    }
    // Said in everyday words.
    await keyboard.press('/');
    await keyboard.type('subtract');
    await keyboard.press('Enter');
    await desk.revision(6);
    await keyboard.press('/');
    await keyboard.type('paint');
    await keyboard.press('Enter');
    await reach(page.getByRole('radio', { name: 'ink' }));
    while (!(await page.getByRole('radio', { name: 'lagoon' }).isChecked())) await keyboard.press('ArrowRight');
    await keyboard.press('Enter');
    await desk.revision(7);
    await isFinished(desk);
});
