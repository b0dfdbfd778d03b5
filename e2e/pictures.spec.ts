import { readFile } from 'node:fs/promises';
import { connect } from 'node:net';
import type { Page } from '@playwright/test';
import { expect, test } from './journey';
import { PNG } from 'pngjs';
import { DeskPage } from './desk';
import { unzipped } from './zip';
import { type } from './type';

const VIEW = 'core/tests/fixtures/harbour.png';

test('a view of the harbour light becomes cells: brought in, fitted, sampled in few colours, corrected by hand, put away, handed over', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.bring('Harbour light', {
        format: 'sternbild-plan',
        version: 1,
        sheet: { width: 960, height: 600, unit: 'px', background: null },
        palette: { night: '#171c3a', lamp: '#f2b33d', dusk: '#b9836c' },
        values: {},
        steps: [{ id: 'g1', kind: 'grid.pixel', origin: [0, 0], columns: 24, rows: 14, cell: 40 }],
    });
    const step = async (kind: string) => (await desk.stored()).plan.steps.find((one) => one.kind === kind);

    // From disk, found by an everyday word.
    await desk.sheet.press('/');
    await page.keyboard.type('photograph');
    await page.keyboard.press('Enter');
    await page.getByLabel('picture', { exact: true }).setInputFiles(VIEW);
    await expect(page.getByText('brought in')).toBeVisible();
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(2);
    const laid = await step('picture');
    expect(laid).toMatchObject({ fade: 0.4 });
    expect(laid?.['source']).toMatch(/^sha256:[0-9a-f]{64}$/);
    // Too large by a number, then fitted to the grid at once.
    await desk.setNumber('width of picture 1', '1400');
    await desk.revision(3);
    await desk.pick('lines', [[0, 100]]);
    await desk.verb('place', 'Fit the picture');
    await desk.revision(4);
    expect(await step('picture')).toMatchObject({ at: [0, 0], width: 960 });

    // Every cell's colour at once, held to six; then to the palette.
    await desk.pick('lines', [[0, 100]]);
    await desk.verb('make', 'Sample the picture…');
    await type(page.getByLabel('colours', { exact: true }), '6');
    await page.getByLabel('colours', { exact: true }).press('Tab');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(5);
    const sample = await step('sample');
    expect(sample).toMatchObject({ picture: 'k1', on: 'g1', colours: 6 });
    const painted = async () => {
        const { scene } = await desk.stored();
        const hash = scene.geometries[scene.steps.findIndex((one) => one.id === sample?.id)] ?? '';
        return (scene.geometry[hash] as { painted?: { colours: string[] } } | undefined)?.painted?.colours ?? [];
    };
    expect(await painted()).toHaveLength(6);
    await page.getByRole('button', { name: 'of the palette instead' }).click();
    await desk.revision(6);
    expect(new Set(await painted())).toEqual(new Set(['#171c3a', '#f2b33d', '#b9836c']));

    // Corrected by hand with the brush; what it lay on is put away.
    await page.getByRole('radio', { name: 'paint' }).click();
    await page.getByRole('radio', { name: /lamp/ }).click();
    await page.mouse.click(...(await desk.at(220, 60)));
    await desk.revision(7);
    expect(await step('paint')).toMatchObject({ on: 'g1', cells: { lamp: '6,2' } });
    await page.getByRole('button', { name: 'Grid on' }).click();

    await page.getByRole('button', { name: 'Hand over' }).click();
    await page.getByText('Pixels', { exact: true }).click();
    await type(page.getByLabel('Pixels to a cell'), '8');
    const download = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Save the file' }).click();
    const png = PNG.sync.read(await readFile(await (await download).path()));
    expect([png.width, png.height]).toEqual([192, 112]);
    expect([...png.data.subarray(4 * (12 * 192 + 44), 4 * (12 * 192 + 44) + 4)]).toEqual([0xf2, 0xb3, 0x3d, 255]);
});

test('a picture is dropped on the sheet; what is none is refused, and nothing is lost', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Dropped');
    await desk.drop('notes.png', 'image/png', Buffer.from('these are notes'));
    await expect(page.getByText('by its first bytes this file is none')).toBeVisible();
    await desk.revision(1);
    await desk.drop('harbour.png', 'image/png', await readFile(VIEW));
    await desk.revision(2);
    expect((await desk.stored()).plan.steps).toMatchObject([{ kind: 'picture', fade: 0.4 }]);
    await expect(page.getByText('by its first bytes this file is none')).toHaveCount(0);
});

