import { expect, test } from './journey';
import { DeskPage } from './desk';
import { type } from './type';

async function rectangle(desk: DeskPage): Promise<void> {
    await desk.grid('Rectangular grid');
    await desk.page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(2);
    await desk.pick('points', [[160, 160], [320, 240]]);
    await desk.verb('make', 'Rectangle');
    await desk.revision(3);
}

test('a corner is dragged on the sheet and snaps; with the arrow keys it goes along the grid', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Handles');
    await rectangle(desk);
    expect((await desk.stored()).plan.steps.at(-1)).toEqual({ id: 'p1', kind: 'part.rectangle', corners: ['g1@1,1', 'g1@3,2'] });

    await page.getByRole('button', { name: 'Step 2, rectangle 1', exact: true }).click();
    const corner = page.getByRole('button', { name: /^corner 2 of rectangle 1/ });
    // Not quite to the intersection at 480, 400.
    await desk.dragAcross(await desk.at(320, 240), await desk.at(483, 397));
    await desk.revision(4);
    expect((await desk.stored()).plan.steps.at(-1)?.['corners']).toEqual(['g1@1,1', 'g1@5,4']);
    expect((await desk.measures('p1'))['area']).toBeCloseTo(320 * 240, 6);

    await corner.focus();
    await page.keyboard.press('ArrowRight');
    await desk.revision(5);
    await page.keyboard.press('ArrowDown');
    await desk.revision(6);
    expect((await desk.stored()).plan.steps.at(-1)?.['corners']).toEqual(['g1@1,1', 'g1@6,5']);

    // Onto the other corner it cannot go: that is said, and it is where it was.
    await desk.dragAcross(await desk.at(560, 480), await desk.at(160, 160));
    await expect(page.locator('p[aria-live]', { hasText: 'the outline encloses nothing' })).toBeVisible();
    expect((await desk.stored()).plan.steps.at(-1)?.['corners']).toEqual(['g1@1,1', 'g1@6,5']);

    // Taken and left with Escape it is where it was.
    await page.mouse.move(...(await desk.at(560, 480)));
    await page.mouse.down();
    await page.mouse.move(...(await desk.at(640, 640)), { steps: 4 });
    await expect(page.getByText(/^column 7, row 7 of grid 1/)).toBeVisible();
    await page.keyboard.press('Escape');
    await page.mouse.up();
    await expect(page.getByText('column 7, row 7 of grid 1')).toHaveCount(0);
    expect((await desk.stored()).revision).toBe(6);
    expect((await desk.stored()).plan.steps.at(-1)?.['corners']).toEqual(['g1@1,1', 'g1@6,5']);
});

test('a verb is said in everyday words and done again with another pick', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Said');
    await rectangle(desk);
    await desk.sheet.press('Escape');
    await page.keyboard.press('/');
    await page.keyboard.type('rotate');
    // Nothing is picked; what it needs is said, and picked next.
    await expect(page.getByRole('listbox').getByRole('option').first()).toContainText('Turn');
    await expect(page.getByRole('listbox').getByRole('option').first()).toContainText('takes parts');
    await page.keyboard.press('Enter');
    await expect(desk.mode('parts')).toBeChecked();
    await expect(desk.sheet).toBeFocused();
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('Enter');
    // It was said before anything was picked, and goes on with what is.
    await expect(page.getByRole('heading', { name: 'Turn' })).toBeVisible();
    await type(page.getByLabel('angle', { exact: true }), '20');
    await page.keyboard.press('Enter');
    await desk.revision(4);
    await expect(desk.sheet).toBeFocused();
    await page.keyboard.press('.');
    await desk.revision(5);
    expect((await desk.stored()).plan.steps.slice(-2)).toMatchObject([
        { kind: 'turn', of: ['p1'], angle: 20 },
        { kind: 'turn', of: ['v1'], angle: 20 },
    ]);
});

