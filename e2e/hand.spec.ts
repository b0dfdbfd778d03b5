import type { Page } from '@playwright/test';
import { expect, test } from './journey';
import { DeskPage, type StoredPlan } from './desk';

const BLANK = {
    format: 'sternbild-plan',
    version: 1,
    sheet: { width: 800, height: 800, unit: 'px', background: null },
    palette: { lagoon: '#0f6e84', sand: '#e7c98f', brick: '#c65f3c' },
    values: {},
};

const disc = (id: string, x: number, y: number, radius: number) => ({ id, kind: 'part.circle', center: [x, y], radius });

async function bring(page: Page, name: string, steps: Record<string, unknown>[]): Promise<DeskPage> {
    const desk = new DeskPage(page);
    await desk.bring(name, { ...BLANK, steps });
    return desk;
}

const last = async (desk: DeskPage): Promise<StoredPlan['steps'][number] | undefined> => (await desk.stored()).plan.steps.at(-1);

test('a decimal point is typed into what is asked for, and what stood there goes', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Points');
    await desk.pick('points', [[400, 400]]);
    await desk.verb('make', 'Disc, centre and radius');
    // The first field has the focus, and what stands there is selected.
    await page.keyboard.type('12.5');
    await page.keyboard.press('Enter');
    await desk.revision(2);
    expect(await last(desk)).toMatchObject({ kind: 'part.circle', radius: 12.5 });
    await desk.verb('place', 'Resize…');
    await page.keyboard.type('.8');
    await page.keyboard.press('Enter');
    await desk.revision(3);
    expect(await last(desk)).toMatchObject({ kind: 'resize', factor: 0.8 });
    await desk.verb('look', 'Opacity…');
    await page.keyboard.type('20%');
    await page.keyboard.press('Enter');
    await desk.revision(4);
    expect(await last(desk)).toMatchObject({ opacity: '20%' });
});

test('coordinates in a window take the place of the formula that stood there', async ({ page }) => {
    const desk = await bring(page, 'Windows', [{ id: 'p1', kind: 'part.circle', center: ['sheet.width/2', 'sheet.height/2'], radius: 90 }]);
    await page.getByRole('button', { name: /^centre of disc 1/ }).click();
    await page.getByLabel('Across', { exact: true }).click();
    await page.keyboard.type('104.5');
    await page.getByLabel('Down', { exact: true }).click();
    await page.keyboard.type('90');
    await page.keyboard.press('Enter');
    await desk.revision(2);
    expect(await last(desk)).toMatchObject({ center: [104.5, 90] });
});

test('Enter does what is asked from where the focus is first, and from the sheet', async ({ page }) => {
    const desk = await bring(page, 'Entered', [
        disc('p1', 300, 300, 90),
        { id: 'w1', kind: 'pattern', of: ['p1'], group: 'p1', a: [60, 0], b: [0, 60] },
        { ...disc('p2', 600, 500, 80) },
    ]);
    await desk.pick('parts', [[600, 500]]);
    let revision = 1;
    for (const [family, label, made] of [
        ['look', 'Gradient…', 'style'],
        ['look', 'Pattern fill…', 'style'],
        ['measure', 'Width…', 'measure.width'],
        ['order', 'Centre on…', 'move'],
    ] as const) {
        await desk.verb(family, label);
        await expect(page.getByRole('button', { name: 'Leave' })).not.toBeFocused();
        await page.keyboard.press('Enter');
        await desk.revision(++revision);
        expect((await desk.stored()).plan.steps.some(({ id, kind }) => kind === made && id !== 'p1')).toBe(true);
    }
    // Named in one click, and keys are heard again.
    await page.getByRole('button', { name: 'Name it' }).click();
    await desk.revision(++revision);
    await expect(desk.sheet).toBeFocused();
    await desk.pick('parts', [[400, 400]]);
    await desk.verb('shape', 'Inset…');
    await page.keyboard.type('6');
    // A click beside the parts: the focus is on the sheet.
    await desk.sheet.focus();
    await page.keyboard.press('Enter');
    await desk.revision(++revision);
    expect(await last(desk)).toMatchObject({ kind: 'inset', distance: 6 });
});

test('what was given a look stays picked, and what was made is picked', async ({ page }) => {
    const desk = await bring(page, 'Kept', [
        { id: 'g1', kind: 'grid.rectangular', origin: [0, 0], columns: 8, rows: 8, cell: [100, 100] },
        disc('p1', 250, 250, 90),
    ]);
    await desk.pick('parts', [[250, 250]]);
    await desk.verb('look', 'Fill');
    await page.keyboard.press('Enter');
    await desk.revision(2);
    await expect(desk.mode('parts')).toBeChecked();
    await expect(page.getByText('With disc 1', { exact: true })).toBeVisible();
    await desk.verb('look', 'Stroke');
    await page.keyboard.press('Enter');
    await desk.revision(3);
    await expect(page.getByText('With disc 1', { exact: true })).toBeVisible();
    await desk.pick('points', [[500, 500], [600, 600]]);
    await desk.verb('make', 'Rectangle');
    await desk.revision(4);
    await expect(page.getByText('With rectangle 1', { exact: true })).toBeVisible();
    await desk.pick('points', [[500, 200]]);
    await desk.verb('guide', 'Circle, centre and radius');
    await page.keyboard.press('Enter');
    await desk.revision(5);
    await expect(page.getByText('With circle 1', { exact: true })).toBeVisible();
});

