import { readFile } from 'node:fs/promises';
import { expect, test } from './journey';
import { DeskPage } from './desk';
import { type } from './type';

type Place = [number, number];

/** Along the heron's back, from its throat to its tail, and the other way round; by hand, so not quite on it. */
const BACK: Place[] = [
    [375, 209],
    [368, 215],
    [363, 223],
    [361, 234],
    [361, 245],
    [365, 258],
    [378, 291],
    [381, 330],
    [373, 366],
    [358, 404],
    [348, 432],
    [345, 455],
    [351, 476],
    [399, 465],
    [430, 456],
    [457, 457],
    [492, 467],
    [521, 481],
    [557, 505],
    [586, 529],
    [622, 563],
    [650, 594],
];
const BELLY: Place[] = [
    [377, 167],
    [354, 177],
    [339, 190],
    [328, 207],
    [322, 230],
    [323, 251],
    [329, 272],
    [341, 301],
    [343, 326],
    [337, 354],
    [323, 390],
    [311, 421],
    [306, 455],
    [350, 525],
    [378, 553],
    [405, 571],
    [445, 587],
    [480, 596],
    [526, 601],
    [565, 602],
    [612, 599],
];

/** Pulls along a line of the picture. */
async function follow(desk: DeskPage, places: Place[]): Promise<void> {
    const [[x0, y0], [x1]] = [await desk.at(0, 0), await desk.at(1000, 0)];
    const [first = [0, 0], ...rest] = places.map(([x, y]): Place => [x0 + (x * (x1 - x0)) / 1000, y0 + (y * (x1 - x0)) / 1000]);
    await desk.page.mouse.move(...first);
    await desk.page.mouse.down();
    for (const place of rest) await desk.page.mouse.move(...place);
    await desk.page.mouse.up();
}

function circle(x: number, y: number, radius: number, off = 0): Place[] {
    return Array.from({ length: 45 }, (_, k): Place => {
        const angle = (k * 2 * Math.PI) / 45;
        const reach = radius + off * Math.sin(3 * angle);
        return [x + reach * Math.cos(angle), y + reach * Math.sin(angle)];
    });
}

