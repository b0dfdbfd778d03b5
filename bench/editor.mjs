// The editor in headless Chromium on a grid of 5,000 cells: what it loads, the time until the drawing is there, and frame times while dragging across the cells.
import { readFileSync } from 'node:fs';
import { gzipSync } from 'node:zlib';
import { signedIn } from './sign_in.mjs';

const base = process.argv[2];
const built = JSON.parse(readFileSync('public/build/manifest.json', 'utf8'));
const needed = new Set();
const take = (name) => {
    if (needed.has(name)) return;
    needed.add(name);
    (built[name].imports ?? []).forEach(take);
};
['resources/js/main.tsx', 'resources/js/editor/Editor.tsx'].forEach(take);
const gzipped = [...needed].reduce((sum, name) => sum + gzipSync(readFileSync(`public/build/${built[name].file}`)).length, 0);

const { browser, page } = await signedIn(base);

const plan = {
    format: 'sternbild-plan',
    version: 1,
    sheet: { width: 800, height: 800, unit: 'px' },
    palette: {},
    steps: [{ id: 'g1', kind: 'grid.polar', center: [400, 400], radius: 390, rings: 50, sectors: 100 }],
};
const token = decodeURIComponent((await page.context().cookies()).find((cookie) => cookie.name === 'XSRF-TOKEN').value);
const made = await page.request.post('/api/sheets', { data: { name: 'Bench', plan: JSON.stringify(plan) }, headers: { Accept: 'application/json', 'X-XSRF-TOKEN': token } });
const { id } = await made.json();

// Opening: from the request for the page until the grid is painted.
const openings = [];
for (let run = 0; run < 5; run++) {
    await page.goto('about:blank');
    const start = performance.now();
    await page.goto(`/sheets/${id}`, { waitUntil: 'commit' });
    await page.getByRole('application').waitFor();
    await page.waitForFunction(() => {
        const canvas = document.querySelector('[role=application] canvas');
        const context = canvas?.getContext('2d');
        // Some of the pixels along the middle are lines, darker than the paper.
        const row = context && canvas.width > 0 ? context.getImageData(0, Math.floor(canvas.height / 2) - 40, canvas.width, 1).data : [];
        let dark = 0;
        for (let i = 0; i < row.length; i += 4) if (row[i + 3] > 0 && row[i] < 240) dark++;
        return dark > 20;
    }, undefined, { polling: 'raf' });
    openings.push(performance.now() - start);
}

const box = await page.getByRole('application').boundingBox();
const [scale, left, top] = (await page.getByRole('application').getAttribute('data-view')).split(' ').map(Number);
const at = (x, y) => [box.x + x * scale + left, box.y + y * scale + top];
await page.evaluate(() => {
    window.frames_ = [];
    let last = performance.now();
    const tick = (now) => {
        window.frames_.push(now - last);
        last = now;
        if (!window.stop_) requestAnimationFrame(tick);
    };
    requestAnimationFrame(tick);
});
await page.mouse.move(...at(12, 400));
await page.mouse.down();
// A spiral over all rings, so that every cell is crossed.
for (let step = 0; step <= 1500; step++) {
    const radius = 386 - (382 * step) / 1500;
    const angle = (step / 1500) * 2 * Math.PI * 50;
    await page.mouse.move(...at(400 - radius * Math.cos(angle), 400 - radius * Math.sin(angle)));
}
await page.mouse.up();
const frames = await page.evaluate(() => {
    window.stop_ = true;
    return window.frames_.slice(2);
});
const picked = Number(await page.locator('[data-picked]').getAttribute('data-picked'));
await page.request.delete(`/api/sheets/${id}`, { headers: { Accept: 'application/json', 'X-XSRF-TOKEN': token } });
await browser.close();

frames.sort((a, b) => a - b);
openings.sort((a, b) => a - b);
console.log(JSON.stringify({ gzipped, opening: openings[2], picked, frames: frames.length, median: frames[Math.floor(frames.length / 2)], p95: frames[Math.floor(frames.length * 0.95)] }));
