import { expect, test } from './journey';
import { DeskPage } from './desk';
import { type } from './type';

/** A mark as another program would save it: a ring as cubics, a band clipped by it, a word, a stroke. */
const MARK = `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 400 400" width="400" height="400">
<style>.ring { fill: #0f6e84; fill-rule: evenodd }</style>
<clipPath id="inside"><circle cx="200" cy="200" r="100"/></clipPath>
<g id="harbour">
<path class="ring" d="M350 200C350 282.843 282.843 350 200 350S50 282.843 50 200 117.157 50 200 50 350 117.157 350 200zM300 200A100 100 0 1 0 100 200A100 100 0 1 0 300 200z"/>
<rect x="50" y="180" width="300" height="40" fill="#f2b33d" clip-path="url(#inside)"/>
</g>
<text x="10" y="20">Velmora</text>
<path d="M100 380H300" fill="none" stroke="#171c3a" stroke-width="8"/>
</svg>`;

const file = { name: 'mark.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(MARK) };

test('a finished mark is brought in as parts, told what is left out, taken further, and brought in again as a motif and as a picture', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Mark from before');
    const steps = async () => (await desk.stored()).plan.steps;
    await desk.bringIn('drawing');
    const dialog = page.getByRole('dialog', { name: 'Bring in a drawing' });
    await dialog.getByLabel('SVG file').setInputFiles(file);
    await dialog.getByRole('button', { name: 'Bring it in' }).click();
    await expect(dialog.getByText('text, line 8: text “Velmora” has to be outlined first')).toBeVisible();
    await dialog.getByRole('button', { name: 'Bring in the rest' }).click();
    await desk.revision(2);
    expect((await steps()).map((step) => step.kind)).toEqual([
        'part.svg',
        'part.rectangle',
        'part.circle',
        'common',
        'guide.run',
        'band',
        'style',
        'style',
        'style',
    ]);
    // Two circles that were cubics and arcs are circles again: no node is left of them.
    const ring = (await steps())[0]?.id ?? '';
    expect((await desk.measures(ring))['area']).toBeCloseTo(Math.PI * (150 ** 2 - 100 ** 2), -1);
    expect((await desk.measures(ring))['nodes']).toBe(0);

    // What came in is built on like anything else: its ring is drawn in.
    await desk.pick('parts', [[75, 200]]);
    await desk.verb('shape', 'Inset…');
    await type(page.getByLabel('distance', { exact: true }), '10');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(3);
    expect((await desk.measures((await steps()).at(-1)?.id ?? ''))['area']).toBeCloseTo(Math.PI * (140 ** 2 - 110 ** 2), -1);

    // The same again, by keyboard, as one motif.
    await desk.sheet.press('Escape');
    await desk.bringInByKeys('drawing');
    await dialog.getByLabel('SVG file').setInputFiles(file);
    await dialog.getByRole('radio', { name: 'As one motif, to be placed again' }).focus();
    await page.keyboard.press(' ');
    await page.keyboard.press('Enter');
    await dialog.getByRole('button', { name: 'Bring in the rest' }).press('Enter');
    await desk.revision(4);
    expect((await steps()).slice(-2)).toMatchObject([{ kind: 'motif', anchor: [200, 200] }, { kind: 'place', at: [[200, 200]] }]);

    // And dropped, as a picture to trace.
    await desk.drop('mark.svg', 'image/svg+xml', file.buffer);
    await dialog.getByRole('radio', { name: 'As a picture, to be traced' }).check();
    await dialog.getByRole('button', { name: 'Bring it in' }).click();
    await dialog.getByRole('button', { name: 'Bring in the rest' }).click();
    await desk.revision(5);
    expect((await steps()).at(-1)).toMatchObject({ kind: 'picture', width: 400, fade: 0.4 });
});

test('a drawing becomes a sheet of its own; what is none is refused by name, and nothing is lost', async ({ page }) => {
    const desk = new DeskPage(page);
    await page.goto('/');
    await page.getByRole('button', { name: 'New sheet' }).click();
    const input = page.getByLabel('Or bring a plan, or an SVG drawing');
    await type(page.getByLabel('Name', { exact: true }), 'Harbour mark');
    await input.setInputFiles({
        name: 'bomb.svg',
        mimeType: 'image/svg+xml',
        buffer: Buffer.from('<!DOCTYPE svg [<!ENTITY a "b">]><svg xmlns="http://www.w3.org/2000/svg"/>'),
    });
    await page.getByRole('button', { name: 'Bring in the drawing' }).click();
    await expect(page.getByText('The file declares entities')).toBeVisible();
    await expect(page.getByLabel('Name', { exact: true })).toHaveValue('Harbour mark');
    await input.setInputFiles(file);
    await page.getByRole('button', { name: 'Bring in the drawing' }).click();
    await expect(page.getByRole('region', { name: 'What is left out' })).toContainText('has to be outlined first');
    await page.getByRole('button', { name: 'Bring in the rest' }).click();
    await expect(desk.sheet).toBeVisible();
    await desk.revision(1);
    const { plan } = await desk.stored();
    expect(plan).toMatchObject({
        sheet: { width: 400, height: 400, unit: 'px' },
        palette: { 'colour 1': '#0f6e84' },
        chapters: [{ name: 'harbour' }],
    });
});