test('an upload that stops half-way leaves nothing behind, and the next one arrives', async ({ page, baseURL }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Half-way');
    const kept = async () => ((await (await page.request.get('/api/account')).json()) as { pictures: number }).pictures;
    const before = await kept();
    const cookies = await page.context().cookies();
    const { hostname, port } = new URL(baseURL ?? '');
    const token = decodeURIComponent(cookies.find((one) => one.name === 'XSRF-TOKEN')?.value ?? '');
    const bytes = await readFile(VIEW);
    await new Promise<void>((done, failed) => {
        const line = connect(Number(port), hostname, () => {
            line.write(
                [
                    'POST /api/pictures HTTP/1.1',
                    `Host: ${hostname}:${port}`,
                    `Cookie: ${cookies.map(({ name, value }) => `${name}=${value}`).join('; ')}`,
                    `X-XSRF-TOKEN: ${token}`,
                    'Accept: application/json',
                    'Content-Type: multipart/form-data; boundary=half',
                    `Content-Length: ${bytes.length + 2000}`,
                    '',
                    '--half',
                    'Content-Disposition: form-data; name="picture"; filename="harbour.png"',
                    'Content-Type: image/png',
                    '',
                    '',
                ].join('\r\n'),
            );
            line.write(bytes.subarray(0, bytes.length / 2), () => line.destroy());
        });
        line.on('close', () => done());
        line.on('error', failed);
    });
    expect(await kept()).toBe(before);
    // Another picture than any before it, so that it counts.
    const png = PNG.sync.read(bytes);
    png.data.set([Date.now() % 256, Math.floor(Date.now() / 256) % 256, Math.floor(Date.now() / 65536) % 256], 0);
    await desk.drop('harbour.png', 'image/png', PNG.sync.write(png));
    await desk.revision(2);
    expect(await kept()).toBe(before + 1);
});

test('a picture is pasted on the sheet', async ({ page, context }) => {
    await context.grantPermissions(['clipboard-read', 'clipboard-write']);
    const desk = new DeskPage(page);
    await desk.newSheet('Pasted');
    const view = (await readFile(VIEW)).toString('base64');
    await page.evaluate(async (text) => {
        const bytes = Uint8Array.from(atob(text), (one) => one.charCodeAt(0));
        await navigator.clipboard.write([new ClipboardItem({ 'image/png': new Blob([bytes], { type: 'image/png' }) })]);
    }, view);
    await desk.sheet.focus();
    await page.keyboard.press('Control+v');
    await desk.revision(2);
    expect((await desk.stored()).plan.steps).toMatchObject([{ kind: 'picture' }]);
    // In a field it is text that is pasted, and no picture.
    await page.getByLabel('width of the sheet').focus();
    await page.keyboard.press('Control+v');
    await page.keyboard.press('Escape');
    await desk.revision(2);
});

