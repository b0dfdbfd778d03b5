import { readFile } from 'node:fs/promises';
import { expect, test } from './journey';
import { PNG } from 'pngjs';
import { DeskPage } from './desk';
import { unzipped } from './zip';
import { type } from './type';

test('cells are painted stroke by stroke, a line and a ring of dots stay numbers, a dither mixes two colours', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.fillInNewSheet('Signal lamp', {
        format: 'sternbild-plan',
        version: 1,
        sheet: { width: 800, height: 800, unit: 'px', background: null },
        palette: { night: '#171c3a', lamp: '#f2b33d', glow: '#f7d89a' },
        values: {},
        steps: [{ id: 'g1', kind: 'grid.pixel', origin: [0, 0], columns: 20, rows: 20, cell: 40 }],
    });
    const steps = async () => (await desk.stored()).plan.steps;
    const cell = async (column: number, row: number) => desk.at(column * 40 - 20, row * 40 - 20);
    const pickCells = async (cells: [number, number][]) => {
        await desk.mode('cells').click();
        await desk.sheet.press('Escape');
        for (const [column, row] of cells) await page.mouse.click(...(await cell(column, row)));
        await expect(page.locator(`[data-picked="${cells.length}"]`)).toHaveCount(1);
    };
    const paint = async (colour: string) => {
        await desk.verb('make', 'Paint');
        await page.getByRole('radio', { name: colour, exact: true }).check({ force: true });
        await page.getByRole('button', { name: 'Do it' }).click();
    };

    // Pulled across six cells, then two of them again in another colour: one step, its runs written shortly.
    await desk.mode('cells').click();
    await desk.dragAcross(await cell(3, 4), await cell(8, 4));
    await paint('night');
    await desk.revision(2);
    expect((await steps()).at(-1)).toMatchObject({ kind: 'paint', on: 'g1', cells: { night: '3,4+5' } });
    await pickCells([[4, 4], [5, 4]]);
    await paint('lamp');
    await desk.revision(3);
    expect(await steps()).toHaveLength(2);
    expect((await steps()).at(-1)).toMatchObject({ cells: { night: '3,4 6,4+2', lamp: '4,4+1' } });
    // Taken away by painting with none.
    await pickCells([[8, 4]]);
    await paint('none');
    await desk.revision(4);
    const painted = (await steps()).at(-1)?.id ?? '';
    expect((await desk.measures(painted))['area']).toBe(5 * 1600);

    // A line from cell to cell and a ring around one; what they are made of follows their numbers.
    await pickCells([[2, 8], [12, 12]]);
    await desk.verb('make', 'Line of dots');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(5);
    const line = (await steps()).at(-1);
    expect(line).toMatchObject({ kind: 'dots', on: 'g1', line: [2, 8, 12, 12] });
    expect((await desk.measures(line?.id ?? ''))['area']).toBe(11 * 1600);
    await pickCells([[14, 6]]);
    await desk.verb('make', 'Ring of dots');
    await type(page.getByLabel('diameter', { exact: true }), '7');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(6);
    const ring = (await steps()).at(-1);
    expect(ring).toMatchObject({ kind: 'dots', ring: { center: [14, 6], diameter: 7 } });
    expect((await desk.measures(ring?.id ?? ''))['area']).toBe(16 * 1600);
    await desk.setNumber('diameter of dots 2', '5');
    await desk.revision(7);
    expect((await desk.measures(ring?.id ?? ''))['area']).toBe(12 * 1600);

    // Two colours by turns.
    await desk.mode('cells').click();
    await desk.sheet.press('Escape');
    await desk.dragAcross(await cell(2, 15), await cell(9, 15));
    await desk.verb('make', 'Dither…');
    await page.getByRole('radio', { name: 'a checkerboard' }).check({ force: true });
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(8);
    const dither = (await steps()).at(-1);
    expect(dither).toMatchObject({ kind: 'dither', on: 'g1', matrix: 'checker', level: 0.5 });
    expect((await desk.measures(dither?.id ?? ''))['pieces']).toBe(8);
});

