import { expect, test } from './journey';
import { DeskPage } from './desk';
import { type } from './type';

/** An empty sheet with a grid of 8 by 8 cells of 80, from 80, 80 on. */
async function gridded(desk: DeskPage, name: string): Promise<void> {
    await desk.newSheet(name);
    await desk.grid('Rectangular grid');
    await desk.page.keyboard.press('Enter');
    await desk.revision(2);
}

const steps = async (desk: DeskPage) => (await desk.stored()).plan.steps;

test('shapes are said first and drawn by one pull each, one after another until they are left; the last is picked', async ({ page }) => {
    const desk = new DeskPage(page);
    await gridded(desk, 'Drawn');
    await page.keyboard.press('4');
    await expect(page.getByRole('status').filter({ hasText: /Disc: press at .*centre/ })).toBeVisible();
    await desk.dragAcross(await desk.at(160, 160), await desk.at(240, 160));
    await desk.revision(3);
    await desk.dragAcross(await desk.at(480, 160), await desk.at(480, 240));
    await desk.revision(4);
    // Another one is said while the one before is being drawn.
    await page.keyboard.press('8');
    await expect(page.getByRole('status').filter({ hasText: /Polygon: press at .*centre/ })).toBeVisible();
    await desk.dragAcross(await desk.at(320, 480), await desk.at(320, 400));
    await desk.revision(5);
    await page.keyboard.press('Escape');
    await expect(page.locator('[data-picked]')).toHaveText('With polygon 1');
    expect((await steps(desk)).slice(1)).toMatchObject([
        { kind: 'part.circle', center: 'g1@1,1', on: 'g1@2,1' },
        { kind: 'part.circle', center: 'g1@5,1', on: 'g1@5,2' },
        { kind: 'part.polygon', center: 'g1@3,5', on: 'g1@3,4', corners: 6 },
    ]);
    // A hexagon with its corners 80 from its centre: 3√3/2 · 80².
    expect((await desk.measures('p3'))['area']).toBeCloseTo(1.5 * Math.sqrt(3) * 80 ** 2, 6);

    // What has no look yet is told before it is handed over; with one it is not.
    await page.getByRole('button', { name: 'Hand over' }).click();
    await expect(page.getByText('3 parts were given no look yet: black in the file.')).toBeVisible();
    await page.keyboard.press('Escape');
    await page.keyboard.press('Control+a');
    await desk.verb('look', 'Fill');
    await page.keyboard.press('Enter');
    await desk.revision(6);
    await page.getByRole('button', { name: 'Hand over' }).click();
    await expect(page.getByText('no look yet')).toHaveCount(0);
});

test('the same by keyboard alone: said by its word, its places walked to', async ({ page }) => {
    const desk = new DeskPage(page);
    await gridded(desk, 'Drawn by keys');
    await page.keyboard.press('/');
    await page.keyboard.type('disc');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('status').filter({ hasText: 'Disc: ' })).toBeVisible();
    await expect(desk.sheet).toBeFocused();
    // The walk begins at the first crossing.
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('Enter');
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('Enter');
    await desk.revision(3);
    expect((await steps(desk)).at(-1)).toMatchObject({ kind: 'part.circle', center: 'g1@1,1', on: 'g1@2,1' });
    await page.keyboard.press('Escape');
    await expect(page.locator('[data-picked]')).toHaveText('With disc 1');
    // And moved by a step of the grid.
    await page.keyboard.press('Alt+Shift+ArrowRight');
    await desk.revision(4);
});

