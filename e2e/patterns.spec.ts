import { expect, test } from '@playwright/test';
import { DeskPage } from './desk';

test('a lozenge is repeated all over the sheet with sixth turns and mirrors, its cell made wider by a number, and another one along a border', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.bring('Seat fabric', {
        format: 'sternbild-plan', version: 1, sheet: { width: 800, height: 800, unit: 'px', background: null, checks: { small: 0, miss: 0, corner: 0 } }, palette: { lagoon: '#0f6e84' }, values: {},
        steps: [{ id: 'p1', kind: 'part.outline', points: [[420, 380], [434, 386], [428, 396]] }, { id: 'p2', kind: 'part.outline', points: [[100, 700], [120, 690], [120, 700]] }],
    });
    await desk.pick('parts', [[427, 387]]);
    await desk.verb('copy', 'Pattern…');
    await page.getByLabel('group', { exact: true }).selectOption({ label: 'p6m, sixth turns and mirrors' });
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
    await way.fill('200');
    await way.press('Enter');
    await desk.revision(3);
    expect((await desk.measures(id))['pieces'] ?? 0).toBeLessThan(many / 2);

    // A border like footprints.
    await desk.pick('parts', [[116, 697]]);
    await desk.verb('copy', 'Frieze…');
    await page.getByLabel('count', { exact: true }).fill('5');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(4);
    const frieze = (await desk.stored()).plan.steps.at(-1);
    expect(frieze).toMatchObject({ kind: 'frieze', of: ['p2'], group: 'p11g', count: 5 });
    expect((await desk.measures(frieze?.id ?? ''))['pieces']).toBe(10);
});
