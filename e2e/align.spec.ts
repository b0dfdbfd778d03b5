import { expect, test } from './journey';
import { DeskPage } from './desk';
import { type } from './type';

const sheet = {
    format: 'sternbild-plan',
    version: 1,
    sheet: { width: 800, height: 800, unit: 'px', background: null },
    palette: { ink: '#1b2140' },
    values: {},
};
const grid = { id: 'g1', kind: 'grid.rectangular', origin: [0, 0], columns: 8, rows: 8, cell: [100, 100] };

test('parts into one row, spread evenly, and centred in a cell, live', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.bring('Lamps in a row', {
        ...sheet,
        steps: [
            grid,
            ...[
                [100, 210, 40],
                [330, 260, 60],
                [700, 240, 30],
            ].map(([x, y, radius], k) => ({ id: `p${k + 1}`, kind: 'part.circle', center: [x, y], radius })),
        ],
    });
    const lamps: [number, number][] = [[100, 210], [330, 260], [700, 240]];
    await desk.pick('parts', lamps);
    await desk.verb('order', 'Into one row');
    await desk.revision(2);
    expect((await desk.stored()).plan.steps.slice(-2)).toMatchObject([
        { kind: 'move', of: ['p2'], from: 'p2!', to: { column: 'p2!', row: 'p1!' } },
        { kind: 'move', of: ['p3'], from: 'p3!', to: { column: 'p3!', row: 'p1!' } },
    ]);
    await desk.pick('parts', [[100, 210], [330, 210], [700, 210]]);
    await desk.verb('order', 'Spread evenly');
    await desk.revision(3);
    expect((await desk.stored()).plan.steps.at(-1)).toMatchObject({
        to: { column: { between: ['p1!', 'v2!'], share: '1/2' }, row: 'v1!' },
    });
    expect((await desk.measures('v3'))['bounds']).toEqual([340, 150, 460, 270]);

    // The first one moved, the row goes along.
    await desk.pick('parts', [[100, 210]]);
    await desk.verb('order', 'Centre on…');
    await page.getByRole('region', { name: 'Centre on…' }).getByRole('button', { name: /^to/ }).click();
    await page.getByRole('button', { name: 'a place clicked on the sheet' }).click();
    await page.mouse.click(...(await desk.at(150, 650)));
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(4);
    expect((await desk.stored()).plan.steps.at(-1)).toMatchObject({ kind: 'move', of: ['p1'], from: 'p1!', to: 'g1#2,7!' });
});

test('corners of a bar moved by whole cells and brought into a row, by keyboard', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.bring('Bar', {
        ...sheet,
        steps: [grid, { id: 'p1', kind: 'part.outline', points: ['g1@1,1', 'g1@3,1', 'g1@3,2', 'g1@1,3'] }],
    });
    await desk.pick('points', [
        [300, 100],
        [300, 200],
    ]);
    await desk.sheet.press('0');
    await desk.sheet.press('9');
    await desk.sheet.press('8');
    await type(page.getByLabel('cells, across', { exact: true }), '2');
    await page.keyboard.press('Enter');
    await desk.revision(2);
    expect((await desk.stored()).plan.steps[1]).toMatchObject({ points: ['g1@1,1', 'g1@5,1', 'g1@5,2', 'g1@1,3'] });

    await desk.pick('points', [[500, 200], [100, 300]]);
    await desk.sheet.press('5');
    await desk.revision(3);
    expect((await desk.stored()).plan.steps[1]).toMatchObject({
        points: ['g1@1,1', 'g1@5,1', 'g1@5,2', { column: 'g1@1,3', row: 'g1@5,2' }],
    });
    expect((await desk.measures('p1'))['area']).toBe(400 * 100);

    // A place where nothing is written is said, and nothing is lost.
    await desk.pick('points', [[500, 200], [700, 700]]);
    await desk.verb('order', 'Into one row');
    await expect(page.getByText('with which an outline, a run or a line is drawn', { exact: false })).toBeVisible();
    expect((await desk.stored()).revision).toBe(3);
});
