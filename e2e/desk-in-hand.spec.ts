import { expect, test } from './journey';
import { DeskPage } from './desk';
import { signedIn } from './signIn';

/** An outline from place to place, closed where it began. */
async function outline(desk: DeskPage, revision: number, corners: [number, number][]): Promise<void> {
    await desk.pick('points', corners);
    await desk.verb('make', 'Outline');
    await desk.revision(revision);
}

async function begun(desk: DeskPage): Promise<void> {
    await desk.newSheet('In hand');
    await desk.sheet.focus();
}

test('everyday keys: delete, copies, cut, all of it, a name, saved, undo with the pick that was', async ({ page }) => {
    const desk = new DeskPage(page);
    await begun(desk);
    await outline(desk, 2, [[100, 100], [250, 100], [250, 250], [100, 250]]);
    await desk.pick('parts', [[175, 175]]);
    const picked = page.locator('[data-picked]');
    await expect(picked).toHaveText('With outline 1');

    // A copy beside it, picked in its place.
    await page.keyboard.press('Control+d');
    await expect(picked).toHaveText(/^With move/);
    const copies = async () => (await desk.stored()).plan.steps.filter((step) => step['kind'] === 'move');
    expect(await copies()).toMatchObject([{ of: ['p1'], copy: true }]);

    // All of it, then nothing, then one of it taken along and laid down twice.
    await page.keyboard.press('Control+a');
    await expect(picked).toHaveAttribute('data-picked', '2');
    await page.keyboard.press('Escape');
    await expect(picked).toHaveAttribute('data-picked', '0');
    await desk.pick('parts', [[130, 130]]);
    await page.keyboard.press('Control+c');
    await expect(page.getByText('taken along')).toBeVisible();
    await page.keyboard.press('Control+v');
    await expect.poll(async () => (await copies()).length).toBe(2);
    await page.keyboard.press('Control+v');
    await expect.poll(async () => (await copies()).length).toBe(3);
    const ways = (await copies()).map((step) => step['by'] as number[]);
    expect(ways[2]).toEqual(ways[1]?.map((one) => 2 * one));

    // Deleted, and back with its pick.
    const before = await picked.textContent();
    await page.keyboard.press('Delete');
    await expect.poll(async () => (await copies()).length).toBe(2);
    await expect(picked).toHaveAttribute('data-picked', '0');
    await page.keyboard.press('Control+z');
    await expect.poll(async () => (await copies()).length).toBe(3);
    await expect(picked).toHaveText(before ?? '');
    await page.keyboard.press('Control+y');
    await expect.poll(async () => (await copies()).length).toBe(2);

    // What copies are made of: its deletion is told, and offered to be left as it is.
    await desk.pick('parts', [[110, 110]]);
    await expect(picked).toHaveText('With outline 1');
    await page.keyboard.press('Backspace');
    await page.getByRole('button', { name: 'Hide it instead' }).click();
    await expect.poll(async () => (await desk.stored()).plan.steps.find(({ id }) => id === 'p1')).toMatchObject({ hidden: true });
    expect(await copies()).toHaveLength(2);

    await page.keyboard.press('Control+s');
    await expect(page.getByText('All of it is saved')).toBeVisible();
});

test('a name by its key, from the sheet and in the plan; with Shift the plan picks one more', async ({ page }) => {
    const desk = new DeskPage(page);
    await begun(desk);
    await outline(desk, 2, [[100, 100], [250, 100], [250, 250], [100, 250]]);
    await outline(desk, 3, [[400, 400], [550, 400], [550, 550], [400, 550]]);
    await desk.pick('parts', [[175, 175]]);
    await page.keyboard.press('F2');
    await page.keyboard.type('door', { delay: 5 });
    await page.keyboard.press('Enter');
    await expect.poll(async () => (await desk.stored()).plan.steps[0]).toMatchObject({ name: 'door' });

    await page.getByRole('button', { name: 'Step 2, outline 2', exact: true }).click({ modifiers: ['Shift'] });
    await expect(page.locator('[data-picked]')).toHaveAttribute('data-picked', '2');

    // In the plan, with the keyboard alone, its own line goes.
    await page.getByRole('button', { name: 'Step 2, outline 2', exact: true }).focus();
    await page.keyboard.press('Delete');
    await expect.poll(async () => (await desk.stored()).plan.steps.length).toBe(1);
});

