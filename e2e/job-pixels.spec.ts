import { readFile } from 'node:fs/promises';
import type { Page } from '@playwright/test';
import { expect, test } from './journey';
import { converter } from 'culori';
import { PNG } from 'pngjs';
import { DeskPage } from './desk';
import { unzipped } from './zip';
import { type } from './type';

type Cell = [column: number, row: number];

/** Pixel work, from an empty sheet on: what is painted, cell by cell. */
class Brush {
    revision = 1;

    constructor(
        readonly desk: DeskPage,
        private readonly page: Page,
        private readonly size: number,
    ) {}

    async laid(columns: number, rows: number): Promise<void> {
        await this.desk.grid('Pixel grid');
        for (const [label, value] of [
            ['columns', columns],
            ['rows', rows],
            ['cell', this.size],
        ] as const)
            await type(this.page.getByLabel(label, { exact: true }), String(value));
        await this.page.getByRole('button', { name: 'Do it' }).click();
        await this.done();
    }

    async at([column, row]: Cell): Promise<[number, number]> {
        return this.desk.at((column - 0.5) * this.size, (row - 0.5) * this.size);
    }

    async done(): Promise<void> {
        await this.desk.revision(++this.revision);
    }

    /** The colour of this name, by eye and pointer. */
    async with(colour: string): Promise<void> {
        await this.page.getByRole('radiogroup', { name: 'Colour of the brush' }).getByTitle(colour, { exact: true }).click();
    }

    async way(name: string): Promise<void> {
        await this.page.getByRole('radio', { name, exact: true }).click();
    }

    async pulled(from: Cell, to: Cell): Promise<void> {
        await this.desk.dragAcross(await this.at(from), await this.at(to));
        await this.done();
    }

    async put(...cells: Cell[]): Promise<void> {
        for (const cell of cells) {
            await this.page.mouse.click(...(await this.at(cell)));
            await this.done();
        }
    }

    /** In runs, by colour. */
    async painted(): Promise<Record<string, string>> {
        return ((await this.desk.stored()).plan.steps.find((step) => step.kind === 'paint')?.['cells'] ?? {}) as Record<string, string>;
    }

    async colour(name: string, hex: string): Promise<void> {
        await this.page.getByRole('button', { name: 'Add a colour' }).click();
        await type(this.page.getByLabel('Name', { exact: true }), name);
        await type(this.page.getByLabel('Colour as #rrggbb'), hex);
        await this.page.getByRole('button', { name: 'Add', exact: true }).click();
        await this.done();
    }

    async ramp(from: string, to: string, colours: number): Promise<void> {
        await this.page.getByRole('button', { name: 'Add a ramp' }).click();
        await this.page.getByLabel('From').selectOption(from);
        await this.page.getByLabel('To').selectOption(to);
        await type(this.page.getByLabel('Colours'), String(colours));
        await this.page.getByRole('button', { name: 'Add', exact: true }).click();
        await this.done();
    }

    async taken(form: string, scale: number): Promise<Buffer> {
        await this.page.getByRole('button', { name: 'Hand over' }).click();
        const isMoving = form === 'Moving PNG' || form === 'PNG and JSON';
        await this.page.getByRole('group', { name: 'Form of the file' }).getByText(isMoving ? 'Frames' : 'Pixels', { exact: true }).click();
        await type(this.page.getByLabel('Pixels to a cell'), String(scale));
        await this.page.getByRole('group', { name: 'Form', exact: true }).getByText(form, { exact: true }).click();
        const download = this.page.waitForEvent('download');
        await this.page.getByRole('button', { name: 'Save the file' }).click();
        const bytes = await readFile(await (await download).path());
        await this.page.keyboard.press('Escape');
        return bytes;
    }
}

function pixelOf(png: PNG, x: number, y: number): string {
    return png.data.subarray(4 * (y * png.width + x), 4 * (y * png.width + x) + 4).toString('hex');
}

