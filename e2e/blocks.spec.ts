import { expect, test } from './journey';
import { DeskPage } from './desk';
import { type } from './type';

test('blocks are raised on an isometric grid, one height each, lit from the upper left, and a canal is sunk beside them', async ({
    page,
}) => {
    const desk = new DeskPage(page);
    await desk.bring('Blocks', {
        format: 'sternbild-plan',
        version: 1,
        sheet: { width: 800, height: 600, unit: 'px', background: null },
        palette: { stone: '#7f8fb0', water: '#4f8fae', leaf: '#9ccc78' },
        values: {},
        steps: [{ id: 'g1', kind: 'grid.twoaxis', origin: [400, 200], angles: [30, 150], spacing: [40, 40], columns: 8, rows: 8 }],
    });
    const last = async () => (await desk.stored()).plan.steps.at(-1);
    /** The middle of a cell. */
    const cell = async (column: number, row: number) =>
        desk.at(400 + (column - row) * 40 * Math.cos(Math.PI / 6), 200 + (column + row - 1) * 20);
    const face = 40 * 40 * Math.sin(Math.PI / 3);

    await desk.mode('cells').click();
    await desk.dragAcross(await cell(3, 3), await cell(5, 3));
    await desk.verb('shape', 'Block…');
    await type(page.getByLabel('height', { exact: true }), '2');
    await page.getByRole('radio', { name: 'stone' }).check({ force: true });
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(2);
    const block = await last();
    expect(block).toMatchObject({ kind: 'block', on: 'g1', cells: ['g1#3,3', 'g1#4,3', 'g1#5,3'], up: 2, colour: 'stone' });
    expect((await desk.measures(block?.id ?? ''))['area']).toBeCloseTo((3 + 3 * 2 + 2) * face, 3);

    // One height for each, in the sentence; then light from the other side.
    const heights = page.getByLabel('height of block 1', { exact: true });
    await type(heights, '1 2 3');
    await heights.press('Enter');
    await desk.revision(3);
    expect((await last())?.['up']).toEqual([1, 2, 3]);
    await desk.setNumber('light of the sheet', '45');
    await desk.revision(4);
    expect((await desk.stored()).plan.sheet['light']).toBe(45);

    // A canal along an axis, by keyboard: found by an everyday word.
    await desk.mode('cells').click();
    await desk.sheet.press('Escape');
    await desk.dragAcross(await cell(1, 7), await cell(8, 7));
    await desk.sheet.press('/');
    await page.keyboard.type('canal');
    await page.keyboard.press('Enter');
    await type(page.getByLabel('depth', { exact: true }), '0.5');
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
    await type(page.getByLabel('share', { exact: true }), '1');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(6);
    expect(await last()).toMatchObject({ kind: 'speckle', of: block?.id, share: 1 });
});

test('a block moves along its axes by arrow keys and by its handles, and becomes cells of a pixel grid that can be painted over', async ({
    page,
}) => {
    const desk = new DeskPage(page);
    await desk.bring('Shelter', {
        format: 'sternbild-plan',
        version: 1,
        sheet: { width: 800, height: 600, unit: 'px', background: null },
        palette: { stone: '#7f8fb0', leaf: '#9ccc78' },
        values: {},
        steps: [
            { id: 'g2', kind: 'grid.pixel', origin: [0, 0], columns: 100, rows: 75, cell: 8, show: 'dots' },
            { id: 'g1', kind: 'grid.twoaxis', origin: [400, 200], angles: [30, 150], spacing: [48, 48], columns: 8, rows: 8 },
        ],
    });
    const last = async () => (await desk.stored()).plan.steps.at(-1);
    const bounds = async (id: string | undefined) => (await desk.measures(id ?? ''))['area'];
    const cell = async (column: number, row: number) =>
        desk.at(400 + (column - row) * 48 * Math.cos(Math.PI / 6), 200 + (column + row - 1) * 24);
    const handle = (name: string) => page.getByRole('button', { name: new RegExp(`^${name} of block 1: drag`) });

    await desk.mode('cells').click();
    await desk.dragAcross(await cell(3, 3), await cell(4, 3));
    await desk.verb('shape', 'Block…');
    await type(page.getByLabel('height', { exact: true }), '1.5');
    await page.getByRole('radio', { name: 'stone' }).check({ force: true });
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(2);
    const block = await last();

    // Arrow keys with Shift go along the axes: right and down, then left and down.
    await desk.pick('parts', [[400 + 0.5 * 48 * Math.cos(Math.PI / 6), 200 + 6 * 24 - 72]]);
    await desk.sheet.focus();
    await page.keyboard.press('Shift+ArrowRight');
    await page.keyboard.press('Shift+ArrowDown');
    await desk.revision(4);
    expect(await last()).toMatchObject({ id: block?.id, by: [1, 1] });

    // A handle goes by whole cells, however it is pulled; its keys, too.
    const grip = await handle('way along the first axis').boundingBox();
    const [x, y] = [(grip?.x ?? 0) + (grip?.width ?? 0) / 2, (grip?.y ?? 0) + (grip?.height ?? 0) / 2];
    const [ax, ay] = [(await cell(4, 1))[0] - (await cell(1, 1))[0], (await cell(4, 1))[1] - (await cell(1, 1))[1]];
    await desk.dragAcross([x, y], [x + ax * 0.7, y + ay * 0.7]);
    await desk.revision(5);
    expect((await last())?.['by']).toEqual([3, 1]);
    await handle('way along the second axis').focus();
    await page.keyboard.press('ArrowLeft');
    await desk.revision(6);
    expect((await last())?.['by']).toEqual([3, 0]);
    await handle('height').focus();
    await page.keyboard.press('ArrowUp');
    await desk.revision(7);
    expect((await last())?.['up']).toBe(1.75);

    // In pixels: 48 units are 6 cells; across 5.2 of them, which in steps of two is six, and three down.
    await page.getByRole('button', { name: 'More for step 3, block 1' }).click();
    await page.getByRole('menuitem', { name: 'Say all of it' }).click();
    await page.getByRole('button', { name: 'pixel grid of block 1: not given' }).click();
    await expect(page.getByRole('radio', { name: 'grid 2' })).toHaveCount(0);
    await page.getByRole('radio', { name: 'grid 1' }).click();
    await desk.revision(8);
    await page.keyboard.press('Escape');
    expect(await last()).toMatchObject({ kind: 'block', pixels: 'g2' });
    // Two tops of 36 cells each, walls of six cells across, 1.75 × 6 high: 10.5, which rounds to 11, two on the left and one on the right.
    expect(await bounds(block?.id)).toBe((2 * 36 + 3 * 6 * 11) * 64);
    await page.getByRole('radio', { name: 'paint' }).click();
    await page.getByLabel('Whose cells the pointer picks').selectOption('g2');
    await desk.sheet.press('2');
    await page.mouse.click(...(await desk.at(404, 580)));
    await desk.revision(9);
    expect(await last()).toMatchObject({ kind: 'paint', on: 'g2', cells: { leaf: '51,73' } });
});