test('the other button opens what fits what lies there, by pointer and by key', async ({ page }) => {
    const desk = new DeskPage(page);
    await begun(desk);
    await outline(desk, 2, [[100, 100], [250, 100], [250, 250], [100, 250]]);
    await outline(desk, 3, [[400, 400], [550, 400], [550, 550], [400, 550]]);
    await desk.pick('parts', [[175, 175]]);
    const [x, y] = await desk.at(475, 475);
    await page.mouse.click(x, y, { button: 'right' });
    await expect(page.locator('[data-picked]')).toHaveText('With outline 2');
    await page.getByRole('menuitem', { name: 'Hide the others' }).click();
    await expect.poll(async () => (await desk.stored()).plan.steps[0]).toMatchObject({ hidden: true });
    await page.mouse.click(x, y, { button: 'right' });
    await page.keyboard.press('End');
    await page.keyboard.press('Enter');
    await expect.poll(async () => (await desk.stored()).plan.steps.length).toBe(1);
});

test('a double click opens what is drawn once for all copies', async ({ page }) => {
    const desk = new DeskPage(page);
    await begun(desk);
    await desk.layPolarGrid();
    await desk.mode('cells').click();
    await page.mouse.click(...(await desk.at(400, 200)));
    await page.keyboard.press('1');
    await desk.revision(3);
    await desk.verb('copy', 'Around…');
    await page.keyboard.press('Enter');
    await desk.revision(4);
    await desk.pick('parts', []);
    const [x, y] = await desk.at(400, 200);
    await page.mouse.dblclick(x, y);
    await expect(page.getByText(/sector/).first()).toBeVisible();
});

test('a swatch gives picked parts their fill inside and their stroke at its rim, in one look', async ({ page }) => {
    const desk = new DeskPage(page);
    await begun(desk);
    await outline(desk, 2, [[100, 100], [250, 100], [250, 250], [100, 250]]);
    await desk.pick('parts', [[175, 175]]);
    // To change a colour has a sign of its own, beside its figures.
    await expect(page.getByRole('button', { name: /^Colour lagoon/ }).locator('[data-edits]')).toBeVisible();
    await page.getByRole('button', { name: 'Fill with lagoon' }).click();
    const rim = await page.getByRole('button', { name: 'Stroke with sand' }).boundingBox();
    await page.mouse.click((rim?.x ?? 0) + 1.5, (rim?.y ?? 0) + (rim?.height ?? 0) / 2);
    await page.getByRole('button', { name: 'Fill with ink' }).click();
    await expect
        .poll(async () => (await desk.stored()).plan.steps.filter((step) => step['kind'] === 'style'))
        .toMatchObject([{ of: ['p1'], fill: 'ink', stroke: { color: 'sand' } }]);
    await expect(page.locator('[data-picked]')).toHaveText('With outline 1');
});

test('plan and proofs fold away by a key and by their edge, and stay so', async ({ page }) => {
    const desk = new DeskPage(page);
    await begun(desk);
    const sheet = page.getByRole('application');
    const wide = async (): Promise<number> => (await sheet.boundingBox())?.width ?? 0;
    const before = await wide();
    await page.keyboard.press('Control+\\');
    await expect(page.getByRole('navigation', { name: 'Plan' })).toHaveCount(0);
    expect(await wide()).toBeGreaterThan(before + 290);
    await page.keyboard.press('Control+Shift+\\');
    await expect(page.getByRole('complementary')).toHaveCount(0);
    await page.reload();
    await expect(sheet).toBeVisible();
    await expect(page.getByRole('navigation', { name: 'Plan' })).toHaveCount(0);
    await page.getByRole('button', { name: 'Unfold the plan' }).click();
    await page.getByRole('button', { name: 'Unfold proofs and palette' }).click();
    await expect(page.getByRole('navigation', { name: 'Plan' })).toBeVisible();
    expect(await wide()).toBeCloseTo(before, 0);
});

test('the wheel moves the sheet, with Ctrl it zooms where the pointer is', async ({ page }) => {
    const desk = new DeskPage(page);
    await begun(desk);
    const view = async (): Promise<number[]> =>
        ((await page.getByRole('application').getAttribute('data-view')) ?? '').split(' ').map(Number);
    const [x, y] = await desk.at(200, 300);
    await page.mouse.move(x, y);
    const [scale = 1, left = 0, top = 0] = await view();
    await page.mouse.wheel(30, 50);
    await expect.poll(view).toEqual([scale, left - 30, top - 50]);
    await page.keyboard.down('Control');
    await page.mouse.wheel(0, -100);
    await page.keyboard.up('Control');
    await expect.poll(async () => (await view())[0]).toBeGreaterThan(scale * 1.1);
    const [nx, ny] = await desk.at(200, 300);
    expect(Math.hypot(nx - (x - 30), ny - (y - 50))).toBeLessThan(60);
});