test('a signal lamp, cell by cell: outline, fill, shades of one hue by lightness alone, and its files without a seam', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Lamp');
    const brush = new Brush(desk, page, 40);
    await brush.laid(20, 20);
    // Dots in the place of lines.
    await page.getByRole('button', { name: /^More for step 1/ }).click();
    await page.getByRole('menuitem', { name: 'Say all of it' }).click();
    await page.getByLabel('shown as of grid 1').selectOption('dots');
    await brush.done();
    await brush.colour('lamp', '#f2b33d');
    await brush.ramp('lamp', 'darker', 3);
    await brush.ramp('lamp', 'lighter', 3);
    const { palette } = (await desk.stored()).plan;
    const shades = Object.keys(palette).filter((name) => name.startsWith('lamp'));
    expect(shades).toHaveLength(7);
    const oklch = converter('oklch');
    for (const name of shades) expect(Math.abs((oklch(palette[name])?.h ?? 0) - (oklch('#f2b33d')?.h ?? 0))).toBeLessThan(3);

    await page.getByRole('radio', { name: 'paint' }).click();
    await brush.with('ink');
    await brush.way('ring');
    await brush.pulled([10, 8], [15, 8]);
    await brush.way('box');
    await page.getByLabel('filled').check();
    await brush.pulled([9, 14], [11, 19]);
    await brush.way('area');
    await brush.with('lamp');
    await brush.put([10, 8]);
    const [dark = '', light = ''] = [
        shades.find((name) => name !== 'lamp' && luma(palette[name]) < luma('#f2b33d')),
        shades.find((name) => luma(palette[name]) > luma('#f2b33d')),
    ];
    await brush.way('cell by cell');
    await brush.with(dark);
    await brush.pulled([13, 6], [13, 10]);
    await brush.with(light);
    await brush.put([8, 6]);
    await page.keyboard.down('Shift');
    await brush.put([8, 9]);
    await page.keyboard.up('Shift');
    expect(await brush.painted()).toMatchObject({ [dark]: '13,6 13,7 13,8 13,9 13,10', [light]: '8,6 8,7 8,8 8,9' });

    // Once and eight times as large: the same pixels, in whole squares, and nothing between them.
    const one = PNG.sync.read(await brush.taken('PNG', 1));
    const eight = PNG.sync.read(await brush.taken('PNG', 8));
    expect([one.width, one.height, eight.width, eight.height]).toEqual([20, 20, 160, 160]);
    let off = 0;
    for (let y = 0; y < 160; y++) for (let x = 0; x < 160; x++) off += pixelOf(eight, x, y) === pixelOf(one, x >> 3, y >> 3) ? 0 : 1;
    expect(off).toBe(0);
    expect([pixelOf(one, 9, 7), pixelOf(one, 12, 7), pixelOf(one, 7, 7), pixelOf(one, 0, 0)]).toEqual([
        'f2b33dff',
        `${(palette[dark] ?? '').slice(1)}ff`,
        `${(palette[light] ?? '').slice(1)}ff`,
        '00000000',
    ]);
    const svg = (await brush.taken('SVG', 1)).toString();
    expect([...svg.matchAll(/<path/g)]).toHaveLength(4);
});

