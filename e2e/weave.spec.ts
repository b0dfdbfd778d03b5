import { expect, test } from './journey';
import { DeskPage } from './desk';
import { type } from './type';

test('two rows of rails are woven, and a crossing is swapped by a click; lobes lie over one another all the way round', async ({
    page,
}) => {
    const desk = new DeskPage(page);
    await desk.bring('Gate grille', {
        format: 'sternbild-plan',
        version: 1,
        sheet: { width: 800, height: 800, unit: 'px', background: null },
        palette: { ink: '#1b2140' },
        values: {},
        steps: [
            ...[300, 500].map((y, k) => ({ id: `c${k + 1}`, kind: 'guide.run', points: [[100, y], [700, y]] })),
            ...[300, 500].map((x, k) => ({ id: `c${k + 3}`, kind: 'guide.run', points: [[x, 100], [x, 700]] })),
            { id: 'p1', kind: 'part.circle', center: [400, 330], radius: 50 },
        ],
    });
    await desk.pick('lines', [[200, 300], [200, 500], [300, 200], [500, 200]]);
    await desk.verb('combine', 'Weave…');
    await type(page.getByLabel('width', { exact: true }), '40');
    await type(page.getByLabel('clearance', { exact: true }), '6');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(2);
    expect((await desk.stored()).plan.steps.at(-1)).toMatchObject({ kind: 'weave', of: ['c1', 'c2', 'c3', 'c4'], width: 40, gap: 6 });
    // Four bands of 600 by 40, each cut at two of its crossings by 52.
    expect((await desk.measures('w1'))['area']).toBeCloseTo(4 * (600 * 40) - 4 * 52 * 40, 6);
    expect((await desk.measures('w1'))['pieces']).toBe(8);

    await desk.pick('points', [[300, 300]]);
    await desk.verb('combine', 'Swap the crossing');
    await desk.revision(3);
    const swapped = (await desk.stored()).plan.steps.at(-1)?.['swap'] as unknown[];
    expect(swapped).toHaveLength(1);
    // The first rail lay over there first; now it dives twice, and so its middle lies by itself.
    expect((await desk.measures('w1'))['pieces']).toBe(8);
    await desk.pick('points', [[300, 300]]);
    await desk.verb('combine', 'Swap the crossing');
    await desk.revision(4);
    expect((await desk.stored()).plan.steps.at(-1)?.['swap']).toBeUndefined();

    // Six discs around the middle, each over the next one.
    await desk.pick('parts', [[400, 340]]);
    await desk.verb('copy', 'Around…');
    await type(page.getByLabel('count', { exact: true }), '6');
    await page.getByRole('radio', { name: 'over the next one clockwise', exact: true }).check({ force: true });
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(5);
    expect((await desk.stored()).plan.steps.at(-1)).toMatchObject({ kind: 'repeat.around', lap: 'clockwise' });
    // Neighbours are 70 apart: each loses a lens.
    const lens = 2 * 50 ** 2 * Math.acos(70 / 100) - 35 * Math.sqrt(4 * 50 ** 2 - 70 ** 2);
    expect((await desk.measures('r1'))['area']).toBeCloseTo(6 * (Math.PI * 50 ** 2 - lens), 4);
});

test('the number of copies is doubled in one click, or bound to the sectors of a grid', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.bring('Folds', {
        format: 'sternbild-plan',
        version: 1,
        sheet: { width: 800, height: 800, unit: 'px', background: null },
        palette: { ink: '#1b2140' },
        values: {},
        steps: [
            { id: 'g1', kind: 'grid.polar', center: [400, 400], radius: 300, rings: 4, sectors: 14 },
            { id: 'p1', kind: 'part.circle', center: [400, 150], radius: 20 },
            { id: 'r1', kind: 'repeat.around', of: ['p1'], center: [400, 400], count: 6 },
        ],
    });
    await page.getByLabel('count of repeat 1', { exact: true }).click();
    await page
        .getByRole('group', { name: 'Fitting values for count of repeat 1' })
        .getByRole('button', { name: '12', exact: true })
        .click();
    await desk.revision(2);
    expect((await desk.measures('r1'))['pieces']).toBe(12);
    await page.getByLabel('count of repeat 1', { exact: true }).click();
    await page.getByRole('button', { name: 'half as many' }).click();
    await desk.revision(3);
    expect((await desk.stored()).plan.steps.at(-1)).toMatchObject({ count: 'g1.sectors/2' });
    expect((await desk.measures('r1'))['pieces']).toBe(7);
});
