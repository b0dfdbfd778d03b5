import { expect, test } from './journey';
import { DeskPage } from './desk';
import { type } from './type';

test('the K of line K on two grids: bars, copies, corners moved and aligned, joined, outlined, and the same as a shape', async ({
    page,
}) => {
    test.slow();
    const desk = new DeskPage(page);
    await desk.bring('Line K', {
        format: 'sternbild-plan',
        version: 1,
        sheet: { width: 800, height: 800, unit: 'px', background: null },
        palette: { ink: '#1b2140', brick: '#c65f3c' },
        values: {},
        steps: [],
    });
    let revision = 1;
    const laid = async (name: string) => {
        await desk.grid(name);
        await page.getByRole('button', { name: 'Do it' }).click();
        await desk.revision(++revision);
    };
    const set = async (label: string, value: string) => {
        await desk.setNumber(label, value);
        await desk.revision(++revision);
    };
    // An upright grid of 8 × 8 cells of 80 from 80, 80, and one at 45° and −45° whose crossings lie on it.
    await laid('Rectangular grid');
    await laid('Two-axis grid');
    await page.getByRole('button', { name: /^origin of grid 2/ }).click();
    await type(page.getByLabel('Across', { exact: true }), '80');
    await type(page.getByLabel('Down', { exact: true }), '400');
    await page.getByRole('button', { name: 'Set', exact: true }).click();
    await desk.revision(++revision);
    await set('axes of grid 2, across', '45');
    await set('axes of grid 2, down', '-45');
    await set('edge of grid 2, across', '40*sqrt(2)');
    await set('edge of grid 2, down', '40*sqrt(2)');
    const slanted = (i: number, j: number): [number, number] => [80 + 40 * (i + j), 400 + 40 * (i - j)];
    expect((await desk.stored()).plan.steps[1]).toMatchObject({ angles: [45, -45], origin: [80, 400] });

    // A stem two cells wide; its upper corners, picked as a pair, a cell lower; one lower corner a cell up, and the other into its row.
    await desk.pick('points', [[160, 80], [320, 80], [320, 720], [160, 720]]);
    await desk.verb('make', 'Outline');
    await desk.revision(++revision);
    await desk.pick('points', [[160, 80], [320, 80]]);
    await desk.verb('order', 'Move by cells…');
    await type(page.getByLabel('cells, across', { exact: true }), '0');
    await type(page.getByLabel('cells, down', { exact: true }), '1');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(++revision);
    await desk.pick('points', [[160, 720]]);
    await desk.verb('order', 'Move by cells…');
    await type(page.getByLabel('cells, across', { exact: true }), '0');
    await type(page.getByLabel('cells, down', { exact: true }), '-1');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(++revision);
    await desk.pick('points', [[160, 640], [320, 720]]);
    await desk.verb('order', 'Into one row');
    await desk.revision(++revision);
    expect((await desk.measures('p1'))['area']).toBeCloseTo(160 * 480, 6);

    // A bar two cells wide on the slanted grid, and the same turned by 90° as a copy.
    await desk.pick('points', [slanted(2, 3), slanted(2, 8), slanted(4, 8), slanted(4, 3)]);
    await desk.verb('make', 'Outline');
    await desk.revision(++revision);
    await desk.pick('parts', [slanted(3, 6)]);
    await desk.verb('place', 'Turn…');
    await type(page.getByLabel('angle', { exact: true }), '90');
    await page.getByRole('button', { name: /^about: / }).click();
    await page.getByRole('button', { name: 'a place clicked on the sheet' }).click();
    await page.mouse.click(...(await desk.at(320, 400)));
    await page.getByLabel('copy', { exact: true }).check();
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(++revision);
    expect((await desk.stored()).plan.steps.at(-1)).toMatchObject({
        kind: 'turn',
        of: ['p2'],
        about: expect.stringMatching(/^g[12]@/),
        angle: 90,
        copy: true,
    });

    // Stem, arm and leg are one.
    await desk.pick('parts', [[200, 300], slanted(3, 6), [480, 560]]);
    await desk.verb('combine', 'Join');
    await desk.revision(++revision);
    const area = (await desk.measures('j1'))['area'] ?? 0;
    expect((await desk.measures('j1'))['pieces']).toBe(1);

    // A bar half as wide, longer by half a cell, and a copy of it moved by a set distance.
    await desk.pick('points', [slanted(5, 5), slanted(5, 7), slanted(6, 7), slanted(6, 6)]);
    await desk.verb('make', 'Outline');
    await desk.revision(++revision);
    await desk.pick('points', [slanted(5, 7), slanted(6, 7)]);
    await desk.verb('order', 'Move by…');
    await type(page.getByLabel('way, across', { exact: true }), '20');
    await type(page.getByLabel('way, down', { exact: true }), '-20');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(++revision);
    expect((await desk.stored()).plan.steps.at(-1)).toMatchObject({
        points: [
            expect.any(String),
            { of: expect.any(String), by: [20, -20] },
            { of: expect.any(String), by: [20, -20] },
            expect.any(String),
        ],
    });
    await desk.pick('parts', [[540, 360]]);
    await desk.verb('place', 'Move by…');
    await type(page.getByLabel('way, across', { exact: true }), '60');
    await type(page.getByLabel('way, down', { exact: true }), '60');
    await page.getByLabel('copy', { exact: true }).check();
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(++revision);

    // In outline with round corners and ends, and the same as a shape.
    await desk.pick('parts', [[200, 300]]);
    await desk.verb('look', 'Stroke');
    await type(page.getByLabel('stroke width', { exact: true }), '12');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(++revision);
    await desk.pick('parts', [[200, 300]]);
    await desk.verb('shape', 'Band…');
    await type(page.getByLabel('width', { exact: true }), '12');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(++revision);
    const band = (await desk.stored()).plan.steps.at(-1);
    expect(band).toMatchObject({ kind: 'band', of: ['j1'], width: 12 });
    await page.getByLabel(`corners of band 1`, { exact: true }).selectOption('round');
    await desk.revision(++revision);
    expect((await desk.stored()).plan.steps.at(-1)).toMatchObject({ join: 'round' });
    // As much as the outline is long, but for its corners.
    const perimeter = (await desk.measures('j1'))['perimeter'] ?? 0;
    expect(((await desk.measures('b1'))['area'] ?? 0) / (perimeter * 12)).toBeCloseTo(1, 1);

    // The plan stays editable to its first number: a narrower grid, and what stands on it follows.
    await set('size of grid 1, across', '560');
    expect((await desk.measures('j1'))['area']).not.toBeCloseTo(area, 0);
    const { scene } = await desk.stored();
    expect((scene as unknown as { findings: { level: string }[] }).findings.filter((finding) => finding.level === 'error')).toEqual([]);
});
