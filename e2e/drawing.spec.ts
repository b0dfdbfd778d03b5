import { expect, test } from './journey';
import { DeskPage } from './desk';
import { type } from './type';

async function laidGrid(desk: DeskPage, name: string): Promise<void> {
    await desk.newSheet(name);
    await desk.grid('Rectangular grid');
    await desk.page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(2);
}

test('an outline is drawn by clicking places and pulling an arc, with its picture from the third place on', async ({ page }) => {
    const desk = new DeskPage(page);
    await laidGrid(desk, 'Drawn');
    await desk.mode('points').click();
    await page.mouse.click(...(await desk.at(160, 160)));
    await expect(page.locator('[data-picked="1"]')).toHaveCount(1);
    await desk.verb('make', 'Outline…');
    await expect(page.getByText('pick 2 more points')).toBeVisible();
    await page.mouse.click(...(await desk.at(400, 160)));
    await expect(page.getByText('pick one more point')).toBeVisible();
    // What is pointed at counts already: the plan shows what would come of it, and nothing is stored.
    await page.mouse.move(...(await desk.at(400, 400)));
    await expect(page.locator('[data-step="p1"]')).toBeVisible();
    await desk.dragAcross(await desk.at(400, 400), await desk.at(480, 280));
    await expect(page.locator('[data-step="p1"]')).toContainText('bulging');
    await page.mouse.click(...(await desk.at(160, 400)));
    await desk.revision(2);
    await page.mouse.click(...(await desk.at(160, 160)));
    await desk.revision(3);
    const step = (await desk.stored()).plan.steps.at(-1);
    expect(step).toMatchObject({ kind: 'part.outline', points: ['g1@1,1', 'g1@4,1', 'g1@4,4', 'g1@1,4'] });
    const bulge = (step?.['bends'] as ({ bulge: number } | null)[])[1]?.bulge ?? 0;
    // 80 px over a half chord of 120.
    expect(bulge).toBeCloseTo(80 / 120, 1);
    // The area of the square and of the segment of a circle (handbook formula).
    const [chord, height] = [240, bulge * 120];
    const radius = (chord ** 2 / 4 + height ** 2) / (2 * height);
    const segment = radius ** 2 * Math.acos((radius - height) / radius) - (radius - height) * Math.sqrt(2 * radius * height - height ** 2);
    expect((await desk.measures('p1'))['area']).toBeCloseTo(240 * 240 + segment, 1);
});

test('ways are bent, points put on and taken out, several moved together, numbers pulled', async ({ page }) => {
    const desk = new DeskPage(page);
    await laidGrid(desk, 'Pulled');
    await desk.pick('points', [[160, 160], [400, 160], [400, 400], [160, 400]]);
    await desk.verb('make', 'Outline');
    await desk.revision(3);
    await desk.mode('parts').click();
    await page.mouse.click(...(await desk.at(250, 250)));
    const handle = (name: string) => page.getByRole('button', { name: `${name} of outline 1: drag it` });
    const outline = async () => (await desk.stored()).plan.steps.at(-1);

    const [x, y] = await desk.at(280, 160);
    await desk.dragAcross([x, y], await desk.at(280, 40));
    await desk.revision(4);
    expect((await outline())?.['bends']).toEqual([{ bulge: 1 }]);
    // Pressed twice, a way gets a point: the half circle goes on as two quarters, with the same area.
    const area = (await desk.measures('p1'))['area'] ?? 0;
    await handle('bulge 1').dblclick();
    await desk.revision(5);
    expect((await outline())?.['points']).toHaveLength(5);
    expect((await desk.measures('p1'))['area']).toBeCloseTo(area, 3);
    // By keyboard: out again with Delete, and a point on with Insert.
    await handle('point 2').focus();
    await page.keyboard.press('Delete');
    await desk.revision(6);
    expect((await outline())?.['points']).toEqual(['g1@1,1', 'g1@4,1', 'g1@4,4', 'g1@1,4']);
    // Two points are taken, and go a whole step of the grid together.
    await handle('point 3').focus();
    await page.keyboard.press('Space');
    await handle('point 4').focus();
    await page.keyboard.press('Space');
    await page.keyboard.press('ArrowDown');
    await desk.revision(7);
    expect((await outline())?.['points']).toEqual(['g1@1,1', 'g1@4,1', 'g1@4,5', 'g1@1,5']);

    await desk.pick('points', [[560, 560]]);
    await desk.verb('make', 'Disc, centre and radius');
    await type(page.getByLabel('radius', { exact: true }), '40');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(8);
    await desk.mode('parts').click();
    await page.mouse.click(...(await desk.at(560, 560)));
    await desk.dragAcross(await desk.at(600, 560), await desk.at(640, 560));
    await desk.revision(9);
    expect((await outline())?.['radius']).toBe(80);
    await page.getByRole('button', { name: 'radius of disc 1: drag it' }).press('ArrowRight');
    await desk.revision(10);
    expect((await outline())?.['radius']).toBe(81);
});

