import { expect, test } from './journey';
import { DeskPage } from './desk';

const bars = {
    format: 'sternbild-plan',
    version: 1,
    sheet: { width: 800, height: 800, unit: 'px', background: null },
    palette: { ink: '#1b2140' },
    values: {},
    steps: [
        { id: 'p1', kind: 'part.rectangle', origin: [120, 200], size: [80, 400] },
        { id: 'p2', kind: 'part.rectangle', origin: [420, 200], size: [97, 400] },
        { id: 'p3', kind: 'part.circle', center: [640, 400], radius: 30 },
    ],
};

test('the width of a bar is measured, named in one click, put into a number, and carried to another bar', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.bring('Bars', bars);

    // The part was clicked last where its width is asked for.
    await desk.pick('parts', [[125, 400]]);
    await desk.verb('measure', 'Width…');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(2);
    await desk.pick('parts', [[425, 400]]);
    await desk.verb('measure', 'Width…');
    await page.getByRole('button', { name: 'Do it' }).click();
    await desk.revision(3);
    const panel = page.getByRole('region', { name: 'Measures' });
    await expect(panel).toContainText('80');
    await expect(panel).toContainText('97');
    await expect(page.locator('[data-step="m2"]')).toContainText('= 97 px');

    await panel.getByRole('button', { name: 'Name it' }).first().click();
    await desk.revision(4);
    expect((await desk.stored()).plan.steps.find((step) => step.id === 'm1')).toMatchObject({ name: 'a' });

    // Typed, and clicked, a name stands for its measure.
    await page.getByLabel('radius of disc 1', { exact: true }).click();
    await panel.getByRole('button', { name: 'a', exact: true }).click();
    await page.keyboard.press('End');
    await page.keyboard.type('/2');
    await page.keyboard.press('Enter');
    await desk.revision(5);
    const steps = (await desk.stored()).plan.steps;
    // It was measured behind the circle; to be taken by it, it goes before.
    expect(steps.map((step) => step.id)).toEqual(['p1', 'p2', 'm1', 'p3', 'm2']);
    expect(steps[3]).toMatchObject({ radius: 'm1.value/2' });

    await panel.getByRole('button', { name: 'Make another equal to a' }).click();
    await panel.getByRole('button', { name: 'Make width 2 equal to a' }).click();
    await expect(panel).not.toContainText('97');
    const { plan } = await desk.stored();
    expect(plan.steps.find((step) => step.id === 'p2')).toMatchObject({ size: ['m1.value', 400] });

    // From now on it follows.
    await desk.setNumber('size of rectangle 1, across', '64');
    await expect(page.locator('[data-step="m2"]')).toContainText('= 64 px');

    // Also into what a verb asks for.
    await desk.pick('parts', [[125, 400]]);
    await desk.verb('shape', 'Round…');
    await page.getByLabel('radius', { exact: true }).click();
    await page.getByLabel('radius', { exact: true }).press('ControlOrMeta+a');
    await panel.getByRole('button', { name: 'a', exact: true }).click();
    await expect(page.getByLabel('radius', { exact: true })).toHaveValue('a');
    await page.getByRole('button', { name: 'Leave' }).click();

    await panel.getByRole('button', { name: 'Hide lines' }).click();
    await expect(panel.getByRole('button', { name: 'Show lines' })).toBeVisible();
});
