import { readFile } from 'node:fs/promises';
import { expect, test } from './journey';
import { PNG } from 'pngjs';
import { svgPathProperties } from 'svg-path-properties';
import { DeskPage } from './desk';
import { type } from './type';

/** Rings 2 to 4 of a polar grid of radius 320 with 5 rings. */
const PETALS = Math.PI * (256 ** 2 - 64 ** 2);

test('a rosette by pointer: grid, cells, part, repeat, colour, twelve sectors, files to take home', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Rosette by pointer');
    await desk.layPolarGrid();
    await desk.revision(2);

    await desk.dragAcross(await desk.around(96, 0), await desk.around(224, 0));
    await expect(page.getByText('3 cells of grid 1')).toBeVisible();
    await desk.verb('make', 'Make a part');
    await desk.revision(3);
    await desk.verb('copy', 'Around…');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(4);
    await desk.verb('look', 'Fill');
    await page.getByText('lagoon').first().waitFor();
    await page.locator('label[title="lagoon"]').click();
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(5);

    const { plan } = await desk.stored();
    expect(plan.steps.map((step) => step.kind)).toEqual(['grid.polar', 'part.cells', 'repeat.around', 'style']);
    expect(plan.steps[0]).toMatchObject({ rings: 5, sectors: 10, axis: 'sector' });
    expect([...(plan.steps[1]?.['cells'] as string[])].sort()).toEqual(['g1#2,1', 'g1#3,1', 'g1#4,1']);
    expect(plan.steps[2]).toMatchObject({ of: ['p1'], center: 'g1@0', count: 'g1.sectors' });
    expect(plan.steps[3]).toMatchObject({ of: ['r1'], fill: 'lagoon' });

    await desk.setNumber('sectors of grid 1', '12');
    await desk.revision(6);
    const twelve = await desk.measures('r1');
    expect(twelve['pieces']).toBe(12);
    expect(twelve['area']).toBeCloseTo(PETALS, 4);

    await page.getByRole('button', { name: 'Hand over' }).click();
    let saving = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Save the file' }).click();
    const svg = await readFile(await (await saving).path(), 'utf8');
    // Under the edges that petals share lie lines, which enclose nothing.
    const paths = [...svg.replace(/<g class="seams"[\s\S]*?<\/g>/, '').matchAll(/ d="([^"]+)"/g)].map((found) => found[1] ?? '');
    expect(paths).toHaveLength(12);
    const area = paths.reduce((sum, path) => sum + Math.abs(areaOf(path)), 0);
    expect(Math.abs(area / (twelve['area'] ?? 1) - 1)).toBeLessThan(1e-4);
    expect(svg).toContain('fill="#0f6e84"');

    await page.getByRole('button', { name: 'Hand over' }).click();
    await page.locator('label', { hasText: /^PNG$/ }).click();
    await type(page.getByLabel('Scale'), '1');
    saving = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Save the file' }).click();
    const png = PNG.sync.read(await readFile(await (await saving).path()));
    expect([png.width, png.height]).toEqual([800, 800]);
    expect(pixel(png, 400, 400 - 160)).toEqual([0x0f, 0x6e, 0x84, 255]);
    expect(pixel(png, 400, 400)).toEqual([0, 0, 0, 0]);
    let filled = 0;
    for (let i = 3; i < png.data.length; i += 4) filled += (png.data[i] ?? 0) / 255;
    expect(Math.abs(filled / PETALS - 1)).toBeLessThan(0.005);
});

test('the same rosette by keyboard alone', async ({ page }) => {
    const desk = new DeskPage(page);
    await page.goto('/');
    await page.getByRole('heading', { name: 'Sheets' }).waitFor();
    await tabTo(page.getByRole('button', { name: 'New sheet' }));
    await page.keyboard.press('Enter');
    await page.getByLabel('Name', { exact: true }).waitFor();
    await page.keyboard.type('Rosette by keys');
    await page.keyboard.press('Enter');
    await desk.revision(1);

    await page.keyboard.press('1');
    await expect(page.getByRole('heading', { name: 'Polar grid' })).toBeVisible();
    await page.keyboard.press('Enter');
    await desk.revision(2);
    await expect(desk.sheet).toBeFocused();
    await page.keyboard.press('ArrowRight');
    await expect(page.getByText('ring 1, sector 1')).toBeVisible();
    await page.keyboard.press('Shift+ArrowUp');
    await page.keyboard.press('Shift+ArrowUp');
    await page.keyboard.press('ArrowUp');
    await page.keyboard.press('Enter');
    await expect(page.getByText('3 cells of grid 1')).toBeVisible();
    await page.keyboard.press('1');
    await desk.revision(3);
    for (const key of ['0', '5', '1']) await page.keyboard.press(key);
    await expect(page.getByRole('heading', { name: 'Around' })).toBeVisible();
    await tabTo(page.getByRole('button', { name: 'Do it' }));
    await page.keyboard.press('Enter');
    await desk.revision(4);
    for (const key of ['0', '7', '1']) await page.keyboard.press(key);
    await expect(page.getByRole('heading', { name: 'Fill' })).toBeVisible();
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('Enter');
    await desk.revision(5);

    await tabTo(page.getByLabel('sectors of grid 1', { exact: true }));
    await page.keyboard.press('ArrowUp');
    await page.keyboard.press('ArrowUp');
    await expect(page.getByLabel('sectors of grid 1', { exact: true })).toHaveValue('12');
    await page.keyboard.press('Enter');
    await desk.revision(6);
    const { plan } = await desk.stored();
    expect(plan.steps[0]).toMatchObject({ sectors: 12 });
    expect(plan.steps[3]).toMatchObject({ fill: 'lagoon' });
    expect(await desk.measures('r1')).toMatchObject({ pieces: 12 });

    await tabTo(page.getByRole('button', { name: 'Hand over' }));
    await page.keyboard.press('Enter');
    await page.getByRole('heading', { name: 'Hand over' }).waitFor();
    await tabTo(page.getByRole('button', { name: 'Save the file' }));
    const saving = page.waitForEvent('download');
    await page.keyboard.press('Enter');
    expect((await saving).suggestedFilename()).toBe('rosette-by-keys.svg');

    /** Walks with the tab key until the wanted control has the focus, and sees that it shows. */
    async function tabTo(wanted: ReturnType<typeof page.getByRole>): Promise<void> {
        for (let step = 0; step < 160; step++) {
            if (await wanted.evaluate((element) => element === document.activeElement)) {
                const outline = await wanted.evaluate((element) => getComputedStyle(element).outlineStyle);
                expect(outline).not.toBe('none');
                return;
            }
            await page.keyboard.press('Tab');
        }
        throw new Error('It cannot be reached by the tab key.');
    }
});

function areaOf(path: string): number {
    const properties = new svgPathProperties(path);
    const length = properties.getTotalLength();
    const stops = 4000;
    let area = 0;
    let last = properties.getPointAtLength(0);
    for (let k = 1; k <= stops; k++) {
        const next = properties.getPointAtLength((length * k) / stops);
        area += (last.x * next.y - next.x * last.y) / 2;
        last = next;
    }
    return area;
}

function pixel(png: PNG, x: number, y: number): number[] {
    return [...png.data.subarray(4 * (y * png.width + x), 4 * (y * png.width + x) + 4)];
}
