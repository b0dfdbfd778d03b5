// A stroke of 500 cells over 120,000 painted ones in headless Chromium: frame times while the brush is pulled, and how long the change takes against an empty request.
import { signedIn } from './sign_in.mjs';

const base = process.argv[2];
const { browser, page } = await signedIn(base);

const [columns, rows] = [400, 300];
const cells = { ink: [], lagoon: [], mist: [], lamp: [] };
for (let row = 1; row <= rows; row++) {
    for (let column = 1; column <= columns; column += 8) cells[Object.keys(cells)[Math.floor((column * 3 + row * 5) / 60) % 4]].push(`${column},${row}+7`);
}
const plan = {
    format: 'sternbild-plan', version: 1, sheet: { width: 800, height: 600, unit: 'px', checks: { sliver: 0, miss: 0, corner: 0, small: 0 } }, palette: { ink: '#171c3a', lagoon: '#0f6e84', mist: '#a0cecf', lamp: '#f2b33d' },
    steps: [{ id: 'g1', kind: 'grid.pixel', origin: [0, 0], columns, rows, cell: 2 }, { id: 'd1', kind: 'paint', on: 'g1', cells: Object.fromEntries(Object.entries(cells).map(([name, runs]) => [name, runs.join(' ')])) }],
};
const token = decodeURIComponent((await page.context().cookies()).find((cookie) => cookie.name === 'XSRF-TOKEN').value);
const headers = { Accept: 'application/json', 'X-XSRF-TOKEN': token };
const { id } = await (await page.request.post('/api/sheets', { data: { name: 'Brush', plan: JSON.stringify(plan) }, headers })).json();
await page.goto(`/sheets/${id}`);
const sheet = page.getByRole('application');
await sheet.waitFor();
await page.getByRole('radio', { name: 'paint' }).click();
const box = await sheet.boundingBox();
const [scale, left, top] = (await sheet.getAttribute('data-view')).split(' ').map(Number);
const at = (x, y) => [box.x + x * scale + left, box.y + y * scale + top];
await page.mouse.move(...at(100, 100));
await page.waitForTimeout(1000);
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
await page.mouse.down();
for (let step = 0; step <= 240; step++) await page.mouse.move(...at(100 + 2.4 * step, 300 + 190 * Math.sin(step / 16)));
const frames = await page.evaluate(() => {
    window.stop_ = true;
    return window.frames_.slice(2);
});
await page.mouse.up();
await page.getByText('Saved, revision 2').waitFor();
frames.sort((a, b) => a - b);

// The change by itself, stroke after stroke, and a request that does nothing.
const timed = async (work) => {
    const times = [];
    for (let run = 0; run < 12; run++) {
        const start = performance.now();
        await work(run);
        times.push(performance.now() - start);
    }
    times.sort((a, b) => a - b);
    return { median: times[6], p95: times[11] };
};
let { revision } = await (await page.request.get(`/api/sheets/${id}`, { headers })).json();
const empty = await timed(() => page.request.get('/api/session', { headers }));
const change = await timed(async (run) => {
    const stroke = Array.from({ length: 50 }, (_, k) => `${20 + 3 * k},${20 + 4 * run}`).join(' ');
    const answer = await page.request.post(`/api/sheets/${id}/changes`, { data: { base: revision, has: [], change: crypto.randomUUID(), operations: [{ op: 'paint', kind: 'paint', field: 'cells', on: 'g1', cells: { lamp: stroke }, along: 0 }] }, headers });
    ({ revision } = await answer.json());
    if (!answer.ok()) throw new Error(await answer.text());
});
await page.request.delete(`/api/sheets/${id}`, { headers });
await browser.close();
console.log(JSON.stringify({ frames: frames.length, median: frames[Math.floor(frames.length / 2)], p95: frames[Math.floor(frames.length * 0.95)], change, empty }));
