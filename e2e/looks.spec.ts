import { expect, test } from './journey';
import { DeskPage } from './desk';
import { type } from './type';

const lamps = {
    format: 'sternbild-plan',
    version: 1,
    sheet: { width: 800, height: 800, unit: 'px', background: null },
    palette: { ink: '#1b2140', lagoon: '#0f6e84' },
    values: {},
    steps: [
        ...[150, 400, 650].map((x, k) => ({ id: `p${k + 1}`, kind: 'part.circle', center: [x, 400], radius: 90 })),
        { id: 's1', kind: 'style', of: ['p1'], fill: 'lagoon', stroke: { color: 'ink', width: 12 } },
    ],
};

test('a look is given on, named, and given to others; dashes, opacity and blending are sentences', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.bring('Looks', lamps);
    await desk.pick('parts', [[400, 400], [150, 400]]);
    await desk.verb('look', 'Look like…');
    await desk.revision(2);
    expect((await desk.stored()).plan.steps.at(-1)).toMatchObject({ kind: 'style', of: ['p2'], like: 'p1' });

    await desk.pick('parts', [[150, 400]]);
    await page.getByRole('button', { name: 'Name the look of disc 1' }).click();
    await desk.revision(3);
    await desk.pick('parts', [[650, 400]]);
    await page.getByRole('button', { name: 'look 1', exact: true }).click();
    await desk.revision(4);
    expect((await desk.stored()).plan.steps.at(-1)).toMatchObject({ of: ['p3'], like: 'p1' });

    await desk.pick('parts', [[650, 400]]);
    await desk.verb('look', 'Dashes…');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(5);
    await desk.pick('parts', [[650, 400]]);
    await desk.verb('look', 'Opacity…');
    await type(page.getByLabel('opacity', { exact: true }), '0.4');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(6);
    await desk.pick('parts', [[650, 400]]);
    await desk.verb('look', 'Blend…');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(7);
    const said = (await desk.stored()).plan.steps.slice(-3);
    expect(said).toMatchObject([{ stroke: { dash: expect.any(Array) } }, { opacity: 0.4 }, { blend: 'multiply' }]);
    // The model changed, all three follow.
    const file = async () =>
        (await page.request.get(`/api/sheets/${new URL(page.url()).pathname.split('/').at(-1)}/file?format=svg`)).text();
    expect((await file()).match(/fill="#0f6e84"/g)).toHaveLength(3);
    await page.getByRole('button', { name: 'fill of look 1: lagoon' }).click();
    await page.getByRole('button', { name: 'ink', exact: true }).last().click();
    await desk.revision(8);
    expect((await file()).match(/fill="#1b2140"/g)).toHaveLength(3);
});

test('a colour is set by hue, saturation and brightness, and its contrast is told', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.bring('Colours', lamps);
    await page.getByRole('button', { name: 'Colour lagoon, #0f6e84' }).click();
    await expect(page.getByText('with white 5.85 : 1')).toBeVisible();
    await type(page.getByLabel('Hue, degrees'), '0');
    await type(page.getByLabel('Saturation, per cent'), '100');
    await type(page.getByLabel('Brightness, per cent'), '100');
    await expect(page.getByLabel('Colour as #rrggbb')).toHaveValue('#ff0000');
    // 3.998 of 21, as WCAG counts pure red on white (recalled).
    await expect(page.getByText('with white 3.99 : 1 (large things only)')).toBeVisible();
    await page.getByRole('button', { name: 'Set', exact: true }).click();
    await desk.revision(2);
    expect((await desk.stored()).plan.palette['lagoon']).toBe('#ff0000');
});
