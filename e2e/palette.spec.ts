import { readFile } from 'node:fs/promises';
import { expect, test } from './journey';
import { PNG } from 'pngjs';
import { DeskPage } from './desk';

test('a palette is held to, recoloured by mapping, taken home as tokens and as a strip, and brought in', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.bring('Few colours', {
        format: 'sternbild-plan',
        version: 1,
        sheet: { width: 400, height: 400, unit: 'px', background: 'night' },
        palette: { night: '#171c3a', lamp: '#f2b33d', brass: '#f3b440' },
        values: {},
        steps: [
            { id: 'g1', kind: 'grid.pixel', origin: [0, 0], columns: 10, rows: 10, cell: 40 },
            { id: 'd1', kind: 'paint', on: 'g1', cells: { lamp: '2,2+3', brass: '6,6+1', '#d8a035': '4,8' } },
        ],
    });
    const plan = async () => (await desk.stored()).plan;
    const palette = page.getByRole('region', { name: 'Palette' });
    const findings = page.getByRole('region', { name: 'Findings' });

    // Two that are hardly told apart become one; one that is not of the palette becomes the nearest of it.
    await expect(palette.getByText('3 colours drawn')).toBeVisible();
    await findings.getByRole('button', { name: /^Make both/ }).click();
    await desk.revision(2);
    expect(Object.keys((await plan()).steps[1]?.['cells'] as Record<string, string>)).toHaveLength(2);
    await palette.getByLabel('colours of the sheet').selectOption('palette');
    await desk.revision(3);
    expect((await plan()).sheet['colours']).toBe('palette');
    await findings.getByRole('button', { name: /^Make it/ }).click();
    await desk.revision(4);
    expect(Object.keys((await plan()).steps[1]?.['cells'] as Record<string, string>)).toHaveLength(1);

    // All that has a colour gets another one, the ground too.
    await palette.getByRole('button', { name: /^Colour night/ }).click();
    await page.getByLabel('Use instead').selectOption('brass');
    await desk.revision(5);
    expect(await plan()).toMatchObject({ sheet: { background: 'brass' } });
    expect((await plan()).palette).not.toHaveProperty('night');

    const [tokens] = await Promise.all([page.waitForEvent('download'), palette.getByRole('button', { name: 'As tokens' }).click()]);
    expect(JSON.parse(await readFile(await tokens.path(), 'utf8'))).toMatchObject({
        $type: 'color',
        lamp: { $value: { colorSpace: 'srgb', hex: '#f2b33d' } },
    });
    const [strip] = await Promise.all([page.waitForEvent('download'), palette.getByRole('button', { name: 'As a strip' }).click()]);
    const png = PNG.sync.read(await readFile(await strip.path()));
    expect([png.width, png.height]).toEqual([Object.keys((await plan()).palette).length, 1]);

    const given = new PNG({ width: 2, height: 1 });
    given.data.set([0x0f, 0x6e, 0x84, 255, 0xf2, 0xb3, 0x3d, 255]);
    await palette
        .getByLabel('Bring in a palette')
        .setInputFiles({ name: 'strip.png', mimeType: 'image/png', buffer: PNG.sync.write(given) });
    await desk.revision(6);
    expect((await plan()).palette).toMatchObject({ colour: '#0f6e84', lamp: '#f2b33d' });
    await palette
        .getByLabel('Bring in a palette')
        .setInputFiles({
            name: 'tokens.json',
            mimeType: 'application/json',
            buffer: Buffer.from('{"sky": {"$type": "color", "$value": "#a0cecf"}}'),
        });
    await desk.revision(7);
    expect((await plan()).palette).toMatchObject({ sky: '#a0cecf' });
    await palette
        .getByLabel('Bring in a palette')
        .setInputFiles({ name: 'other.json', mimeType: 'application/json', buffer: Buffer.from('{}') });
    await expect(palette.getByText('Expected design tokens with colours')).toBeVisible();
});