test('a part is picked and dragged by one pull: it settles, its addresses go along; Shift keeps to the grid, Alt leaves a copy', async ({
    page,
}) => {
    const desk = new DeskPage(page);
    await gridded(desk, 'Dragged');
    await page.keyboard.press('4');
    await desk.dragAcross(await desk.at(160, 160), await desk.at(240, 160));
    await desk.revision(3);
    await page.keyboard.press('Escape');
    await page.keyboard.press('Escape');
    await expect(page.locator('[data-picked="0"]')).toHaveCount(1);

    // Not picked before; taken beside its centre, let go of nearly on a crossing.
    await desk.dragAcross(await desk.at(180, 200), await desk.at(344, 357));
    await desk.revision(4);
    expect((await steps(desk)).at(-1)).toMatchObject({ center: 'g1@3,3', on: 'g1@4,3' });
    await expect(page.locator('[data-picked]')).toHaveText('With disc 1');

    // With Shift, held before it is pressed, only along a way of the grid, however the hand goes.
    await page.mouse.move(...(await desk.at(340, 340)));
    await page.keyboard.down('Shift');
    await page.mouse.down();
    await page.mouse.move(...(await desk.at(502, 365)), { steps: 6 });
    await expect(page.getByText(/^disc 1: its centre on column 5, row 3/).first()).toBeVisible();
    await page.mouse.up();
    await page.keyboard.up('Shift');
    await desk.revision(5);
    expect((await steps(desk)).at(-1)).toMatchObject({ center: 'g1@5,3', on: 'g1@6,3' });

    // With Alt a copy goes and the disc stays.
    await page.keyboard.down('Alt');
    await desk.dragAcross(await desk.at(500, 340), await desk.at(500, 580));
    await page.keyboard.up('Alt');
    await desk.revision(6);
    expect((await steps(desk)).slice(1)).toMatchObject([{ center: 'g1@5,3' }, { kind: 'move', of: ['p1'], by: [0, 240], copy: true }]);
    // The copy, dragged on, is moved on: no step more.
    await desk.dragAcross(await desk.at(500, 580), await desk.at(340, 580));
    await desk.revision(7);
    expect((await steps(desk)).at(-1)).toMatchObject({ by: [-160, 240], copy: true });
    expect(await steps(desk)).toHaveLength(3);

    // Held fast it is not dragged, but picked.
    await page.keyboard.press('Escape');
    await page.keyboard.press('/');
    await page.keyboard.press('Escape');
    await page.mouse.click(...(await desk.at(500, 340)));
    await page.keyboard.press('/');
    await page.keyboard.type('lock');
    await page.keyboard.press('Enter');
    await desk.revision(8);
    expect((await steps(desk))[1]).toMatchObject({ fast: true });
    await desk.dragAcross(await desk.at(500, 340), await desk.at(580, 340));
    await expect(page.locator('[data-picked]')).toHaveText('With disc 1');
    expect((await desk.stored()).revision).toBe(8);
});

test('a disc is dragged until it touches another, and says so; what cannot be dragged there is put back', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.bring('Touching discs', {
        format: 'sternbild-plan',
        version: 1,
        sheet: { width: 800, height: 800, unit: 'px', background: null },
        palette: { ink: '#1b2140' },
        values: {},
        steps: [
            { id: 'p1', kind: 'part.circle', center: [300, 400], radius: 100 },
            { id: 'p2', kind: 'part.circle', center: [600, 250], radius: 60 },
        ],
    });
    await desk.mode('parts').click();
    await page.mouse.move(...(await desk.at(600, 270)));
    await page.mouse.down();
    await page.mouse.move(...(await desk.at(463, 420)), { steps: 8 });
    await expect(page.getByText('disc 2 touches disc 1').first()).toBeVisible();
    await page.mouse.up();
    await desk.revision(2);
    const [x, y] = (await steps(desk))[1]?.['center'] as [number, number];
    expect(Math.hypot(x - 300, y - 400)).toBeCloseTo(160, 9);
    // Given up while it is under way, all is where it was.
    await page.mouse.move(...(await desk.at(300, 400)));
    await page.mouse.down();
    await page.mouse.move(...(await desk.at(200, 600)), { steps: 4 });
    await page.keyboard.press('Escape');
    await page.mouse.up();
    expect((await steps(desk))[0]).toMatchObject({ center: [300, 400] });
    expect((await desk.stored()).revision).toBe(2);
});

