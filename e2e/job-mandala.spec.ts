import { expect, test } from './journey';
import { DeskPage } from './desk';
import { type } from './type';

test('a mandala of own motifs: placed in one sector, mirrored in all, drawn on in any of them, with other counts, and varied', async ({
    page,
}) => {
    const desk = new DeskPage(page);
    await desk.bring('Concourse', {
        format: 'sternbild-plan',
        version: 1,
        sheet: { width: 800, height: 800, unit: 'px', background: null, checks: { small: 0, corner: 0 } },
        palette: { lagoon: '#0f6e84', brass: '#e5c78f', plum: '#5a2a4d' },
        values: {},
        steps: [
            { id: 'g1', kind: 'grid.polar', center: [400, 400], radius: 360, rings: 6, sectors: 14, axis: 'sector' },
            { id: 'p1', kind: 'part.rectangle', name: 'rail', corners: [[40, 40], [50, 90]] },
            { id: 'p2', kind: 'part.circle', name: 'lamp', center: [120, 60], radius: 14 },
        ],
    });
    let revision = 1;
    const next = async () => desk.revision(++revision);
    const doIt = async () => {
        await page.getByRole('button', { name: 'Do it' }).click();
        await next();
    };
    const stored = async () => (await desk.stored()).plan.steps;

    // A rail and a lamp are motifs, each placed in the first sector: one between its edge and its middle, one in a cell.
    await desk.pick('parts', [[45, 65]]);
    await desk.verb('copy', 'Motif…');
    await doIt();
    await desk.pick('parts', [[120, 60]]);
    await desk.verb('copy', 'Motif…');
    await doIt();
    const sector = Math.PI / 14;
    await desk.mode('cells').click();
    await page.mouse.click(...(await desk.at(400, 400 - 60 * 4.5)));
    await desk.verb('copy', 'Place…');
    await expect(page.getByLabel('motif', { exact: true })).toHaveValue('f2');
    await doIt();
    expect((await stored()).at(-1)).toMatchObject({ kind: 'place', motif: 'f2', at: ['g1#5,1'] });
    const lamp = (await stored()).at(-1)?.id ?? '';

    // As many as the grid has sectors, each with its mirror image.
    await desk.pick('parts', [[400, 400 - 60 * 4.5]]);
    await desk.verb('copy', 'Around…');
    await page.getByLabel('mirror', { exact: true }).check();
    await doIt();
    expect((await stored()).at(-1)).toMatchObject({ kind: 'repeat.around', of: [lamp], center: 'g1@0', count: 'g1.sectors', mirror: true });

    // Drawn on in another sector, the wave lands in the first one and closes with its neighbours at the edge.
    await desk.pick('parts', [[400, 400 - 60 * 4.5]]);
    await desk.verb('copy', 'Draw in its sectors');
    await expect(page.getByText('Drawing in every sector')).toBeVisible();
    const far = (ring: number, k: number): [number, number] => {
        const angle = (k * 2 * Math.PI) / 14 - sector;
        return [400 + 60 * ring * Math.sin(angle), 400 - 60 * ring * Math.cos(angle)];
    };
    await desk.pick('points', [far(2, 5), far(2, 6), far(3, 6), far(3, 5)]);
    await desk.verb('make', 'Outline');
    await next();
    let steps = await stored();
    const repeat = steps.find(({ kind }) => kind === 'repeat.around');
    const wave = steps.find(({ kind }) => kind === 'part.outline');
    expect(wave?.['points']).toEqual(expect.arrayContaining(['g1@2,1', 'g1@2,2', 'g1@3,2', 'g1@3,1']));
    expect(repeat?.['of']).toEqual([lamp, wave?.id]);
    await page.getByRole('button', { name: 'Done', exact: true }).click();
    await expect(page.getByText('Drawing in every sector')).toBeHidden();
    // Fourteen fields side by side, each with its mirror image on it: a ring with straight sides.
    const field = 0.5 * (180 ** 2 - 120 ** 2) * Math.sin((2 * Math.PI) / 14);
    const discs = Math.PI * 14 ** 2;
    expect(await desk.covered('r1')).toBeCloseTo(14 * (field + discs), 2);

    // Another count, and half of it near the middle.
    await desk.mode('cells').click();
    await page.mouse.click(...(await desk.at(400, 400 - 60 * 0.5)));
    await desk.verb('copy', 'Place…');
    await page.getByLabel('motif', { exact: true }).selectOption('f1');
    await doIt();
    await desk.pick('parts', [[400, 400 - 60 * 0.5]]);
    await desk.verb('copy', 'Around…');
    await type(page.getByLabel('count', { exact: true }), 'g1.sectors/2');
    await doIt();
    await desk.setNumber('sectors of grid 1', '18');
    await next();
    const after = 0.5 * (180 ** 2 - 120 ** 2) * Math.sin((2 * Math.PI) / 18);
    expect(await desk.covered('r1')).toBeCloseTo(18 * (after + discs), 2);
    expect(await desk.covered('r2')).toBeCloseTo(9 * 10 * 50, 4);

    // Twelve variations, three of them kept.
    await page.getByRole('button', { name: 'Vary' }).click();
    const dialog = page.getByRole('dialog', { name: 'Variations' });
    await expect(dialog.getByRole('img')).toHaveCount(12);
    for (const number of [2, 6, 11]) {
        await dialog.getByRole('button', { name: `Keep variation ${number} as a sheet` }).click();
        await expect(dialog.getByText(new RegExp(`Kept as Concourse, \\d+\\.${number}`))).toBeVisible();
    }
    await page.keyboard.press('Escape');

    // In the end the grid is not shown.
    await page.getByRole('button', { name: 'Grid on' }).click();
    await expect(page.getByRole('button', { name: 'Grid off' })).toBeVisible();
    steps = await stored();
    const svg = await (await page.request.get(`/api/sheets/${new URL(page.url()).pathname.split('/').at(-1)}/file?format=svg`)).text();
    expect(svg).not.toContain('id="g1"');
    expect(svg.match(/<(path|use) /g)?.length).toBeGreaterThanOrEqual(36 * 2);
});
