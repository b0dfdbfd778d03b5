import { expect, test } from './journey';
import { DeskPage } from './desk';
import { type } from './type';

test('petals over and under all the way round, a second ring the other way, twice the folds, veins that stop where the petal dives', async ({ page }) => {
    const desk = new DeskPage(page);
    const petal = (id: string, near: number, far: number, bulge: number) => ({
        id,
        kind: 'part.outline',
        points: [
            [400, 400 - near],
            [400, 400 - far],
        ],
        bends: [{ bulge }, { bulge }],
    });
    await desk.bring('Petals', {
        format: 'sternbild-plan',
        version: 1,
        sheet: { width: 800, height: 800, unit: 'px', background: null },
        palette: { lagoon: '#0f6e84', sand: '#e7c98f', brick: '#c65f3c' },
        values: {},
        steps: [
            petal('p1', 200, 360, 0.7),
            {
                id: 'p2',
                kind: 'part.rectangle',
                corners: [
                    [330, 118],
                    [470, 122],
                ],
            },
            petal('p3', 60, 190, 0.9),
        ],
    });
    let revision = 1;
    for (const [part, fill] of [[[400, 80], 'lagoon'], [[340, 120], 'sand'], [[400, 280], 'brick']] as const) {
        await desk.pick('parts', [[...part]]);
        await desk.verb('look', 'Fill');
        await page.getByRole('radio', { name: fill }).check({ force: true });
        await page.getByRole('button', { name: 'Do it' }).click();
        await desk.revision(++revision);
    }
    // A petal with its vein, eight times, each over the next one clockwise, with a clearance.
    await desk.pick('parts', [[400, 80], [340, 120]]);
    await desk.verb('copy', 'Around…');
    await type(page.getByLabel('count', { exact: true }), '8');
    await page.getByRole('radio', { name: 'over the next one clockwise', exact: true }).check({ force: true });
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(++revision);
    // A second ring the other way round.
    await desk.pick('parts', [[400, 280]]);
    await desk.verb('copy', 'Around…');
    await type(page.getByLabel('count', { exact: true }), '8');
    await page.getByRole('radio', { name: 'over the next one counterclockwise', exact: true }).check({ force: true });
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(++revision);
    expect((await desk.stored()).plan.steps.slice(-2)).toMatchObject([
        { of: ['p1', 'p2'], lap: 'clockwise' },
        { of: ['p3'], lap: 'counterclockwise' },
    ]);
    const alone = (id: string) => desk.covered(id);
    // Eight far apart do not meet, each with its vein, most of which lies on it; sixteen dive under one another, and their veins with them.
    const eight = await alone('r1');
    expect(eight).toBeGreaterThan(8 * (await alone('p1')));
    expect(eight).toBeLessThan(8 * ((await alone('p1')) + (await alone('p2'))));
    await page.getByLabel('count of repeat 1', { exact: true }).click();
    await page.getByRole('group', { name: /^Fitting values/ }).getByRole('button', { name: '16', exact: true }).click();
    await desk.revision(++revision);
    expect(await alone('r1')).toBeLessThan(2 * eight - 16);
    const svg = await (await page.request.get(`/api/sheets/${new URL(page.url()).pathname.split('/').at(-1)}/file?format=svg`)).text();
    // Every vein is cut where its petal dives: none is the whole rectangle any more.
    expect(svg.match(/fill="#e7c98f"/g)).toHaveLength(16);
    expect(svg).not.toContain('M330 118H470V122H330Z');

    // All of it is one step back.
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByLabel('count of repeat 1', { exact: true })).toHaveValue('8');
});
