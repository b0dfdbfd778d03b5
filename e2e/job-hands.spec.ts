import { actionsOn } from './counting';
import { DeskPage } from './desk';
import { fill, onlyOne, say, steps } from './hands';
import { expect, test } from './journey';

// What a hand does for the jobs that come up every day, from an empty sheet on, by what stands on the screen. How many actions each takes
// is held here.

const VIEW = 'core/tests/fixtures/harbour.png';

/**
 * Lays five rings of 64 in ten sectors, draws a petal from the first of them outwards, two places with both ways between them bent by a
 * pull, and asks for it all around.
 */
async function petal(desk: DeskPage, far: number, bent: number): Promise<void> {
    const { page } = desk;
    await page.getByRole('button', { name: 'Polar grid' }).click();
    await page.keyboard.press('Enter');
    await desk.revision(2);
    await page.keyboard.press('1');
    await page.mouse.click(...(await desk.around(64, 0)));
    for (const [to, heading] of [
        [far, bent],
        [64, -bent],
    ] as const)
        await desk.dragAcross(await desk.around(to, 0), await desk.around((64 + far) / 2, heading));
    await desk.revision(3);
    await page.keyboard.press('Escape');
    await onlyOne(page);
    await say(page, 'around');
}

test('mandala by sectors: petals between arcs, kites and lamps, each all the way round', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Mandala by sectors');
    await petal(desk, 256, 15);
    await page.keyboard.press('Enter');
    await desk.revision(4);
    await fill(desk, 'brick', 5);

    // A kite over each spoke; around is still at hand by its number.
    await page.keyboard.press('d');
    await page.keyboard.press('1');
    for (const [far, heading] of [
        [192, 18],
        [256, 30],
        [320, 18],
        [256, 6],
        [192, 18],
    ] as const)
        await page.mouse.click(...(await desk.around(far, heading)));
    await desk.revision(6);
    await page.keyboard.press('Escape');
    await onlyOne(page);
    await page.keyboard.press('1');
    await page.keyboard.press('Enter');
    await desk.revision(7);
    await fill(desk, 'lagoon', 8);

    // And a lamp at the tip of every petal.
    await page.keyboard.press('d');
    await page.keyboard.press('4');
    await desk.dragAcross(await desk.around(288, 0), await desk.around(320, 0));
    await desk.revision(9);
    await page.keyboard.press('Escape');
    await onlyOne(page);
    await page.keyboard.press('1');
    await page.keyboard.press('Enter');
    await desk.revision(10);
    await fill(desk, 'sand', 11);

    expect(await steps(desk)).toMatchObject([
        { kind: 'grid.polar' },
        { kind: 'part.outline' }, { kind: 'repeat.around', center: 'g1@0', count: 'g1.sectors' }, { fill: 'brick' },
        { kind: 'part.outline' }, { kind: 'repeat.around', center: 'g1@0', count: 'g1.sectors' }, { fill: 'lagoon' },
        { kind: 'part.circle' }, { kind: 'repeat.around', center: 'g1@0', count: 'g1.sectors' }, { fill: 'sand' },
    ]);
    for (const id of ['r1', 'r2', 'r3']) expect((await desk.measures(id))['pieces']).toBe(10);
    expect(await actionsOn(page)).toBeLessThanOrEqual(30);
});

test('mandala by sectors, by keyboard alone', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Mandala by keys');
    await desk.sheet.focus();
    await say(page, 'polar grid');
    await page.keyboard.press('Enter');
    await desk.revision(2);
    // Places are walked to: from the centre outwards along a spoke, and to the next one.
    await say(page, 'outline');
    await expect(page.getByRole('status').filter({ hasText: /Outline: / })).toBeVisible();
    for (const keys of [['ArrowUp'], ['ArrowUp', 'ArrowRight'], ['ArrowUp', 'ArrowLeft']]) {
        for (const key of keys) await page.keyboard.press(key);
        await page.keyboard.press('Enter');
    }
    // Closed with what there is.
    await page.keyboard.press('Enter');
    await desk.revision(3);
    await page.keyboard.press('Escape');
    await onlyOne(page);
    await say(page, 'around');
    await page.keyboard.press('Enter');
    await desk.revision(4);
    await say(page, 'fill');
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('Enter');
    await desk.revision(5);
    expect(await steps(desk)).toMatchObject([
        { kind: 'grid.polar' },
        { kind: 'part.outline' },
        { kind: 'repeat.around', center: 'g1@0', count: 'g1.sectors' },
        { kind: 'style', of: ['r1'] },
    ]);
    expect((await desk.measures('r1'))['area']).toBeGreaterThan(1000);
});

