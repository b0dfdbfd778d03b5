import { expect, test } from './journey';
import { DeskPage } from './desk';

const steps = async (desk: DeskPage) => (await desk.stored()).plan.steps;

/** Says a verb by words that people have for it. */
async function say(desk: DeskPage, words: string): Promise<void> {
    await desk.page.keyboard.press('/');
    await desk.page.keyboard.type(words);
    await desk.page.keyboard.press('Enter');
}

/** An empty sheet with 8 by 8 cells of 80, from 80, 80 on. */
async function gridded(desk: DeskPage, name: string): Promise<void> {
    await desk.newSheet(name);
    await desk.grid('Rectangular grid');
    await desk.page.keyboard.press('Enter');
    await desk.revision(2);
}

/** Draws one by a pull, and leaves. */
async function draw(desk: DeskPage, words: string, from: [number, number], to: [number, number], revision: number): Promise<void> {
    await say(desk, words);
    await expect(desk.page.getByRole('status').filter({ hasText: /: (press|click)/ })).toBeVisible();
    await desk.dragAcross(await desk.at(...from), await desk.at(...to));
    await desk.revision(revision);
    await desk.page.keyboard.press('Escape');
    await expect(desk.page.locator('[data-picked="1"]')).toHaveCount(1);
}

test('a line becomes a woven field, a rectangle gets bands around its edge, four places become rows of dots', async ({ page }) => {
    const desk = new DeskPage(page);
    await gridded(desk, 'Long ways');
    await draw(desk, 'line', [160, 160], [160, 400], 3);
    await say(desk, 'weave a field');
    await page.keyboard.press('Enter');
    await desk.revision(4);
    expect((await steps(desk)).slice(2)).toMatchObject([
        { kind: 'repeat.along', of: ['c1'], by: ['g1.cellw', 0], count: 4 },
        { kind: 'turn', of: ['r1'], about: 'r1!', angle: 90, copy: true },
        { kind: 'weave', of: ['r1', 'v1'], width: 'g1.cellw/4', gap: 'g1.cellw/20' },
    ]);
    // Eight bands of 240 by 20; at each of the crossings inside the one below is cut by 20 and twice the gap of 4, at those on the edge by
    // less.
    expect((await desk.measures('w1'))['pieces']).toBeGreaterThan(8);

    await page.keyboard.press('Escape');
    await draw(desk, 'rectangle', [160, 480], [640, 720], 5);
    await say(desk, 'bands around');
    await page.keyboard.press('Enter');
    await desk.revision(6);
    // A frame of 480 by 240, 20 wide, and another one 40 further in.
    expect((await desk.measures('b1'))['area']).toBeCloseTo(480 * 240 - 440 * 200, 6);
    expect((await desk.measures('b2'))['area']).toBeCloseTo(400 * 160 - 360 * 120, 6);
    // Its width is said once.
    await desk.setNumber('width of band 1', '10');
    await desk.revision(7);
    expect((await desk.measures('b2'))['area']).toBeCloseTo(440 * 200 - 420 * 180, 6);

    await page.keyboard.press('Escape');
    await page.keyboard.press('Escape');
    await say(desk, 'dots over a face');
    for (const [x, y] of [[480, 160], [720, 160], [720, 400], [480, 400]] as const) await page.mouse.click(...(await desk.at(x, y)));
    // Done with the last; how many there are is said in the sentence.
    await desk.revision(8);
    await desk.setNumber('steps of in-betweens 1', '2');
    await desk.revision(9);
    await desk.setNumber('rows between of in-betweens 1', '1');
    await desk.revision(10);
    expect((await steps(desk)).slice(-2)).toMatchObject([
        { kind: 'between', of: ['p2', 'p3', 'p4', 'p5'], steps: 2, rows: 1 },
        { kind: 'join', of: ['p2', 'p3', 'p4', 'p5', 'b3'] },
    ]);
    expect((await desk.measures('j1'))['pieces']).toBe(12);
    // Out of the field, and then out of drawing.
    await page.keyboard.press('Escape');
    await page.keyboard.press('Escape');
    await expect(page.locator('[data-picked]')).toHaveText('With join 1');
});