test('what is gone is picked no more, and keys are heard wherever the focus was', async ({ page }) => {
    const desk = await bring(page, 'Gone', [
        disc('p1', 250, 250, 90),
        disc('p2', 550, 250, 90),
        { id: 's1', kind: 'style', of: ['p1'], fill: 'lagoon' },
        { id: 'j1', kind: 'join', of: ['p1', 'p2'], keep: true },
    ]);
    await desk.pick('parts', [[250, 250]]);
    await desk.verb('shape', 'Inset…');
    await page.keyboard.press('Enter');
    await desk.revision(2);
    await expect(page.getByText('With inset 1', { exact: true })).toBeVisible();
    await page.keyboard.press('ControlOrMeta+z');
    await desk.revision(1);
    // What is gone is not picked any more; what was picked before it is.
    await expect(page.getByText('With join 1', { exact: true })).toBeVisible();

    // With the part go its looks; what is built on it is told; the focus is on the sheet.
    await page.getByRole('button', { name: 'More for step 1, disc 1' }).click();
    await page.getByRole('menuitem', { name: 'Delete' }).click();
    await desk.revision(3);
    expect((await desk.stored()).plan.steps.map(({ id }) => id)).toEqual(['p2', 'j1']);
    await expect(page.getByText('Join 1 is built on disc 1, which is gone')).toBeVisible();
    await expect(desk.sheet).toBeFocused();
    await expect(page.getByRole('button', { name: 'Step 1, disc 2', exact: true })).toBeVisible();

    // A new one is made at once, and gets an id of its own.
    await desk.pick('points', [[250, 550]]);
    await expect(page.getByText('Join 1 is built on disc 1, which is gone')).toBeVisible();
    await desk.verb('make', 'Disc, centre and radius');
    await page.keyboard.press('Enter');
    await desk.revision(4);
    expect(await last(desk)).toMatchObject({ id: 'p3' });
    await expect(page.getByText('Join 1 is built on disc 1, which is gone')).toBeHidden();

    // The slash from a button of the bar, Escape from a number of the plan.
    await page.getByRole('button', { name: 'Grid on' }).click();
    await page.keyboard.press('/');
    await expect(page.getByRole('listbox')).toBeVisible();
    await page.keyboard.press('Escape');
    await page.getByLabel('radius of disc 2', { exact: true }).click();
    await page.keyboard.press('Escape');
    await expect(desk.sheet).toBeFocused();
    await page.keyboard.press('?');
    await expect(page.getByRole('heading', { name: 'Keys' })).toBeVisible();
});

test('what was refused is not told any longer than it is so', async ({ page }) => {
    const desk = await bring(page, 'Refused', [disc('p1', 250, 250, 90), disc('p2', 550, 550, 90)]);
    await desk.pick('parts', [[250, 250], [550, 550]]);
    await desk.verb('combine', 'Common');
    await expect(page.getByRole('region', { name: 'Verbs' }).getByRole('alert')).toBeVisible();
    await page.mouse.click(...(await desk.at(250, 250)));
    await expect(page.getByRole('region', { name: 'Verbs' }).getByRole('alert')).toBeHidden();
});

test('a pull across picked cells picks more, and a click takes one out', async ({ page }) => {
    const desk = await bring(page, 'Pulled', [
        { id: 'g1', kind: 'grid.rectangular', origin: [0, 0], columns: 8, rows: 8, cell: [100, 100] },
    ]);
    await desk.dragAcross(await desk.at(50, 150), await desk.at(350, 150));
    await expect(page.locator('[data-picked="4"]')).toBeVisible();
    await desk.dragAcross(await desk.at(150, 150), await desk.at(150, 450));
    await expect(page.locator('[data-picked="7"]')).toBeVisible();
    await page.mouse.click(...(await desk.at(150, 150)));
    await expect(page.locator('[data-picked="6"]')).toBeVisible();
});

test('a verb that asks for one more part is given the one below, and one of the plan', async ({ page }) => {
    const desk = await bring(page, 'Below', [disc('p1', 460, 400, 120), disc('p2', 400, 400, 110), disc('p3', 560, 250, 90)]);
    await desk.pick('parts', [[400, 400]]);
    await expect(page.getByText('With disc 2', { exact: true })).toBeVisible();
    await desk.verb('combine', 'Cut from the first…');
    await page.mouse.click(...(await desk.at(400, 400)));
    await page.keyboard.press('Enter');
    await desk.revision(2);
    expect(await last(desk)).toMatchObject({ kind: 'cut', from: 'p2', with: ['p1'] });
    await page.keyboard.press('ControlOrMeta+z');
    await desk.revision(1);
    await desk.pick('parts', [[600, 220]]);
    await desk.verb('combine', 'Cut from the first…');
    await page.getByRole('button', { name: 'Step 1, disc 1', exact: true }).click();
    await page.keyboard.press('Enter');
    await desk.revision(3);
    expect(await last(desk)).toMatchObject({ kind: 'cut', from: 'p3', with: ['p1'] });
});