test('a brush paints by strokes: lines, rings, areas, mirrored, in another colour by a key, taken away, sampled, moved as a block', async ({
    page,
}) => {
    const desk = new DeskPage(page);
    await desk.bring('Brush', {
        format: 'sternbild-plan',
        version: 1,
        sheet: { width: 640, height: 480, unit: 'px', background: null },
        palette: { night: '#171c3a', lamp: '#f2b33d', glow: '#f7d89a' },
        values: {},
        steps: [{ id: 'g1', kind: 'grid.pixel', origin: [0, 0], columns: 32, rows: 24, cell: 20 }],
    });
    const painted = async () => ((await desk.stored()).plan.steps.at(-1)?.['cells'] ?? {}) as Record<string, string>;
    const cell = async (column: number, row: number) => desk.at(column * 20 - 10, row * 20 - 10);
    const way = async (name: string) => page.getByRole('radio', { name, exact: true }).click();
    await way('paint');

    // Cell by cell, as far as the pointer is pulled; one stroke is one change.
    await desk.dragAcross(await cell(3, 4), await cell(9, 4));
    await desk.revision(2);
    expect(await painted()).toEqual({ night: '3,4+6' });
    // In another colour by its number, with a line from the last cell on.
    await desk.sheet.press('2');
    await page.mouse.click(...(await cell(20, 4)));
    await desk.revision(3);
    await page.keyboard.down('Shift');
    await page.mouse.click(...(await cell(20, 9)));
    await page.keyboard.up('Shift');
    await desk.revision(4);
    expect(await painted()).toMatchObject({ lamp: '20,4 20,5 20,6 20,7 20,8 20,9' });

    // A ring from its middle to its rim, by the key for this way; the area in it; all of one change.
    await desk.sheet.press('0');
    await desk.sheet.press('3');
    await expect(page.getByRole('radio', { name: 'ring', exact: true })).toBeChecked();
    await desk.sheet.press('1');
    await desk.dragAcross(await cell(12, 14), await cell(15, 14));
    await desk.revision(5);
    await way('area');
    await desk.sheet.press('3');
    await page.mouse.click(...(await cell(12, 14)));
    await desk.revision(6);
    expect(await painted()).toMatchObject({ glow: '11,12+2 10,13+4 10,14+4 10,15+4 11,16+2' });

    // Mirrored about the middle of the grid, and about an edge farther left.
    await way('cell by cell');
    await page.getByLabel('Whether the brush is mirrored').selectOption('left to right');
    await page.mouse.click(...(await cell(2, 22)));
    await desk.revision(7);
    expect((await painted())['glow']).toContain('2,22 31,22');
    await type(page.getByLabel('Column that the mirror runs at'), '4.5');
    await page.mouse.click(...(await cell(3, 23)));
    await desk.revision(8);
    expect((await painted())['glow']).toContain('3,23 6,23');
    await page.getByLabel('Whether the brush is mirrored').selectOption('not');

    // Taken away, and the colour of a cell taken up; it comes back by a key.
    await desk.sheet.press('e');
    await page.mouse.click(...(await cell(9, 4)));
    await desk.revision(9);
    expect((await painted())['night']).toMatch(/^3,4\+5 /);
    await page.mouse.move(...(await cell(20, 5)));
    await desk.sheet.press('s');
    await expect(page.getByRole('radio', { name: /lamp/ })).toBeChecked();

    // A block is pulled to another place, and goes on by arrow keys.
    await way('block');
    await desk.dragAcross(await cell(20, 4), await cell(20, 9));
    await expect(page.getByText('1 × 6 cells')).toBeVisible();
    await desk.dragAcross(await cell(20, 6), await cell(24, 6));
    await desk.revision(10);
    await desk.sheet.press('ArrowRight');
    await desk.revision(11);
    expect((await painted())['lamp']).toBe('25,4 25,5 25,6 25,7 25,8 25,9');
    await page.getByRole('button', { name: 'Turn', exact: true }).click();
    await desk.revision(12);
    expect((await painted())['lamp']).toBe('25,4+5');
    await page.getByRole('button', { name: 'Cut the sheet to it' }).click();
    await desk.revision(13);
    expect((await desk.stored()).plan).toMatchObject({ sheet: { width: 120, height: 20 }, steps: [{ origin: [-480, -60] }, {}] });
});