test('a click picks one alone, with Shift one more; a box picks what lies in it, a pull over cells with Shift their block', async ({
    page,
}) => {
    const desk = new DeskPage(page);
    await gridded(desk, 'Boxes');
    await desk.mode('cells').click();
    // Across a row, and the block between two cells.
    await desk.dragAcross(await desk.at(120, 120), await desk.at(280, 120));
    await expect(page.locator('[data-picked="3"]')).toHaveCount(1);
    await page.keyboard.press('1');
    await desk.revision(3);
    await desk.mode('cells').click();
    await page.keyboard.down('Shift');
    await desk.dragAcross(await desk.at(440, 440), await desk.at(600, 520));
    await page.keyboard.up('Shift');
    await expect(page.locator('[data-picked="6"]')).toHaveCount(1);
    await page.keyboard.press('1');
    await desk.revision(4);
    await desk.mode('cells').click();
    await page.mouse.click(...(await desk.at(120, 680)));
    await page.keyboard.press('1');
    await desk.revision(5);
    expect((await steps(desk)).slice(1).map((step) => (step['cells'] as string[]).length)).toEqual([3, 6, 1]);

    const picked = page.locator('[data-picked]');
    await desk.mode('parts').click();
    await page.mouse.click(...(await desk.at(200, 120)));
    await expect(picked).toHaveText('With part 1');
    await page.mouse.click(...(await desk.at(500, 480)));
    await expect(picked).toHaveText('With part 2');
    await page.keyboard.down('Shift');
    await page.mouse.click(...(await desk.at(200, 120)));
    await page.keyboard.up('Shift');
    await expect(picked).toHaveText('With part 2, part 1');
    // A box around the two on the left; Shift adds what lies in another one.
    await desk.dragAcross(await desk.at(40, 40), await desk.at(340, 780));
    await expect(picked).toHaveText('With part 1, part 3');
    await page.keyboard.down('Shift');
    await desk.dragAcross(await desk.at(760, 760), await desk.at(360, 380));
    await page.keyboard.up('Shift');
    await expect(picked).toHaveAttribute('data-picked', '3');
    // Where nothing lies a click picks nothing.
    await page.mouse.click(...(await desk.at(700, 200)));
    await expect(picked).toHaveAttribute('data-picked', '0');
});

test('looks are taken up from a part and given to others by a click each; a colour is given in figures', async ({ page }) => {
    const desk = new DeskPage(page);
    const square = (id: string, left: number) => ({ id, kind: 'part.rectangle', corners: [[left, 300], [left + 120, 420]] });
    await desk.bring('Looks', {
        format: 'sternbild-plan',
        version: 1,
        sheet: { width: 800, height: 800, unit: 'px', background: null },
        palette: { lagoon: '#0f6e84' },
        values: {},
        steps: [square('p1', 100), square('p2', 300), square('p3', 500), { id: 's1', kind: 'style', of: ['p1'], fill: 'lagoon' }],
    });
    await desk.sheet.focus();
    await page.keyboard.press('t');
    await expect(page.getByText('Click the part whose looks are given on.')).toBeVisible();
    await page.mouse.click(...(await desk.at(160, 360)));
    await expect(page.getByText('Click whatever shall look like rectangle 1')).toBeVisible();
    await page.mouse.click(...(await desk.at(360, 360)));
    await desk.revision(2);
    await page.mouse.click(...(await desk.at(560, 360)));
    await desk.revision(3);
    await page.keyboard.press('Escape');
    expect((await steps(desk)).at(-1)).toMatchObject({ kind: 'style', of: ['p2', 'p3'], like: 'p1' });

    await page.getByRole('button', { name: /^fill of look 1: lagoon/ }).click();
    await type(page.getByLabel('fill of look 1, in figures'), '242 179 61');
    await page.keyboard.press('Enter');
    await desk.revision(4);
    expect((await steps(desk))[3]).toMatchObject({ fill: '#f2b33d' });
});

