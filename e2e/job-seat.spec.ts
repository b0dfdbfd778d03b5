import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { expect, test } from './journey';
import { DeskPage } from './desk';
import { type } from './type';

// One job in two sittings, on one sheet.
test.describe.configure({ mode: 'serial' });

let sheet = '';
let revision = 1;

/** What the hand does again and again. */
function seat(page: Page) {
    const desk = new DeskPage(page);
    const next = async () => desk.revision(++revision);
    const plan = async () => (await desk.stored()).plan;
    const made = async () => (await plan()).steps.at(-1)?.id ?? '';
    const doIt = async () => {
        await page.getByRole('button', { name: 'Do it' }).click();
        await next();
    };
    const rename = async (label: string, name: string) => {
        await page.getByRole('button', { name: new RegExp(`^More for step \\d+, ${label}$`) }).focus();
        await page.keyboard.press('Enter');
        await page.getByRole('menuitem', { name: 'Rename' }).click();
        await type(page.getByLabel(`Name of ${label}`), name);
        await page.keyboard.press('Enter');
        await next();
    };
    const fill = async (place: [number, number], colour: string) => {
        await desk.pick('parts', [place]);
        await desk.verb('look', 'Fill');
        await page.getByRole('radio', { name: colour, exact: true }).check({ force: true });
        await doIt();
    };
    const half = 10 * Math.sqrt(3);
    /** A place on the top face: so many sides to the upper right and to the upper left of the middle. */
    const top = (right: number, left: number): [number, number] => [400 + (right - left) * half, 400 - (right + left) * 10];
    /** The same on the right face, which it is turned onto by 120°. */
    const turned = ([x, y]: [number, number], degrees: number): [number, number] => {
        const [cos, sin] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)];
        return [400 + cos * (x - 400) - sin * (y - 400), 400 + sin * (x - 400) + cos * (y - 400)];
    };

    return { desk, next, plan, made, doIt, rename, fill, top, turned };
}

test('a seat fabric: three faces with rows by count, turned onto one another', async ({ page }) => {
    const { desk, next, plan, made, doIt, rename, fill, top, turned } = seat(page);
    await desk.bring('Seat cloth', {
        format: 'sternbild-plan',
        version: 1,
        sheet: { width: 800, height: 800, unit: 'px', background: null, checks: { small: 0 } },
        palette: {
            night: '#171c3a',
            sky: '#2b4a78',
            lagoon: '#0f6e84',
            plum: '#7a2748',
            brass: '#e5c78f',
            mist: '#a0cecf',
            copper: '#d0683f',
        },
        values: { side: 20 },
        steps: [
            {
                id: 'g1',
                kind: 'grid.triangular',
                name: 'isometric grid',
                origin: ['400 - side*4*sqrt(3)', '400 - side*12'],
                side: 'side',
                columns: 16,
                rows: 16,
                angle: 30,
            },
        ],
    });
    // Three faces of the lamp housing, each through four intersections, named and coloured.
    for (const [number, [name, colour]] of ([['top face', 'sky'], ['right face', 'lagoon'], ['left face', 'plum']] as const).entries()) {
        await desk.pick('points', [top(0, 0), top(8, 0), top(8, 8), top(0, 8)].map((place) => turned(place, 120 * number)));
        await desk.verb('make', 'Outline');
        await next();
        await rename(`outline ${number + 1}`, name);
        await fill(turned(top(4, 3.5), 120 * number), colour);
    }
    expect((await plan()).steps.filter(({ kind }) => kind === 'part.outline').map(({ name }) => name)).toEqual([
        'top face',
        'right face',
        'left face',
    ]);

    // Two lozenges of two cells each, and in-betweens between them: two, then five.
    const lozenge = async (right: number, left: number) => {
        await desk.mode('cells').click();
        await desk.sheet.press('Escape');
        for (const place of [top(right + 0.3, left + 0.6), top(right + 0.6, left + 0.3)])
            await page.mouse.click(...(await desk.at(...place)));
        await desk.verb('make', 'Make a part');
        await next();
    };
    await lozenge(0, 2);
    await lozenge(7, 2);
    await desk.pick('parts', [top(0.5, 2.5), top(7.5, 2.5)]);
    await desk.verb('copy', 'In-betweens…');
    await type(page.getByLabel('steps', { exact: true }), '2');
    await doIt();
    const lozenges = await made();
    await desk.setNumber('steps of in-betweens 1', '5');
    await next();
    // Dots on intersections, eight between the first and the last.
    for (const right of [1, 7]) {
        await desk.pick('points', [top(right, 1)]);
        await desk.verb('make', 'Disc, centre and radius');
        await type(page.getByLabel('radius', { exact: true }), 'side/4');
        await doIt();
    }
    await desk.pick('parts', [top(1, 1), top(7, 1)]);
    await desk.verb('copy', 'In-betweens…');
    await type(page.getByLabel('steps', { exact: true }), '8');
    await doIt();
    expect((await plan()).steps.filter(({ kind }) => kind === 'between')).toMatchObject([{ id: lozenges, steps: 5 }, { steps: 8 }]);

    // The rows as one, mirrored about the intersection in the middle of the face, and all of it turned onto the two other faces.
    await desk.pick('parts', [top(0.5, 2.5), top(7.5, 2.5), top(1.67, 2.5), top(1, 1), top(7, 1), top(1.67, 1)]);
    await desk.verb('combine', 'Join');
    await next();
    await desk.pick('parts', [top(1, 1)]);
    await desk.verb('copy', 'Around…');
    await type(page.getByLabel('count', { exact: true }), '2');
    await page.getByRole('button', { name: /^centre: / }).click();
    await page.getByRole('button', { name: 'a place clicked on the sheet' }).click();
    await page.mouse.click(...(await desk.at(...top(4, 4))));
    await doIt();
    const rows = await made();
    expect((await plan()).steps.at(-1)).toMatchObject({ kind: 'repeat.around', count: 2, center: 'g1@8,4' });
    for (const degrees of [120, 240]) {
        await desk.pick('parts', [top(1, 1)]);
        await desk.verb('place', 'Turn…');
        await type(page.getByLabel('angle', { exact: true }), String(degrees));
        await page.getByLabel('copy', { exact: true }).check();
        await page.getByRole('button', { name: /^about: / }).click();
        await page.getByRole('button', { name: 'a place clicked on the sheet' }).click();
        await page.mouse.click(...(await desk.at(400, 400)));
        await doIt();
        expect((await plan()).steps.at(-1)).toMatchObject({ kind: 'turn', of: [rows], angle: degrees, about: 'g1@8,8', copy: true });
    }
    const label = (await plan()).steps.find(({ id }) => id === rows)?.kind === 'repeat.around' ? 'repeat 1' : '';
    await rename(label, 'rows of the top');
    await rename('turn 1', 'rows of the right');
    await rename('turn 2', 'rows of the left');
    for (const [degrees, colour] of [[0, 'brass'], [120, 'mist'], [240, 'copper']] as const) await fill(turned(top(1, 1), degrees), colour);
    sheet = page.url();
});