test('cells are painted by keyboard alone, on two grids at once, colours chosen by arrows at the pointer', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.bring('Two grids', {
        format: 'sternbild-plan',
        version: 1,
        sheet: { width: 800, height: 400, unit: 'px', background: null },
        palette: { night: '#171c3a', lamp: '#f2b33d' },
        values: {},
        steps: [
            { id: 'g1', kind: 'grid.polar', center: [200, 200], radius: 180, rings: 3, sectors: 12 },
            { id: 'g2', kind: 'grid.rectangular', origin: [420, 20], columns: 6, rows: 6, cell: [60, 60] },
        ],
    });
    const steps = async () => (await desk.stored()).plan.steps.slice(2);
    await page.getByRole('radio', { name: 'paint' }).click();
    // The pointer goes from one grid to the other in one stroke.
    await desk.dragAcross(await desk.at(200, 60), await desk.at(450, 60));
    await desk.revision(2);
    expect((await steps()).map((step) => step['on'])).toEqual(['g1', 'g2']);
    // The next colour at the pointer.
    await page.mouse.move(...(await desk.at(450, 350)));
    await desk.sheet.press('ArrowDown');
    await expect(page.getByRole('radio', { name: /lamp/ })).toBeChecked();
    await page.mouse.down();
    await page.mouse.up();
    await desk.revision(3);
    expect((await steps())[1]).toMatchObject({ cells: { lamp: '1,6' } });

    // With the pointer away, the arrows walk; Shift paints on the way, Enter a cell.
    await page.mouse.move(5, 5);
    await desk.sheet.focus();
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('Shift+ArrowRight');
    await desk.revision(4);
    await page.keyboard.press('1');
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('Enter');
    await desk.revision(5);
    const cells = (await steps())[1]?.['cells'] as Record<string, string>;
    expect(cells['lamp']).toContain('1,1+1');
    expect(cells['night']).toContain('2,2');
});

test('cells of an overlay are painted, painted over, and follow what it is laid of', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.bring('Cut by a circle', {
        format: 'sternbild-plan',
        version: 1,
        sheet: { width: 400, height: 400, unit: 'px', background: null, checks: { sliver: 0, small: 0 } },
        palette: { night: '#171c3a', lamp: '#f2b33d' },
        values: {},
        steps: [
            { id: 'g1', kind: 'grid.rectangular', origin: [0, 0], columns: 4, rows: 4, cell: [100, 100] },
            { id: 'c1', kind: 'guide.circle', center: [200, 200], radius: 80 },
            { id: 'o1', kind: 'overlay', of: ['g1', 'c1'] },
        ],
    });
    const painted = async () => (await desk.stored()).plan.steps.at(-1);
    const area = async (id: string | undefined) => (await desk.measures(id ?? ''))['area'];
    await page.getByRole('radio', { name: 'paint' }).click();
    // Two quarters of the disk in one stroke, and what of the cell around one lies outside.
    await desk.dragAcross(await desk.at(170, 170), await desk.at(230, 170));
    await desk.revision(2);
    const step = await painted();
    expect(step).toMatchObject({ kind: 'paint', on: 'o1' });
    await desk.sheet.press('2');
    await page.mouse.click(...(await desk.at(110, 110)));
    await desk.revision(3);
    expect(await area(step?.id)).toBeCloseTo((Math.PI * 80 ** 2) / 2 + 100 ** 2 - (Math.PI * 80 ** 2) / 4, 2);
    // The circle grows; a cell is painted over and taken away as it is written already.
    await desk.setNumber('radius of circle 1', '90');
    await desk.revision(4);
    expect(await area(step?.id)).toBeCloseTo((Math.PI * 90 ** 2) / 2 + 100 ** 2 - (Math.PI * 90 ** 2) / 4, 2);
    await page.mouse.click(...(await desk.at(230, 170)));
    await desk.revision(5);
    await desk.sheet.press('e');
    await page.mouse.click(...(await desk.at(110, 110)));
    await desk.revision(6);
    const cells = (await painted())?.['cells'] as Record<string, string>;
    expect(Object.values(cells).flatMap((text) => text.split(' '))).toHaveLength(3);
    expect(await area(step?.id)).toBeCloseTo((Math.PI * 90 ** 2) / 2, 2);
    expect(Object.keys(cells).sort()).toEqual(['lamp', 'night', 'none']);
});