test('a photograph of a sketch is straightened by itself, evened out, cropped, fixed by two known places, and laid over another', async ({
    page,
}) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Sketch on the desk');
    const photograph = sketch();
    const pictures = async () => (await desk.stored()).plan.steps.filter((step) => step.kind === 'picture');
    const drop = async () => desk.drop('sketch.png', 'image/png', photograph);
    await drop();
    await desk.revision(2);
    await page.getByRole('button', { name: 'More for step 1, picture 1' }).click();
    await page.getByRole('menuitem', { name: 'Say all of it' }).click();

    // The sheet is found: its corners, in pixels, where it was drawn.
    await page.getByRole('button', { name: 'Find the corners of picture 1' }).click();
    await desk.revision(3);
    const corners = (await pictures())[0]?.['corners'] as [number, number][];
    SKETCH.forEach(([x, y], k) => expect(Math.hypot((corners[k]?.[0] ?? 0) - x, (corners[k]?.[1] ?? 0) - y)).toBeLessThan(4));
    await page.getByRole('button', { name: 'with its light as it is' }).click();
    await desk.revision(4);
    expect((await pictures())[0]?.['even']).toBe(true);
    await type(page.getByLabel('crop of picture 1, left'), '0.1');
    await page.getByLabel('crop of picture 1, left').press('Enter');
    // Its width gives way.
    await expect.poll(async () => (await pictures())[0]?.['crop']).toEqual([0.1, 0, 0.9, 1]);
    await type(page.getByLabel('crop of picture 1, width'), '0.8');
    await page.getByLabel('crop of picture 1, width').press('Enter');
    await expect.poll(async () => (await pictures())[0]?.['crop']).toEqual([0.1, 0, 0.8, 1]);

    // Two places of it are known: they are clicked, each with where it belongs.
    const asking = page.getByText(
        /^(click a place of the picture|and where it belongs|another place of the picture|and where that belongs)$/,
    );
    await page.getByRole('button', { name: /^known places of picture 1/ }).click();
    await page.mouse.click(...(await desk.at(200, 200)));
    await expect(asking).toHaveText('and where it belongs');
    // Left in between, nothing is asked for any more, and nothing has changed.
    await page.keyboard.press('Escape');
    await expect(asking).toBeHidden();
    // With the focus on the words themselves, too.
    await page.getByRole('button', { name: /^known places of picture 1/ }).press('Enter');
    await expect(asking).toHaveText('click a place of the picture');
    await page.keyboard.press('Escape');
    await expect(asking).toBeHidden();
    expect((await pictures())[0]?.['known'] ?? null).toBeNull();
    await page.getByRole('button', { name: /^known places of picture 1/ }).click();
    for (const [x, y] of [[200, 200], [100, 100], [600, 200], [700, 100]] as const) {
        await expect(asking).toBeVisible();
        await page.mouse.click(...(await desk.at(x, y)));
    }
    await expect.poll(async () => (await pictures())[0]?.['known']).toBeTruthy();
    const known = (await pictures())[0]?.['known'] as [[number, number], [number, number]][];
    expect(known[0]?.[1]).toEqual([100, 100]);
    expect(known[1]?.[1]).toEqual([700, 100]);
    // They are handles of the picked step.
    await page.getByRole('button', { name: 'Step 1, picture 1', exact: true }).click();
    await expect(page.getByRole('button', { name: /^second known place of picture 1: drag/ })).toBeVisible();

    // Another one over it, darkening, behind a dark veil.
    await drop();
    await expect.poll(async () => (await pictures()).length).toBe(2);
    await page.getByRole('button', { name: 'More for step 1, picture 1' }).click();
    await page.getByRole('menuitem', { name: 'Say all of it' }).click();
    await page.getByLabel('blend of picture 1').selectOption('darken');
    await expect.poll(async () => (await pictures())[0]?.['blend']).toBe('darken');
});

test('a photograph is straightened by four corners that are clicked, and cropped by pulling its sides', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Corners and sides');
    const picture = async () => (await desk.stored()).plan.steps[0] ?? { id: '', kind: '' };
    // 600 × 480 pixels, laid 800 wide.
    await desk.drop('sketch.png', 'image/png', sketch());
    await desk.revision(2);
    await page.getByRole('button', { name: 'More for step 1, picture 1' }).click();
    await page.getByRole('menuitem', { name: 'Say all of it' }).click();
    await page.getByRole('button', { name: 'Click the corners of picture 1' }).click();
    for (const [k, corner] of ['upper left', 'upper right', 'lower right', 'lower left'].entries()) {
        await expect(page.getByText(`click the ${corner} corner`)).toBeVisible();
        const [x, y] = SKETCH[k] ?? [0, 0];
        await page.mouse.click(...(await desk.at((x * 800) / 600, (y * 800) / 600)));
    }
    await desk.revision(3);
    const corners = (await picture())['corners'] as [number, number][];
    SKETCH.forEach(([x, y], k) => expect(Math.hypot((corners[k]?.[0] ?? 0) - x, (corners[k]?.[1] ?? 0) - y)).toBeLessThan(2));

    // Its left side is pulled in by a quarter, its lower one stepped by keys.
    await page.getByRole('button', { name: 'Step 1, picture 1', exact: true }).click();
    const side = (name: string) => page.getByRole('button', { name: new RegExp(`^${name} side of picture 1: drag it`) });
    const box = (await side('left').boundingBox()) ?? { x: 0, y: 0, width: 0, height: 0 };
    const at: [number, number] = [box.x + box.width / 2, box.y + box.height / 2];
    await desk.dragAcross(at, [at[0] + (await desk.at(200, 0))[0] - (await desk.at(0, 0))[0], at[1]]);
    await desk.revision(4);
    const [left = 0, top, width = 0, height] = (await picture())['crop'] as number[];
    expect(left).toBeCloseTo(0.25, 1);
    expect(left + width).toBeCloseTo(1, 9);
    expect([top, height]).toEqual([0, 1]);
    await side('lower').focus();
    for (let k = 0; k < 4; k++) await page.keyboard.press('Shift+ArrowUp');
    await expect.poll(async () => ((await picture())['crop'] as number[])[3]).toBeLessThan(0.95);
    const cropped = (await picture())['crop'] as number[];
    expect(cropped.slice(0, 3)).toEqual([left, 0, width]);
    expect((await desk.stored()).scene.findings).toEqual([]);
});