test('a mark is traced from two pictures, from an empty sheet to its file, and the finished one is brought in and taken further', async ({
    page,
}) => {
    test.slow();
    const desk = new DeskPage(page);
    await desk.fillInNewSheet('Heron with a lamp');
    const stored = async () => (await desk.stored()).plan.steps;
    let revision = 1;
    const next = () => desk.revision(++revision);

    // Both pictures; the one that comes later lies below the other.
    for (const name of ['lamp', 'heron']) {
        const chosen = page.waitForEvent('filechooser');
        await desk.bringIn('picture');
        await (await chosen).setFiles(`resources/demo/pictures/${name}.jpg`);
        await next();
    }
    const [heron, lamp] = (await stored()).map((step) => step.id);
    for (const number of [1, 2]) {
        await page.getByRole('button', { name: `More for step ${number}, picture ${number}` }).click();
        await page.getByRole('menuitem', { name: 'Say all of it' }).click();
    }
    // The lamp is turned and sized by two places of it that are known, and darkens what lies under it.
    await page.getByRole('button', { name: /^known places of picture 2/ }).click();
    for (const [number, place] of (
        [
            [400, 330],
            [602, 256],
            [400, 120],
            [602, 214],
        ] as Place[]
    ).entries()) {
        await expect(
            page.getByText(
                ['click a place of the picture', 'and where it belongs', 'another place of the picture', 'and where that belongs'][
                    number
                ] ?? '',
                { exact: true },
            ),
        ).toBeVisible();
        await page.mouse.click(...(await desk.at(...place)));
    }
    await next();
    await page.getByLabel('blend of picture 2').selectOption('darken');
    await next();
    // The heron fades behind a dark veil.
    await desk.setNumber('fade of picture 1', '0.5');
    await next();
    await page.getByRole('button', { name: 'veil of picture 1: none' }).click();
    await page.getByRole('button', { name: 'ink', exact: true }).click();
    await next();
    expect((await stored()).map(({ kind, id }) => [kind, id])).toEqual([['picture', heron], ['picture', lamp]]);
    expect((await stored())[0]).toMatchObject({ fade: 0.5, veil: 'ink' });
    expect((await stored())[1]).toMatchObject({ blend: 'darken' });
    // They are locked: nothing of them is picked on the sheet.
    await desk.mode('parts').click();
    await page.mouse.click(...(await desk.at(400, 500)));
    await expect(page.locator('[data-picked="0"]')).toHaveCount(1);

    // Arcs along the outline, each tangent to the one before, as few as lie within 2.5 px of the line.
    await page.getByRole('radio', { name: 'trace' }).click();
    await page.getByLabel('The picture whose lines are followed').selectOption(heron ?? '');
    await type(page.getByLabel('How far to either side a line is looked for'), '11');
    await page.getByRole('radio', { name: 'arcs', exact: true }).click();
    for (const line of [BACK, BELLY]) {
        await follow(desk, line);
        await next();
    }
    // The glass of the lamp, in its own picture.
    await page.getByLabel('The picture whose lines are followed').selectOption(lamp ?? '');
    await type(page.getByLabel('How far to either side a line is looked for'), '8');
    await page.getByRole('radio', { name: 'circle', exact: true }).click();
    await follow(desk, circle(602, 256, 30));
    await next();
    const steps = await stored();
    const [back, belly, glass] = steps.slice(2);
    expect(steps.slice(2)).toMatchObject([
        { kind: 'guide.run', sketch: heron },
        { kind: 'guide.run', sketch: heron },
        { kind: 'guide.circle', sketch: lamp },
    ]);
    const numbers = async (id: string) =>
        ((await desk.stored()).scene.steps.find((step) => step.id === id) as unknown as { numbers: Record<string, number> }).numbers;
    for (const run of [back, belly]) expect((await numbers(run?.id ?? ''))['deviation']).toBeLessThan(2.5);
    const found = await numbers(glass?.id ?? '');
    // By the two known places 210 px of the picture are 42 of the sheet; the glass is 150 px in radius.
    expect(found['deviation']).toBeLessThan(0.5);
    expect(found['radius']).toBeCloseTo(30, 0);

    // Drawn with a broad nib along both, the glass as a disc.
    await desk.pick('lines', [[361, 240], [322, 240]]);
    await desk.verb('shape', 'Broad nib…');
    await type(page.getByLabel('width', { exact: true }), '24');
    await type(page.getByLabel('thickness of the nib', { exact: true }), '7');
    await type(page.getByLabel('angle of the nib', { exact: true }), '60');
    await page.getByRole('button', { name: 'Do it' }).click();
    await next();
    expect((await stored()).at(-1)).toMatchObject({ kind: 'band', of: [back?.id, belly?.id], width: 24, nib: { angle: 60, thin: 7 } });
    expect((await desk.stored()).scene.findings.filter(({ code }) => code === 'error')).toEqual([]);

    // Handed over, pictures are no part of it.
    await page.getByRole('button', { name: 'Hand over' }).click();
    await page.getByText('SVG', { exact: true }).click();
    const saving = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Save the file' }).click();
    const mark = await readFile(await (await saving).path());
    expect(mark.toString()).not.toContain('<image');
    const area = (await desk.measures((await stored()).at(-1)?.id ?? ''))['area'] ?? 0;

    // The finished mark, brought into another sheet as parts, is widened there.
    await desk.newSheet('Heron, taken further');
    await desk.bringIn('drawing');
    const dialog = page.getByRole('dialog', { name: 'Bring in a drawing' });
    await dialog.getByLabel('SVG file').setInputFiles({ name: 'heron.svg', mimeType: 'image/svg+xml', buffer: mark });
    await dialog.getByRole('button', { name: 'Bring it in' }).click();
    await desk.revision(2);
    const parts = (await stored()).filter(({ kind }) => kind === 'part.svg');
    const areas = await Promise.all(parts.map(async ({ id }) => (await desk.measures(id))['area'] ?? 0));
    expect(areas.reduce((sum, one) => sum + one, 0)).toBeCloseTo(area, 0);
    await desk.pick('parts', [[361, 240]]);
    await desk.verb('shape', 'Inset…');
    await type(page.getByLabel('distance', { exact: true }), '-2');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(3);
    expect((await desk.measures((await stored()).at(-1)?.id ?? ''))['area']).toBeGreaterThan(Math.min(...areas) * 1.1);
});

