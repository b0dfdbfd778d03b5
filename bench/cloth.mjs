// A pattern of 12,000 copies in headless Chromium: frame times while a point of its motif is dragged.
import { signedIn } from './sign_in.mjs';

const base = process.argv[2];
const { browser, page } = await signedIn(base);

const points = Array.from({ length: 40 }, (_, k) => {
    const radius = k % 2 === 0 ? 4 : 2.5;
    return [114 + radius * Math.cos((k * Math.PI) / 20), 105 + radius * Math.sin((k * Math.PI) / 20)].map((one) => Number(one.toFixed(4)));
});
const plan = {
    format: 'sternbild-plan', version: 1, sheet: { width: 1600, height: 1000, unit: 'px', checks: { sliver: 0, miss: 0, corner: 0, small: 0 } }, palette: {},
    steps: [{ id: 'p1', kind: 'part.outline', points }, { id: 'w1', kind: 'pattern', of: ['p1'], group: 'p6m', origin: [100, 100], a: [40, 0], across: 40, down: 25, colours: ['#0f6e84', '#d0683f'] }],
};
const token = decodeURIComponent((await page.context().cookies()).find((cookie) => cookie.name === 'XSRF-TOKEN').value);
const { id } = await (await page.request.post('/api/sheets', { data: { name: 'Cloth', plan: JSON.stringify(plan) }, headers: { Accept: 'application/json', 'X-XSRF-TOKEN': token } })).json();
await page.goto(`/sheets/${id}`);
await page.getByRole('application').waitFor();
await page.getByRole('button', { name: /^Step 1, / }).click();
const handle = page.getByRole('button', { name: /: drag it, or move it with the arrow keys$/ }).last();
await handle.waitFor();
const box = await handle.boundingBox();
const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
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
await page.mouse.move(x, y);
await page.mouse.down();
for (let step = 0; step <= 240; step++) await page.mouse.move(x + 5 * Math.sin(step / 12), y + 5 * Math.cos(step / 12));
await page.mouse.up();
await page.getByText('Saved, revision 2').waitFor();
const frames = await page.evaluate(() => {
    window.stop_ = true;
    return window.frames_.slice(2);
});
await page.request.delete(`/api/sheets/${id}`, { headers: { Accept: 'application/json', 'X-XSRF-TOKEN': token } });
await browser.close();
frames.sort((a, b) => a - b);
console.log(JSON.stringify({ frames: frames.length, median: frames[Math.floor(frames.length / 2)], p95: frames[Math.floor(frames.length * 0.95)] }));
