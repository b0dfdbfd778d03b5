import { expect, test } from './journey';
import { DeskPage } from './desk';
import { type } from './type';

test('a track sign: a plate drawn in, its corners rounded, a bar bent along a way, kept clear of the plate', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Track sign');
    await desk.grid('Rectangular grid');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(2);

    // The grid of 8 × 8 begins at 80, 80 with cells of 80.
    await desk.pick('points', [[240, 240], [560, 240], [560, 560], [240, 560]]);
    await desk.verb('make', 'Outline');
    await desk.revision(3);
    await desk.pick('parts', [[400, 400]]);
    await desk.verb('shape', 'Inset…');
    await type(page.getByLabel('distance', { exact: true }), '20');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(4);
    expect((await desk.stored()).plan.steps.at(-1)).toMatchObject({ kind: 'inset', of: ['p1'], distance: 20 });
    expect((await desk.measures('i1'))['area']).toBeCloseTo(280 ** 2, 6);

    await desk.verb('shape', 'Round…');
    await type(page.getByLabel('radius', { exact: true }), '40');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(5);
    expect((await desk.measures('f1'))['area']).toBeCloseTo(280 ** 2 - (4 - Math.PI) * 40 ** 2, 6);

    // A way from grid point to grid point, made a bar.
    await desk.pick('points', [[80, 400], [400, 400], [400, 720]]);
    await desk.verb('guide', 'Run');
    await desk.revision(6);
    await desk.pick('lines', [[160, 400]]);
    await desk.verb('shape', 'Band…');
    await type(page.getByLabel('width', { exact: true }), '60');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(7);
    expect((await desk.stored()).plan.steps.at(-1)).toMatchObject({ kind: 'band', width: 60 });
    expect((await desk.measures('b1'))['area']).toBeCloseTo(60 * (320 + 320), 6);

    // The plate, picked first, is kept clear of the bar.
    await desk.pick('parts', [[500, 300], [160, 400]]);
    await desk.verb('combine', 'Clear of the others…');
    await type(page.getByLabel('distance', { exact: true }), '10');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(8);
    const whole = 280 ** 2 - (4 - Math.PI) * 40 ** 2;
    // Of the plate goes what lies in the bar widened to 80: 180 of its way, twice, less the corner that both have, and the corner itself.
    const gone = 80 * (400 - 260 + 40) + 80 * (540 - 400 - 40);
    expect((await desk.measures('k1'))['area']).toBeCloseTo(whole - gone, 6);

    // Too far drawn in, nothing would be left: it is said, and nothing is changed.
    await desk.setNumber('distance of inset 1', '170');
    await expect(page.getByText('nothing is left; a smaller one would leave something')).toBeVisible();
    await page.keyboard.press('Escape');
    expect((await desk.stored()).revision).toBe(8);
    await desk.setNumber('distance of inset 1', '30');
    await desk.revision(9);
    expect((await desk.measures('f1'))['area']).toBeCloseTo(260 ** 2 - (4 - Math.PI) * 40 ** 2, 6);
});

test('a band and an inset by keyboard alone, found by everyday words', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.bring('Said forms', {
        format: 'sternbild-plan',
        version: 1,
        sheet: { width: 800, height: 800, unit: 'px', background: null },
        palette: { ink: '#1b2140' },
        values: {},
        steps: [
            {
                id: 'p1',
                kind: 'part.rectangle',
                corners: [
                    [200, 200],
                    [600, 600],
                ],
            },
        ],
    });
    await desk.mode('parts').focus();
    await page.keyboard.press('Enter');
    await desk.sheet.focus();
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('Enter');
    await expect(page.locator('[data-picked="1"]')).toHaveCount(1);
    await page.keyboard.press('/');
    await page.keyboard.type('corner radius');
    await page.keyboard.press('Enter');
    await type(page.getByLabel('radius', { exact: true }), '50');
    await page.keyboard.press('Enter');
    await desk.revision(2);
    expect((await desk.measures('f1'))['area']).toBeCloseTo(400 ** 2 - (4 - Math.PI) * 50 ** 2, 6);
});

