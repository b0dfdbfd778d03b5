import { expect, test } from './journey';
import { DeskPage } from './desk';
import { type } from './type';

test('an icon is drawn from points of a grid, bent, cut, put in a row, and follows the grid', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Icon');
    await desk.grid('Rectangular grid');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(2);
    // The grid of 8 × 8 begins at 80, 80 with cells of 80.
    await desk.pick('points', [[160, 160], [320, 160], [320, 320], [160, 320]]);
    await desk.verb('make', 'Outline');
    await desk.revision(3);
    expect((await desk.stored()).plan.steps.at(-1)).toEqual({
        id: 'p1',
        kind: 'part.outline',
        points: ['g1@1,1', 'g1@3,1', 'g1@3,3', 'g1@1,3'],
    });
    expect((await desk.measures('p1'))['area']).toBeCloseTo(160 * 160, 6);

    // Its first way is bent to a half circle, in its sentence.
    await page.getByRole('button', { name: 'More for step 2, outline 1' }).click({ force: true });
    await page.getByRole('menuitem', { name: 'Say all of it' }).click();
    await page.getByRole('button', { name: /^bends of outline 1/ }).click();
    await page.getByLabel('Way 1', { exact: true }).selectOption('bulge');
    await desk.revision(4);
    await type(page.getByLabel('Bulge of way 1'), '1');
    await page.getByLabel('Bulge of way 1').press('Enter');
    await desk.revision(5);
    await page.keyboard.press('Escape');
    expect((await desk.measures('p1'))['area']).toBeCloseTo(160 * 160 + (Math.PI * 80 ** 2) / 2, 6);

    await desk.pick('points', [[240, 240]]);
    await desk.verb('make', 'Disc, centre and radius');
    await type(page.getByLabel('radius', { exact: true }), '40');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(6);
    await desk.pick('parts', [[180, 300], [240, 240]]);
    await desk.verb('combine', 'Cut from the first');
    await desk.revision(7);
    expect((await desk.stored()).plan.steps.at(-1)).toEqual({ id: 'k1', kind: 'cut', from: 'p1', with: ['p2'] });
    const icon = 160 * 160 + (Math.PI * 80 ** 2) / 2 - Math.PI * 40 ** 2;
    expect((await desk.measures('k1'))['area']).toBeCloseTo(icon, 6);
    expect((await desk.measures('k1'))['holes']).toBe(1);

    // What was made is picked; the next verb goes on with it.
    await desk.verb('copy', 'Along…');
    await type(page.getByLabel('way, across', { exact: true }), 'g1.cellw*2.5');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(8);
    expect((await desk.stored()).plan.steps.at(-1)).toMatchObject({ kind: 'repeat.along', of: ['k1'], by: ['g1.cellw*2.5', 0], count: 3 });
    expect((await desk.measures('r1'))['area']).toBeCloseTo(3 * icon, 6);

    await desk.setNumber('columns of grid 1', '16');
    await desk.revision(9);
    // Half as wide cells: the outline is half as wide, the half circle over it half as large.
    expect((await desk.measures('p1'))['area']).toBeCloseTo(80 * 160 + (Math.PI * 40 ** 2) / 2, 6);
});

test('parts are joined, turned as a copy, mirrored and split by keyboard alone', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Keys and parts');
    await desk.grid('Rectangular grid');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(2);
    await desk.mode('points').focus();
    await page.keyboard.press('Enter');
    await desk.sheet.focus();
    for (const key of ['ArrowRight', 'Enter', 'ArrowRight', 'ArrowDown', 'ArrowDown', 'Enter']) await page.keyboard.press(key);
    await page.keyboard.press('2');
    await desk.revision(3);
    expect((await desk.stored()).plan.steps.at(-1)).toEqual({ id: 'p1', kind: 'part.rectangle', corners: ['g1@0,0', 'g1@1,2'] });
    await desk.mode('parts').focus();
    await page.keyboard.press('Enter');
    await desk.sheet.focus();
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('Enter');
    for (const key of ['0', '6', '3']) await page.keyboard.press(key);
    await type(page.getByLabel('angle', { exact: true }), '45');
    await page.getByLabel('copy').press('Space');
    await page.getByRole('button', { name: 'Do it' }).press('Enter');
    await desk.revision(4);
    expect((await desk.stored()).plan.steps.at(-1)).toMatchObject({ kind: 'turn', of: ['p1'], about: 'p1!', angle: 45, copy: true });
    await desk.sheet.focus();
    await page.keyboard.press('Escape');
    for (const key of ['ArrowRight', 'Enter', 'ArrowRight', 'Enter']) await page.keyboard.press(key);
    await expect(page.locator('[data-picked="2"]')).toHaveCount(1);
    for (const key of ['0', '4', '1']) await page.keyboard.press(key);
    await desk.revision(5);
    expect((await desk.stored()).plan.steps.at(-1)).toMatchObject({ kind: 'join', of: ['v1', 'p1'] });
    const joined = (await desk.measures('j1'))['area'] ?? 0;
    // They cover one another in part.
    expect(joined).toBeGreaterThan(80 * 160);
    expect(joined).toBeLessThan(2 * 80 * 160);
    await page.keyboard.press('5');
    await page.getByRole('button', { name: 'Do it' }).press('Enter');
    await desk.revision(6);
    expect((await desk.stored()).plan.steps.at(-1)).toMatchObject({ kind: 'split', of: ['j1'], by: ['g1'] });
    const pieces = await desk.measures('s1');
    expect(pieces['pieces']).toBeGreaterThan(2);
    expect(pieces['area']).toBeCloseTo(joined, 6);
});

test('a guide is repeated around, its copies cut a part, and one of the pieces is taken', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Copies of a guide');
    await desk.pick('points', [[400, 400], [400, 100]]);
    await desk.verb('guide', 'Line');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(2);
    await desk.mode('lines').click();
    await page.mouse.click(...(await desk.at(400, 250)));
    await desk.verb('copy', 'Around…');
    await type(page.getByLabel('count', { exact: true }), '5');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(3);
    await desk.pick('points', [[400, 400]]);
    await desk.verb('make', 'Disc, centre and radius');
    await type(page.getByLabel('radius', { exact: true }), '200');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(4);
    await desk.pick('parts', [[420, 380]]);
    await desk.verb('combine', 'Split…');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(5);
    expect((await desk.stored()).plan.steps.at(-1)).toMatchObject({ kind: 'split', of: ['p1'], by: ['r1'] });
    expect(await desk.measures('s1')).toMatchObject({ pieces: 5 });
    await desk.verb('shape', 'Piece…');
    await page.getByRole('button', { name: /^places 1/ }).click();
    await page.getByRole('button', { name: 'a place clicked on the sheet' }).click();
    await page.mouse.click(...(await desk.at(480, 300)));
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(6);
    expect((await desk.stored()).plan.steps.at(-1)).toMatchObject({ kind: 'part.piece', of: 's1' });
    expect((await desk.measures('p2'))['area']).toBeCloseTo((Math.PI * 200 ** 2) / 5, 6);
});
