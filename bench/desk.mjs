// The editor at work on a plan of 200 steps, in headless Chromium: from a key press in a number to the picture; and how long frames take while a handle
// is dragged, the pointer goes over 2,000 figures, and the plan is scrolled, with 100 ms there and back on the line. Milliseconds.
import { signedIn } from './sign_in.mjs';

const base = process.argv[2];
const { browser, page } = await signedIn(base);
const token = decodeURIComponent((await page.context().cookies()).find((cookie) => cookie.name === 'XSRF-TOKEN').value);
const headers = { Accept: 'application/json', 'X-XSRF-TOKEN': token };

async function sheet(steps) {
    const plan = { format: 'sternbild-plan', version: 1, sheet: { width: 800, height: 800, unit: 'px' }, palette: { ink: '#1b2140', lagoon: '#0f6e84' }, steps };
    const made = await page.request.post('/api/sheets', { data: { name: 'Bench', plan: JSON.stringify(plan) }, headers });
    const { id } = await made.json();
    await page.goto(`/sheets/${id}`);
    await page.getByRole('application').waitFor();
    await page.waitForLoadState('networkidle');
    return id;
}

const median = (list) => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)];
const p95 = (list) => [...list].sort((a, b) => a - b)[Math.floor(list.length * 0.95)];

/** Frame times while something is done. */
async function frames(work) {
    await page.evaluate(() => {
        window.frames_ = [];
        window.stop_ = false;
        let last = performance.now();
        const tick = (now) => {
            window.frames_.push(now - last);
            last = now;
            if (!window.stop_) requestAnimationFrame(tick);
        };
        requestAnimationFrame(tick);
    });
    await work();
    const list = await page.evaluate(() => {
        window.stop_ = true;
        return window.frames_.slice(2);
    });
    return { median: median(list), p95: p95(list), count: list.length };
}

async function at(x, y) {
    const box = await page.getByRole('application').boundingBox();
    const [scale, left, top] = (await page.getByRole('application').getAttribute('data-view')).split(' ').map(Number);
    return [box.x + x * scale + left, box.y + y * scale + top];
}

const steps = [{ id: 'g1', kind: 'grid.rectangular', origin: [40, 40], columns: 20, rows: 20, cell: [36, 36] }];
for (let k = 1; k < 50; k++) steps.push({ id: `c${k}`, kind: 'guide.circle', center: `g1@${k % 20},${Math.floor(k / 3)}`, radius: 20 + k });
for (let k = 0; k < 50; k++) {
    const [x, y] = [k % 16, 3 * Math.floor(k / 12)];
    steps.push({ id: `p${k}`, kind: 'part.outline', points: [`g1@${x},${y}`, `g1@${x + 3},${y}`, `g1@${x + 4},${y + 2}`, `g1@${x},${y + 3}`], bends: [{ bulge: 0.3 }, null, { bulge: -0.2 }] });
}
for (let k = 0; k < 40; k++) steps.push(k % 2 === 0 ? { id: `k${k}`, kind: 'cut', from: `p${k}`, with: [`p${k + 1}`], keep: true } : { id: `j${k}`, kind: 'join', of: [`p${k}`, `p${k + 2}`], keep: true });
for (let k = 0; k < 59; k++) steps.push({ id: `s${k}`, kind: 'style', of: [k < 50 ? `p${k}` : `k${2 * (k - 50)}`], fill: k % 2 ? 'ink' : 'lagoon' });
steps.push({ id: 'p99', kind: 'part.circle', name: 'handle me', center: [600, 720], radius: 40 });
const long = await sheet(steps);

// From the press of an arrow key in a number to the frame with its picture: the canvas is another one then.
await page.getByLabel('Find in the plan').fill('handle me');
const radius = page.getByLabel('radius of handle me', { exact: true });
await radius.click();
const presses = [];
for (let run = 0; run < 30; run++) {
    presses.push(
        await page.evaluate(
            () =>
                new Promise((tell) => {
                    const canvas = document.querySelector('[role=application] canvas');
                    const context = canvas.getContext('2d');
                    const before = performance.now();
                    const clear = context.clearRect.bind(context);
                    // Painting begins with a cleared canvas; the frame after it shows the picture.
                    context.clearRect = (...box) => {
                        context.clearRect = clear;
                        clear(...box);
                        requestAnimationFrame(() => tell(performance.now() - before));
                    };
                    document.activeElement.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowUp', bubbles: true }));
                }),
        ),
    );
}
await page.keyboard.press('Escape');

