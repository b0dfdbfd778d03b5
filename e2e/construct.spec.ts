import { expect, test } from './journey';
import { DeskPage } from './desk';
import { type } from './type';

test('two grids and a circle are laid over one another, cells of the overlay become a part, and the part follows the grid', async ({
    page,
}) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Overlay');
    await desk.layPolarGrid();
    await desk.revision(2);
    await desk.grid('Rectangular grid');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(3);
    await desk.pick('points', [[400, 400]]);
    await desk.verb('guide', 'Circle, centre and radius');
    await type(page.getByLabel('radius', { exact: true }), '150');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(4);
    // The circle, the polar grid by its rim and the rectangular one by its frame.
    await desk.pick('lines', [[400, 250], [400 + 320 * Math.sin(Math.PI / 10), 400 - 320 * Math.cos(Math.PI / 10)], [80, 120]]);
    await desk.verb('make', 'Overlay');
    await desk.revision(5);
    expect((await desk.stored()).plan.steps.at(-1)).toEqual({ id: 'o1', kind: 'overlay', of: ['g1', 'g2', 'c1'] });

    await page.mouse.click(...(await desk.at(470, 420)));
    await page.mouse.click(...(await desk.at(520, 430)));
    await expect(page.locator('[data-picked="2"]')).toHaveCount(1);
    await desk.verb('make', 'Make a part');
    await desk.revision(6);
    const cells = (await desk.stored()).plan.steps.at(-1)?.['cells'] as string[];
    expect(cells).toHaveLength(2);
    for (const cell of cells) expect(cell).toMatch(/^o1~g[12]:-?[\d.]+,-?[\d.]+(;g[12]:-?[\d.]+,-?[\d.]+)*(;-?c1)?$/);
    const before = (await desk.measures('p1'))['area'] ?? 0;
    expect(before).toBeGreaterThan(0);

    await desk.setNumber('radius of grid 1', '340');
    await desk.revision(7);
    const after = (await desk.measures('p1'))['area'] ?? 0;
    expect(after).toBeGreaterThan(0);
    expect(after).not.toBeCloseTo(before, 3);
    const { plan, scene } = await desk.stored();
    expect(plan.steps.at(-1)?.['cells']).toEqual(cells);
    expect((scene as unknown as { findings: { level: string }[] }).findings.filter((finding) => finding.level === 'error')).toEqual([]);
});

test('a circle is fitted to five clicked places, another goes through three, and one stands on centre and point', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Circles');
    // On a circle of radius 200 around the centre, give or take the pixel of the screen.
    const around = [10, 80, 150, 230, 310].map((degrees): [number, number] => [
        400 + 200 * Math.cos((degrees * Math.PI) / 180),
        400 + 200 * Math.sin((degrees * Math.PI) / 180),
    ]);
    await desk.pick('points', around);
    await desk.verb('guide', 'Fit a circle');
    await desk.revision(2);
    const { plan, scene } = await desk.stored();
    expect(plan.steps[0]?.['fit']).toHaveLength(5);
    const numbers = (scene.steps[0] as unknown as { numbers: Record<string, number> }).numbers;
    expect(numbers['radius']).toBeCloseTo(200, -0.3);

    await desk.pick('points', [[100, 100], [200, 60], [300, 120]]);
    await desk.verb('guide', 'Circle through three');
    await desk.revision(3);
    // The centre of the fitted circle is a place to snap to.
    await desk.mode('points').click();
    await page.mouse.move(...(await desk.at(403, 398)));
    await expect(page.getByText('the centre of circle 1')).toBeVisible();
    await desk.pick('points', [[402, 399], [700, 700]]);
    await desk.verb('guide', 'Circle, centre and point');
    await desk.revision(4);
    expect((await desk.stored()).plan.steps.at(-1)).toMatchObject({ kind: 'guide.circle', center: 'c1!' });
});