test('frames are copied, changed, put in order, played, and handed over as one picture with JSON', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.bring('Walk', {
        format: 'sternbild-plan',
        version: 1,
        sheet: { width: 640, height: 160, unit: 'px', background: null },
        palette: { ink: '#1b2140', lamp: '#f2b33d' },
        values: {},
        steps: [
            { id: 'g1', kind: 'grid.pixel', origin: [0, 0], columns: 32, rows: 8, cell: 20 },
            { id: 'd1', kind: 'paint', on: 'g1', cells: { ink: '2,2+3', lamp: '3,3' } },
        ],
    });
    const cells = async () =>
        ((await desk.stored()).plan.steps.find((step) => step.kind === 'paint')?.['cells'] ?? {}) as Record<string, string>;
    await desk.pick('lines', [[0, 70]]);
    await desk.verb('guide', 'Frames…');
    await type(page.getByLabel('size of a frame, across', { exact: true }), '8');
    await type(page.getByLabel('size of a frame, down', { exact: true }), '8');
    await type(page.getByLabel('frames', { exact: true }), '1');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(2);

    // The first frame again, changed, with the one before seen through it; then the other way round.
    const strip = page.getByRole('region', { name: 'Frames' });
    await strip.getByRole('button', { name: 'Copy' }).click();
    await desk.revision(3);
    expect(await cells()).toEqual({ ink: '2,2+3 10,2+3', lamp: '3,3 11,3' });
    await expect(strip.getByRole('button', { name: 'Frame 2' })).toHaveAttribute('aria-pressed', 'true');
    await strip.getByLabel('see the one before through it').check();
    await desk.sheet.press('2');
    await page.mouse.click(...(await desk.at(290, 130)));
    await desk.revision(4);
    await strip.getByRole('button', { name: 'Earlier' }).click();
    await desk.revision(5);
    expect((await cells())['lamp']).toBe('3,3 11,3 7,7');
    await strip.getByRole('button', { name: 'Play' }).click();
    await expect(strip.getByRole('img', { name: 'The frames, played' })).toBeVisible();
    await strip.getByRole('button', { name: 'Stop' }).click();

    // As one picture, two pixels to a cell, with what lies where beside it.
    await page.getByRole('button', { name: 'Hand over' }).click();
    await page.getByRole('group', { name: 'Form of the file' }).getByText('Frames', { exact: true }).click();
    await type(page.getByLabel('Pixels to a cell'), '2');
    await page.getByText('PNG and JSON').click();
    const download = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Save the file' }).click();
    const entries = unzipped(await readFile(await (await download).path()));
    expect(JSON.parse(entries['walk.json']?.toString() ?? '')).toMatchObject({
        image: 'walk.png',
        frames: [
            { x: 0, width: 16 },
            { x: 16, y: 0, width: 16, height: 16, ms: 120 },
        ],
    });
    const png = PNG.sync.read(entries['walk.png'] ?? Buffer.alloc(0));
    expect([png.width, png.height]).toEqual([32, 16]);
    const pixel = (x: number, y: number) => [...png.data.subarray(4 * (y * png.width + x), 4 * (y * png.width + x) + 4)];
    expect(pixel(12, 12)).toEqual([0xf2, 0xb3, 0x3d, 255]);
    expect(pixel(13, 13)).toEqual([0xf2, 0xb3, 0x3d, 255]);
    expect(pixel(14, 12)[3]).toBe(0);
    expect(pixel(18, 2)).toEqual([0x1b, 0x21, 0x40, 255]);
});