test('pixel heart: half of it drawn with the mirror on, filled, a light set', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Pixel heart');
    await page.getByRole('button', { name: 'Pixel grid' }).click();
    await page.keyboard.type('15');
    await page.keyboard.press('Tab');
    await page.keyboard.type('14');
    // As large as whole pixels can be: 53 of 800.
    await expect(page.getByLabel('cell', { exact: true })).toHaveValue('53');
    await page.keyboard.press('Enter');
    await desk.revision(2);
    const cell = async (column: number, row: number) => desk.at((column - 0.5) * 53, (row - 0.5) * 53);
    await page.getByRole('radio', { name: 'paint', exact: true }).click();
    await page.getByLabel('Whether the brush is mirrored').selectOption('left to right');
    await desk.sheet.press('3');
    // Along the left half in one stroke.
    const way: [number, number][] = [
        [8, 4],
        [7, 3],
        [6, 2],
        [5, 2],
        [4, 2],
        [3, 3],
        [2, 4],
        [2, 5],
        [2, 6],
        [2, 7],
        [3, 8],
        [4, 9],
        [5, 10],
        [6, 11],
        [7, 12],
        [8, 13],
    ];
    await page.mouse.move(...(await cell(8, 4)));
    await page.mouse.down();
    for (const [column, row] of way) await page.mouse.move(...(await cell(column, row)), { steps: 3 });
    await page.mouse.up();
    await desk.revision(3);
    await page.getByRole('radio', { name: 'area', exact: true }).click();
    await page.mouse.click(...(await cell(8, 8)));
    await desk.revision(4);
    await page.getByRole('radio', { name: 'cell by cell', exact: true }).click();
    await page.getByLabel('Whether the brush is mirrored').selectOption('not');
    await desk.sheet.press('6');
    await desk.dragAcross(await cell(4, 4), await cell(4, 6));
    await desk.revision(5);
    const painted = (await steps(desk))[1];
    const count = Object.fromEntries(
        Object.entries(painted?.['cells'] as Record<string, string>).map(([colour, runs]) => [
            colour,
            runs.split(' ').reduce((sum, run) => sum + 1 + Number(/\+(\d+)$/.exec(run)?.[1] ?? 0), 0),
        ]),
    );
    expect(count['paper']).toBe(3);
    // Both halves alike about column 8: the whole is odd, since one column is its own image.
    expect(((count['brick'] ?? 0) + 3) % 2).toBe(0);
    expect(count['brick']).toBeGreaterThan(90);
    expect(await actionsOn(page)).toBeLessThanOrEqual(20);
});

test('picture into cells: brought in, a grid laid over it, every cell its colour', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Picture into cells');
    await page.getByRole('button', { name: 'Bring a picture, a drawing or a sketch' }).click();
    const chosen = page.waitForEvent('filechooser');
    await page.getByRole('menuitem', { name: 'A picture' }).click();
    await (await chosen).setFiles(VIEW);
    await desk.revision(2);
    await page.getByRole('button', { name: 'Rectangular grid' }).click();
    await page.keyboard.press('Enter');
    await desk.revision(3);
    // It is proposed over the picture that lies there.
    const made = await steps(desk);
    const { scene } = await desk.stored();
    const at = scene.steps.findIndex(({ id }) => made.find((step) => step.id === id)?.kind === 'picture');
    const [wide = 0, high = 1] = (scene.geometry[scene.geometries[at] ?? ''] as unknown as { size: number[] }).size;
    expect(made.find(({ kind }) => kind === 'grid.rectangular')).toMatchObject({
        origin: [0, 0],
        size: [800, Math.round(((800 * high) / wide) * 1000) / 1000],
    });
    await say(page, 'sample');
    await page.mouse.click(...(await desk.at(1, 1)));
    await page.keyboard.press('Enter');
    await desk.revision(4);
    expect((await steps(desk)).at(-1)).toMatchObject({ kind: 'sample', picture: 'k1', on: 'g1' });
    expect(await actionsOn(page)).toBeLessThanOrEqual(14);
});

test('ready grid, regions merged: a diagonal lattice laid, cells of both of its grids made one, filled', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Ready grid');
    await page.getByRole('button', { name: 'Ready constructions' }).click();
    await page.getByRole('button', { name: /^Diagonal lattice/ }).click();
    await desk.revision(2);
    const before = (await steps(desk)).length;
    await desk.mode('cells').click();
    await desk.dragAcross(await desk.at(250, 250), await desk.at(330, 230));
    await say(page, 'make a part');
    await desk.revision(3);
    await fill(desk, 'brick', 4);
    const made = (await steps(desk)).slice(before);
    expect(made).toMatchObject([{ kind: 'part.cells' }, { kind: 'style', fill: 'brick' }]);
    expect((made[0]?.['cells'] as string[]).length).toBeGreaterThan(1);
    expect((await desk.measures(made[0]?.id ?? ''))['pieces']).toBe(1);
    expect(await actionsOn(page)).toBeLessThanOrEqual(14);
});

