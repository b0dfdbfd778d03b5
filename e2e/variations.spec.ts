import { expect, test } from './journey';
import { DeskPage } from './desk';
import { type } from './type';

test('twelve variations side by side: what varies is chosen, one is kept as a sheet, another taken over and undone', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.bring('Floor star', {
        format: 'sternbild-plan',
        version: 1,
        sheet: { width: 800, height: 800, unit: 'px', background: null },
        palette: { lagoon: '#0f6e84' },
        values: { bead: 40 },
        steps: [
            { id: 'g1', kind: 'grid.polar', center: [400, 400], radius: 300, rings: 4, sectors: 14 },
            { id: 'p1', kind: 'part.circle', center: 'g1@3,1', radius: 'bead' },
            { id: 'r1', kind: 'repeat.around', of: ['p1'], center: 'g1@0', count: 'g1.sectors' },
            { id: 's1', kind: 'style', of: ['r1'], fill: 'lagoon' },
        ],
    });
    await page.getByRole('button', { name: 'Vary' }).click();
    const dialog = page.getByRole('dialog', { name: 'Variations' });
    await expect(dialog.getByRole('img')).toHaveCount(12);
    await dialog.getByRole('button', { name: 'radius of grid 1' }).click();
    await dialog.getByRole('button', { name: 'rings of grid 1' }).click();
    await type(dialog.getByLabel('Lot'), '7');
    await expect(dialog.getByText('12 of the lot 7')).toBeVisible();
    await dialog.getByRole('button', { name: 'Keep variation 2 as a sheet' }).click();
    await expect(dialog.getByText('Kept as Floor star, 7.2')).toBeVisible();
    await dialog.getByRole('button', { name: 'Take over variation 5' }).focus();
    await page.keyboard.press('Enter');
    await desk.revision(2);
    const [grid] = (await desk.stored()).plan.steps;
    expect(grid).toMatchObject({ radius: 300, rings: 4 });
    expect((await desk.stored()).plan.values['bead']).not.toBe(40);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByLabel('value bead', { exact: true })).toHaveValue('40');
});
