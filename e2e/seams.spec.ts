import type { Page } from '@playwright/test';
import { expect, test } from './journey';
import { DeskPage } from './desk';

const DARK = '#1b2140';

/** A field of cells, each a part of its own, turned on white. */
const cells = Array.from({ length: 100 }, (_, k) => ({
    id: `p${k}`,
    kind: 'part.cells',
    cells: [`g1#${1 + (k % 10)},${1 + Math.floor(k / 10)}`],
}));
const field = (seams: 'closed' | 'open') => ({
    format: 'sternbild-plan',
    version: 1,
    sheet: { width: 400, height: 400, unit: 'px', background: '#ffffff', seams },
    palette: { ink: DARK },
    values: {},
    steps: [
        { id: 'g1', kind: 'grid.rectangular', origin: [140, 60], columns: 10, rows: 10, cell: [24, 24], angle: 17 },
        ...cells,
        { id: 's1', kind: 'style', of: cells.map(({ id }) => id), fill: 'ink' },
    ],
});

/** How many places inside the field are lighter than its cells, on a picture of the sheet. */
async function lighter(page: Page, source: string): Promise<number> {
    return page.evaluate(async (url) => {
        const picture = new Image();
        picture.src = url;
        await picture.decode();
        const canvas = document.createElement('canvas');
        canvas.width = picture.naturalWidth;
        canvas.height = picture.naturalHeight;
        const context = canvas.getContext('2d');
        if (context === null) throw new Error('There is no canvas.');
        context.drawImage(picture, 0, 0);
        const { data, width } = context.getImageData(0, 0, canvas.width, canvas.height);
        const scale = canvas.width / 400;
        const [cos, sin] = [Math.cos((17 * Math.PI) / 180), Math.sin((17 * Math.PI) / 180)];
        let count = 0;
        for (let i = 3; i <= 117; i++) {
            for (let j = 3; j <= 117; j++) {
                const [u, v] = [2 * i, 2 * j];
                const at = 4 * (Math.floor((60 + u * sin + v * cos) * scale) * width + Math.floor((140 + u * cos - v * sin) * scale));
                if ((data[at] ?? 0) > 0x1b + 1) count++;
            }
        }
        return count;
    }, source);
}

test('no hairline shows between neighbours: in the SVG as the browser draws it, at several sizes, and on the canvas', async ({ page }) => {
    const desk = new DeskPage(page);
    for (const seams of ['closed', 'open'] as const) {
        await desk.bring(`Field, ${seams}`, field(seams));
        const id = new URL(page.url()).pathname.split('/').at(-1);
        const svg = await (await page.request.get(`/api/sheets/${id}/file?format=svg`)).text();
        for (const size of [200, 400, 900]) {
            const sized = svg.replace('width="400" height="400"', `width="${size}" height="${size}"`);
            const count = await lighter(page, `data:image/svg+xml;base64,${Buffer.from(sized).toString('base64')}`);
            if (seams === 'closed') expect(count, `${size} px`).toBe(0);
            else expect(count).toBeGreaterThan(100);
        }
        // The canvas of the sheet, cut out where the sheet lies on it.
        await page.getByRole('button', { name: 'Grid on' }).click();
        const shown = await page.evaluate((view) => {
            const [scale = 1, left = 0, top = 0] = view.split(' ').map(Number);
            const from = document.querySelector<HTMLCanvasElement>('[role=application] canvas');
            if (from === null) throw new Error('There is no sheet.');
            const ratio = window.devicePixelRatio;
            const to = document.createElement('canvas');
            to.width = to.height = Math.floor(400 * scale * ratio);
            to.getContext('2d')?.drawImage(from, -Math.round(left * ratio), -Math.round(top * ratio));
            return to.toDataURL();
        }, (await desk.sheet.getAttribute('data-view')) ?? '');
        const count = await lighter(page, shown);
        if (seams === 'closed') expect(count, 'on the canvas').toBe(0);
        else expect(count).toBeGreaterThan(100);
        await page.getByRole('button', { name: 'Grid off' }).click();
    }
});

test('the sheet says whether its seams are closed, and they are left open from its sentence by the keyboard alone', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.bring('Field, by hand', field('closed'));
    const id = new URL(page.url()).pathname.split('/').at(-1);
    const written = async () => (await desk.stored()).plan.sheet['seams'];
    await page.keyboard.press('/');
    await page.keyboard.type('seams');
    await page.keyboard.press('Enter');
    const seams = page.getByLabel('seams of the sheet');
    await expect(seams).toBeFocused();
    await page.keyboard.type('left');
    await expect(seams).toHaveValue('open');
    await expect.poll(written).toBe('open');
    const svg = await (await page.request.get(`/api/sheets/${id}/file?format=svg`)).text();
    expect(await lighter(page, `data:image/svg+xml;base64,${Buffer.from(svg).toString('base64')}`)).toBeGreaterThan(100);
});