test('the seat fabric is repeated without a gap, an empty face over the same pattern behind, its tile handed over', async ({ page }) => {
    const { desk, next, plan, made, doIt, top } = seat(page);
    await page.goto(sheet);
    await desk.revision(revision);
    // The whole is repeated hexagonally: the way is as wide as the top face, and nothing is nudged.
    await desk.mode('parts').click();
    await desk.dragAcross(await desk.at(250, 150), await desk.at(550, 650));
    await expect(page.locator('[data-picked="6"]')).toHaveCount(1);
    await desk.verb('copy', 'Pattern…');
    await type(page.getByRole('region', { name: 'Pattern…' }).getByLabel('way, across', { exact: true }), 'p1.wide');
    await page.getByRole('button', { name: /^group: / }).click();
    await page.getByRole('button', { name: 'p1, hexagonal' }).click();
    await doIt();
    const cloth = await made();
    expect((await plan()).steps.at(-1)).toMatchObject({
        kind: 'pattern',
        group: 'p1',
        a: ['p1.wide', 0],
        b: ['(p1.wide)/2', '(p1.wide)*sqrt(3)/2'],
        show: 'sheet',
    });
    expect((await desk.stored()).scene.findings.filter(({ code }) => ['copies-miss', 'copies-overlap', 'stripe'].includes(code))).toEqual(
        [],
    );
    expect((await desk.measures(cloth))['pieces'] ?? 0).toBeGreaterThan(100);

    // A face left empty, another ground, and the same pattern behind, darker and twice as large.
    await page.getByRole('button', { name: /^fill of look 3: plum/ }).click();
    await page.getByRole('button', { name: 'none', exact: true }).click();
    await next();
    await page.getByRole('button', { name: /^background of the sheet: / }).click();
    await page.getByRole('button', { name: 'night', exact: true }).click();
    await next();
    await desk.pick('parts', [top(4, 6.5)]);
    await desk.verb('place', 'Resize…');
    await type(page.getByLabel('factor', { exact: true }), '2');
    await page.getByLabel('copy', { exact: true }).check();
    await page.getByRole('button', { name: /^about: / }).click();
    await page.getByRole('button', { name: 'a place clicked on the sheet' }).click();
    await page.mouse.click(...(await desk.at(400, 400)));
    await doIt();
    const behind = await made();
    await desk.pick('parts', [[400, 392]]);
    await desk.verb('look', 'Opacity…');
    await type(page.getByLabel('opacity', { exact: true }), '0.2');
    await doIt();
    await desk.pick('parts', [[400, 392]]);
    await desk.verb('order', 'To the back');
    await next();
    expect((await plan()).steps.slice(-3)).toMatchObject([
        { id: behind, kind: 'resize', of: [cloth], factor: 2, copy: true },
        { kind: 'style', of: [behind], opacity: 0.2 },
        { kind: 'order', of: [behind], to: 'back' },
    ]);

    // One colour changed inside the pattern, and the cell made wider by a number; everything follows.
    await page.getByRole('button', { name: /^fill of look 4: brass/ }).click();
    await page.getByRole('button', { name: 'copper', exact: true }).click();
    await next();
    await desk.setNumber('value side', '24');
    await next();

    // The tile is as wide as the top face, and √3 as high; its seam, and a picture of it together with what lies behind.
    await expect(page.getByRole('region', { name: 'Tile' }).getByText('332.55 × 576 px. No seam')).toBeVisible();
    await page.getByRole('button', { name: 'Hand over' }).click();
    await page.getByRole('group', { name: 'Form of the file' }).getByText('Tile', { exact: true }).click();
    await page.getByText('PNG', { exact: true }).last().click();
    await page.getByRole('checkbox').first().check();
    await type(page.getByLabel('Width in pixels'), '200');
    await page.getByRole('button', { name: '209 × 362' }).click();
    const download = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Save the file' }).click();
    const file = await (await download).path();
    const png = readFileSync(file);
    expect([png.readUInt32BE(16), png.readUInt32BE(20)]).toEqual([209, 362]);
});
