import { expect, test } from './journey';
import { DeskPage } from './desk';

const FAMILIES = [
    { name: 'Polar grid', kind: 'grid.polar', cell: 'ring 1, sector 1' },
    { name: 'Rectangular grid', kind: 'grid.rectangular', cell: 'column 1, row 1' },
    { name: 'Two-axis grid', kind: 'grid.twoaxis', cell: 'column 1, row 1' },
    { name: 'Triangular grid', kind: 'grid.triangular', cell: 'column 1, row 1' },
    { name: 'Golden grid', kind: 'grid.golden', cell: 'cell 1' },
    { name: 'Pixel grid', kind: 'grid.pixel', cell: 'column 1, row 1' },
];

test('every family of grids is laid, walked over, and gives parts', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Families');
    let revision = 1;
    for (const [number, family] of FAMILIES.entries()) {
        await desk.grid(family.name);
        await expect(page.getByRole('heading', { name: family.name })).toBeVisible();
        await page.getByRole('button', { name: 'Do it' }).click();
        await desk.revision(++revision);
        await desk.sheet.focus();
        await page.keyboard.press('ArrowRight');
        await expect(page.getByText(family.cell, { exact: true })).toBeVisible();
        await page.keyboard.press('Enter');
        await page.keyboard.press('Shift+ArrowRight');
        await desk.verb('make', 'Make a part');
        await desk.revision(++revision);
        const { plan } = await desk.stored();
        expect(plan.steps.at(-2)).toMatchObject({ kind: family.kind });
        expect(plan.steps.at(-1)?.['cells']).toHaveLength(2);
        expect(await desk.measures(`p${number + 1}`)).toMatchObject({ pieces: 1, holes: 0 });
        await desk.mode('cells').click();
    }
    const { scene } = await desk.stored();
    expect((scene as unknown as { findings: { level: string }[] }).findings.filter((finding) => finding.level !== 'note')).toEqual([]);
});
