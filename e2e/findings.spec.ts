import { expect, test } from './journey';
import { DeskPage } from './desk';
import { type } from './type';

async function point(desk: DeskPage, number: number, x: number, y: number): Promise<void> {
    await desk.page.mouse.click(...(await desk.at(x, y)));
    await expect(desk.page.locator(`[data-picked="${number}"]`)).toHaveCount(1);
}

test('an end that misses an intersection is shown, closed, and taken back', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Near miss');
    await desk.grid('Rectangular grid');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(2);
    // A free place beside the intersection at 240, 160, no snapping.
    await desk.mode('points').click();
    await point(desk, 1, 80, 80);
    await page.getByLabel('What points snap to').selectOption('nothing, free places');
    await point(desk, 2, 243, 163);
    await desk.verb('guide', 'Line');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(3);
    const through = (await desk.stored()).plan.steps[1]?.['through'] as [string, [number, number]];
    expect(through[0]).toBe('g1@0,0');
    expect(Array.isArray(through[1])).toBe(true);

    const findings = page.getByRole('region', { name: 'Findings' });
    await expect(findings.getByText('Nothing is wrong.')).toBeVisible();
    await desk.setNumber('widest miss of the sheet', '6');
    await desk.revision(4);
    expect((await desk.stored()).plan.sheet['checks']).toEqual({ miss: 6 });
    await expect(findings.getByText(/its end misses column 2, row 1 of grid 1 by/)).toBeVisible();
    const scale = async (): Promise<number> => Number(((await desk.sheet.getAttribute('data-view')) ?? '').split(' ')[0]);
    const before = await scale();
    await findings.getByRole('button', { name: 'Show' }).click();
    await expect.poll(scale).toBeGreaterThan(before * 5);
    await findings.getByRole('button', { name: 'Close it' }).click();
    await desk.revision(5);
    expect((await desk.stored()).plan.steps[1]?.['through']).toEqual(['g1@0,0', 'g1@2,1']);
    await expect(findings.getByText('Nothing is wrong.')).toBeVisible();
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(findings.getByText(/its end misses/)).toBeVisible();
});

test('golden squares are cut, their circles cut cells in an overlay, and more squares keep the part', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Golden');
    await desk.grid('Golden grid');
    await page.locator('label', { hasText: /^squares$/ }).click();
    await type(page.getByLabel('depth', { exact: true }), '4');
    await page.getByLabel('circles', { exact: true }).check();
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(2);
    expect((await desk.stored()).plan.steps[0]).toMatchObject({ kind: 'grid.golden', form: 'squares', depth: 4, circles: true });
    await desk.mode('lines').click();
    await page.mouse.click(...(await desk.at(0, 250)));
    await expect(page.locator('[data-picked="1"]')).toHaveCount(1);
    await desk.verb('make', 'Overlay');
    await desk.revision(3);
    // The disc in the first square: 800/φ is its side.
    const side = 800 / ((1 + Math.sqrt(5)) / 2);
    await page.mouse.click(...(await desk.at(side / 2, side / 2)));
    await desk.verb('make', 'Make a part');
    await desk.revision(4);
    const disc = Math.PI * (side / 2) ** 2;
    expect((await desk.measures('p1'))['area']).toBeCloseTo(disc, 4);
    await desk.setNumber('depth of grid 1', '7');
    await desk.revision(5);
    expect((await desk.measures('p1'))['area']).toBeCloseTo(disc, 4);
    await desk.setNumber('size of grid 1, across', '400');
    await desk.revision(6);
    expect((await desk.measures('p1'))['area']).toBeCloseTo(disc / 4, 4);
});

test('a sliver is named from the limit of the sheet on', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Sliver');
    await page.getByRole('button', { name: 'Ready constructions' }).click();
    await page.getByRole('button', { name: /^Crescent/ }).click();
    await desk.revision(2);
    const findings = page.getByRole('region', { name: 'Findings' });
    await expect(findings.getByText('Nothing is wrong.')).toBeVisible();
    await desk.setNumber('thinnest cell of the sheet', '8');
    await desk.revision(3);
    await expect(findings.getByText(/thinner than 8 px|less than 8 px/)).toBeVisible();
    await desk.setNumber('thinnest cell of the sheet', 'wide');
    await expect(page.getByRole('alert').filter({ hasText: 'number or arithmetic' }).first()).toBeVisible();
    expect((await desk.stored()).plan.sheet['checks']).toEqual({ sliver: 8 });
});
