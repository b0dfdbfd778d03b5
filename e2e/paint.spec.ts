import { expect, test } from '@playwright/test';
import { DeskPage } from './desk';

test('cells are painted stroke by stroke, a line and a ring of dots stay numbers, a dither mixes two colours', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.fillInNewSheet('Signal lamp', {
        format: 'sternbild-plan', version: 1, sheet: { width: 800, height: 800, unit: 'px', background: null }, palette: { night: '#171c3a', lamp: '#f2b33d', glow: '#f7d89a' }, values: {},
        steps: [{ id: 'g1', kind: 'grid.pixel', origin: [0, 0], columns: 20, rows: 20, cell: 40 }],
    });
    const steps = async () => (await desk.stored()).plan.steps;
    const cell = async (column: number, row: number) => desk.at(column * 40 - 20, row * 40 - 20);
    const pickCells = async (cells: [number, number][]) => {
        await page.getByRole('radio', { name: 'cells' }).click();
        await desk.sheet.press('Escape');
        for (const [column, row] of cells) await page.mouse.click(...(await cell(column, row)));
        await expect(page.locator(`[data-picked="${cells.length}"]`)).toHaveCount(1);
    };
    const paint = async (colour: string) => {
        await desk.verb('make', 'Paint');
        await page.getByRole('radio', { name: colour, exact: true }).check({ force: true });
        await page.getByRole('button', { name: 'Do it' }).click();
    };

    // Pulled across six cells, then two of them again in another colour: one step, its runs written shortly.
    await page.getByRole('radio', { name: 'cells' }).click();
    await desk.dragAcross(await cell(3, 4), await cell(8, 4));
    await paint('night');
    await desk.revision(2);
    expect((await steps()).at(-1)).toMatchObject({ kind: 'paint', on: 'g1', cells: { night: '3,4+5' } });
    await pickCells([[4, 4], [5, 4]]);
    await paint('lamp');
    await desk.revision(3);
    expect(await steps()).toHaveLength(2);
    expect((await steps()).at(-1)).toMatchObject({ cells: { night: '3,4 6,4+2', lamp: '4,4+1' } });
    // Taken away by painting with none.
    await pickCells([[8, 4]]);
    await paint('none');
    await desk.revision(4);
    const painted = (await steps()).at(-1)?.id ?? '';
    expect((await desk.measures(painted))['area']).toBe(5 * 1600);

    // A line from cell to cell and a ring around one; what they are made of follows their numbers.
    await pickCells([[2, 8], [12, 12]]);
    await desk.verb('make', 'Line of dots');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(5);
    const line = (await steps()).at(-1);
    expect(line).toMatchObject({ kind: 'dots', on: 'g1', line: [2, 8, 12, 12] });
    expect((await desk.measures(line?.id ?? ''))['area']).toBe(11 * 1600);
    await pickCells([[14, 6]]);
    await desk.verb('make', 'Ring of dots');
    await page.getByLabel('diameter', { exact: true }).fill('7');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(6);
    const ring = (await steps()).at(-1);
    expect(ring).toMatchObject({ kind: 'dots', ring: { center: [14, 6], diameter: 7 } });
    expect((await desk.measures(ring?.id ?? ''))['area']).toBe(16 * 1600);
    await desk.setNumber('diameter of dots 2', '5');
    await desk.revision(7);
    expect((await desk.measures(ring?.id ?? ''))['area']).toBe(12 * 1600);

    // Two colours by turns.
    await page.getByRole('radio', { name: 'cells' }).click();
    await desk.sheet.press('Escape');
    await desk.dragAcross(await cell(2, 15), await cell(9, 15));
    await desk.verb('make', 'Dither…');
    await page.getByRole('radio', { name: 'a checkerboard' }).check({ force: true });
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(8);
    const dither = (await steps()).at(-1);
    expect(dither).toMatchObject({ kind: 'dither', on: 'g1', matrix: 'checker', level: 0.5 });
    expect((await desk.measures(dither?.id ?? ''))['pieces']).toBe(8);
});
