import { actionsOn } from './counting';
import { DeskPage } from './desk';
import { fill, onlyOne, say, steps } from './hands';
import { expect, test } from './journey';

// Larger pieces, from an empty sheet on, by what stands on the screen. How many actions each takes is held here.

test('golden mark: a disc of golden size dragged until it touches, cut out, a gradient, a shadow, five of them lapped', async ({
    page,
}) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Golden mark');
    await say(page, 'golden squares');
    await page.getByLabel('margin', { exact: true }).click();
    await page.keyboard.type('200');
    await page.keyboard.press('Enter');
    await desk.revision(2);
    // The circles of the first two squares, each from its centre to where its square has its rim.
    const phi = (1 + Math.sqrt(5)) / 2;
    const [large, small] = [200 / phi, 200 / phi ** 2];
    const [first, second] = [[200 + large, 200 + large], [200 + 2 * large + small, 200 + small]] as [[number, number], [number, number]];
    await page.keyboard.press('4');
    await desk.dragAcross(await desk.at(...first), await desk.at(first[0], 200));
    await desk.revision(3);
    await desk.dragAcross(await desk.at(...second), await desk.at(second[0], 200));
    await desk.revision(4);
    await page.keyboard.press('Escape');
    await onlyOne(page);
    // By its centre into the other, beyond its rim by a little: it settles where both touch from within.
    const inside = large - small;
    await desk.dragAcross(await desk.at(...second), await desk.at(first[0] + 0.8 * inside + 3, first[1] + 0.6 * inside + 2));
    await desk.revision(5);
    const area = (radius: number): number => Math.PI * radius ** 2;
    expect((await desk.measures('p2'))['area']).toBeCloseTo(area(small), 1);

    await page.keyboard.press('Control+a');
    await expect(page.locator('[data-picked="2"]')).toHaveCount(1);
    await say(page, 'cut');
    await desk.revision(6);
    expect((await desk.measures('k1'))['area']).toBeCloseTo(area(large) - area(small), 1);
    await say(page, 'gradient');
    await page.keyboard.press('Enter');
    await desk.revision(7);
    await say(page, 'shadow');
    await page.keyboard.press('Enter');
    await desk.revision(8);
    await page.keyboard.press('Control+a');
    await expect(page.locator('[data-picked="2"]')).toHaveCount(1);
    await say(page, 'around');
    await page.getByLabel('count', { exact: true }).click();
    await page.keyboard.type('5');
    await page.getByText('over the next one clockwise', { exact: true }).click();
    await page.keyboard.press('Enter');
    await desk.revision(9);
    expect((await steps(desk)).map(({ kind }) => kind)).toEqual([
        'grid.golden',
        'part.circle',
        'part.circle',
        'cut',
        'style',
        'turn',
        'common',
        'style',
        'repeat.around',
    ]);
    expect((await steps(desk)).at(-1)).toMatchObject({ count: 5, lap: 'clockwise', of: ['k1', 'm1'] });
    expect(await actionsOn(page)).toBeLessThanOrEqual(35);
});

test('letterform on a 45° grid: a stem, an arm, its turned copy as a leg, joined, in outline', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Letterform');
    await page.getByRole('button', { name: 'Rectangular grid' }).click();
    await page.keyboard.press('Enter');
    await desk.revision(2);
    await say(page, 'diagonal grid');
    await page.keyboard.press('Enter');
    await desk.revision(3);
    await say(page, 'rectangle');
    await desk.dragAcross(await desk.at(160, 160), await desk.at(320, 640));
    await desk.revision(4);
    // By crossings of the diagonal grid, which lie on the corners and in the middles of the other.
    const slanted = (i: number, j: number): [number, number] => [80 + 40 * (i + j), 400 + 40 * (i - j)];
    await page.keyboard.press('1');
    for (const place of [slanted(1, 3), slanted(1, 8), slanted(3, 8), slanted(3, 3), slanted(1, 3)])
        await page.mouse.click(...(await desk.at(...place)));
    await desk.revision(5);
    expect((await desk.measures('p2'))['area']).toBeCloseTo(2 * 5 * 2 * 40 ** 2, 6);
    // About the middle of the stem's right side, where a click says it.
    await say(page, 'turn');
    await page.mouse.click(...(await desk.at(320, 400)));
    await page.getByLabel('copy', { exact: true }).click();
    await page.keyboard.press('Enter');
    await desk.revision(6);
    expect((await steps(desk)).at(-1)).toMatchObject({
        kind: 'turn',
        of: ['p2'],
        angle: 90,
        copy: true,
        about: expect.stringMatching(/^g[12]@/) as unknown,
    });
    await page.keyboard.press('Control+a');
    await expect(page.locator('[data-picked="3"]')).toHaveCount(1);
    await say(page, 'join');
    await desk.revision(7);
    expect((await desk.measures('j1'))['pieces']).toBe(1);
    await say(page, 'stroke');
    await page.keyboard.press('Enter');
    await desk.revision(8);
    expect((await steps(desk)).at(-1)).toMatchObject({ kind: 'style', of: ['j1'] });
    expect(await actionsOn(page)).toBeLessThanOrEqual(38);
});

