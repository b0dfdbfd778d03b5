import { expect, test } from './journey';
import { DeskPage } from './desk';
import { type } from './type';

test('a lozenge is repeated all over the sheet with sixth turns and mirrors, its cell made wider by a number, and another one along a border', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.bring('Lozenges', {
        format: 'sternbild-plan',
        version: 1,
        sheet: { width: 800, height: 800, unit: 'px', background: null, checks: { small: 0, miss: 0, corner: 0 } },
        palette: { lagoon: '#0f6e84' },
        values: {},
        steps: [
            {
                id: 'p1',
                kind: 'part.outline',
                points: [
                    [420, 380],
                    [434, 386],
                    [428, 396],
                ],
            },
            {
                id: 'p2',
                kind: 'part.outline',
                points: [
                    [100, 700],
                    [120, 690],
                    [120, 700],
                ],
            },
        ],
    });
    await desk.pick('parts', [[427, 387]]);
    await desk.verb('copy', 'Pattern…');
    await type(page.getByRole('region', { name: 'Pattern…' }).getByLabel('way, across', { exact: true }), '100');
    await page.getByRole('button', { name: /^group: / }).click();
    await page.getByRole('button', { name: 'p6m, sixth turns and mirrors' }).click();
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(2);
    const pattern = (await desk.stored()).plan.steps.at(-1);
    expect(pattern).toMatchObject({ kind: 'pattern', of: ['p1'], group: 'p6m', show: 'sheet' });
    const id = pattern?.id ?? '';
    const many = (await desk.measures(id))['pieces'] ?? 0;
    // Cells of 100 by 100 at 120° on 800 by 800, twelve copies in each.
    expect(many).toBeGreaterThan(12 * 64);

    // Twice as wide a cell, a quarter as many.
    const way = page.getByLabel(/^way of pattern 1/).first();
    await way.click();
    await type(way, '200');
    await way.press('Enter');
    await desk.revision(3);
    expect((await desk.measures(id))['pieces'] ?? 0).toBeLessThan(many / 2);

    // A border like footprints.
    await desk.pick('parts', [[116, 697]]);
    await desk.verb('copy', 'Frieze…');
    await type(page.getByLabel('count', { exact: true }), '5');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(4);
    const frieze = (await desk.stored()).plan.steps.at(-1);
    expect(frieze).toMatchObject({ kind: 'frieze', of: ['p2'], group: 'p11g', count: 5 });
    expect((await desk.measures(frieze?.id ?? ''))['pieces']).toBe(10);
});

test('what is drawn in any cell is drawn in all of them; copies take colours by turns; another part is filled with the pattern, turned and smaller', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.bring('Counterchange', {
        format: 'sternbild-plan',
        version: 1,
        sheet: { width: 800, height: 800, unit: 'px', background: null, checks: { small: 0, miss: 0, corner: 0 } },
        palette: { lagoon: '#0f6e84', copper: '#d0683f' },
        values: {},
        steps: [
            { id: 'g1', kind: 'grid.rectangular', origin: [0, 0], columns: 40, rows: 40, cell: [20, 20] },
            { id: 'p1', kind: 'part.outline', points: ['g1@21,20', 'g1@23,21', 'g1@21,21'] },
            { id: 'w1', kind: 'pattern', of: ['p1'], group: 'p4', origin: 'g1@20,20', a: [200, 0], show: 'sheet' },
            { id: 'c1', kind: 'part.circle', center: [300, 300], radius: 40 },
        ],
    });
    const plan = async () => (await desk.stored()).plan;

    // By keyboard: the family of copies, then drawing in. A triangle two cells to the right comes into the cell of the motif.
    await desk.pick('parts', [[426, 415]]);
    await desk.sheet.focus();
    await page.keyboard.press('0');
    await expect(page.getByRole('radio', { name: /^\d? ?copy$/ })).toBeVisible();
    await page.keyboard.press('5');
    await desk.verb('copy', 'Draw in its cells');
    await expect(page.getByText('Drawing in every cell')).toBeVisible();
    for (const [x, y] of [[640, 460], [680, 460], [640, 480]] as const) await page.mouse.click(...(await desk.at(x, y)));
    await desk.verb('make', 'Outline');
    await desk.revision(2);
    const [drawn] = (await plan()).steps.filter(({ kind, id }) => kind === 'part.outline' && id !== 'p1');
    expect(drawn).toMatchObject({ points: ['g1@22,23', 'g1@24,23', 'g1@22,24'] });
    expect((await plan()).steps.find(({ id }) => id === 'w1')).toMatchObject({ of: ['p1', drawn?.id] });
    await page.getByRole('button', { name: 'Done', exact: true }).click();

    // Colours by turns are one list in the sentence.
    await page.getByRole('button', { name: /^More for step \d+, pattern 1$/ }).focus();
    await page.keyboard.press('Enter');
    await page.getByRole('menuitem', { name: 'Say all of it' }).click();
    await page.getByRole('button', { name: /colours by turns of pattern 1, one more$/ }).click();
    await desk.revision(3);
    await page.getByRole('button', { name: /colours by turns of pattern 1, one more$/ }).click();
    await desk.revision(4);
    expect((await plan()).steps.find(({ id }) => id === 'w1')).toMatchObject({ colours: ['lagoon', 'copper'] });
    expect(await svg(desk)).toMatch(/#d0683f/);

    // The disc is filled with it: half as large, turned by 30°.
    await desk.pick('parts', [[300, 300]]);
    await desk.verb('look', 'Pattern fill…');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(5);
    await page.getByRole('button', { name: /^fill of look 1: / }).click();
    await type(page.getByLabel('Times as large'), '0.5');
    await type(page.getByLabel('Turned by'), '30');
    await page.keyboard.press('Enter');
    await desk.mode('parts').click();
    await desk.revision(6);
    expect((await plan()).steps.at(-1)).toMatchObject({ kind: 'style', of: ['c1'], fill: { pattern: 'w1', resize: 0.5, turn: 30 } });
    expect(await svg(desk)).toContain('clip-path');

    // Whatever stands beside the sheet scrolls by itself; the page stays where it is.
    expect(await page.evaluate(() => document.documentElement.scrollHeight - window.innerHeight)).toBe(0);

    // Half-drop is said in the trade's own word.
    await page.getByRole('button', { name: /^Step \d+, pattern 1$/ }).click();
    await page.getByRole('button', { name: /^group of pattern 1: / }).click();
    await page.getByRole('button', { name: 'p1, half-drop' }).click();
    await desk.revision(7);
    expect((await plan()).steps.find(({ id }) => id === 'w1')).toMatchObject({ group: 'p1', a: [200, 100], b: [0, 200] });
});

async function svg(desk: DeskPage): Promise<string> {
    return (await desk.page.request.get(`/api/sheets/${new URL(desk.page.url()).pathname.split('/').at(-1)}/file?format=svg`)).text();
}
