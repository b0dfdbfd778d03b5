import { expect, test } from './journey';
import { DeskPage } from './desk';
import { type } from './type';

test('a spiral mark on a triangular grid: ring, branch lines, even gaps, six colours; side, count and gap changed afterwards', async ({
    page,
}) => {
    test.slow();
    const desk = new DeskPage(page);
    // The palette is the house's; everything else is drawn here.
    await desk.bring('Interchange', {
        format: 'sternbild-plan',
        version: 1,
        sheet: { width: 1000, height: 1000, unit: 'px', background: null },
        palette: { lagoon: '#0f6e84', ink: '#1b2140', brick: '#c65f3c', sand: '#d9a441', spray: '#7fbcc0', moss: '#5f7f4e' },
        values: { side: 80, gap: 14, turns: 6 },
        steps: [
            {
                id: 'g1',
                kind: 'grid.triangular',
                origin: ['sheet.width/2 - 6*side', 'sheet.height/2 - 3*sqrt(3)*side'],
                side: 'side',
                columns: 12,
                rows: 12,
                field: 'rectangle',
            },
        ],
    });
    const ray = (k: number, sides: number): [number, number] => [
        500 + sides * 80 * Math.cos((k * Math.PI) / 3),
        500 + sides * 80 * Math.sin((k * Math.PI) / 3),
    ];

    // Two hexagons, of side 5 and of side 2, and the ring between.
    let revision = 1;
    for (const sides of [5, 2]) {
        await desk.pick('points', [[500, 500]]);
        await desk.verb('make', 'Polygon');
        await type(page.getByLabel('radius', { exact: true }), `${sides}*g1.side`);
        await type(page.getByLabel('corners', { exact: true }), '6');
        await type(page.getByLabel('turn', { exact: true }), '90');
        await page.getByRole('button', { name: 'Do it' }).click();
        await desk.revision(++revision);
    }
    await desk.pick('parts', [ray(0, 4), ray(0, 1)]);
    await desk.verb('combine', 'Cut from the first');
    await desk.revision(++revision);
    const area = 1.5 * Math.sqrt(3) * 80 ** 2 * (25 - 4);
    expect((await desk.measures('k1'))['area']).toBeCloseTo(area, 4);

    // A run of four points that bends twice, repeated six times about the middle.
    await desk.pick('points', [ray(0, 2), ray(0, 3), ray(1, 4), ray(1, 5)]);
    await desk.verb('guide', 'Run');
    await desk.revision(++revision);
    await desk.pick('lines', [ray(0, 2.5)]);
    await desk.verb('copy', 'Around…');
    await type(page.getByLabel('count', { exact: true }), 'turns');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(++revision);

    // The ring in pieces along the runs, every branch drawn in by half the gap, with sharp corners.
    await desk.pick('parts', [ray(0.5, 3.5)]);
    await desk.verb('combine', 'Split…');
    await page.getByRole('checkbox', { name: 'grid 1' }).uncheck();
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(++revision);
    const split = (await desk.stored()).plan.steps.at(-1)?.id ?? '';
    expect((await desk.measures(split))['pieces']).toBe(6);
    await desk.pick('parts', [ray(0.5, 3.5)]);
    await desk.verb('shape', 'Inset…');
    await type(page.getByLabel('distance', { exact: true }), 'gap/2');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(++revision);
    const perimeter = (await desk.measures(split))['perimeter'] ?? 0;
    const inset = async () => (await desk.measures('i1'))['area'] ?? 0;
    expect((await desk.measures('i1'))['pieces']).toBe(6);
    // Mitred: A − P·d + d² times a small sum over the corners.
    expect(await inset()).toBeGreaterThan(area - perimeter * 7);
    expect(await inset()).toBeLessThan(area - perimeter * 7 * 0.95);

    // Each branch by itself, in a colour of its own.
    const colours = ['lagoon', 'ink', 'brick', 'sand', 'spray', 'moss'];
    await desk.mode('parts').click();
    await page.getByLabel('What of a part the pointer picks').selectOption('pieces');
    for (const [k, colour] of colours.entries()) {
        await desk.pick('parts', [ray(k + 0.42, 3.3)]);
        await desk.verb('look', 'Fill');
        await page.getByRole('radio', { name: colour }).check({ force: true });
        await page.getByRole('button', { name: 'Do it' }).click();
        await desk.revision(++revision);
    }
    const { plan } = await desk.stored();
    expect(plan.steps.slice(-6).map((step) => step['fill'])).toEqual(colours);
    const file = async () =>
        (await page.request.get(`/api/sheets/${new URL(page.url()).pathname.split('/').at(-1)}/file?format=svg`)).text();
    for (const colour of colours) expect(await file()).toContain(plan.palette[colour] ?? '');

    // Changed afterwards, everything follows.
    const before = await inset();
    await desk.setNumber('value gap', '30');
    await desk.revision(++revision);
    expect(await inset()).toBeLessThan(before);
    expect((await desk.measures('i1'))['pieces']).toBe(6);
    await desk.setNumber('value side', '60');
    await desk.revision(++revision);
    expect((await desk.measures(split))['area']).toBeCloseTo(area * (60 / 80) ** 2, 4);
    await desk.setNumber('value turns', '3');
    await desk.revision(++revision);
    expect((await desk.measures('i1'))['pieces']).toBe(3);
});