test('a verb asks for what it lacks on the sheet, waits whatever is looked at, and is done when it has it', async ({ page }) => {
    const desk = new DeskPage(page);
    await laidGrid(desk, 'Asked');
    for (const places of [[[160, 160], [400, 400]], [[320, 320], [480, 480]]] as [number, number][][]) {
        await desk.pick('points', places);
        await desk.verb('make', 'Rectangle');
    }
    await desk.revision(4);
    // Cut: the first is picked, what cuts is asked for; it is seen before it is clicked.
    await desk.pick('parts', [[200, 200]]);
    await desk.verb('combine', 'Cut from the first…');
    await expect(page.getByText('parts: pick one more part')).toBeVisible();
    await page.mouse.move(...(await desk.at(440, 440)));
    await expect(page.locator('[data-step="k1"]')).toBeVisible();
    await page.mouse.click(...(await desk.at(440, 440)));
    await desk.revision(4);
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(5);
    expect((await desk.stored()).plan.steps.at(-1)).toEqual({ id: 'k1', kind: 'cut', from: 'p1', with: ['p2'] });

    // A line takes two points: with the second it asks on, and keeps the answer while something else is looked at.
    await desk.mode('points').click();
    await page.mouse.click(...(await desk.at(80, 80)));
    await desk.verb('guide', 'Line…');
    await page.mouse.click(...(await desk.at(720, 720)));
    await page.getByRole('group', { name: 'reaching' }).getByText('to the edges of the sheet').click();
    await page.getByRole('button', { name: 'Outlines' }).click();
    await page.getByRole('button', { name: 'Zoom in' }).click();
    await page.getByRole('button', { name: 'In colour' }).click();
    await page.getByRole('button', { name: 'Fit', exact: true }).click();
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(6);
    expect((await desk.stored()).plan.steps.at(-1)).toMatchObject({ kind: 'guide.line', through: ['g1@0,0', 'g1@8,8'], extend: 'both' });
});

test('a copy and a piece are picked by themselves; picked parts go along the grid by arrow keys', async ({ page }) => {
    const desk = new DeskPage(page);
    await laidGrid(desk, 'By itself');
    await desk.pick('points', [[80, 80], [160, 160]]);
    await desk.verb('make', 'Rectangle');
    await desk.revision(3);
    await desk.pick('parts', [[120, 120]]);
    await desk.verb('copy', 'Along…');
    await type(page.getByLabel('way, across', { exact: true }), '160');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(4);
    await desk.mode('parts').click();
    await page.getByLabel('What of a part the pointer picks').selectOption('copies');
    await page.mouse.click(...(await desk.at(280, 120)));
    await expect(page.locator('[data-picked="1"]')).toHaveText(/copy 2 of repeat 1/);
    await desk.verb('look', 'Fill');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(5);
    expect((await desk.stored()).plan.steps.at(-1)).toMatchObject({ kind: 'style', of: ['r1[2]'] });

    // By keyboard: the third copy, walked to and picked, then joined with the first.
    await desk.mode('parts').click();
    await desk.sheet.press('ArrowRight');
    await desk.sheet.press('ArrowRight');
    await desk.sheet.press('ArrowRight');
    await desk.sheet.press('Enter');
    await expect(page.locator('[data-picked="1"]')).toHaveText(/copy 3 of repeat 1/);

    await page.getByLabel('What of a part the pointer picks').selectOption('whole parts');
    await page.mouse.click(...(await desk.at(120, 120)));
    await expect(page.locator('[data-picked="1"]')).toHaveText(/repeat 1/);
    // Two steps down and one across become one move.
    await desk.sheet.press('Shift+ArrowDown');
    await desk.revision(6);
    await expect(page.locator('[data-picked="1"]')).toHaveText(/repeat 1/);
    await desk.sheet.press('Shift+ArrowDown');
    await desk.revision(7);
    await desk.sheet.press('Shift+ArrowRight');
    await desk.revision(8);
    expect((await desk.stored()).plan.steps.at(-1)).toMatchObject({ kind: 'move', of: ['r1'], by: [80, 160] });

    await page.getByLabel('What of a part the pointer picks').selectOption('pieces');
    await desk.pick('parts', [[200, 280]]);
    await desk.verb('combine', 'Join');
    await desk.revision(9);
    const joined = (await desk.stored()).plan.steps.at(-1);
    expect(joined?.kind).toBe('join');
    expect(String((joined?.['of'] as string[])[0])).toMatch(/^v1~/);
    expect((await desk.measures(joined?.id ?? ''))['area']).toBeCloseTo(80 * 80, 6);
});

test('cells of an overlay are merged by dragging across them, and taken away in the same manner', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.bring('Merged and taken', {
        format: 'sternbild-plan',
        version: 1,
        sheet: { width: 800, height: 800, unit: 'px', background: null },
        palette: { ink: '#1b2140' },
        steps: [
            { id: 'g1', kind: 'grid.rectangular', origin: [0, 0], columns: 8, rows: 8, cell: [100, 100] },
            { id: 'c1', kind: 'guide.circle', center: [400, 400], radius: 250 },
            { id: 'o1', kind: 'overlay', of: ['g1', 'c1'] },
        ],
    });
    // Six whole cells inside the circle become a part.
    await desk.dragAcross(await desk.at(250, 350), await desk.at(550, 350));
    await expect(page.locator('[data-picked="4"]')).toHaveCount(1);
    await page.keyboard.press('1');
    await desk.revision(2);
    expect((await desk.measures('p1'))['area']).toBeCloseTo(4 * 100 * 100, 6);
    // Two of them are taken away: picked by a pull, said once, and then kept on: one more pull takes another.
    await desk.mode('cells').click();
    await desk.dragAcross(await desk.at(550, 350), await desk.at(552, 350));
    await desk.verb('make', 'Take from part 1');
    await desk.revision(3);
    expect((await desk.measures('p1'))['area']).toBeCloseTo(3 * 100 * 100, 6);
    await desk.sheet.press('k');
    await desk.dragAcross(await desk.at(250, 350), await desk.at(252, 350));
    await desk.revision(4);
    expect((await desk.measures('p1'))['area']).toBeCloseTo(2 * 100 * 100, 6);
    await page.getByRole('button', { name: 'That is all' }).click();
});