test('a copy made by hand goes on as a repeat, one more each time; what is moved keeps its name', async ({ page }) => {
    const desk = new DeskPage(page);
    await gridded(desk, 'Again and again');
    await draw(desk, 'disc', [160, 160], [200, 160], 3);
    await page.keyboard.down('Alt');
    await desk.dragAcross(await desk.at(150, 180), await desk.at(310, 180));
    await page.keyboard.up('Alt');
    await desk.revision(4);
    expect((await steps(desk)).at(-1)).toMatchObject({ kind: 'move', by: [160, 0], copy: true });
    await page.keyboard.press('.');
    await desk.revision(5);
    await page.getByRole('button', { name: /Again$/ }).click();
    await desk.revision(6);
    expect((await steps(desk)).at(-1)).toMatchObject({ id: 'v1', kind: 'repeat.along', of: ['p1'], by: [160, 0], count: 4 });

    // What is said without places is moved by a step, which goes by the name of what it moves.
    await page.keyboard.press('Alt+Shift+ArrowDown');
    await desk.revision(7);
    await page.keyboard.press('Escape');
    await page.keyboard.press('Escape');
    await draw(desk, 'hexagon', [240, 480], [240, 400], 8);
    for (let k = 0; k < 2; k++) {
        await say(desk, 'turn');
        await page.keyboard.type('10');
        await page.keyboard.press('Enter');
        await desk.revision(9 + k);
    }
    await expect(page.locator('[data-picked]')).toHaveText('With polygon 1');
    await expect(page.getByRole('button', { name: /^Step \d+, polygon 1$/ })).toHaveCount(3);
});

test('a picked line has the ray: it turns by one pull and leaves copies, which go on', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Rays of a lamp');
    await draw(desk, 'line', [300, 400], [500, 400], 2);
    const ring = page.getByRole('button', { name: /^Ring:/ });
    await ring.focus();
    await page.keyboard.press('Alt+ArrowRight');
    await desk.revision(3);
    expect((await steps(desk)).at(-1)).toMatchObject({ kind: 'turn', of: ['c1'], about: 'c1!', angle: 15, copy: true });
    await desk.sheet.focus();
    await page.keyboard.press('.');
    await desk.revision(4);
    expect((await steps(desk)).at(-1)).toMatchObject({ kind: 'repeat.around', of: ['c1'], center: 'c1!', angle: 15, count: 3 });

    // By the pointer: a quarter turn about the middle of the line.
    await page.keyboard.press('Escape');
    await desk.pick('lines', [[320, 400]]);
    const box = await ring.boundingBox();
    const [x, y] = [(box?.x ?? 0) + (box?.width ?? 0) / 2, (box?.y ?? 0) + (box?.height ?? 0) / 2];
    const [cx, cy] = await desk.at(400, 400);
    await desk.dragAcross([x, y], [cx - (y - cy), cy + (x - cx)]);
    await desk.revision(5);
    expect((await steps(desk)).at(-1)).toMatchObject({ kind: 'turn', angle: 90 });
});

test('a disc settles by its lowest place on a crossing, and on the highest of another one', async ({ page }) => {
    const desk = new DeskPage(page);
    await gridded(desk, 'Farthest places');
    await draw(desk, 'disc', [200, 600], [200, 570], 3);
    await page.keyboard.press('Escape');
    // Its radius is 30: from the middle of a cell its lowest place comes to lie on a crossing.
    await desk.dragAcross(await desk.at(215, 610), await desk.at(335, 542));
    await desk.revision(4);
    const [disc] = (await steps(desk)).slice(-1);
    expect(disc).toBeDefined();
    const [left = 0, , right = 0, bottom = 0] = (
        (await desk.stored()).scene.geometry[(await desk.stored()).scene.geometries[1] ?? ''] as unknown as {
            measures: { bounds: number[] };
        }
    ).measures.bounds;
    expect([(left + right) / 2, bottom]).toEqual([320, 560]);
});