const line = await page.context().newCDPSession(page);
await line.send('Network.enable');
await line.send('Network.emulateNetworkConditions', { offline: false, latency: 100, downloadThroughput: -1, uploadThroughput: -1 });

await page.getByRole('button', { name: 'Step 200, handle me', exact: true }).click();
await page.getByLabel('Find in the plan').press('Escape');
const handle = await page.getByRole('button', { name: 'centre of handle me: drag it' }).boundingBox();
await page.mouse.move(handle.x + 12, handle.y + 12);
await page.mouse.down();
const dragging = await frames(async () => {
    for (let step = 0; step < 200; step++) await page.mouse.move(handle.x + 12 - step, handle.y + 12 - 60 * Math.sin(step / 20));
});
await page.keyboard.press('Escape');
await page.mouse.up();

// The same disc by its body, settling as it goes.
await page.getByRole('radio', { name: 'parts' }).click();
const body = await at(620, 735);
await page.mouse.move(...body);
await page.mouse.down();
const carrying = await frames(async () => {
    for (let step = 0; step < 200; step++) await page.mouse.move(body[0] - step, body[1] - 60 * Math.sin(step / 20));
});
await page.keyboard.press('Escape');
await page.mouse.up();

const plan = await page.getByRole('navigation', { name: 'Plan' }).boundingBox();
await page.mouse.move(plan.x + 150, plan.y + 300);
const scrolling = await frames(async () => {
    for (let step = 0; step < 120; step++) await page.mouse.wheel(0, step < 60 ? 160 : -160);
});
await page.request.delete(`/api/sheets/${long}`, { headers });

await line.send('Network.emulateNetworkConditions', { offline: false, latency: 0, downloadThroughput: -1, uploadThroughput: -1 });
const many = await sheet([
    { id: 'p1', kind: 'part.circle', center: [30, 30], radius: 7 },
    { id: 'r1', kind: 'repeat.along', of: ['p1'], by: [16, 0], count: 46, across: [0, 16.5], rows: 44 },
]);
await line.send('Network.emulateNetworkConditions', { offline: false, latency: 100, downloadThroughput: -1, uploadThroughput: -1 });
await page.getByRole('radio', { name: 'parts' }).click();
await page.getByLabel('What of a part the pointer picks').selectOption('copies');
const places = [];
for (let step = 0; step < 300; step++) places.push(await at(30 + ((step * 37) % 720), 30 + ((step * 13) % 700)));
const hovering = await frames(async () => {
    for (const place of places) await page.mouse.move(...place);
});
await page.request.delete(`/api/sheets/${many}`, { headers });
await line.send('Network.emulateNetworkConditions', { offline: false, latency: 0, downloadThroughput: -1, uploadThroughput: -1 });

// Every one of 40,000 cells picked, with a part there: what taking one more takes.
const cells = await sheet([
    { id: 'g1', kind: 'grid.rectangular', origin: [0, 0], columns: 200, rows: 200, cell: [4, 4] },
    { id: 'p1', kind: 'part.cells', cells: ['g1#1,*'] },
]);
await page.getByLabel('How far a click reaches').selectOption('the whole column');
const [x0, y0] = await at(2, 402);
const [x1] = await at(798, 402);
await page.mouse.move(x0, y0);
await page.mouse.down();
await page.mouse.move(x1, y0, { steps: 400 });
await page.mouse.up();
await page.getByLabel('How far a click reaches').selectOption('one by one');
const picked = Number(await page.locator('[data-picked]').getAttribute('data-picked'));
const spots = [];
for (let step = 0; step < 60; step++) spots.push(await at(2 + 8 * step, 202));
const picking = await frames(async () => {
    for (const spot of spots) await page.mouse.click(...spot);
});
await page.request.delete(`/api/sheets/${cells}`, { headers });
await browser.close();
console.log(JSON.stringify({ press: { median: median(presses), p95: p95(presses) }, dragging, carrying, scrolling, hovering, picking, picked }));