test('lines of a sketch are followed by pulling along them: a circle, an arc, a line and arcs tangent to one another, by pointer and by keyboard', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Traced');
    await page.getByRole('button', { name: 'Fit', exact: true }).click();
    await desk.drop('ring.png', 'image/png', ring());
    await desk.revision(2);
    const last = async () => (await desk.stored()).plan.steps.at(-1);
    const numbers = async () => ((await desk.stored()).scene.steps.at(-1) as unknown as { numbers: Record<string, number> }).numbers;
    await page.getByRole('radio', { name: 'trace' }).click();

    /** About the middle of the ring, so far off its line. */
    const around = async (from: number, to: number, off: number) => {
        const places: [number, number][] = [];
        for (let degrees = from; degrees <= to; degrees += 6) {
            const angle = (degrees * Math.PI) / 180;
            places.push(
                await desk.at(
                    400 + (240 + off * Math.sin(degrees)) * Math.cos(angle),
                    380 + (240 + off * Math.sin(degrees)) * Math.sin(angle),
                ),
            );
        }
        await page.mouse.move(...(places[0] ?? [0, 0]));
        await page.mouse.down();
        for (const place of places.slice(1)) await page.mouse.move(...place);
        await page.mouse.up();
    };
    await around(0, 354, 5);
    await desk.revision(3);
    expect(await last()).toMatchObject({ kind: 'guide.circle', sketch: 'k1' });
    // The picture is 400 px wide on 800 units: two units to a pixel. The ring was drawn about 200, 190 with a radius of 120.
    expect((await numbers())['radius']).toBeCloseTo(240, 0);
    expect((await numbers())['deviation']).toBeLessThan(1.2);
    await expect(page.getByText(/deviation = /)).toBeVisible();

    await page.getByRole('radio', { name: 'arc', exact: true }).click();
    await around(200, 290, 4);
    await desk.revision(4);
    expect(await last()).toMatchObject({ kind: 'guide.arc', sketch: 'k1' });
    expect((await numbers())['radius']).toBeCloseTo(240, -1);

    // The straight line below, by its number key; then arcs along the ring.
    await desk.sheet.focus();
    await page.keyboard.press('1');
    const lays = await page.getByRole('radiogroup', { name: 'What is laid' }).getByRole('radio').allTextContents();
    const key = (name: string) => String(lays.findIndex((one) => one.endsWith(name)) + 1);
    await page.keyboard.press(key('line'));
    await desk.dragAcross(await desk.at(120, 722), await desk.at(680, 718));
    await desk.revision(5);
    const line = await last();
    expect(line).toMatchObject({ kind: 'guide.line', sketch: 'k1' });
    await page.keyboard.press(key('arcs'));
    await around(20, 160, 4);
    await desk.revision(6);
    expect(await last()).toMatchObject({ kind: 'guide.run', sketch: 'k1' });

    // By keyboard alone: a place, another one, a third, and Enter once more.
    await page.keyboard.press(key('line'));
    await desk.sheet.focus();
    for (let press = 0; press < 9; press++) await page.keyboard.press('Shift+ArrowDown');
    for (let press = 0; press < 200 && !(await beneath(page, 720)); press++) await page.keyboard.press('ArrowDown');
    await page.keyboard.press('Enter');
    for (let press = 0; press < 6; press++) await page.keyboard.press('Shift+ArrowRight');
    await page.keyboard.press('Enter');
    await page.keyboard.press('Enter');
    await desk.revision(7);
    expect(await last()).toMatchObject({ kind: 'guide.line', sketch: 'k1' });
});