test('a place of a sentence is clicked at once, or chosen from those that fit', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.bring('Places', {
        format: 'sternbild-plan',
        version: 1,
        sheet: { width: 800, height: 800, unit: 'px', background: null },
        palette: { ink: '#1b2140' },
        values: {},
        steps: [
            { id: 'g1', kind: 'grid.rectangular', origin: [80, 80], columns: 8, rows: 8, cell: [80, 80] },
            { id: 'p1', kind: 'part.rectangle', corners: [[200, 200], [300, 260]] },
            { id: 'r1', kind: 'repeat.around', of: ['p1'], center: 'g1@4,4', count: 5 },
            { id: 'p2', kind: 'part.circle', center: [600, 600], radius: 30 },
            { id: 't1', kind: 'turn', of: ['p2'], about: [400, 400], angle: 30 },
        ],
    });
    await page.getByRole('button', { name: /^about of disc 1: / }).click();
    // Its own centre, and where the repeat turns, are among them.
    await expect(page.getByRole('button', { name: 'the centre of disc 1' })).toBeVisible();
    await page.getByRole('button', { name: 'where repeat 1 turns' }).click();
    await desk.revision(2);
    expect((await steps(desk)).at(-1)).toMatchObject({ about: 'g1@4,4' });
    // A click on the sheet answers while the list is open.
    await page.getByRole('button', { name: /^about of disc 1: / }).click();
    await page.mouse.click(...(await desk.at(641, 559)));
    await desk.revision(3);
    expect((await steps(desk)).at(-1)).toMatchObject({ about: 'g1@7,6' });
    // Coordinates may be typed with arithmetic; what is no place is told in words, and stays.
    await page.getByRole('button', { name: /^about of disc 1: / }).click();
    await type(page.getByLabel('Across', { exact: true }), '100+20');
    await type(page.getByLabel('Down', { exact: true }), 'x');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('alert').first()).toBeVisible();
    await expect(page.getByRole('alert').first()).not.toContainText('[x, y]');
    await type(page.getByLabel('Down', { exact: true }), '90');
    await page.keyboard.press('Enter');
    await desk.revision(4);
    expect((await steps(desk)).at(-1)).toMatchObject({ about: ['100+20', 90] });
});

test('the ray of what is picked turns and resizes by one pull, settles, leaves copies with Alt, and goes on with what it did', async ({
    page,
}) => {
    const desk = new DeskPage(page);
    await desk.bring('Ray', {
        format: 'sternbild-plan',
        version: 1,
        sheet: { width: 800, height: 800, unit: 'px', background: null },
        palette: { ink: '#1b2140' },
        values: {},
        steps: [
            { id: 'g1', kind: 'grid.polar', center: [400, 400], radius: 300, rings: 4, sectors: 10 },
            {
                id: 'p1',
                kind: 'part.rectangle',
                corners: [
                    [360, 130],
                    [440, 190],
                ],
            },
        ],
    });
    await desk.pick('parts', [[400, 150]]);
    const ring = page.getByRole('button', { name: /^Ring/ });
    /** The ring pulled by an angle and a factor about a place. */
    const pull = async ([x, y]: [number, number], degrees: number, factor: number) => {
        const box = await ring.boundingBox();
        const [rx, ry] = [(box?.x ?? 0) + (box?.width ?? 0) / 2, (box?.y ?? 0) + (box?.height ?? 0) / 2];
        const [cx, cy] = await desk.at(x, y);
        const angle = Math.atan2(ry - cy, rx - cx) + (degrees * Math.PI) / 180;
        const far = Math.hypot(rx - cx, ry - cy) * factor;
        await desk.dragAcross([rx, ry], [cx + far * Math.cos(angle), cy + far * Math.sin(angle)]);
    };
    // A little beside a quarter turn and twice the size: 90° and 2.
    await pull([400, 160], 88.5, 2.03);
    await desk.revision(2);
    expect((await steps(desk)).slice(2)).toEqual([
        { id: 'v1', kind: 'turn', of: ['p1'], about: 'p1!', angle: 90 },
        { id: 'v2', kind: 'resize', of: ['v1'], about: 'p1!', factor: 2 },
    ]);
    expect((await desk.measures('v2'))['area']).toBeCloseTo(4 * 80 * 60, 6);

    // Smaller again, about the same place: the number goes on, no step more.
    await page.keyboard.press('Escape');
    await desk.pick('parts', [[400, 160]]);
    await ring.focus();
    await page.keyboard.press('ArrowDown');
    await desk.revision(3);
    const after = await steps(desk);
    expect(after.length).toBeLessThanOrEqual(5);
    expect((await desk.measures(after.at(-1)?.id ?? ''))['area']).toBeCloseTo(4 * 80 * 60 * 0.81, 4);

    // A copy turned by a key.
    await page.getByRole('button', { name: /^Ring/ }).focus();
    await page.keyboard.press('Alt+ArrowRight');
    await desk.revision(4);
    expect((await steps(desk)).at(-1)).toMatchObject({ kind: 'turn', copy: true });
});