test('in-betweens lie between two picked parts, in size and colour, and follow them', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.bring('Signal lamps', {
        format: 'sternbild-plan',
        version: 1,
        sheet: { width: 800, height: 800, unit: 'px', background: null },
        palette: { lagoon: '#0f6e84', brick: '#c65f3c' },
        values: {},
        steps: [
            { id: 'p1', kind: 'part.circle', center: [100, 400], radius: 20 },
            { id: 'p2', kind: 'part.circle', center: [660, 400], radius: 100 },
            { id: 's1', kind: 'style', of: ['p1'], fill: 'lagoon' },
            { id: 's2', kind: 'style', of: ['p2'], fill: 'brick' },
        ],
    });
    await desk.pick('parts', [[100, 400], [660, 400]]);
    await desk.verb('copy', 'In-betweens…');
    await type(page.getByLabel('steps', { exact: true }), '3');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(2);
    expect((await desk.stored()).plan.steps.at(-1)).toMatchObject({ kind: 'between', of: ['p1', 'p2'], steps: 3 });
    expect((await desk.measures('b1'))['area']).toBeCloseTo(Math.PI * (40 ** 2 + 60 ** 2 + 80 ** 2), 6);
    await desk.setNumber('radius of disc 2', '60');
    await desk.revision(3);
    expect((await desk.measures('b1'))['area']).toBeCloseTo(Math.PI * (30 ** 2 + 40 ** 2 + 50 ** 2), 6);
});

test('a corner is picked, rounded, and pulled; where it is too large the largest is offered', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.bring('Corner', {
        format: 'sternbild-plan',
        version: 1,
        sheet: { width: 800, height: 800, unit: 'px', background: null },
        palette: { ink: '#1b2140' },
        values: {},
        steps: [
            {
                id: 'p1',
                kind: 'part.rectangle',
                corners: [
                    [200, 200],
                    [600, 500],
                ],
            },
        ],
    });
    await desk.pick('points', [[600, 200]]);
    await desk.verb('shape', 'Round them…');
    await type(page.getByLabel('radius', { exact: true }), '400');
    await page.getByRole('button', { name: /^Make it (299\.9|300)/ }).click();
    await expect(page.getByLabel('radius', { exact: true })).toHaveValue(/^(299\.9|300)/);
    await type(page.getByLabel('radius', { exact: true }), '60');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(2);
    expect((await desk.stored()).plan.steps.at(-1)).toMatchObject({ kind: 'round', of: ['p1'], radius: 60 });
    expect((await desk.measures('f1'))['area']).toBeCloseTo(400 * 300 - (1 - Math.PI / 4) * 60 ** 2, 6);

    // The middle of the arc lies 60 (√2 − 1) from the corner; pulled twice as far, the radius is twice as large.
    const off = (radius: number): number => radius * (1 - Math.SQRT1_2);
    await desk.dragAcross(await desk.at(600 - off(60), 200 + off(60)), await desk.at(600 - off(120), 200 + off(120)));
    await desk.revision(3);
    expect((await desk.stored()).plan.steps.at(-1)?.['radius']).toBeCloseTo(120, 0);

    await desk.setNumber('radius of rounding 1', '500');
    await page.getByRole('button', { name: /^Make it (299\.9|300)/ }).click();
    await desk.revision(4);
    expect((await desk.stored()).plan.steps.at(-1)?.['radius']).toBeCloseTo(300, 2);
});

test('a run is drawn with a broad nib', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.bring('Nib', {
        format: 'sternbild-plan',
        version: 1,
        sheet: { width: 800, height: 800, unit: 'px', background: null },
        palette: { ink: '#1b2140' },
        values: {},
        steps: [
            {
                id: 'c1',
                kind: 'guide.run',
                points: [
                    [200, 400],
                    [600, 400],
                ],
            },
        ],
    });
    await desk.pick('lines', [[400, 400]]);
    await desk.verb('shape', 'Broad nib…');
    await type(page.getByLabel('width', { exact: true }), '40');
    await type(page.getByLabel('thickness of the nib', { exact: true }), '10');
    await type(page.getByLabel('angle of the nib', { exact: true }), '45');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(2);
    expect((await desk.stored()).plan.steps.at(-1)).toMatchObject({ kind: 'band', width: 40, nib: { angle: 45, thin: 10 } });
    expect((await desk.measures('b1'))['area']).toBeCloseTo(40 * 10 + 400 * 50 * Math.SQRT1_2, 6);
});