test('painting on two grids: a polar one over a square one, one stroke over both', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Two grids');
    await page.getByRole('button', { name: 'Rectangular grid' }).click();
    await page.keyboard.press('Enter');
    await desk.revision(2);
    await say(page, 'polar grid');
    await page.keyboard.press('Enter');
    await desk.revision(3);
    await page.getByRole('radio', { name: 'paint', exact: true }).click();
    await desk.sheet.press('2');
    await desk.dragAcross(await desk.at(90, 90), await desk.at(400, 200));
    await desk.revision(4);
    await desk.sheet.press('3');
    await desk.dragAcross(await desk.at(500, 400), await desk.at(640, 400));
    await desk.revision(5);
    await page.mouse.click(...(await desk.at(700, 700)));
    await desk.revision(6);
    const paints = (await steps(desk)).filter(({ kind }) => kind === 'paint');
    expect(new Set(paints.map((step) => step['on']))).toEqual(new Set(['g1', 'g2']));
    expect(await actionsOn(page)).toBeLessThanOrEqual(15);
});

test('overlapping petals: wider than their sectors, each over the next one all the way round', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Overlapping petals');
    await petal(desk, 320, 32);
    await page.getByText('over the next one clockwise', { exact: true }).click();
    await page.keyboard.press('Enter');
    await desk.revision(4);
    await fill(desk, 'brick', 5);
    const rim = await page.getByRole('button', { name: 'Stroke with sand' }).boundingBox();
    await page.mouse.click((rim?.x ?? 0) + 1.5, (rim?.y ?? 0) + (rim?.height ?? 0) / 2);
    await desk.revision(6);
    const made = (await steps(desk)).slice(1);
    expect(made).toMatchObject([
        { kind: 'part.outline' },
        { kind: 'repeat.around', count: 'g1.sectors', lap: 'clockwise' },
        { fill: 'brick', stroke: { color: 'sand' } },
    ]);
    // Ten petals, each with as much to be seen as any other.
    expect((await desk.measures('r1'))['pieces']).toBe(10);
    expect(await actionsOn(page)).toBeLessThanOrEqual(15);
});

test('workspace of blocks: a pixel grid in blocks of six, as crosses, and a line over it by a broad nib', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Workspace of blocks');
    await page.getByRole('button', { name: 'Pixel grid' }).click();
    await page.keyboard.type('24');
    await page.keyboard.press('Tab');
    await page.keyboard.type('24');
    await page.getByLabel('block', { exact: true }).click();
    await page.keyboard.type('6');
    await page.getByText('crosses', { exact: true }).click();
    await page.keyboard.press('Enter');
    await desk.revision(2);
    expect((await steps(desk))[0]).toMatchObject({ kind: 'grid.pixel', columns: 24, rows: 24, cell: 33, block: 6, show: 'crosses' });
    await say(page, 'line');
    await desk.dragAcross(await desk.at(6 * 33, 18 * 33), await desk.at(18 * 33, 6 * 33));
    await desk.revision(3);
    await page.keyboard.press('Escape');
    await onlyOne(page);
    await say(page, 'broad nib');
    await page.keyboard.press('Enter');
    await desk.revision(4);
    expect((await steps(desk)).slice(1)).toMatchObject([
        { kind: 'guide.line', through: ['g1@6,18', 'g1@18,6'] },
        { kind: 'band', of: ['c1'] },
    ]);
    expect(await actionsOn(page)).toBeLessThanOrEqual(18);
});

