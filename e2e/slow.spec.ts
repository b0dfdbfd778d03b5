import type { Page } from '@playwright/test';
import { expect, test } from './journey';
import { DeskPage } from './desk';

/** 100 ms there and back on every request. */
async function slowDown(page: Page): Promise<void> {
    const line = await page.context().newCDPSession(page);
    await line.send('Network.enable');
    await line.send('Network.emulateNetworkConditions', { offline: false, latency: 100, downloadThroughput: -1, uploadThroughput: -1 });
}

test('over a slow line points, handles and pulls answer from what is there, and the work goes on', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Slow line');
    await slowDown(page);
    await desk.grid('Rectangular grid');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(2);
    await desk.mode('points').click();
    const asked: string[] = [];
    page.on('request', (request) => {
        const { pathname } = new URL(request.url());
        // What may be opened next is fetched meanwhile; that is no question.
        if (!pathname.startsWith('/build/')) asked.push(pathname);
    });
    const readout = desk.sheet.locator('xpath=..').locator('p[aria-live]');
    for (const [x, y, name] of [
        [160, 160, 'column 1, row 1 of grid 1'],
        [324, 241, 'column 3, row 2 of grid 1'],
        [200, 200, 'the middle of column 2, row 2 of grid 1'],
    ] as const) {
        await page.mouse.move(...(await desk.at(x, y)));
        await expect(readout).toContainText(name);
    }
    await page.mouse.click(...(await desk.at(160, 160)));
    await page.mouse.click(...(await desk.at(400, 400)));
    await expect(page.locator('[data-picked="2"]')).toHaveCount(1);
    // No question was asked for any of this.
    expect(asked).toEqual([]);
    await desk.verb('make', 'Rectangle');
    await desk.revision(3);

    await desk.mode('parts').click();
    await page.mouse.click(...(await desk.at(250, 250)));
    const corner = page.getByRole('button', { name: 'corner 2 of rectangle 1: drag it' });
    await expect(corner).toBeVisible();
    const [from, to] = [await desk.at(400, 400), await desk.at(560, 480)];
    await page.mouse.move(...from);
    await page.mouse.down();
    await page.mouse.move(...to, { steps: 12 });
    // The handle is where the pointer is, before any answer; the picture follows.
    const box = await corner.boundingBox();
    expect(Math.hypot((box?.x ?? 0) + 12 - to[0], (box?.y ?? 0) + 12 - to[1])).toBeLessThan(3);
    await expect(page.locator('[data-step="p1"]')).toContainText('column 6, row 5');
    await page.mouse.up();
    await desk.revision(4);
    expect((await desk.stored()).plan.steps.at(-1)).toMatchObject({ corners: ['g1@1,1', 'g1@6,5'] });
    expect(asked.filter((path) => path.endsWith('/snap'))).toEqual([]);

    // A verb kept on: three pulls one after another, none lost, whatever is on its way.
    await desk.mode('points').click();
    await page.mouse.click(...(await desk.at(80, 640)));
    await page.mouse.click(...(await desk.at(160, 720)));
    await desk.verb('make', 'Rectangle');
    await desk.revision(5);
    await desk.sheet.press('k');
    for (const x of [240, 400, 560]) await desk.dragAcross(await desk.at(x, 640), await desk.at(x + 80, 720));
    await desk.revision(8);
    // Nor where each place has to be asked for, and becomes known only when the next pull is under way.
    await page.route('**/snap-places', (route) => route.abort());
    await desk.dragAcross(await desk.at(640, 80), await desk.at(720, 160));
    await desk.revision(9);
    let [waiting, answered] = [0, 0];
    let letGo: () => void = () => undefined;
    const gate = new Promise<void>((resolve) => (letGo = resolve));
    await page.route('**/snap', async (route) => {
        waiting++;
        await gate;
        await route.continue();
    });
    page.on('requestfinished', (request) => (answered += request.url().endsWith('/snap') ? 1 : 0));
    await desk.dragAcross(await desk.at(640, 240), await desk.at(720, 320));
    await page.mouse.move(...(await desk.at(640, 400)));
    await page.mouse.down();
    await expect.poll(() => waiting).toBeGreaterThan(2);
    letGo();
    await expect.poll(() => answered).toBeGreaterThan(2);
    await page.mouse.move(...(await desk.at(720, 480)), { steps: 8 });
    await page.mouse.up();
    await desk.revision(11);
    expect((await desk.stored()).plan.steps.slice(-3).map((step) => step['corners'])).toEqual([
        ['g1@7,0', 'g1@8,1'],
        ['g1@7,2', 'g1@8,3'],
        ['g1@7,4', 'g1@8,5'],
    ]);
    await page.unroute('**/snap-places');
    expect((await desk.stored()).plan.steps.slice(-6, -3).map((step) => step['corners'])).toEqual([
        ['g1@2,7', 'g1@3,8'],
        ['g1@4,7', 'g1@5,8'],
        ['g1@6,7', 'g1@7,8'],
    ]);
});

for (const deviceScaleFactor of [1, 2]) {
    test.describe(`at ${deviceScaleFactor} pixels to the point`, () => {
        test.use({ deviceScaleFactor });

        test('what is picked is what the pointer is on, and the canvas is as fine as the screen', async ({ page }) => {
            const desk = new DeskPage(page);
            await desk.newSheet(`Fine ${deviceScaleFactor}`);
            await desk.grid('Rectangular grid');
            await page.getByRole('button', { name: 'Do it' }).click();
            await desk.revision(2);
            await page.mouse.click(...(await desk.at(280, 360)));
            await page.keyboard.press('1');
            await desk.revision(3);
            expect((await desk.stored()).plan.steps.at(-1)?.['cells']).toEqual(['g1#3,4']);
            const [shown, real] = await page
                .locator('canvas')
                .first()
                .evaluate((canvas: HTMLCanvasElement) => [canvas.getBoundingClientRect().width, canvas.width]);
            expect(real).toBe(Math.round((shown ?? 0) * deviceScaleFactor));
            // Through a part without a look the paper is seen, darker than beside it.
            const painted = async (x: number, y: number) => {
                const [px, py] = await desk.at(x, y);
                const box = await desk.sheet.boundingBox();
                return page
                    .locator('canvas')
                    .first()
                    .evaluate(
                        (canvas: HTMLCanvasElement, [cx, cy, ratio]) =>
                            canvas
                                .getContext('2d')
                                ?.getImageData(Math.round((cx ?? 0) * (ratio ?? 1)), Math.round((cy ?? 0) * (ratio ?? 1)), 1, 1).data[0],
                        [px - (box?.x ?? 0), py - (box?.y ?? 0), deviceScaleFactor],
                    );
            };
            expect(await painted(280, 360)).toBeLessThan(200);
            expect(await painted(360, 360)).toBeGreaterThan(230);
        });
    });
}
