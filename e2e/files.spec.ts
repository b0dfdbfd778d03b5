import { readFile } from 'node:fs/promises';
import { expect, test } from './journey';
import { DeskPage } from './desk';
import { type } from './type';

/** Discs half over one another: just within what may be made, so that it takes a while. */
const SLOW = {
    format: 'sternbild-plan',
    version: 1,
    sheet: { width: 1000, height: 1000, unit: 'px', background: null },
    palette: { lagoon: '#0f6e84' },
    values: {},
    steps: [
        { id: 'p1', kind: 'part.circle', center: [500, 500], radius: 450 },
        { id: 'r1', kind: 'repeat.around', of: ['p1'], center: [510, 500], count: 60 },
        { id: 's1', kind: 'style', of: ['r1'], fill: 'lagoon', opacity: 0.5, blend: 'multiply' },
    ],
};

test('a picture that takes long tells how far it is, is cancelled by a key, and another is made after it', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.bring('Harbour discs', SLOW);
    await page.getByRole('button', { name: 'Hand over' }).click();
    await page.getByText('PNG', { exact: true }).click();
    await type(page.getByLabel('Scale'), '9');
    await page.getByLabel('Scale').press('Enter');
    await expect(page.getByText('half transparent or blended figures')).toBeVisible();
    await type(page.getByLabel('Scale'), '5');
    const asked = page.waitForResponse((answer) => answer.url().endsWith('/exports') && answer.status() === 202);
    await page.getByLabel('Scale').press('Enter');
    const { id } = (await (await asked).json()) as { id: string };
    await expect(page.getByRole('status').filter({ hasText: /Being made|Waiting/ })).toBeVisible();
    await page.getByRole('button', { name: 'Cancel' }).press('Enter');
    await expect(page.getByRole('button', { name: 'Save the file' })).toBeEnabled();
    const state = async () => ((await (await page.request.get(`/api/exports/${id}`)).json()) as { state: string }).state;
    // The page goes on at once; the server hears of it a moment later.
    await expect.poll(state).toBe('cancelled');

    await type(page.getByLabel('Scale'), '0.5');
    const saving = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Save the file' }).click();
    const download = await saving;
    expect(download.suggestedFilename()).toBe('harbour-discs.png');
    const picture = await readFile(await download.path());
    expect(picture.readUInt32BE(16)).toBe(500);
    expect(await state()).toBe('cancelled');
});

test('what may be kept is seen in the account', async ({ page }) => {
    await page.goto('/');
    const kept = (await (await page.request.get('/api/account')).json()) as { sheets: number; most_sheets: number };
    await page.getByRole('button', { name: 'Velmora Tramways' }).click();
    await expect(page.getByText(`${kept.sheets} of ${kept.most_sheets}`, { exact: true })).toBeVisible();
    await expect(page.getByText(/^\d+(\.\d)? of 200 MB$/)).toBeVisible();
});
