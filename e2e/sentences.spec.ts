import { expect, test } from './journey';
import { DeskPage } from './desk';
import { type } from './type';

test('numbers are typed, stepped, dragged and worked out in the sentence; wrong ones say why beside the number', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Numbers');
    await desk.layPolarGrid();
    await desk.revision(2);
    const rings = page.getByLabel('rings of grid 1', { exact: true });

    await desk.setNumber('rings of grid 1', '2*4');
    await desk.revision(3);
    expect((await desk.stored()).plan.steps[0]).toMatchObject({ rings: '2*4' });
    await expect(rings).toHaveValue('2*4');

    await page.keyboard.press('Escape');
    const box = await rings.boundingBox();
    if (box === null) throw new Error('The number is not shown.');
    await desk.dragAcross([box.x + 4, box.y + 10], [box.x + 34, box.y + 10]);
    await desk.revision(4);
    expect((await desk.stored()).plan.steps[0]).toMatchObject({ rings: 11 });

    for (const [typed, says] of [
        ['0', 'rings must be at least 1'],
        ['2.5', 'whole number'],
        ['1/0', 'divides by zero'],
        ['1e9', 'at most 100000'],
        ['nope', 'names “nope”'],
    ] as const) {
        await desk.setNumber('rings of grid 1', typed);
        await expect(page.getByRole('alert').filter({ hasText: says })).toBeVisible();
        await rings.press('Escape');
        await expect(page.getByRole('alert')).toHaveCount(0);
    }
    expect((await desk.stored()).revision).toBe(4);

    // The sheet follows while a number is typed, before it is taken.
    await rings.click();
    await type(rings, '3');
    await desk.sheet.hover();
    await page.mouse.move(...(await desk.around(300, 0)));
    await expect(page.getByText('ring 3, sector 1')).toBeVisible();
    await rings.press('Escape');
    expect((await desk.stored()).revision).toBe(4);
});

test('steps are named, muted, hidden, moved, deleted and brought back', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Steps');
    await desk.layPolarGrid();
    await desk.revision(2);
    for (const [heading, number] of [[0, 3], [36, 4]] as const) {
        await desk.mode('cells').click();
        await page.mouse.click(...(await desk.around(160, heading)));
        await desk.verb('make', 'Make a part');
        await desk.revision(number);
    }
    const menu = async (step: string, item: string): Promise<void> => {
        await page.getByRole('button', { name: `More for step ${step}` }).focus();
        await page.keyboard.press('Enter');
        await page.getByRole('menuitem', { name: item }).click();
    };

    await menu('2, part 1', 'Rename');
    await type(page.getByLabel('Name of part 1'), 'petal');
    await page.keyboard.press('Enter');
    await desk.revision(5);
    await menu('3, part 2', 'Move up');
    await desk.revision(6);
    expect((await desk.stored()).plan.steps.map((step) => step.id)).toEqual(['g1', 'p2', 'p1']);
    await menu('3, petal', 'Mute');
    await desk.revision(7);
    await menu('2, part 1', 'Hide');
    await desk.revision(8);
    expect((await desk.stored()).plan.steps).toMatchObject([
        { id: 'g1' },
        { id: 'p2', hidden: true },
        { id: 'p1', name: 'petal', muted: true },
    ]);

    // A step cannot stand before what it is built on, and says so.
    await menu('1, grid 1', 'Move down');
    await expect(page.getByRole('alert').filter({ hasText: 'earlier step' })).toBeVisible();
    await menu('1, grid 1', 'Delete');
    await desk.revision(9);
    await expect(page.getByText('grid 1 is not in the plan').or(page.getByText('“g1” is not in the plan')).first()).toBeVisible();
    expect((await desk.stored()).plan.steps[1]).toMatchObject({ cells: ['g1#3,1'] });

    await page.getByRole('button', { name: 'Undo' }).click();
    await desk.revision(8);
    await page.reload();
    await desk.revision(8);
    await page.getByRole('button', { name: 'Redo' }).click();
    await desk.revision(9);
});