test('mandala of own motifs: two of them drawn beside the grid, brought into a sector by a pull, mirrored all the way round', async ({
    page,
}) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Own motifs');
    await page.getByRole('button', { name: 'Polar grid' }).click();
    await page.keyboard.press('Enter');
    await desk.revision(2);
    let revision = 2;
    /** What was just drawn becomes a motif, is pulled to its place, and repeated with its mirror image. */
    const round = async (from: [number, number], to: [number, number], colour: string): Promise<void> => {
        await say(page, 'motif');
        await page.keyboard.press('Enter');
        await desk.revision(++revision);
        await onlyOne(page);
        await desk.dragAcross(await desk.at(...from), to);
        await desk.revision(++revision);
        await say(page, 'around');
        await page.getByLabel('mirror', { exact: true }).click();
        await page.keyboard.press('Enter');
        await desk.revision(++revision);
        await fill(desk, colour, ++revision);
    };
    await page.keyboard.press('4');
    await desk.dragAcross(await desk.at(60, 60), await desk.at(60, 80));
    await desk.revision(++revision);
    await round([60, 60], await desk.around(256, 18), 'brick');
    await say(page, 'rectangle');
    await desk.dragAcross(await desk.at(30, 140), await desk.at(54, 210));
    await desk.revision(++revision);
    await round([42, 175], await desk.around(192, 9), 'lagoon');

    const made = await steps(desk);
    expect(made.filter(({ kind }) => kind === 'motif')).toHaveLength(2);
    expect(made.filter(({ kind }) => kind === 'repeat.around')).toMatchObject([
        { of: ['q1'], center: 'g1@0', count: 'g1.sectors', mirror: true },
        { of: ['q2'], center: 'g1@0', count: 'g1.sectors', mirror: true },
    ]);
    expect(made.find(({ id }) => id === 'q1')).toMatchObject({ kind: 'place', at: ['g1@4,2'] });
    expect((await desk.measures('r2'))['pieces']).toBe(20);
    expect(await actionsOn(page)).toBeLessThanOrEqual(32);
});

test('spiral on a triangular grid: a ring between two hexagons, split along a run that turns around, in six colours', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Spiral');
    await page.getByRole('button', { name: 'Triangular grid' }).click();
    await page.keyboard.press('Enter');
    await desk.revision(2);
    const middle = 80 + 160 * Math.sqrt(3);
    const ray = (k: number, sides: number): [number, number] => [
        400 + sides * 80 * Math.cos((k * Math.PI) / 3),
        middle + sides * 80 * Math.sin((k * Math.PI) / 3),
    ];
    await say(page, 'hexagon');
    for (const [number, sides] of [4, 1].entries()) {
        await desk.dragAcross(await desk.at(400, middle), await desk.at(...ray(0, sides)));
        await desk.revision(3 + number);
    }
    await page.keyboard.press('Control+a');
    await expect(page.locator('[data-picked="2"]')).toHaveCount(1);
    await say(page, 'cut');
    await desk.revision(5);
    const ring = 1.5 * Math.sqrt(3) * 80 ** 2 * (16 - 1);
    expect((await desk.measures('k1'))['area']).toBeCloseTo(ring, 4);

    await say(page, 'run');
    for (const place of [ray(0, 1), ray(0, 2), ray(1, 3), ray(1, 4)]) await page.mouse.click(...(await desk.at(...place)));
    await page.keyboard.press('Enter');
    await desk.revision(6);
    // About the middle of the hexagons that it was drawn on, as often as they have corners.
    await say(page, 'around');
    await page.keyboard.press('Enter');
    await desk.revision(7);
    await say(page, 'split');
    await page.mouse.click(...(await desk.at(...ray(0.5, 3.2))));
    await page.keyboard.press('Enter');
    await desk.revision(8);
    await say(page, 'inset');
    await page.keyboard.press('Enter');
    await desk.revision(9);
    await page.getByLabel('What of a part the pointer picks').selectOption('pieces');
    const colours = ['ink', 'lagoon', 'brick', 'spray', 'sand', 'paper'];
    for (const [k, colour] of colours.entries()) {
        await page.mouse.click(...(await desk.at(...ray(k + 0.42, 2.7))));
        await onlyOne(page);
        await fill(desk, colour, 10 + k);
    }
    const made = await steps(desk);
    expect(made.find(({ kind }) => kind === 'repeat.around')).toMatchObject({ of: ['c1'], center: 'g1@4,4', count: 6 });
    expect(made.find(({ kind }) => kind === 'split')).toMatchObject({ of: ['k1'], by: ['r1'] });
    expect((await desk.measures('i1'))['pieces']).toBe(6);
    expect(made.slice(-6).map((step) => step['fill'])).toEqual(colours);
    expect(await actionsOn(page)).toBeLessThanOrEqual(50);
});

