import { expect, test } from './journey';
import { readFileSync } from 'node:fs';
import { DeskPage } from './desk';

test('a mark is shown with the circles that it is made of, and handed over so', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.bring('Crescent', {
        format: 'sternbild-plan',
        version: 1,
        sheet: { width: 800, height: 800, unit: 'px', background: null },
        palette: { ink: '#1b2140' },
        values: {},
        steps: [
            { id: 'p1', kind: 'part.circle', center: [400, 400], radius: 200 },
            { id: 'p2', kind: 'part.circle', center: [500, 400], radius: 100 },
            { id: 'p3', kind: 'cut', from: 'p1', with: ['p2'] },
            { id: 's1', kind: 'style', of: ['p3'], fill: 'ink' },
        ],
    });
    await page.getByRole('button', { name: 'Circles', exact: true }).click();
    const picture = page.getByRole('img', { name: 'The construction' });
    await expect(picture).toBeVisible();
    expect(await picture.evaluate((image: HTMLImageElement) => image.decode().then(() => image.naturalWidth))).toBe(800);
    await page.getByRole('button', { name: 'In colour' }).click();
    await expect(picture).toHaveCount(0);

    await page.getByRole('button', { name: 'Hand over' }).click();
    await page.getByLabel('Shown').selectOption('construction');
    const [svg] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Save the file' }).click()]);
    const text = readFileSync(await svg.path(), 'utf8');
    expect(text.match(/<circle /g)).toHaveLength(2);
    expect(text).toContain('id="radii"');

    await page.getByRole('button', { name: 'Hand over' }).click();
    await page.getByText('PDF', { exact: true }).click();
    const [pdf] = await Promise.all([page.waitForEvent('download'), page.getByRole('button', { name: 'Save the file' }).click()]);
    expect(readFileSync(await pdf.path()).subarray(0, 5).toString()).toBe('%PDF-');
});