test('a pencil sketch from the scanner is gridded with circles that are fitted to its strokes, on intersections and in equal sizes', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Waves and moon');
    let revision = 1;
    const next = () => desk.revision(++revision);
    // Cells of 30 over 210 mm in 800 px: the waves are drawn on every 15 mm.
    await desk.bringIn('sketch');
    const dialog = page.getByRole('dialog', { name: 'Scan a sketch' });
    await dialog.getByText('Waves and moon').click();
    await dialog.getByRole('button', { name: 'Scan it' }).click();
    await expect(dialog).toBeHidden();
    await next();
    const sketch = (await desk.stored()).plan.steps[0];
    const [left, top] = sketch?.['at'] as Place;
    const unit = (sketch?.['width'] as number) / 210;
    // A place of the paper, in millimetres, on the sheet.
    const on = (x: number, y: number): Place => [left + x * unit, top + y * unit];
    await page.getByRole('radio', { name: 'trace' }).click();
    const numbers = async () => ((await desk.stored()).scene.steps.at(-1) as unknown as { numbers: Record<string, number> }).numbers;
    const arcOf = (x: number, y: number, radius: number) => circle(...on(x, y), radius * unit, 2).slice(24, 44);

    // The moon: a circle of 24 mm about 150, 46.
    await page.getByRole('radio', { name: 'circle', exact: true }).click();
    await follow(desk, circle(...on(150, 46), 24 * unit, 3));
    await next();
    expect(Math.abs(((await numbers())['radius'] ?? 0) - 24 * unit)).toBeLessThan(1.5);
    expect((await numbers())['deviation']).toBeLessThan(2);

    // Three waves of 15 mm; the second and the third are made as large as the first, where that costs hardly anything.
    await page.getByLabel('on intersections, in equal sizes').check();
    for (const x of [22, 52, 82]) {
        await follow(desk, arcOf(x, 92, 15));
        await next();
    }
    const steps = (await desk.stored()).plan.steps;
    const [first, second, third] = steps.slice(2);
    expect(steps.slice(2)).toMatchObject([
        { kind: 'guide.circle', sketch: sketch?.id },
        { kind: 'guide.circle', like: expect.arrayContaining([first?.id]) },
        { kind: 'guide.circle', like: expect.arrayContaining([first?.id]) },
    ]);
    const scene = (await desk.stored()).scene;
    const radius = (id: string | undefined) =>
        (scene.steps.find((step) => step.id === id) as unknown as { numbers: Record<string, number> }).numbers['radius'] ?? 0;
    expect(radius(second?.id)).toBeCloseTo(radius(first?.id), 9);
    expect(radius(third?.id)).toBeCloseTo(radius(first?.id), 9);
    expect(Math.abs(radius(first?.id) - 15 * unit)).toBeLessThan(1.5);
    // Its sentence says so; with none of them picked, circles that are alike are told in one line, which is unfolded.
    await desk.sheet.press('Escape');
    await page.getByRole('button', { name: /^2 4 circles on picture 1/ }).click();
    await expect(page.getByRole('listitem').filter({ hasText: /as large as\s+circle.*, at a cost of = [\d.]+\spx/ })).toHaveCount(2);
    await expect(page.getByRole('listitem').filter({ hasText: /as large as\s+circle\s1, but that would cost too much\./ })).toHaveCount(1);
    expect((await numbers())['costs']).toBeLessThan(2);
});