test('a copy that was filled, and then with all the others, is filled again', async ({ page }) => {
    const desk = await bring(page, 'Copies', [
        disc('p1', 400, 150, 60),
        { id: 'r1', kind: 'repeat.around', of: ['p1'], center: [400, 400], count: 4 },
    ]);
    let revision = 1;
    const fill = async (whole: string, colour: string) => {
        await desk.mode('parts').click();
        await page.getByLabel('What of a part the pointer picks').selectOption(whole);
        await desk.sheet.press('Escape');
        await page.mouse.click(...(await desk.at(650, 400)));
        await desk.verb('look', 'Fill');
        await page.getByRole('radio', { name: colour }).check({ force: true });
        await page.keyboard.press('Enter');
        await desk.revision(++revision);
    };
    await fill('copies', 'sand');
    await fill('whole parts', 'lagoon');
    await fill('copies', 'brick');
    expect((await desk.stored()).plan.steps.slice(2)).toMatchObject([
        { of: ['r1[2]'], fill: 'sand' },
        { of: ['r1'], fill: 'lagoon' },
        { of: ['r1[2]'], fill: 'brick' },
    ]);
});

test('two places with one pulled arc are an outline, done with Enter; one is closed by an arc that is pulled from where it began', async ({
    page,
}) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Arcs');
    await desk.pick('points', [[200, 300]]);
    await desk.verb('make', 'Outline…');
    await desk.dragAcross(await desk.at(500, 300), await desk.at(350, 420));
    await expect(page.locator('[data-picked="2"]').or(page.getByText('pick 1 more point'))).toHaveCount(0);
    await page.keyboard.press('Enter');
    await desk.revision(2);
    const first = await last(desk);
    expect(first).toMatchObject({ kind: 'part.outline', points: [[200, 300], [500, 300]] });
    expect(Math.abs((first?.['bends'] as { bulge: number }[])[0]?.bulge ?? 0)).toBeCloseTo(0.8, 1);

    await desk.pick('points', [[200, 500]]);
    await desk.verb('make', 'Outline…');
    await page.mouse.click(...(await desk.at(500, 500)));
    await page.mouse.click(...(await desk.at(500, 700)));
    await desk.dragAcross(await desk.at(200, 500), await desk.at(300, 650));
    await desk.revision(3);
    const second = await last(desk);
    expect(second).toMatchObject({
        points: [
            [200, 500],
            [500, 500],
            [500, 700],
        ],
        bends: [null, null, { bulge: expect.any(Number) as unknown }],
    });
});

test('a measure that was just made is a number by its id, and parts by their names', async ({ page }) => {
    const desk = await bring(page, 'Named', [
        disc('p1', 250, 250, 90),
        disc('p2', 600, 300, 40),
        disc('p3', 600, 600, 40),
        { id: 'm1', kind: 'measure.distance', from: 'p1!', to: 'p2!' },
    ]);
    await page.getByLabel('radius of disc 3', { exact: true }).click();
    await page.keyboard.type('m1/10');
    await page.keyboard.press('Enter');
    await desk.revision(2);
    await page.keyboard.type('disc 1.wide/4');
    await page.keyboard.press('Enter');
    await desk.revision(3);
    expect((await desk.stored()).plan.steps.find(({ id }) => id === 'p3')).toMatchObject({ radius: 'p1.wide/4' });
    await expect(page.getByLabel('radius of disc 3', { exact: true })).toHaveValue('disc 1.wide/4');
});

test('digits paint after a click on paint, and the list of many sheets has all of its pictures', async ({ page }) => {
    const desk = await bring(page, 'Painted', [{ id: 'g1', kind: 'grid.pixel', origin: [0, 0], columns: 16, rows: 16, cell: 50 }]);
    await page.getByRole('radio', { name: 'paint' }).click();
    await page.keyboard.press('2');
    await page.mouse.click(...(await desk.at(125, 125)));
    await desk.revision(2);
    expect(await last(desk)).toMatchObject({ kind: 'paint', cells: { brick: '3,3' } });

    const refused: string[] = [];
    page.on('response', (response) => response.status() === 429 && refused.push(response.url()));
    await desk.sheets();
    await expect(async () => {
        const shown = await page
            .locator('li img')
            .evaluateAll((images) =>
                images.map((image) => (image as HTMLImageElement).complete && (image as HTMLImageElement).naturalWidth > 0),
            );
        expect(shown.length).toBeGreaterThan(10);
        expect(shown.every(Boolean)).toBe(true);
    }).toPass();
    expect(refused).toEqual([]);
});
