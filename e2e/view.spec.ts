import { expect, test } from './journey';
import { DeskPage } from './desk';
import { type } from './type';

async function view(desk: DeskPage): Promise<[number, number, number]> {
    const [scale = 0, x = 0, y = 0] = ((await desk.sheet.getAttribute('data-view')) ?? '').split(' ').map(Number);
    return [scale, x, y];
}

test('the wheel zooms to the pointer, space drags the view, and fit shows the whole sheet again', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('View');
    await desk.layPolarGrid();
    await desk.revision(2);
    const whole = await view(desk);

    const before = await desk.at(480, 300);
    await page.mouse.move(...before);
    await page.keyboard.down('Control');
    await page.mouse.wheel(0, -600);
    await page.keyboard.up('Control');
    await expect.poll(async () => (await view(desk))[0]).toBeGreaterThan(whole[0] * 1.5);
    const after = await desk.at(480, 300);
    // The pointer stands on whole pixels.
    expect(Math.abs(after[0] - before[0])).toBeLessThan(2);
    expect(Math.abs(after[1] - before[1])).toBeLessThan(2);

    const zoomed = await view(desk);
    await desk.sheet.focus();
    await page.keyboard.down(' ');
    await desk.dragAcross([700, 300], [760, 340]);
    await page.keyboard.up(' ');
    const moved = await view(desk);
    expect(moved[0]).toBe(zoomed[0]);
    expect(moved[1] - zoomed[1]).toBeCloseTo(60, 0);
    expect(moved[2] - zoomed[2]).toBeCloseTo(40, 0);
    // Dragging the view picks nothing.
    await expect(page.locator('[data-picked="0"]')).toHaveCount(1);

    await page.keyboard.press('f');
    await expect.poll(async () => view(desk)).toEqual(whole);
    await page.getByRole('button', { name: 'Zoom in' }).click();
    expect((await view(desk))[0]).toBeCloseTo(whole[0] * 1.25, 5);
    await page.getByRole('button', { name: 'Fit', exact: true }).click();
    await expect.poll(async () => view(desk)).toEqual(whole);
});

test('a grid is shown as lines, dots or crosses, at any strength, or not at all, and its result stays', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Showing');
    await desk.layPolarGrid();
    await desk.revision(2);
    const ink = (): Promise<number> =>
        desk.sheet.locator('canvas').first().evaluate((canvas: HTMLCanvasElement) => {
            const { data } = canvas.getContext('2d')?.getImageData(0, 0, canvas.width, canvas.height) ?? { data: [] };
            let dark = 0;
            for (let i = 0; i < data.length; i += 4) if ((data[i + 3] ?? 0) > 0 && (data[i] ?? 255) < 245) dark += 255 - (data[i] ?? 255);
            return dark;
        });
    const lines = await ink();
    await page.getByRole('button', { name: 'More for step 1, grid 1' }).focus();
    await page.keyboard.press('Enter');
    await page.getByRole('menuitem', { name: 'Say all of it' }).click();
    await page.getByLabel('shown as of grid 1').selectOption('dots');
    await desk.revision(3);
    const dots = await ink();
    expect(dots).toBeGreaterThan(0);
    expect(dots).toBeLessThan(lines / 2);
    await page.getByLabel('shown as of grid 1').selectOption('crosses');
    await desk.revision(4);
    expect(await ink()).toBeGreaterThan(dots);
    await desk.setNumber('strength of grid 1', '0.9');
    await desk.revision(5);
    const strong = await ink();
    await page.getByRole('button', { name: 'Grid on' }).click();
    expect(await ink()).toBe(0);
    await page.getByRole('button', { name: 'Grid off' }).click();
    expect(await ink()).toBe(strong);
    expect((await desk.stored()).plan.steps[0]).toMatchObject({ show: 'crosses', strength: 0.9 });
});

test('named numbers carry through the plan; parts are stroked and ordered', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Values');
    await page.getByRole('button', { name: 'Name a number' }).click();
    await type(page.getByLabel('Name of the number'), 'sin');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('alert').filter({ hasText: 'arithmetic does not use otherwise' })).toBeVisible();
    await type(page.getByLabel('Name of the number'), 'bar');
    await page.keyboard.press('Enter');
    await desk.revision(2);
    await desk.setNumber('value bar', '40');
    await desk.revision(3);
    await desk.layPolarGrid();
    await desk.revision(4);
    await desk.setNumber('radius of grid 1', 'bar*8');
    await desk.revision(5);
    await page.mouse.click(...(await desk.around(160, 0)));
    await page.keyboard.press('1');
    await desk.revision(6);
    const small = (await desk.measures('p1'))['area'] ?? 0;
    await desk.setNumber('value bar', '45');
    await desk.revision(7);
    expect((await desk.measures('p1'))['area'] ?? 0).toBeCloseTo(small * (45 / 40) ** 2, 6);

    await desk.mode('parts').click();
    await page.mouse.click(...(await desk.around(180, 0)));
    await desk.verb('look', 'Stroke');
    await page.locator('label[title="brick"]').click();
    await type(page.getByLabel('stroke width', { exact: true }), 'bar/10');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(8);
    await desk.mode('parts').click();
    await page.mouse.click(...(await desk.around(180, 0)));
    await desk.verb('order', 'To the back');
    await desk.revision(9);
    expect((await desk.stored()).plan.steps.slice(-2)).toMatchObject([
        { kind: 'style', of: ['p1'], stroke: { color: 'brick', width: 'bar/10' } },
        { kind: 'order', of: ['p1'], to: 'back' },
    ]);
});
