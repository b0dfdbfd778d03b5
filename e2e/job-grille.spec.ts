import { expect, test } from './journey';
import { DeskPage } from './desk';
import { type } from './type';

test('a woven gate grille: bands between places of a 45° field, all corners rounded at once, over and under, darkened where they dive', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.bring('Station grille', {
        format: 'sternbild-plan', version: 1, sheet: { width: 800, height: 800, unit: 'px', background: null, checks: { small: 0 } },
        palette: { night: '#1b2140', brass: '#e5c78f', copper: '#c65d3b' }, values: {},
        // Corners of its squares are 50 apart, across and down.
        steps: [
            { id: 'g1', kind: 'grid.rectangular', origin: [400, 50], columns: 10, rows: 10, cell: [49.49747468, 49.49747468], angle: 45 },
        ],
    });
    let revision = 1;
    const next = async () => desk.revision(++revision);
    const place = (a: number, b: number): [number, number] => [400 + 35 * (a - b), 50 + 35 * (a + b)];
    // Two long diamonds across one another, from intersection to intersection, back to where they began.
    const ways: [number, number][][] = [[[1, 4], [9, 4], [9, 6], [1, 6]], [[4, 1], [6, 1], [6, 9], [4, 9]]];
    for (const way of ways) {
        await desk.pick('points', way.map(([a, b]) => place(a, b)));
        await desk.verb('make', 'Outline');
        await next();
    }
    expect((await desk.stored()).plan.steps.slice(1).map(({ points }) => points)).toEqual(
        ways.map((way) => way.map(([a, b]) => `g1@${a},${b}`)),
    );

    // Both become bands in one go, and with them their corners round.
    await desk.pick('parts', [place(2, 5), place(5, 2)]);
    await desk.verb('shape', 'Band…');
    await type(page.getByLabel('width', { exact: true }), '20');
    await page.getByRole('button', { name: 'Do it' }).click();
    await next();
    await page.getByLabel('corners of band 1', { exact: true }).selectOption('round');
    await next();
    expect((await desk.stored()).plan.steps.at(-1)).toMatchObject({ kind: 'band', of: ['p1', 'p2'], width: 20, join: 'round' });

    // Over and under in turn, with a clearance.
    await desk.pick('parts', [place(1.5, 4)]);
    await desk.verb('combine', 'Weave…');
    await type(page.getByLabel('clearance', { exact: true }), '4');
    await page.getByRole('button', { name: 'Do it' }).click();
    await next();
    const woven = await desk.measures('w1');
    // Four crossings, each dived under once: four stretches.
    expect(woven['pieces']).toBe(4);

    // Darkened where they dive: two shades at every crossing, fading away.
    await desk.pick('parts', [place(1.5, 4)]);
    await desk.verb('combine', 'Shade…');
    await page.getByRole('radio', { name: 'night' }).check({ force: true });
    await type(page.getByLabel('reach', { exact: true }), '16');
    await page.getByRole('button', { name: 'Do it' }).click();
    await next();
    expect((await desk.stored()).plan.steps.at(-1)).toMatchObject({ kind: 'shade', of: 'w1', colour: 'night', reach: 16 });
    expect((await desk.measures('d1'))['area']).toBeCloseTo(8 * 20 * 16, 3);

    // A border of another colour, and one crossing the other way round by a click.
    await desk.pick('points', [[400, 400]]);
    await desk.verb('guide', 'Circle, centre and radius');
    await type(page.getByLabel('radius', { exact: true }), '360');
    await page.getByRole('button', { name: 'Do it' }).click();
    await next();
    await desk.pick('lines', [[400, 40]]);
    await desk.verb('shape', 'Band…');
    await type(page.getByLabel('width', { exact: true }), '24');
    await page.getByRole('button', { name: 'Do it' }).click();
    await next();
    await desk.pick('parts', [[400, 40]]);
    await desk.verb('look', 'Fill');
    await page.getByRole('radio', { name: 'copper' }).check({ force: true });
    await page.getByRole('button', { name: 'Do it' }).click();
    await next();
    await desk.pick('points', [place(4, 4)]);
    await desk.verb('combine', 'Swap the crossing');
    await next();
    expect((await desk.stored()).plan.steps.find(({ kind }) => kind === 'weave')?.['swap']).toHaveLength(1);

    // Handed over, the weave is plain paths and every shade runs out to nothing.
    const svg = await (await page.request.get(`/api/sheets/${new URL(page.url()).pathname.split('/').at(-1)}/file?format=svg`)).text();
    expect(svg).toContain('stop-opacity="0"');
    expect(svg).not.toContain('<clipPath');
    expect(svg.match(/<path fill="url\(#paint-\d+\)"/g)).toHaveLength(8);
});
