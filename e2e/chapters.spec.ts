import { expect, test } from './journey';
import { DeskPage } from './desk';
import { type } from './type';

/** A sheet of two squares and two discs, in two chapters. */
const PLAN = {
    format: 'sternbild-plan',
    version: 1,
    sheet: { width: 800, height: 800, unit: 'px', background: null },
    palette: { lagoon: '#0f6e84', brick: '#c65f3c' },
    chapters: [
        { name: 'Squares', from: 'p1' },
        { name: 'Discs', from: 'p3' },
    ],
    steps: [
        { id: 'g1', kind: 'grid.rectangular', origin: [0, 0], columns: 8, rows: 8, cell: [100, 100] },
        { id: 'p1', kind: 'part.rectangle', corners: ['g1@1,1', 'g1@3,3'] },
        { id: 'p2', kind: 'part.rectangle', corners: ['g1@1,4', 'g1@3,6'] },
        { id: 's1', kind: 'style', of: ['p1', 'p2'], fill: 'lagoon' },
        { id: 'p3', kind: 'part.circle', center: 'g1@5,2', radius: 100 },
        { id: 'p4', kind: 'part.circle', center: 'g1@2,2', radius: 40 },
    ],
};

test('a chapter is named, worked on alone, moved as a whole, folded and dissolved; a sentence is dragged into it', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.bring('Chapters', PLAN);
    const plan = page.getByRole('navigation', { name: 'Plan' });
    const chapter = (name: string) => plan.locator('[data-chapter]').filter({ hasText: name });

    // Alone: the disc over the square is not picked, the square under it is; what is new comes into the chapter.
    await chapter('Squares').getByRole('button', { name: 'Work on it' }).click();
    await expect(plan.locator('[data-step="p3"]')).toHaveCount(0);
    await desk.mode('parts').click();
    await page.mouse.click(...(await desk.at(200, 200)));
    await expect(page.locator('[data-picked="1"]')).toHaveText(/rectangle 1/);
    await desk.verb('place', 'Turn…');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(2);
    const turned = (await desk.stored()).plan;
    expect(turned.steps.map((step) => step.id)).toEqual(['g1', 'p1', 'p2', 's1', 'v1', 'p3', 'p4']);
    await chapter('Squares').getByRole('button', { name: 'Show all' }).click();
    await expect(plan.locator('[data-step="p3"]')).toBeVisible();

    // By menu: another name; a chapter of its own from a sentence on.
    await chapter('Discs').hover();
    await chapter('Discs').getByRole('button', { name: 'More for chapter Discs' }).click();
    await page.getByRole('menuitem', { name: 'Rename' }).click();
    await type(page.getByLabel('Name of chapter Discs'), 'Dots');
    await page.getByLabel('Name of chapter Discs').press('Enter');
    await desk.revision(3);
    await page.getByRole('button', { name: 'More for step 7, disc 2' }).click({ force: true });
    await page.getByRole('menuitem', { name: 'Begin a chapter here' }).click();
    await desk.revision(4);

    // By keyboard: the whole chapter before the one above.
    await chapter('New chapter').getByRole('button', { expanded: true }).press('Alt+ArrowUp');
    await desk.revision(5);
    expect((await desk.stored()).plan.chapters).toEqual([
        { name: 'Squares', from: 'p1' },
        { name: 'New chapter', from: 'p4' },
        { name: 'Dots', from: 'p3' },
    ]);

    // By pointer: a sentence to the head of a chapter; where it cannot be, it says why and stays.
    const drag = async (from: string, to: ReturnType<typeof chapter>) => {
        const [a, b] = [await plan.locator(`[data-step="${from}"] button`).first().boundingBox(), await to.boundingBox()];
        await page.mouse.move((a?.x ?? 0) + 30, (a?.y ?? 0) + 10);
        await page.mouse.down();
        await page.mouse.move((a?.x ?? 0) + 32, (a?.y ?? 0) + 30, { steps: 4 });
        await page.mouse.move((b?.x ?? 0) + 60, (b?.y ?? 0) + 12, { steps: 8 });
        await page.mouse.up();
    };
    await drag('p2', chapter('Dots'));
    await expect(plan.locator('[data-step="p2"]').getByRole('alert')).toContainText('an earlier step');
    await drag('p3', chapter('New chapter'));
    await desk.revision(6);
    expect((await desk.stored()).plan.chapters).toEqual([{ name: 'Squares', from: 'p1' }, { name: 'New chapter', from: 'p3' }]);

    await chapter('New chapter').getByRole('button', { expanded: true }).click();
    await expect(plan.locator('[data-step="p3"]')).toHaveCount(0);
    await desk.mode('parts').click();
    await page.mouse.click(...(await desk.at(500, 200)));
    // Picked on the sheet, its sentence is there again.
    await expect(plan.locator('[data-step="p3"]')).toBeVisible();
    await chapter('New chapter').getByRole('button', { name: 'More for chapter New chapter' }).click({ force: true });
    await page.getByRole('menuitem', { name: 'Dissolve' }).click();
    await desk.revision(7);
    expect((await desk.stored()).plan.chapters).toEqual([{ name: 'Squares', from: 'p1' }]);
});

test('a plan of 300 steps is scrolled, searched and edited at its end; like sentences stand in one line', async ({ page }) => {
    const desk = new DeskPage(page);
    const circles = Array.from({ length: 150 }, (_, k) => ({ id: `c${k}`, kind: 'guide.circle', center: 'g1@4,4', radius: 10 + k }));
    const squares = Array.from({ length: 149 }, (_, k) => ({
        id: `p${k}`,
        kind: 'part.rectangle',
        name: `square ${k}`,
        corners: [
            [k, k],
            [k + 9, k + 9],
        ],
    }));
    await desk.bring('Three hundred', { ...PLAN, chapters: undefined, steps: [PLAN.steps[0], ...circles, ...squares] });
    const plan = page.getByRole('navigation', { name: 'Plan' });
    await expect(plan.getByText('150 circles on grid 1')).toBeVisible();
    await expect(page.getByText('300 steps')).toBeVisible();
    // Not all are drawn, and all are there.
    expect(await plan.locator('[data-step]').count()).toBeLessThan(60);
    await plan.getByText('150 circles on grid 1').click();
    await expect(plan.locator('[data-step="c0"]')).toBeVisible();
    await type(page.getByLabel('Find in the plan'), 'square 148');
    await expect(plan.locator('[data-step]')).toHaveCount(1);
    await plan.getByRole('button', { name: 'Step 300, square 148', exact: true }).click();
    await page.getByLabel('Find in the plan').press('Escape');
    // The search over, the picked sentence is still in view.
    await expect(plan.locator('[data-step="p148"]')).toBeInViewport();
    await page.getByRole('button', { name: 'More for step 300, square 148' }).click({ force: true });
    await page.getByRole('menuitem', { name: 'Delete' }).click();
    await desk.revision(2);
    expect((await desk.stored()).plan.steps).toHaveLength(299);
});