test('woven border: two bands around a panel, and a woven field in it', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Woven border');
    await page.getByRole('button', { name: 'Rectangular grid' }).click();
    await page.keyboard.press('Enter');
    await desk.revision(2);
    await page.keyboard.press('2');
    await desk.dragAcross(await desk.at(80, 80), await desk.at(720, 720));
    await desk.revision(3);
    await page.keyboard.press('Escape');
    await onlyOne(page);
    await say(page, 'bands around');
    await page.keyboard.press('Enter');
    await desk.revision(4);
    await fill(desk, 'brick', 5);
    // Down one side of the field; as many beside it, and all of them crosswise.
    await say(page, 'line');
    await desk.dragAcross(await desk.at(240, 240), await desk.at(240, 560));
    await desk.revision(6);
    await page.keyboard.press('Escape');
    await onlyOne(page);
    await say(page, 'weave a field');
    await page.keyboard.press('Enter');
    await desk.revision(7);
    await fill(desk, 'lagoon', 8);
    const made = await steps(desk);
    expect(made.map(({ kind }) => kind)).toEqual(expect.arrayContaining(['band', 'inset', 'repeat.along', 'turn', 'weave']));
    expect(made.find(({ kind }) => kind === 'repeat.along')).toMatchObject({ by: ['g1.cellw', 0], count: 5 });
    // Five bands each way, over and under at twenty-five crossings.
    expect((await desk.measures('w1'))['pieces']).toBeGreaterThan(10);
    expect(await actionsOn(page)).toBeLessThanOrEqual(30);
});

test('isometric pattern: three faces of a cube on an isometric grid, repeated without a gap', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Isometric pattern');
    await page.getByRole('button', { name: 'Isometric grid' }).click();
    await page.keyboard.press('Enter');
    await desk.revision(2);
    const rise = 40 * Math.sqrt(3);
    const [cx, cy] = [80 + 4 * rise, 400];
    // The corners around the middle, a side of 80 away: up, and on clockwise.
    const corner = (k: number): [number, number] => [cx + 80 * Math.sin((k * Math.PI) / 3), cy - 80 * Math.cos((k * Math.PI) / 3)];
    await page.keyboard.press('1');
    for (const [number, from] of [0, 2, 4].entries()) {
        for (const place of [[cx, cy] as [number, number], corner(from + 5), corner(from), corner(from + 1), [cx, cy] as [number, number]])
            await page.mouse.click(...(await desk.at(...place)));
        await desk.revision(3 + number);
    }
    await page.keyboard.press('Escape');
    await onlyOne(page);
    for (const [number, [colour, from]] of ([['sand', 0], ['lagoon', 2], ['ink', 4]] as const).entries()) {
        const [x, y] = corner(from);
        await page.mouse.click(...(await desk.at((cx + x) / 2 + 6, (cy + y) / 2 + 4)));
        await onlyOne(page);
        await fill(desk, colour, 6 + number);
    }
    await page.keyboard.press('Control+a');
    await expect(page.locator('[data-picked="3"]')).toHaveCount(1);
    await say(page, 'pattern');
    await page.keyboard.press('Enter');
    await desk.revision(9);
    const made = (await steps(desk)).find(({ kind }) => kind === 'pattern');
    expect(made).toMatchObject({ group: 'p1', show: 'sheet' });
    expect((await desk.stored()).scene.findings.filter(({ code }) => ['copies-miss', 'copies-overlap', 'stripe'].includes(code))).toEqual(
        [],
    );
    expect((await desk.measures(made?.id ?? ''))['pieces']).toBeGreaterThan(50);
    expect(await actionsOn(page)).toBeLessThanOrEqual(36);
});

test('mark of circles: a crescent cut from two discs, four of them around, touching', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Four crescents');
    await page.getByRole('button', { name: 'Rectangular grid' }).click();
    await page.keyboard.press('Enter');
    await desk.revision(2);
    await page.keyboard.press('4');
    await desk.dragAcross(await desk.at(400, 240), await desk.at(400, 80));
    await desk.revision(3);
    await desk.dragAcross(await desk.at(400, 280), await desk.at(400, 160));
    await desk.revision(4);
    await page.keyboard.press('Escape');
    await onlyOne(page);
    // Both at once, the one below first.
    await page.keyboard.press('Control+a');
    await expect(page.locator('[data-picked="2"]')).toHaveCount(1);
    await say(page, 'cut');
    await desk.revision(5);
    await say(page, 'around');
    // About the centre of the sheet, as is proposed.
    await expect(page.getByRole('button', { name: 'centre: the centre of the sheet' })).toBeVisible();
    await page.getByLabel('count', { exact: true }).click();
    await page.keyboard.type('4');
    await page.keyboard.press('Enter');
    await desk.revision(6);
    await fill(desk, 'lagoon', 7);
    expect((await steps(desk)).slice(1)).toMatchObject([
        { kind: 'part.circle', center: 'g1@4,2', on: 'g1@4,0' }, { kind: 'part.circle' }, { kind: 'cut', from: 'p1', with: ['p2'] },
        { kind: 'repeat.around', count: 4, center: ['sheet.width/2', 'sheet.height/2'] }, { fill: 'lagoon' },
    ]);
    expect(await actionsOn(page)).toBeLessThanOrEqual(20);
});
