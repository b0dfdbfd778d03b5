import { expect, test } from './journey';
import { DeskPage } from './desk';
import { type } from './type';

test('a golden mark of seven: circles set to touch, turned pieces, gradients that turn with them, a shadow of what a piece and its turned copy share', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.bring('Golden seven', {
        format: 'sternbild-plan',
        version: 1,
        sheet: { width: 800, height: 800, unit: 'px', background: null, checks: { small: 0, miss: 0, corner: 0 } },
        palette: { night: '#1b2140', copper: '#c65d3b', brass: '#e5c78f', spray: '#a0cecf' },
        values: {},
        steps: [
            { id: 'g1', kind: 'grid.golden', origin: [270, 60], size: [420.689, 260], form: 'squares', depth: 4, circles: true },
            { id: 'c1', kind: 'guide.circle', center: 'g1#1!', radius: 130 },
        ],
    });
    let revision = 1;
    const next = async () => desk.revision(++revision);
    const step = async (at: number) => (await desk.stored()).plan.steps.at(at);
    const stepOf = async (id: string) => (await desk.stored()).plan.steps.find((one) => one.id === id);
    const doIt = async () => {
        await page.getByRole('button', { name: 'Do it' }).click();
        await next();
    };

    // The great disc in the first golden square, and inside it one of the next golden size that touches it.
    await desk.pick('points', [[400, 190], [530, 190]]);
    await desk.verb('make', 'Disc, centre and point');
    await next();
    await desk.pick('lines', [[308, 98]]);
    await desk.verb('make', 'Touching disc');
    await type(page.getByLabel('radius', { exact: true }), '80.344');
    await page.getByRole('button', { name: /^place: / }).click();
    await page.getByRole('button', { name: 'a place clicked on the sheet' }).click();
    await page.mouse.click(...(await desk.at(440, 190)));
    await doIt();
    expect(await step(-1)).toMatchObject({ kind: 'part.circle', touching: ['c1'], radius: 80.344 });
    // A third circle that touches both.
    await desk.pick('lines', [[308, 98]]);
    await desk.verb('guide', 'Touching circle');
    await type(page.getByLabel('radius', { exact: true }), '49.66');
    await doIt();
    expect(await step(-1)).toMatchObject({ kind: 'guide.circle', touching: ['c1'], radius: 49.66 });

    // Cut from one another they are a blade.
    await desk.pick('parts', [[285, 190], [450, 190]]);
    await desk.verb('combine', 'Cut from the first');
    await next();
    const blade = Math.PI * (130 ** 2 - 80.344 ** 2);
    const cut = (await step(-1))?.id ?? '';
    expect((await desk.measures(cut))['area']).toBeCloseTo(blade, 1);

    // A gradient of five stops: two that it begins with, three more, in numbers and colours.
    await desk.pick('parts', [[285, 190]]);
    await desk.verb('look', 'Gradient…');
    await doIt();
    await page.getByRole('button', { name: /^fill of look 1: / }).click();
    for (let k = 0; k < 3; k++) await page.getByRole('button', { name: 'Add a stop' }).click();
    await page.getByLabel('Colour of stop 2', { exact: true }).selectOption('copper');
    await type(page.getByLabel('Opacity of stop 4'), '60%');
    await type(page.getByLabel('Position of stop 2'), '0.3');
    await page.keyboard.press('Enter');
    await desk.mode('parts').click();
    await next();
    const gradient = (await stepOf('s1'))?.['fill'] as { gradient: string; stops: [number, string, string?][] };
    expect(gradient.gradient).toBe('linear');
    expect(gradient.stops).toHaveLength(5);
    expect(gradient.stops[1]).toEqual([0.3, 'copper']);
    expect(gradient.stops[3]?.slice(2)).toEqual(['60%']);

    // On the sheet: its end is dragged, a stop moved by keys, another one coloured where it stands.
    await page.getByRole('button', { name: /^Step \d+, look 1$/ }).click();
    const end = page.getByRole('button', { name: /^end of the gradient of/ });
    const box = await end.boundingBox();
    await desk.dragAcross([(box?.x ?? 0) + 12, (box?.y ?? 0) + 12], await desk.at(520, 260));
    await next();
    expect((await stepOf('s1'))?.['fill']).toMatchObject({ gradient: 'linear', to: expect.anything() as unknown });
    await page.getByRole('button', { name: /^stop 2 of/ }).focus();
    await page.keyboard.press('ArrowRight');
    await next();
    expect(((await stepOf('s1'))?.['fill'] as typeof gradient).stops[1]?.[0]).toBeCloseTo(0.35, 6);
    await page.getByRole('button', { name: /^stop 3 of/ }).focus();
    await page.keyboard.press('Enter');
    await page.getByRole('group', { name: /^Colour of stop 3/ }).getByRole('button', { name: 'brass' }).click();
    await next();
    expect(((await stepOf('s1'))?.['fill'] as typeof gradient).stops[2]?.[1]).toBe('brass');

    // The shadow is what the blade and its copy turned by 4° about the middle have in common, multiplied.
    await desk.pick('parts', [[285, 190]]);
    await desk.verb('look', 'Shadow…');
    await expect(page.getByRole('button', { name: 'about: the centre of the sheet' })).toBeVisible();
    await doIt();
    expect((await desk.stored()).plan.steps.slice(-3)).toMatchObject([
        { kind: 'turn', of: [cut], angle: 4, copy: true, hidden: true },
        { kind: 'common', of: [cut, 'v1'], keep: true },
        { kind: 'style', blend: 'multiply' },
    ]);
    const shadow = (await step(-2))?.id ?? '';
    expect((await desk.measures(shadow))['area']).toBeLessThan(blade);
    expect((await desk.measures(shadow))['area']).toBeGreaterThan(0.6 * blade);

    // Blade and shadow, seven times, each over the next one; gradients turn with their pieces.
    await desk.mode('parts').click();
    await desk.pick('parts', [[276, 190], [310, 190]]);
    await desk.verb('copy', 'Around…');
    await type(page.getByLabel('count', { exact: true }), '7');
    await page.getByRole('radio', { name: 'over the next one clockwise', exact: true }).check({ force: true });
    await doIt();
    expect(await step(-1)).toMatchObject({ kind: 'repeat.around', count: 7, lap: 'clockwise' });
    const svg = await (await page.request.get(`/api/sheets/${new URL(page.url()).pathname.split('/').at(-1)}/file?format=svg`)).text();
    expect(svg.match(/<linearGradient id="[^"]+" href=/g)).toHaveLength(7);
    expect(svg.match(/mix-blend-mode:multiply/g)).toHaveLength(7);

    // What lies between the seven, kept clear of them, is a part of its own, and goes to the back.
    const seven = (await step(-1))?.id ?? '';
    await desk.pick('points', [[400, 400], [400, 290]]);
    await desk.verb('make', 'Disc, centre and point');
    await next();
    const core = (await step(-1))?.id ?? '';
    const disc = (await desk.measures(core))['area'] ?? 0;
    await desk.pick('parts', [[400, 400], [276, 190]]);
    await desk.verb('combine', 'Clear of the others…');
    await type(page.getByLabel('distance', { exact: true }), '6');
    await doIt();
    const star = await step(-1);
    expect(star).toMatchObject({ kind: 'gap', behind: [core], front: [seven], distance: 6 });
    expect((await desk.measures(star?.id ?? ''))['area']).toBeLessThan(disc);
    await desk.pick('parts', [[400, 400]]);
    await desk.verb('order', 'To the back');
    await next();
    expect(await step(-1)).toMatchObject({ kind: 'order', of: [star?.id], to: 'back' });
});