test('a conductor in four frames: half of it mirrored, counted rings, doubled corners and uneven runs mended, dither, played, PNG with JSON', async ({ page }) => {
    test.slow();
    const desk = new DeskPage(page);
    await desk.newSheet('Conductor');
    const brush = new Brush(desk, page, 8);
    await desk.setNumber('width of the sheet', '1280');
    await brush.done();
    await desk.setNumber('height of the sheet', '768');
    await brush.done();
    await brush.laid(160, 96);
    await page.getByRole('button', { name: 'Fit', exact: true }).click();
    await brush.colour('coat', '#3f6f7f');
    await brush.ramp('coat', 'darker', 1);
    await brush.ramp('coat', 'lighter', 1);
    const shades = Object.keys((await desk.stored()).plan.palette).filter((name) => name.startsWith('coat') && name !== 'coat');
    expect(shades).toHaveLength(2);
    await desk.pick('lines', [[0, 300]]);
    await desk.verb('guide', 'Frames…');
    await type(page.getByLabel('size of a frame, across', { exact: true }), '40');
    await type(page.getByLabel('size of a frame, down', { exact: true }), '96');
    await type(page.getByLabel('frames', { exact: true }), '1');
    await page.getByRole('button', { name: 'Do it' }).click();
    await brush.done();

    // The head as a ring that is counted; its number stays one.
    await page.getByRole('radio', { name: 'paint' }).click();
    await brush.with('ink');
    await brush.way('ring');
    await page.getByLabel('as numbers').check();
    await brush.pulled([20, 24], [23, 24]);
    await expect(page.getByText('Runs 2 1 2.')).toBeVisible();
    await desk.setNumber('diameter of dots 1', '12');
    await brush.done();
    expect((await desk.stored()).plan.steps.at(-1)).toMatchObject({ kind: 'dots', ring: { center: [20, 24], diameter: 12 } });
    // Half of the coat, mirrored about the edge between columns 20 and 21; straight lines from the last place.
    await brush.way('cell by cell');
    await page.getByLabel('Whether the brush is mirrored').selectOption('left to right');
    await type(page.getByLabel('Column that the mirror runs at'), '20.5');
    await brush.put([14, 34]);
    await page.keyboard.down('Shift');
    await brush.put([9, 44], [9, 70], [20, 70]);
    await page.keyboard.up('Shift');
    const mirrored = await brush.painted();
    expect(mirrored['ink']).toContain('9,70+23');
    expect(mirrored['ink']).toContain('9,55 32,55');
    await brush.put([17, 34], [18, 34], [19, 34], [20, 34], [15, 34], [16, 34]);
    await page.getByLabel('Whether the brush is mirrored').selectOption('not');
    await brush.way('area');
    await brush.with('coat');
    await brush.put([20, 50]);
    // One side dithered into the darker shade.
    await brush.way('dither');
    await page.getByLabel('Cells that the brush is wide').selectOption('3');
    await page.getByLabel('The second colour of the dither').selectOption(shades[0] ?? '');
    await brush.pulled([28, 50], [28, 66]);
    const dithered = (await brush.painted())[shades[0] ?? ''] ?? '';
    expect(dithered.split(' ').length).toBeGreaterThan(20);

    // A cap, drawn by hand with a corner doubled and a line that runs unevenly: both are told, and mended when asked.
    await brush.way('cell by cell');
    await page.getByLabel('Cells that the brush is wide').selectOption('1');
    await brush.with('ink');
    for (const [from, to] of [
        [
            [11, 8],
            [11, 10],
        ],
        [
            [11, 10],
            [12, 10],
        ],
        [
            [12, 10],
            [12, 12],
        ],
        [
            [20, 4],
            [20, 4],
        ],
        [
            [21, 5],
            [25, 5],
        ],
        [
            [26, 6],
            [27, 6],
        ],
        [
            [28, 7],
            [32, 7],
        ],
    ] as [Cell, Cell][])
        await brush.pulled(from, to);
    const findings = page.getByRole('region', { name: 'Findings' });
    await expect(
        findings
            .getByText('a corner of a line is doubled at column 11, row 10')
            .or(findings.getByText('a corner of a line is doubled at column 12, row 10')),
    ).toBeVisible();
    await findings.getByRole('button', { name: 'Take it out' }).first().click();
    await brush.done();
    await expect(findings.getByText('runs 1 5 2 5; even would be 1 3 4 5')).toBeVisible();
    await findings.getByRole('button', { name: 'Even it out' }).first().click();
    await brush.done();
    await expect(findings.getByText('runs 1 5 2 5')).toBeHidden();
    // Looked at as a silhouette, beside it at its own size and twice as large.
    await expect(page.getByRole('img', { name: /silhouette/i })).toBeVisible();

    // Three more frames, each with an arm elsewhere; played; and one PNG with what lies where.
    const strip = page.getByRole('region', { name: 'Frames' });
    for (const frame of [2, 3, 4]) {
        await strip.getByRole('button', { name: 'Copy' }).click();
        await brush.done();
        await expect(strip.getByRole('button', { name: `Frame ${frame}` })).toHaveAttribute('aria-pressed', 'true');
        await brush.way('line');
        const left = 40 * (frame - 1);
        await brush.pulled([left + 32, 48], [left + 37, 60 - 4 * frame]);
    }
    await strip.getByRole('button', { name: 'Play' }).click();
    await expect(strip.getByRole('img', { name: 'The frames, played' })).toBeVisible();
    await strip.getByRole('button', { name: 'Stop' }).click();
    const entries = unzipped(await brush.taken('PNG and JSON', 1));
    const told = JSON.parse(entries['conductor.json']?.toString() ?? '') as {
        frames: { x: number; y: number; width: number; height: number; ms: number }[];
    };
    expect(told.frames.map(({ x, y, width, height }) => [x, y, width, height])).toEqual([0, 40, 80, 120].map((x) => [x, 0, 40, 96]));
    const png = PNG.sync.read(entries['conductor.png'] ?? Buffer.alloc(0));
    expect([png.width, png.height]).toEqual([160, 96]);
    // What was not changed is the same in all of them; the arm is not.
    for (const frame of [1, 2, 3]) {
        let off = 0;
        for (let y = 0; y < 96; y++) for (let x = 0; x < 32; x++) off += pixelOf(png, x, y) === pixelOf(png, 40 * frame + x, y) ? 0 : 1;
        expect(off, `frame ${frame + 1}`).toBe(0);
        expect(pixelOf(png, 40 * frame + 36, 60 - 4 * (frame + 1) - 1)).not.toBe('00000000');
    }
});

