import { expect, test } from './journey';
import { readFile } from 'node:fs/promises';
import { DeskPage } from './desk';
import { type } from './type';

test('a first sheet offers four ways to begin, and first steps that are done by doing them', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('First minutes');
    const ways = page.getByRole('region', { name: 'Four ways to begin' });
    await ways.getByRole('button', { name: 'Show me in five steps' }).click();
    const steps = page.getByRole('complementary', { name: 'First steps' });
    await expect(steps.getByRole('status')).toHaveText('Lay a grid');
    await desk.layPolarGrid();
    await expect(steps.getByRole('status')).toHaveText('Pick cells');
    await page.mouse.click(...(await desk.around(100, 0)));
    await page.mouse.click(...(await desk.around(160, 0)));
    await expect(steps.getByRole('status')).toHaveText('Say what becomes of them');
    await desk.sheet.press('1');
    await expect(steps.getByRole('status')).toHaveText('Do something with it');
    await desk.verb('copy', 'Around…');
    await page.getByRole('button', { name: 'Do it' }).click();
    await expect(steps.getByRole('status')).toHaveText('Change a number');
    await desk.setNumber('sectors of grid 1', '12');
    await expect(steps.getByRole('status')).toHaveText('That is all there is to it');
    await steps.getByRole('button', { name: 'Close' }).click();
    await expect(steps).toHaveCount(0);
    expect((await desk.stored()).plan.steps.map((step) => step.kind)).toEqual(['grid.polar', 'part.cells', 'repeat.around']);

    // A second sheet: an example to take apart; undone, the sheet is empty again.
    await desk.newSheet('Taken apart');
    await ways.getByRole('button', { name: /^An example/ }).click();
    await page.getByRole('button', { name: /^Velmora mark/ }).click();
    await desk.revision(2);
    expect((await desk.stored()).plan.steps.length).toBeGreaterThan(15);
    await expect(ways).toHaveCount(0);
});

test('every verb says in one line what it does, when it is pointed at and when it asks', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Help');
    const verb = page.getByRole('button', { name: 'Polar grid' });
    await verb.hover();
    await expect(page.getByRole('tooltip')).toHaveText('Rings and sectors around a centre.');
    await verb.click();
    await expect(page.getByText(/^Rings and sectors around a centre\. On the axis: one of a few/)).toBeVisible();
    await page.getByLabel('rings', { exact: true }).focus();
    await expect(page.getByText(/Rings: a whole number/)).toBeVisible();
});

/** The names in a zip archive, from its central directory (PKWARE's application note, 4.3.12). */
async function namesIn(path: string): Promise<string[]> {
    const bytes = await readFile(path);
    const names: string[] = [];
    for (let at = bytes.indexOf('PK\x01\x02'); at >= 0; at = bytes.indexOf('PK\x01\x02', at + 46)) {
        names.push(bytes.toString('utf8', at + 46, at + 46 + bytes.readUInt16LE(at + 28)));
    }
    return names;
}

test('chapters are handed over as an icon set', async ({ page }) => {
    await page.goto('/');
    await page.getByRole('link', { name: 'Open Wayfinding icons', exact: true }).click();
    await page.getByRole('button', { name: 'Hand over' }).click();
    await page.getByText('Set', { exact: true }).click();
    await expect(page.getByRole('checkbox', { name: 'Ferry' })).toBeChecked();
    await page.getByRole('checkbox', { name: 'Colour' }).uncheck();
    await type(page.getByLabel('Sizes'), '16, 2x');
    await page.getByRole('button', { name: 'Save the file' }).click();
    await expect(page.getByRole('alert')).toContainText('whole numbers of pixels from 1 to 2048');
    await type(page.getByLabel('Sizes'), '16, 24');
    const [file] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Save the file' }).click()]);
    expect(file.suggestedFilename()).toBe('wayfinding-icons.zip');
    const names = await namesIn(await file.path());
    const icons = ['tram', 'ferry', 'tickets', 'lost-property', 'lift', 'waiting-room'];
    expect(names.sort()).toEqual(
        icons.flatMap((name) => [16, 24].flatMap((size) => ['svg', 'png'].map((ending) => `${name}-${size}.${ending}`))).sort(),
    );
});