test('a circle that is followed settles on an intersection where that costs little, and says how much', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Settled');
    await desk.grid('Rectangular grid');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(2);
    await desk.drop('ring.png', 'image/png', ring(200.4));
    await desk.revision(3);
    await page.getByRole('radio', { name: 'trace' }).click();
    await page.getByLabel('on intersections, in equal sizes').check();
    for (let degrees = 0; degrees <= 354; degrees += 6) {
        const place = await desk.at(400 + 243 * Math.cos((degrees * Math.PI) / 180), 401 + 243 * Math.sin((degrees * Math.PI) / 180));
        await page.mouse.move(...place);
        if (degrees === 0) await page.mouse.down();
    }
    await page.mouse.up();
    await desk.revision(4);
    const { plan, scene } = await desk.stored();
    expect(plan.steps.at(-1)).toMatchObject({ kind: 'guide.circle', sketch: 'k1', grid: 'g1' });
    const { numbers } = scene.steps.at(-1) as unknown as { numbers: Record<string, number> };
    expect(numbers['costs']).toBeGreaterThan(0);
    expect(numbers['costs']).toBeLessThan(2);
    const circle = scene.geometry[scene.geometries.at(-1) ?? ''] as unknown as { center: [number, number] };
    expect(circle.center).toEqual([400, 400]);
});

test('a plan is handed over with its pictures in one zip, and brought in again as another sheet', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Packed');
    await desk.drop('ring.png', 'image/png', ring());
    await desk.revision(2);
    const before = (await desk.stored()).plan.steps;
    await page.getByRole('button', { name: 'Hand over' }).click();
    await page.getByText('Plan', { exact: true }).click();
    await expect(page.getByLabel('With its pictures, in one zip')).toBeChecked();
    const download = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Save the file' }).click();
    const zip = await readFile(await (await download).path());
    expect(Object.keys(unzipped(zip)).sort()).toEqual([expect.stringMatching(/^pictures\/[0-9a-f]{16}\.png$/), 'plan.json']);

    await page.goto('/');
    await page.getByRole('button', { name: 'New sheet' }).click();
    await page.getByLabel('Or bring a plan').setInputFiles({ name: 'packed.zip', mimeType: 'application/zip', buffer: zip });
    await page.getByRole('button', { name: 'Bring in the plan' }).click();
    await expect(desk.sheet).toBeVisible();
    await desk.revision(1);
    expect((await desk.stored()).plan.steps).toEqual(before);
});

/** Whether the keyboard stands as low as that. */
async function beneath(page: Page, y: number): Promise<boolean> {
    const said = (await page.getByText(/Enter puts a place here/).textContent()) ?? '';
    return Number(/, (-?\d+);/.exec(said)?.[1] ?? 0) >= y - 4;
}

/** A ring and a straight line below it, on white. */
function ring(down = 190): Buffer {
    const png = new PNG({ width: 400, height: 400 });
    for (let y = 0; y < 400; y++) {
        for (let x = 0; x < 400; x++) {
            const off = Math.min(
                Math.abs(Math.hypot(x + 0.5 - 200, y + 0.5 - down) - 120),
                x > 40 && x < 360 ? Math.abs(y + 0.5 - 360) : 99,
            );
            const grey = Math.round(235 - 190 * Math.max(0, Math.min(1, 2 - off)));
            png.data.set([grey, grey, grey, 255], 4 * (y * 400 + x));
        }
    }
    return PNG.sync.write(png);
}

/** Where the sheet lies in the photograph below. */
const SKETCH: [number, number][] = [[70, 60], [520, 90], [540, 420], [40, 400]];

/** A bright sheet on a dark desk, with a few strokes on it. */
function sketch(): Buffer {
    const png = new PNG({ width: 600, height: 480 });
    for (let y = 0; y < png.height; y++) {
        for (let x = 0; x < png.width; x++) {
            const inside = SKETCH.every(([ax, ay], k) => {
                const [bx, by] = SKETCH[(k + 1) % 4] ?? [0, 0];
                return (bx - ax) * (y + 0.5 - ay) - (by - ay) * (x + 0.5 - ax) > 0;
            });
            const stroke = inside && Math.abs(Math.hypot(x - 280, y - 240) - 90) < 2;
            const grey = stroke ? 60 : inside ? 200 + Math.round((40 * x) / png.width) : 70;
            png.data.set([grey, grey, grey, 255], 4 * (y * png.width + x));
        }
    }
    return PNG.sync.write(png);
}