test('cells are picked in whole rings, added to a part and taken from it', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Picking');
    await desk.layPolarGrid();
    await desk.revision(2);
    await page.getByLabel('How far a click reaches').selectOption('the whole ring');
    await page.mouse.click(...(await desk.around(300, 20)));
    await expect(page.getByText('10 cells of grid 1')).toBeVisible();
    await desk.verb('make', 'Make a part');
    await desk.revision(3);
    expect((await desk.stored()).plan.steps[1]).toMatchObject({ cells: ['g1#5,*'] });

    await desk.setNumber('sectors of grid 1', '16');
    await desk.revision(4);
    expect(await desk.measures('p1')).toMatchObject({ pieces: 1, holes: 1, nodes: 0 });

    await desk.mode('cells').click();
    await page.getByLabel('How far a click reaches').selectOption('one by one');
    await page.mouse.click(...(await desk.around(224, 0)));
    await page.getByRole('button', { name: 'Add to part 1' }).click();
    await desk.revision(5);
    expect((await desk.stored()).plan.steps[1]).toMatchObject({ cells: ['g1#5,*', 'g1#4,1'] });
    // What was added is picked still.
    await expect(page.locator('[data-picked="1"]')).toBeVisible();
    await desk.sheet.press('Escape');
    await page.mouse.click(...(await desk.around(288, 180)));
    await page.getByRole('button', { name: 'Take from part 1' }).click();
    await desk.revision(6);
    const cells = (await desk.stored()).plan.steps[1]?.['cells'] as string[];
    expect(cells).toHaveLength(16);
    expect(cells).not.toContain('g1#5,9');
});

test('palette colours are named, changed and used by many', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.sheets();
    await page.getByRole('button', { name: 'More for Harbour Square floor rosette', exact: true }).click();
    await page.getByRole('menuitem', { name: 'Duplicate' }).click();
    await page.getByRole('link', { name: 'Open Harbour Square floor rosette, copy' }).first().click();
    await desk.revision(1);
    await page.getByRole('button', { name: /^Colour lagoon/ }).click();
    await type(page.getByLabel('Name', { exact: true }), 'harbour');
    await type(page.getByLabel('Colour as #rrggbb'), 'blue');
    await page.getByRole('button', { name: 'Set' }).click();
    await expect(page.getByRole('alert').filter({ hasText: 'a colour as #rrggbb' })).toBeVisible();
    // By eye, with the arrow keys: the text follows.
    await page.getByRole('slider', { name: 'Hue' }).press('ArrowRight');
    await expect(page.getByLabel('Colour as #rrggbb')).toHaveValue(/^#[0-9a-f]{6}$/);
    await type(page.getByLabel('Colour as #rrggbb'), '#22668a');
    await page.getByRole('button', { name: 'Set' }).click();
    await desk.revision(2);
    const { plan } = await desk.stored();
    expect(plan.palette).toMatchObject({ harbour: '#22668a' });
    expect(plan.palette).not.toHaveProperty('lagoon');
    expect(plan.steps.filter((step) => step['fill'] === 'harbour')).toHaveLength(1);
});

test('sentences are found by what they say, and keep their numbers', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.sheets();
    await page.getByRole('link', { name: 'Open Wayfinding icons', exact: true }).click();
    await expect(desk.sheet).toBeVisible();
    const { plan } = await desk.stored();
    const rows = page.getByRole('navigation', { name: 'Plan' }).locator('[data-step]');
    // Of a long plan only those in view are drawn.
    await expect(page.getByText(`${plan.steps.length} steps`)).toBeVisible();
    await type(page.getByLabel('Find in the plan'), 'Cut ');
    const cuts = plan.steps.filter((step) => step.kind === 'cut').map((step) => step.id);
    await expect(rows).toHaveCount(cuts.length);
    expect(await rows.evaluateAll((found) => found.map((row) => row.getAttribute('data-step')))).toEqual(cuts);
    await expect(page.getByText(`${cuts.length} of ${plan.steps.length}`, { exact: true })).toBeVisible();
    const first = plan.steps.findIndex((step) => step.kind === 'cut') + 1;
    await expect(rows.first().getByRole('button', { name: new RegExp(`^Step ${first}, `) })).toBeVisible();
    await page.keyboard.press('ControlOrMeta+a');
    await type(page.getByLabel('Find in the plan'), 'no such words');
    await expect(page.getByText('No sentence says that.')).toBeVisible();
    await page.getByLabel('Find in the plan').press('Escape');
    await expect(rows.first()).toHaveAttribute('data-step', plan.steps[0]?.id ?? '');
});
