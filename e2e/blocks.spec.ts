import { expect, test } from '@playwright/test';
import { DeskPage } from './desk';

test('blocks are raised on an isometric grid, one height each, lit from the upper left, and a canal is sunk beside them', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.bring('Blocks', {
        format: 'sternbild-plan', version: 1, sheet: { width: 800, height: 600, unit: 'px', background: null }, palette: { stone: '#7f8fb0', water: '#4f8fae', leaf: '#9ccc78' }, values: {},
        steps: [{ id: 'g1', kind: 'grid.twoaxis', origin: [400, 200], angles: [30, 150], spacing: [40, 40], columns: 8, rows: 8 }],
    });
    const last = async () => (await desk.stored()).plan.steps.at(-1);
    /** The middle of a cell. */
    const cell = async (column: number, row: number) => desk.at(400 + (column - row) * 40 * Math.cos(Math.PI / 6), 200 + (column + row - 1) * 20);
    const face = 40 * 40 * Math.sin(Math.PI / 3);

    await page.getByRole('radio', { name: 'cells' }).click();
    await desk.dragAcross(await cell(3, 3), await cell(5, 3));
    await desk.verb('shape', 'Block…');
    await page.getByLabel('height', { exact: true }).fill('2');
    await page.getByRole('radio', { name: 'stone' }).check({ force: true });
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(2);
    const block = await last();
    expect(block).toMatchObject({ kind: 'block', on: 'g1', cells: ['g1#3,3', 'g1#4,3', 'g1#5,3'], up: 2, colour: 'stone' });
    expect((await desk.measures(block?.id ?? ''))['area']).toBeCloseTo((3 + 3 * 2 + 2) * face, 3);

    // One height for each, in the sentence; then light from the other side.
    const heights = page.getByLabel('height of block 1', { exact: true });
    await heights.fill('1 2 3');
    await heights.press('Enter');
    await desk.revision(3);
    expect((await last())?.['up']).toEqual([1, 2, 3]);
    await desk.setNumber('light on the sheet', '45');
    await desk.revision(4);
    expect((await desk.stored()).plan.sheet['light']).toBe(45);

    // A canal along an axis, by keyboard: found by an everyday word.
    await page.getByRole('radio', { name: 'cells' }).click();
    await desk.sheet.press('Escape');
    await desk.dragAcross(await cell(1, 7), await cell(8, 7));
    await desk.sheet.press('/');
    await page.keyboard.type('canal');
    await page.keyboard.press('Enter');
    await page.getByLabel('depth', { exact: true }).fill('0.5');
    await page.keyboard.press('Enter');
    await desk.revision(5);
    const pit = await last();
    expect(pit).toMatchObject({ kind: 'block', down: 0.5 });
    expect((await desk.measures(pit?.id ?? ''))['area']).toBeCloseTo(8 * face, 3);

    // Touches of light; what blocks need is said where the grid has no such axes.
    await desk.pick('parts', [[400, 270]]);
    await desk.sheet.press('/');
    await page.keyboard.type('touches of light');
    await page.keyboard.press('Enter');
    await page.getByLabel('share', { exact: true }).fill('1');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(6);
    expect(await last()).toMatchObject({ kind: 'speckle', of: block?.id, share: 1 });
});