test.describe('where one and a half is written with a comma', () => {
    test.use({ locale: 'de-DE' });

    test('numbers of sentences and of questions are typed so', async ({ page }) => {
        const desk = new DeskPage(page);
        await desk.bring('Komma', {
            format: 'sternbild-plan',
            version: 1,
            sheet: { width: 800, height: 800, unit: 'px', background: null },
            palette: { ink: '#1b2140' },
            values: {},
            steps: [{ id: 'p1', kind: 'part.circle', center: [400, 400], radius: 30 }],
        });
        await desk.setNumber('radius of disc 1', '37,5');
        await desk.revision(2);
        expect((await desk.stored()).plan.steps[0]).toMatchObject({ radius: 37.5 });
        await desk.pick('parts', [[400, 400]]);
        await desk.verb('place', 'Resize…');
        await page.keyboard.type('1,5');
        await page.keyboard.press('Enter');
        await desk.revision(3);
        expect((await desk.stored()).plan.steps.at(-1)).toMatchObject({ kind: 'resize', factor: 1.5 });
    });
});

test('keys that are held, pressed twice, or pressed where they mean nothing lose nothing', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.bring('Heavy hand', {
        format: 'sternbild-plan',
        version: 1,
        sheet: { width: 800, height: 800, unit: 'px', background: null },
        palette: { ink: '#1b2140' },
        values: {},
        steps: [
            { id: 'p1', kind: 'part.circle', center: [200, 400], radius: 60 },
            { id: 'p2', kind: 'part.circle', center: [500, 400], radius: 60 },
        ],
    });
    await desk.pick('parts', [[200, 430]]);
    // Delete, held: its repeats have nothing to take away, and take nothing else.
    await page.keyboard.down('Delete');
    for (let k = 0; k < 5; k++) await page.keyboard.down('Delete');
    await page.keyboard.up('Delete');
    await desk.revision(2);
    expect((await desk.stored()).plan.steps.map(({ id }) => id)).toEqual(['p2']);
    await page.keyboard.press('Control+z');
    await expect(page.getByRole('button', { name: /^Step 1, disc 1$/ })).toBeVisible();

    // Enter twice makes one, not two; digits that stand for nothing do nothing.
    await desk.pick('parts', [[500, 430]]);
    await desk.verb('copy', 'Along…');
    await page.keyboard.press('Enter');
    await page.keyboard.press('Enter');
    await expect.poll(async () => (await desk.stored()).plan.steps.filter(({ kind }) => kind === 'repeat.along').length).toBe(1);
    const { revision } = await desk.stored();
    await desk.sheet.focus();
    for (const key of ['Enter', 'F7', 'ü', 'Control+Shift+9', 'Alt+j', '#']) await page.keyboard.press(key).catch(() => undefined);
    expect((await desk.stored()).revision).toBe(revision);
    await expect(page.locator('[data-picked="1"]')).toHaveCount(1);
});

test('a long press opens what fits what lies there, and picks it', async ({ browser }, info) => {
    const context = await browser.newContext({
        hasTouch: true,
        viewport: { width: 1280, height: 800 },
        storageState: signedIn(info.parallelIndex),
    });
    const page = await context.newPage();
    const desk = new DeskPage(page);
    await desk.bring('Long press', {
        format: 'sternbild-plan',
        version: 1,
        sheet: { width: 800, height: 800, unit: 'px', background: null },
        palette: { ink: '#1b2140' },
        values: {},
        steps: [{ id: 'p1', kind: 'part.circle', center: [400, 400], radius: 60 }],
    });
    const [x, y] = await desk.at(400, 430);
    const touch = await context.newCDPSession(page);
    await touch.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints: [{ x, y }] });
    await expect(page.getByRole('menuitem', { name: 'Hide', exact: true })).toBeVisible();
    await touch.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] });
    await expect(page.locator('[data-picked]')).toHaveText('With disc 1');
    await page.getByRole('menuitem', { name: 'Hide', exact: true }).click();
    await desk.revision(2);
    expect((await desk.stored()).plan.steps[0]).toMatchObject({ hidden: true });
    await context.close();
});