test('sprite in two frames: half of it mirrored, its area filled, copied into a second frame and its arm raised there', async ({
    page,
}) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Sprite');
    await page.getByRole('button', { name: 'Pixel grid' }).click();
    await page.keyboard.type('40');
    await page.keyboard.press('Tab');
    await page.keyboard.type('20');
    await page.keyboard.press('Enter');
    await desk.revision(2);
    // The only grid that there is; as many frames as stand side by side are copied one from the other.
    await say(page, 'frames');
    await page.keyboard.press('Enter');
    await desk.revision(3);
    expect((await steps(desk)).at(-1)).toMatchObject({ kind: 'frames', on: 'g1', count: 1, size: ['min(g1.columns, g1.rows)', 'g1.rows'] });
    const cell = async (column: number, row: number) => desk.at((column - 0.5) * 20, (row - 0.5) * 20);
    const stroke = async (cells: [number, number][]): Promise<void> => {
        for (const [k, [column, row]] of cells.entries()) {
            await page.mouse.move(...(await cell(column, row)), { steps: 3 });
            if (k === 0) await page.mouse.down();
        }
        await page.mouse.up();
    };
    await page.getByRole('radio', { name: 'paint', exact: true }).click();
    await page.getByLabel('Whether the brush is mirrored').selectOption('left to right');
    await page.getByLabel('Column that the mirror runs at').click();
    await page.keyboard.type('10.5');
    await page.keyboard.press('Enter');
    // Head, shoulder, side and hem in one stroke.
    await stroke([[10, 3], [8, 3], [7, 4], [7, 6], [8, 7], [8, 8], [6, 9], [6, 17], [10, 17]]);
    await desk.revision(4);
    await page.getByRole('radio', { name: 'area', exact: true }).click();
    await desk.sheet.press('2');
    await page.mouse.click(...(await cell(10, 12)));
    await desk.revision(5);
    await page.getByRole('region', { name: 'Frames' }).getByRole('button', { name: 'Copy' }).click();
    await desk.revision(6);
    await page.getByRole('radio', { name: 'cell by cell', exact: true }).click();
    await page.getByLabel('Whether the brush is mirrored').selectOption('not');
    await desk.sheet.press('3');
    await stroke([[26, 10], [24, 8], [24, 5]]);
    await desk.revision(7);
    const made = await steps(desk);
    expect(made.find(({ kind }) => kind === 'frames')).toMatchObject({ count: 2 });
    const cells = made.find(({ kind }) => kind === 'paint')?.['cells'] as Record<string, string>;
    expect(cells['brick']).toContain('24,');
    // The arm is raised in the second frame alone; all else is in both of them.
    const count = (runs: string): number => runs.split(' ').reduce((sum, run) => sum + 1 + Number(/\+(\d+)$/.exec(run)?.[1] ?? 0), 0);
    expect(count(cells['lagoon'] ?? '') % 2).toBe(0);
    expect(await actionsOn(page)).toBeLessThanOrEqual(40);
});

test('block scene: four blocks of their own heights and colours, and a canal, one after another', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Block scene');
    await page.getByRole('button', { name: 'Two-axis grid' }).click();
    await page.keyboard.press('Enter');
    await desk.revision(2);
    const cell = async (column: number, row: number) =>
        desk.at(400 + (column - row) * 50 * Math.cos(Math.PI / 6), 200 + (column + row - 1) * 25);
    let revision = 2;
    const raised = async (words: string, from: [number, number], to: [number, number], height: string, colour: string): Promise<void> => {
        await say(page, words);
        await desk.dragAcross(await cell(...from), await cell(...to));
        await page.getByLabel(words === 'canal' ? 'depth' : 'height', { exact: true }).click();
        await page.keyboard.type(height);
        await page.getByRole('radio', { name: colour }).check({ force: true });
        await page.keyboard.press('Enter');
        await desk.revision(++revision);
    };
    await raised('block', [2, 2], [4, 2], '3', 'brick');
    await raised('block', [6, 2], [7, 3], '1', 'sand');
    await raised('block', [2, 4], [2, 6], '2', 'lagoon');
    await raised('block', [6, 6], [7, 7], '1.5', 'spray');
    await raised('canal', [4, 4], [4, 8], '0.5', 'ink');
    const made = (await steps(desk)).filter(({ kind }) => kind === 'block');
    expect(made).toMatchObject([
        { up: 3, colour: 'brick' },
        { up: 1, colour: 'sand' },
        { up: 2, colour: 'lagoon' },
        { up: 1.5, colour: 'spray' },
        { down: 0.5, colour: 'ink' },
    ]);
    const face = 50 * 50 * Math.sin(Math.PI / 3);
    expect((await desk.measures('b1'))['area']).toBeCloseTo((3 + 3 * 3 + 3) * face, 3);
    expect(await actionsOn(page)).toBeLessThanOrEqual(45);
});