test('a workspace in blocks: shaded blocks of six cells, crosses, curves on its intersections with a broad nib, corners by hand', async ({
    page,
}) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Workspace');
    const brush = new Brush(desk, page, 48);
    await desk.setNumber('width of the sheet', '1152');
    await brush.done();
    await desk.setNumber('height of the sheet', '864');
    await brush.done();
    await brush.laid(24, 18);
    await page.getByRole('button', { name: 'Fit', exact: true }).click();
    await page.getByRole('button', { name: /^More for step 1/ }).click();
    await page.getByRole('menuitem', { name: 'Say all of it' }).click();
    await desk.setNumber('block of grid 1', '6');
    await brush.done();
    await page.getByLabel('shown as of grid 1').selectOption('crosses');
    await brush.done();
    await desk.setNumber('strength of grid 1', '0.2');
    await brush.done();
    expect((await desk.stored()).plan.steps[0]).toMatchObject({ block: 6, show: 'crosses' });

    // From intersection to intersection, bent by its handles, and drawn with a broad nib.
    await desk.pick('points', [[336, 192], [576, 432], [816, 672]]);
    await desk.verb('guide', 'Run');
    await brush.done();
    await desk.pick('lines', [[456, 312]]);
    const grip = page.getByRole('button', { name: /^bulge 1 of run 1/ });
    await grip.focus();
    for (let press = 0; press < 8; press++) await page.keyboard.press('ArrowUp');
    await expect
        .poll(async () => ((await desk.stored()).plan.steps[1]?.['bends'] as ({ bulge: number } | null)[] | undefined)?.[0]?.bulge)
        .toBeCloseTo(0.4, 6);
    brush.revision = (await desk.stored()).revision;
    const run = (await desk.stored()).plan.steps[1];
    expect(run).toMatchObject({ kind: 'guide.run', points: ['g1@7,4', 'g1@12,9', 'g1@17,14'] });
    await desk.verb('shape', 'Broad nib…');
    await type(page.getByLabel('width', { exact: true }), '96');
    await type(page.getByLabel('thickness of the nib', { exact: true }), '24');
    await type(page.getByLabel('angle of the nib', { exact: true }), '-35');
    await page.getByRole('button', { name: 'Do it' }).click();
    await brush.done();
    expect((await desk.stored()).plan.steps.at(-1)).toMatchObject({ kind: 'band', width: 96, nib: { angle: -35, thin: 24 } });
    await page.getByRole('radio', { name: 'paint' }).click();
    await brush.put([2, 2], [23, 17]);
    expect(Object.values(await brush.painted()).join(' ')).toBe('2,2 23,17');

    await page.getByRole('button', { name: 'Hand over' }).click();
    const download = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Save the file' }).click();
    const svg = await readFile(await (await download).path(), 'utf8');
    expect(svg).toContain('<svg');
    expect([...svg.matchAll(/<path/g)].length).toBeGreaterThanOrEqual(2);
});

/** Lightness in OKLCH. */
function luma(colour: string | undefined): number {
    return converter('oklch')(colour ?? '#000000')?.l ?? 0;
}