test('a grid is asked for by its cell, within a margin, and the counts follow; said again by count the cell does', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Cells of 60');
    await desk.grid('Rectangular grid');
    const cell = page.getByLabel('cell', { exact: true });
    await expect(cell).toHaveValue('80');
    await cell.click();
    await page.keyboard.type('60');
    await page.keyboard.press('Tab');
    await page.keyboard.type('20');
    await expect(page.getByLabel('columns', { exact: true })).toHaveValue('12');
    await page.keyboard.press('Enter');
    await desk.revision(2);
    expect((await steps(desk))[0]).toMatchObject({ columns: 12, rows: 12, cell: [60, 60] });
    await page.keyboard.press('Control+z');
    await expect(page.getByText('Saved, revision 2', { exact: true })).toHaveCount(0);

    await desk.grid('Isometric grid');
    await page.keyboard.type('16');
    await expect(page.getByLabel('side', { exact: true })).toHaveValue('40');
    await page.keyboard.press('Enter');
    await desk.revision(3);
    expect((await steps(desk))[0]).toMatchObject({ kind: 'grid.triangular', columns: 16, side: 40, angle: 30 });
    // A hexagon begins in whole sides, and lies on its lines.
    await desk.pick('points', [[400, 400]]);
    await desk.verb('make', 'Polygon');
    await page.keyboard.press('Enter');
    await desk.revision(4);
    expect((await steps(desk)).at(-1)).toMatchObject({ kind: 'part.polygon', radius: 'g1.side*3', corners: 6 });
    expect((await steps(desk)).at(-1)?.['turn']).toBeUndefined();

    // And its pattern closes up.
    await desk.verb('copy', 'Pattern…');
    await page.keyboard.press('Enter');
    await desk.revision(5);
    expect((await steps(desk)).at(-1)).toMatchObject({
        kind: 'pattern',
        group: 'p1',
        a: ['p1.wide', 0],
        b: ['p1.wide/2', 'p1.wide*sqrt(3)/2'],
    });
    expect((await desk.stored()).scene.findings.filter(({ code }) => ['copies-miss', 'copies-overlap'].includes(code))).toEqual([]);
});

test('several are dragged at once by any of them, and with Ctrl their copies stay behind as one', async ({ page }) => {
    const desk = new DeskPage(page);
    await gridded(desk, 'Several at once');
    await draw(desk, 'disc', [160, 160], [200, 160], 3);
    await page.keyboard.press('Escape');
    await draw(desk, 'disc', [320, 160], [360, 160], 4);
    await page.keyboard.press('Control+a');
    await expect(page.locator('[data-picked="2"]')).toHaveCount(1);
    await desk.dragAcross(await desk.at(175, 180), await desk.at(175, 260));
    await desk.revision(5);
    expect((await steps(desk)).slice(1)).toMatchObject([{ center: 'g1@1,2' }, { center: 'g1@3,2' }]);
    await page.keyboard.down('Control');
    await desk.dragAcross(await desk.at(335, 260), await desk.at(335, 420));
    await page.keyboard.up('Control');
    await desk.revision(6);
    expect((await steps(desk)).at(-1)).toMatchObject({ kind: 'move', of: ['p1', 'p2'], by: [0, 160], copy: true });
    // What cannot be dragged so is put back: it goes on as it was with Escape.
    await page.mouse.move(...(await desk.at(175, 420)));
    await page.mouse.down();
    await page.mouse.move(...(await desk.at(300, 500)), { steps: 5 });
    await page.keyboard.press('Escape');
    await page.mouse.up();
    expect((await desk.stored()).revision).toBe(6);
});