test('a circle is dragged until it touches another, and a third one touches both', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Touching');
    let revision = 1;
    for (const [x, y, radius] of [[250, 400, 150], [600, 200, 80]] as const) {
        await desk.pick('points', [[x, y]]);
        await desk.verb('guide', 'Circle, centre and radius');
        await type(page.getByLabel('radius', { exact: true }), String(radius));
        await page.getByRole('button', { name: 'Do it' }).click();
        await desk.revision(++revision);
    }
    // Not by the handles of the one that was just made.
    await desk.sheet.press('Escape');
    // By its right side, to where it lies 234 to the right of the other's centre; 230 would touch.
    await page.mouse.move(...(await desk.at(680, 200)));
    await page.mouse.down();
    await page.mouse.move(...(await desk.at(600, 340)), { steps: 6 });
    await page.mouse.move(...(await desk.at(564, 400)), { steps: 6 });
    await expect(page.getByText('circle 2 touches circle 1').first()).toBeVisible();
    await page.mouse.up();
    await desk.revision(++revision);
    const [x, y] = (await desk.stored()).plan.steps[1]?.['center'] as [number, number];
    expect(Math.hypot(x - 250, y - 400)).toBeCloseTo(230, 9);

    await desk.pick('lines', [[250, 250], [x, y - 80]]);
    await desk.verb('guide', 'Touching circle');
    await type(page.getByLabel('radius', { exact: true }), '60');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(++revision);
    const { scene, plan } = await desk.stored();
    expect(plan.steps.at(-1)).toMatchObject({ kind: 'guide.circle', touching: ['c1', 'c2'], radius: 60 });
    const geometry = scene.geometry as unknown as Record<string, { center: [number, number]; radius: number }>;
    const third = geometry[scene.geometries.at(-1) ?? ''];
    expect(third?.radius).toBeCloseTo(60, 9);
    expect(Math.hypot((third?.center[0] ?? 0) - 250, (third?.center[1] ?? 0) - 400)).toBeCloseTo(210, 6);
});

test('outlines alone show by how much two circles miss, and the finding lets them touch', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Outlines');
    let revision = 1;
    for (const [x, radius] of [[250, 150], [550, '149.6']] as const) {
        await desk.pick('points', [[x, 400]]);
        await desk.verb('guide', 'Circle, centre and radius');
        await type(page.getByLabel('radius', { exact: true }), String(radius));
        await page.getByRole('button', { name: 'Do it' }).click();
        await desk.revision(++revision);
    }
    await expect(page.getByRole('listitem').filter({ hasText: 'Circle 2: misses touching circle 1 by 0.4 px' }).first()).toBeVisible();
    await page.getByRole('button', { name: 'Outlines' }).click();
    await page.getByRole('region', { name: 'Findings' }).getByRole('button', { name: 'Show' }).click();
    await expect(page.getByText('circle 1 and circle 2 are 0.4 px apart')).toBeVisible();
    await page.getByRole('button', { name: 'Let them touch' }).click();
    await desk.revision(++revision);
    await expect(page.getByText('circle 1 and circle 2 meet')).toBeVisible();
    await expect(page.getByText('Nothing is wrong.')).toBeVisible();
    expect((await desk.stored()).plan.steps[1]?.['radius']).toBeCloseTo(150, 9);
    await page.getByRole('button', { name: 'In colour' }).click();
    await expect(page.getByText('circle 1 and circle 2 meet')).toHaveCount(0);
});

test('a ready construction is laid, edited as a sentence, and taken back in one step', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Ready');
    await page.getByRole('button', { name: 'Ready constructions' }).click();
    await expect(page.getByRole('dialog').getByRole('listitem')).toHaveCount(14);
    await page.getByRole('button', { name: /^Petals from two arcs/ }).click();
    await desk.revision(2);
    const before = (await desk.stored()).plan.steps;
    expect(before.map((step) => step.kind)).toEqual([
        'grid.polar',
        'guide.arc',
        'guide.arc',
        'overlay',
        'part.cells',
        'repeat.around',
        'style',
    ]);
    const area = (await desk.measures('r1'))['area'] ?? 0;
    await desk.setNumber('sectors of grid 1', '8');
    await desk.revision(3);
    expect((await desk.measures('r1'))['pieces']).toBe(8);
    expect((await desk.measures('r1'))['area']).not.toBeCloseTo(area, 0);
    await page.getByRole('button', { name: 'Undo' }).click();
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect.poll(async () => (await desk.stored()).plan.steps).toHaveLength(0);
});

test('points and lines are picked by keyboard alone', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Keys');
    await desk.grid('Rectangular grid');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(2);
    await desk.mode('points').focus();
    await page.keyboard.press('Enter');
    await desk.sheet.focus();
    await page.keyboard.press('ArrowRight');
    await expect(page.getByText('column 0, row 0 of grid 1', { exact: true })).toBeVisible();
    await page.keyboard.press('Enter');
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('Enter');
    for (const key of ['0', '2', '1']) await page.keyboard.press(key);
    await page.getByRole('button', { name: 'Do it' }).press('Enter');
    await desk.revision(3);
    expect((await desk.stored()).plan.steps.at(-1)).toMatchObject({ kind: 'guide.line', through: ['g1@0,0', 'g1@1,1'] });
    await desk.mode('lines').focus();
    await page.keyboard.press('Enter');
    await desk.sheet.focus();
    for (let k = 0; k < 2; k++) {
        await page.keyboard.press('ArrowRight');
        await page.keyboard.press('Enter');
    }
    for (const key of ['0', '1', '1']) await page.keyboard.press(key);
    await desk.revision(4);
    expect((await desk.stored()).plan.steps.at(-1)?.['of']).toEqual(['g1', 'c1']);
});
