import { expect, test } from './journey';
import { DeskPage } from './desk';
import { type } from './type';

test('a harbour gull gridded with circles: bars, crescents, merged regions, an even clearance, one colour, then two', async ({ page }) => {
    test.slow();
    const desk = new DeskPage(page);
    await desk.bring('Gull', {
        format: 'sternbild-plan',
        version: 1,
        sheet: { width: 800, height: 800, unit: 'px', background: null },
        palette: { ink: '#1b2140', lagoon: '#0f6e84' },
        values: {},
        steps: [],
    });
    let revision = 1;
    const done = async () => desk.revision(++revision);
    const doIt = async () => {
        await page.getByRole('button', { name: 'Do it' }).click();
        await done();
    };
    const last = async () => (await desk.stored()).plan.steps.at(-1);
    // A grid of 8 × 8 cells of 80 from 80, 80.
    await desk.grid('Rectangular grid');
    await doIt();

    // Two bars and a base line; how wide the first is, is carried to the others.
    await desk.verb('shapes', 'Rectangle of a size');
    for (const [x, y, wide, high] of [[240, 560, 48, 160], [560, 560, 40, 160], [80, 720, 640, 44]] as const) {
        await type(page.getByLabel('size, across', { exact: true }), String(wide));
        await type(page.getByLabel('size, down', { exact: true }), String(high));
        await page.mouse.click(...(await desk.at(x, y)));
        await done();
    }
    await page.keyboard.press('Escape');
    await desk.pick('parts', [[242, 600]]);
    await desk.verb('measure', 'Width…');
    await doIt();
    await page.getByRole('region', { name: 'Measures' }).getByRole('button', { name: 'Name it' }).click();
    await done();
    for (const label of ['size of rectangle 2, across', 'size of rectangle 3, down']) {
        await desk.setNumber(label, 'a');
        await done();
    }
    expect((await desk.measures('p2'))['area']).toBeCloseTo(48 * 160, 6);
    expect((await desk.stored()).plan.steps.map((step) => step.id)).toEqual(['g1', 'p1', 'm1', 'p2', 'p3']);
    await desk.pick('parts', [[264, 600], [570, 600], [400, 740]]);
    await desk.verb('combine', 'Join');
    await done();

    // Circles by one pull each, and one moved until it touches.
    await page.keyboard.press('/');
    await page.keyboard.type('circle');
    await page.keyboard.press('Enter');
    for (const [x, y, radius] of [[240, 320, 160], [240, 400, 160], [480, 320, 40]] as const) {
        await desk.dragAcross(await desk.at(x, y), await desk.at(x + radius, y));
        await done();
    }
    await page.keyboard.press('Escape');
    await desk.dragAcross(await desk.at(480, 280), await desk.at(438, 282));
    await done();
    const { scene } = await desk.stored();
    const head = (
        scene.geometry[scene.geometries[scene.steps.findIndex(({ id }) => id === 'c3')] ?? ''] as { center?: [number, number] } | undefined
    )?.center ?? [0, 0];
    expect(Math.hypot(head[0] - 240, head[1] - 320)).toBeCloseTo(200, 3);

    // A crescent by cutting one circle from the other: its regions merged by dragging across them, what is left over dropped.
    await desk.pick('lines', [[240, 160], [240, 560]]);
    await desk.verb('make', 'Overlay');
    await done();
    await desk.dragAcross(await desk.at(200, 200), await desk.at(280, 200));
    await page.keyboard.press('1');
    await done();
    // Two circles of 160, 80 apart: the disc without the lens.
    const lens = 2 * 160 ** 2 * Math.acos(80 / 320) - 40 * Math.sqrt(4 * 160 ** 2 - 80 ** 2);
    const wing = (await last())?.id ?? '';
    expect((await desk.measures(wing))['area']).toBeCloseTo(Math.PI * 160 ** 2 - lens, 4);
    await desk.pick('parts', [[240, 200]]);
    await desk.verb('place', 'Mirror…');
    await page.getByLabel('copy', { exact: true }).check();
    await doIt();
    expect(await last()).toMatchObject({ kind: 'mirror', of: [wing], copy: true });

    // The body passes in front of the wing, with an even clearance.
    await page.keyboard.press('d');
    await desk.verb('shapes', 'Disc');
    await desk.dragAcross(await desk.at(400, 400), await desk.at(400, 320));
    await done();
    await page.keyboard.press('Escape');
    const body = (await last())?.id ?? '';
    const before = (await desk.measures(wing))['area'] ?? 0;
    await desk.pick('parts', [[160, 220], [400, 400]]);
    await desk.verb('combine', 'Clear of the others…');
    await type(page.getByLabel('distance', { exact: true }), 'a/4');
    await doIt();
    const clear = await last();
    expect(clear).toMatchObject({ kind: 'gap', behind: [wing], front: [body], distance: 'm1.value/4' });
    expect((await desk.measures(clear?.id ?? ''))['area']).toBeLessThan(before);

    // Looked at closely, as outlines; then in colour again.
    await page.getByRole('button', { name: 'Outlines' }).click();
    await page.mouse.move(...(await desk.at(380, 316)));
    await page.keyboard.down('Control');
    await page.mouse.wheel(0, -600);
    await page.keyboard.up('Control');
    await expect(page.getByText(/apart|meet|closest|nearest/i).first()).toBeVisible();
    await page.getByRole('button', { name: 'In colour' }).click();
    await page.getByRole('button', { name: 'Fit', exact: true }).click();

    // One colour, then two.
    await desk.pick('parts', [[160, 220], [400, 400], [264, 600]]);
    await page.getByRole('button', { name: 'Fill with ink' }).click();
    await done();
    await page.mouse.click(...(await desk.at(400, 400)));
    await page.getByRole('button', { name: 'Fill with lagoon' }).click();
    await done();
    expect(await last()).toMatchObject({ of: [body], fill: 'lagoon' });

    // Part by part: the wing in a chapter of its own, worked on with all else faded and locked.
    await page.getByRole('button', { name: /^More for step \d+, circle 1$/ }).press('Enter');
    await page.getByRole('menuitem', { name: 'Begin a chapter here' }).click();
    await done();
    const plan = page.getByRole('navigation', { name: 'Plan' });
    await plan.locator('[data-chapter]').filter({ hasText: 'New chapter' }).getByRole('button', { name: 'Work on it' }).click();
    await desk.mode('parts').click();
    await page.mouse.click(...(await desk.at(264, 600)));
    await expect(page.locator('[data-picked="0"]')).toHaveCount(1);

    // The width of the first bar changed: bars and clearance follow.
    await plan.getByRole('button', { name: 'Show all' }).click();
    const apart = (await desk.measures(clear?.id ?? ''))['area'] ?? 0;
    await desk.setNumber('size of rectangle 1, across', '80');
    await done();
    expect((await desk.measures('p2'))['area']).toBeCloseTo(80 * 160, 6);
    expect((await desk.measures(clear?.id ?? ''))['area']).toBeLessThan(apart);
});