test('long ways are one verb, behind the tenth place: beside it, a mirrored half, concentric; a checkerboard of cells', async ({
    page,
}) => {
    const desk = new DeskPage(page);
    await desk.bring('Long ways', {
        format: 'sternbild-plan',
        version: 1,
        sheet: { width: 800, height: 800, unit: 'px', background: null },
        palette: { ink: '#1b2140', sand: '#e7c98f' },
        values: {},
        steps: [
            { id: 'g1', kind: 'grid.rectangular', origin: [80, 80], columns: 8, rows: 8, cell: [80, 80] },
            { id: 'p1', kind: 'part.polygon', center: 'g1@2,2', on: 'g1@3,2', corners: 6 },
        ],
    });
    await desk.pick('parts', [[240, 240]]);
    await desk.verb('copy', 'Around…');
    await page.keyboard.press('Escape');
    await desk.sheet.focus();
    /** A verb of the open family that has no number of its own among the first nine. */
    const rest = async (digit: string) => {
        await page.keyboard.press('0');
        await page.keyboard.press('0');
        await expect(page.getByRole('button', { name: /‹ Back/ })).toBeVisible();
        await page.keyboard.press(digit);
    };
    // A hexagon of 80 is 160 wide; its copy touches it.
    await rest('1');
    await desk.revision(2);
    const copy = (await steps(desk)).at(-1);
    expect(copy).toMatchObject({ kind: 'move', of: ['p1'], by: ['p1.wide', 0], copy: true });
    expect((await desk.measures(copy?.id ?? ''))['area']).toBeCloseTo(1.5 * Math.sqrt(3) * 80 ** 2, 6);

    await desk.pick('parts', [[240, 240]]);
    await desk.sheet.focus();
    if (!(await page.getByRole('button', { name: /‹ Back/ }).isVisible())) {
        await page.keyboard.press('0');
        await page.keyboard.press('0');
    }
    await page.keyboard.press('3');
    await type(page.getByLabel('count', { exact: true }), '3');
    await type(page.getByLabel('factor', { exact: true }), '0.5');
    await page.keyboard.press('Enter');
    await desk.revision(3);
    expect((await steps(desk)).at(-1)).toMatchObject({ kind: 'repeat.around', of: ['p1'], center: 'p1!', count: 3, angle: 0, factor: 0.5 });

    // Said by a word: a half and its mirror image about an axis of two clicks, as one part.
    await page.keyboard.press('Escape');
    await desk.pick('parts', [[400, 240]]);
    await page.keyboard.press('/');
    await page.keyboard.type('butterfly');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('heading', { name: 'Mirrored half as one' })).toBeVisible();
    await page.mouse.click(...(await desk.at(480, 160)));
    await page.mouse.click(...(await desk.at(480, 480)));
    await page.keyboard.press('Enter');
    await desk.revision(4);
    const [mirror, join] = (await steps(desk)).slice(-2);
    expect(mirror).toMatchObject({ kind: 'mirror', axis: ['g1@5,1', 'g1@5,5'], copy: true });
    expect(join).toMatchObject({ kind: 'join', of: [copy?.id, mirror?.id] });

    await desk.mode('cells').click();
    await page.keyboard.down('Shift');
    await desk.dragAcross(await desk.at(120, 600), await desk.at(280, 680));
    await page.keyboard.up('Shift');
    await page.keyboard.press('/');
    await page.keyboard.type('chessboard');
    await page.keyboard.press('Enter');
    await desk.revision(5);
    expect((await steps(desk)).at(-1)).toMatchObject({ kind: 'dither', on: 'g1', colours: ['ink', 'sand'], matrix: 'checker', level: 0.5 });
});
