import { expect, test } from './journey';
import { DeskPage } from './desk';

test('a lamp drawn once, placed at points and in cells, worked on from one of its copies, and one copy released', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.bring('Platform lamps', {
        format: 'sternbild-plan',
        version: 1,
        sheet: { width: 800, height: 800, unit: 'px', background: null },
        palette: { ink: '#1b2140', amber: '#d99411' },
        values: {},
        steps: [
            { id: 'g1', kind: 'grid.rectangular', origin: [80, 80], columns: 8, rows: 8, cell: [80, 80] },
            { id: 'p1', kind: 'part.circle', center: [400, 400], radius: 24 },
            { id: 's1', kind: 'style', of: ['p1'], fill: 'amber' },
        ],
    });
    await desk.pick('parts', [[400, 400]]);
    await desk.verb('copy', 'Motif…');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(2);
    expect((await desk.stored()).plan.steps.slice(-2)).toEqual([
        { id: 'f1', kind: 'motif', of: ['p1'], anchor: 'p1!' },
        { id: 'q1', kind: 'place', motif: 'f1', at: ['p1!'] },
    ]);

    await desk.pick('points', [[160, 160], [640, 160]]);
    await desk.verb('copy', 'Place…');
    await expect(page.getByLabel('motif', { exact: true })).toHaveValue('f1');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(3);
    expect((await desk.stored()).plan.steps.at(-1)).toMatchObject({ kind: 'place', motif: 'f1', at: ['g1@1,1', 'g1@7,1'] });

    // Into cells, in their middles.
    await desk.mode('cells').click();
    for (const [x, y] of [[200, 600], [600, 600]] as const) await page.mouse.click(...(await desk.at(x, y)));
    await desk.verb('copy', 'Place…');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(4);
    expect((await desk.measures('q3'))['area']).toBeCloseTo(2 * Math.PI * 24 ** 2, 6);

    // From any copy to what is drawn once, by keyboard: it is worked on alone, and the copies follow.
    await desk.pick('parts', [[640, 160]]);
    await page.keyboard.press('0');
    await page.keyboard.press('5');
    await page.keyboard.press('6');
    await desk.revision(5);
    expect((await desk.stored()).plan.chapters).toEqual([{ name: 'Motif 1', from: 'p1' }, { name: 'Construction', from: 'q1' }]);
    await desk.pick('parts', [[400, 400]]);
    await desk.setNumber('radius of disc 1', '30');
    await desk.revision(6);
    expect((await desk.measures('q2'))['area']).toBeCloseTo(2 * Math.PI * 30 ** 2, 6);
    expect((await desk.measures('q3'))['area']).toBeCloseTo(2 * Math.PI * 30 ** 2, 6);
    await page.getByRole('button', { name: 'Show all' }).click();

    // One copy becomes a part of its own.
    await desk.mode('parts').click();
    await page.getByLabel('What of a part the pointer picks').selectOption('copies');
    await desk.pick('parts', [[640, 160]]);
    await desk.verb('copy', 'Release');
    await desk.revision(7);
    expect((await desk.stored()).plan.steps.at(-1)).toMatchObject({ kind: 'move', of: ['q2[2]'], by: [0, 0] });
});
