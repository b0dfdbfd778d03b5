import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect, test } from './journey';
import { DeskPage } from './desk';

/** @param but what is left out: numbers in a sentence may be as small as its letters (WCAG 2.5.8, inline), which axe takes for targets that stand alone */
async function isAccessible(page: Page, but?: string): Promise<void> {
    // What fades in is measured once it is there.
    await page.evaluate(() => Promise.all(document.getAnimations().map((animation) => animation.finished)));
    const axe = new AxeBuilder({ page });
    if (but !== undefined) axe.exclude(but);
    const { violations } = await axe.withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa']).analyze();
    expect(violations.map(({ id, nodes }) => `${id}: ${nodes.map((node) => node.html).join(' ')}`)).toEqual([]);
}

test('every screen is accessible', async ({ page, browser, baseURL }) => {
    const outside = await browser.newContext({ baseURL, storageState: { cookies: [], origins: [] } });
    const door = await outside.newPage();
    for (const way of ['/sign-in', '/register', '/forgot', '/mailbox?to=nobody@sternbild.test', '/confirm/x', '/reset/x']) {
        await door.goto(way);
        await door.getByRole('button').first().waitFor();
        await isAccessible(door);
    }
    await outside.close();

    const desk = new DeskPage(page);
    await page.goto('/');
    await page.getByRole('link', { name: 'Open Harbour Square floor rosette', exact: true }).waitFor();
    await isAccessible(page);
    await page.getByRole('button', { name: 'New sheet' }).click();
    await isAccessible(page);
    await page.keyboard.press('Escape');
    await page.getByTitle('Your account').click();
    await page.getByRole('button', { name: 'Delete the account…' }).click();
    await isAccessible(page);
    await page.keyboard.press('Escape');
    await page.getByRole('link', { name: 'Open Harbour Square floor rosette', exact: true }).click();
    await desk.revision(1);
    await isAccessible(page);
    await page.getByRole('button', { name: 'Hand over' }).click();
    await isAccessible(page);
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'Ready constructions' }).click();
    await page.getByText('Seven circles', { exact: true }).waitFor();
    await isAccessible(page);
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'Polar grid' }).click();
    await isAccessible(page);
    await page.goto('/');
    await page.getByRole('link', { name: 'Open Velmora mark', exact: true }).click();
    await desk.revision(1);
    await page.getByRole('radio', { name: 'points' }).click();
    await page.mouse.click(...(await desk.at(400, 400)));
    await page.locator('[data-picked="1"]').waitFor();
    await isAccessible(page);
    await page.getByRole('button', { name: 'Outlines' }).click();
    await page.getByText('meet').waitFor();
    await isAccessible(page);
    await page.getByRole('button', { name: 'In colour' }).click();
    await page.getByRole('button', { name: /^Step 2, / }).click();
    await page.getByRole('radio', { name: 'lines' }).click();
    await page.locator('.handle').first().waitFor();
    await isAccessible(page);
    await desk.sheet.focus();
    for (const [key, what] of [['?', page.getByRole('heading', { name: 'Keys' })], ['/', page.getByRole('listbox')]] as const) {
        await page.keyboard.press(key);
        await what.waitFor();
        await isAccessible(page);
        await page.keyboard.press('Escape');
        await what.waitFor({ state: 'detached' });
    }
    await desk.newSheet('States');
    const ways = page.getByRole('region', { name: 'Four ways to begin' });
    await ways.waitFor();
    await isAccessible(page);
    await ways.getByRole('button', { name: /^An example/ }).click();
    await page.getByRole('button', { name: /^Velmora mark/ }).waitFor();
    await isAccessible(page);
    await page.keyboard.press('Escape');
    await ways.getByRole('button', { name: 'Show me in five steps' }).click();
    await isAccessible(page);
    await page.getByRole('radio', { name: 'points' }).click();
    await page.mouse.click(...(await desk.at(400, 400)));
    await desk.verb('make', 'Outline…');
    await page.getByText('pick 2 more points').waitFor();
    await isAccessible(page);
    await page.goto('/');
    await page.getByRole('link', { name: 'Open Wayfinding icons', exact: true }).click();
    await page.getByRole('button', { name: 'Work on it' }).nth(1).click();
    await isAccessible(page);
    await page.getByRole('button', { name: 'Hand over' }).click();
    await page.getByText('Set', { exact: true }).click();
    await isAccessible(page);
    await page.goto('/sheets/00000000-0000-4000-8000-000000000000');
    await page.getByRole('heading', { name: 'No such sheet' }).waitFor();
    await isAccessible(page);
});

test('painting, frames and pixels to hand over are accessible', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.bring('Painted', {
        format: 'sternbild-plan', version: 1, sheet: { width: 640, height: 320, unit: 'px', background: 'night' }, palette: { night: '#2a3a5e', ink: '#131830', lamp: '#ffd97f', coat: '#3f6f7f', skin: '#e8b98f', brass: '#f2c14e' }, values: {},
        steps: [
            { id: 'g1', kind: 'grid.pixel', origin: [0, 0], columns: 32, rows: 16, cell: 20, block: 8 },
            { id: 'f1', kind: 'frames', on: 'g1', size: [16, 16], count: 2 },
            { id: 'd1', kind: 'paint', on: 'g1', cells: { ink: '2,2 2,3 2,4 3,4 3,5 3,6', lamp: '8,9+3', coat: '20,5' } },
            { id: 'd2', kind: 'dots', on: 'g1', ring: { center: [24, 8], diameter: 9 }, colour: 'skin' },
        ],
    });
    await page.getByRole('button', { name: 'Frame 2' }).click();
    await isAccessible(page, '[aria-label="Plan"]');
    await desk.sheet.press('0');
    for (const way of ['dither', 'area', 'ring']) {
        await page.getByRole('radio', { name: way }).click();
        await isAccessible(page, '[aria-label="Plan"]');
    }
    await page.getByRole('radio', { name: 'block' }).click();
    await desk.dragAcross(await desk.at(410, 50), await desk.at(510, 150));
    await page.getByRole('button', { name: 'Turn', exact: true }).waitFor();
    await isAccessible(page, '[aria-label="Plan"]');
    await page.getByRole('button', { name: 'Hand over' }).click();
    await page.getByText('Pixels', { exact: true }).click();
    await isAccessible(page, '[aria-label="Plan"]');
});

test('following lines of a picture, its sentence with all it can say, and bringing a drawing are accessible', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('References');
    await desk.bringIn('sketch');
    await page.getByText('Waves and moon').waitFor();
    await isAccessible(page);
    await page.keyboard.press('Escape');
    await desk.bringIn('drawing');
    const svg = '<svg xmlns="http://www.w3.org/2000/svg" width="80" height="80"><text>K</text><circle cx="40" cy="40" r="30"/></svg>';
    await page.getByLabel('SVG file').setInputFiles({ name: 'mark.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(svg) });
    await page.getByRole('button', { name: 'Bring it in' }).click();
    await page.getByRole('region', { name: 'What is left out' }).waitFor();
    await isAccessible(page);
    await page.getByRole('radio', { name: 'As a picture, to be traced' }).check();
    await page.getByRole('button', { name: 'Bring it in' }).click();
    await page.getByRole('button', { name: 'Bring in the rest' }).click();
    await desk.revision(2);
    await page.getByRole('button', { name: 'More for step 1, picture 1' }).click();
    await page.getByRole('menuitem', { name: 'Say all of it' }).click();
    await page.getByRole('radio', { name: 'trace' }).click();
    await page.getByRole('radio', { name: 'circle', exact: true }).click();
    await isAccessible(page, '[aria-label="Plan"]');
});