test('what the brush lays between two cells can stay a matter of its numbers', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.bring('Numbers', {
        format: 'sternbild-plan',
        version: 1,
        sheet: { width: 640, height: 480, unit: 'px', background: null },
        palette: { night: '#171c3a' },
        values: {},
        steps: [{ id: 'g1', kind: 'grid.pixel', origin: [0, 0], columns: 32, rows: 24, cell: 20 }],
    });
    const last = async () => (await desk.stored()).plan.steps.at(-1);
    const cell = async (column: number, row: number) => desk.at(column * 20 - 10, row * 20 - 10);
    await page.getByRole('radio', { name: 'paint' }).click();
    await page.getByRole('radio', { name: 'ring', exact: true }).click();
    await page.getByLabel('as numbers').check();
    await desk.dragAcross(await cell(10, 10), await cell(13, 10));
    await desk.revision(2);
    expect(await last()).toMatchObject({ kind: 'dots', on: 'g1', ring: { center: [10, 10], diameter: 7 }, colour: 'night' });
    await expect(page.getByText('Runs 2 1 2.')).toBeVisible();
    await desk.setNumber('diameter of dots 1', '9');
    await desk.revision(3);
    await expect(page.getByText('Runs 2 1 1 2.')).toBeVisible();
    for (const [way, said] of [
        ['ellipse', { ellipse: { center: [22, 6], wide: 8, high: 5 } }],
        ['box', { box: [19, 4, 26, 8] }],
        ['line', { line: [19, 4, 26, 8] }],
    ] as const) {
        await page.getByRole('radio', { name: way, exact: true }).click();
        await desk.dragAcross(await cell(19, 4), await cell(26, 8));
        await expect.poll(last).toMatchObject({ kind: 'dots', ...said });
    }
});

test('what pixel work minds is found, shown, and mended one by one, never by itself', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.bring('Edges', {
        format: 'sternbild-plan',
        version: 1,
        sheet: { width: 640, height: 320, unit: 'px', background: null, checks: { small: 0 } },
        palette: { ink: '#1b2140', lamp: '#f2b33d' },
        values: {},
        steps: [
            { id: 'g1', kind: 'grid.pixel', origin: [0, 0], columns: 32, rows: 16, cell: 20 },
            // A doubled corner; a line that runs 1 5 2 5; a cell by itself; a hole.
            {
                id: 'd1',
                kind: 'paint',
                on: 'g1',
                cells: { ink: '2,2 2,3 2,4 3,4 3,5 3,6 8,2 9,3+4 14,4+1 16,5+4 28,3', lamp: '8,9+3 8,10 10,10+1 8,11+3' },
            },
        ],
    });
    const cells = async () => (await desk.stored()).plan.steps.at(-1)?.['cells'] as Record<string, string>;
    const findings = page.getByRole('region', { name: 'Findings' });
    const mend = async (label: string, revision: number) => {
        await findings.getByRole('button', { name: label }).first().click();
        await desk.revision(revision);
    };
    await expect(findings.getByText('a corner of a line is doubled at column 2, row 4')).toBeVisible();
    await expect(findings.getByText('runs 1 5 2 5; even would be 1 3 4 5')).toBeVisible();
    expect(await cells()).toMatchObject({ lamp: '8,9+3 8,10 10,10+1 8,11+3' });
    await mend('Even it out', 2);
    expect((await cells())['ink']).toContain('9,3+2');
    expect((await cells())['ink']).toContain('12,4+3');
    await mend('Fill it', 3);
    expect((await cells())['lamp']).toBe('8,9+3 8,10+3 8,11+3');
    await mend('Take it out', 4);
    await mend('Take it out', 5);
    await expect(findings.getByText('Nothing is wrong.')).toBeVisible();
    expect((await cells())['ink']).not.toContain('28,3');
});