test('a verb is kept on: discs, cuts and parts by one pull each', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Pulls');
    await desk.grid('Rectangular grid');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(2);
    await desk.mode('points').click();
    // Pressed at one place and let go at another: both are picked.
    await desk.dragAcross(await desk.at(160, 160), await desk.at(160, 240));
    await expect(page.locator('[data-picked="2"]')).toHaveCount(1);
    await desk.verb('make', 'Disc, centre and point');
    await desk.revision(3);
    await desk.sheet.focus();
    await page.keyboard.press('k');
    await expect(page.getByRole('heading', { name: 'Disc, centre and point' })).toBeVisible();
    let revision = 3;
    for (const [x, y] of [[240, 160], [480, 160], [560, 160], [240, 480], [480, 560]] as const) {
        await desk.dragAcross(await desk.at(x, y), await desk.at(x, y + 80));
        await desk.revision(++revision);
    }
    await page.keyboard.press('Escape');
    await expect(page.getByRole('heading', { name: 'Disc, centre and point' })).toHaveCount(0);
    const discs = (await desk.stored()).plan.steps.slice(1);
    expect(discs.map((step) => [step.kind, step['center'], step['on']])).toEqual(
        [
            [1, 1],
            [2, 1],
            [5, 1],
            [6, 1],
            [2, 5],
            [5, 6],
        ].map(([column = 0, row = 0]) => ['part.circle', `g1@${column},${row}`, `g1@${column},${row + 1}`]),
    );

    // The second disc out of the first by hand, then the fourth out of the third by a pull.
    await desk.pick('parts', [[120, 160], [280, 160]]);
    await desk.verb('combine', 'Cut from the first');
    await desk.revision(++revision);
    await page.getByRole('button', { name: /Keep on: cut from the first/ }).click();
    await desk.dragAcross(await desk.at(440, 160), await desk.at(600, 160));
    await desk.revision(++revision);
    await page.keyboard.press('Escape');
    expect((await desk.stored()).plan.steps.slice(-2)).toMatchObject([
        { kind: 'cut', from: 'p1', with: ['p2'] },
        { kind: 'cut', from: 'p3', with: ['p4'] },
    ]);
    // Two discs of radius 80 whose centres lie 80 apart: lens of 2r²·(π/3 − √3/4).
    const lens = 2 * 80 ** 2 * (Math.PI / 3 - Math.sqrt(3) / 4);
    expect((await desk.measures('k2'))['area']).toBeCloseTo(Math.PI * 80 ** 2 - lens, 6);
});

test('parts are made by one click each, and merged by pressing on one and dragging across the others', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Merged');
    await desk.grid('Rectangular grid');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(2);
    await page.mouse.click(...(await desk.at(120, 120)));
    await page.keyboard.press('1');
    await desk.revision(3);
    await page.keyboard.press('k');
    await page.mouse.click(...(await desk.at(200, 120)));
    await desk.revision(4);
    await page.mouse.click(...(await desk.at(280, 120)));
    await desk.revision(5);
    await page.keyboard.press('Escape');
    // Said first, it takes what is pressed on and what is drawn across.
    await page.keyboard.press('/');
    await page.keyboard.type('union');
    await page.keyboard.press('Enter');
    await desk.dragAcross(await desk.at(120, 120), await desk.at(290, 120));
    await page.keyboard.press('Enter');
    await desk.revision(6);
    expect((await desk.stored()).plan.steps.at(-1)).toEqual({ id: 'j1', kind: 'join', of: ['p1', 'p2', 'p3'] });
    expect(await desk.measures('j1')).toMatchObject({ pieces: 1, area: 3 * 80 * 80 });
});

test('all keys stand on one page', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Keys on a page');
    await desk.sheet.focus();
    await page.keyboard.press('?');
    await expect(page.getByRole('heading', { name: 'Keys' })).toBeVisible();
    await page.keyboard.press('Escape');
    await expect(desk.sheet).toBeFocused();
    await page.keyboard.press('/');
    await page.getByRole('button', { name: 'All keys' }).click();
    await expect(page.getByRole('heading', { name: 'Keys' })).toBeVisible();
});
