import AxeBuilder from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect, test } from './journey';
import { DeskPage } from './desk';

/** A screen that people meet, and the way there from a page that is signed in. */
interface Screen {
    name: string;
    open: (page: Page, desk: DeskPage) => Promise<unknown>;
    /**
     * What is left out: numbers in a sentence may be as small as its letters (WCAG 2.5.8, inline), which axe takes for targets that stand
     * alone.
     */
    but?: string;
}

const PLAN = '[aria-label="Plan"]';

/** Without an account, or with one that is not signed in. */
const OUTSIDE: Screen[] = ['/sign-in', '/register', '/forgot', '/mailbox?to=nobody@sternbild.test', '/confirm/x', '/reset/x'].map(
    (way) => ({
        name: way,
        open: async (page) => {
            await page.goto(way);
            await page.getByRole('button').first().waitFor();
        },
    }),
);

/** A sample sheet, opened by where it lies: the list has its own screen. */
async function sample(page: Page, desk: DeskPage, name: string): Promise<void> {
    let found: string | undefined;
    for (let cursor: string | null = ''; found === undefined && cursor !== null; ) {
        const answer = await page.request.get(`/api/sheets?sort=name${cursor === '' ? '' : `&cursor=${cursor}`}`);
        const { sheets, next } = (await answer.json()) as { sheets: { id: string; name: string }[]; next: string | null };
        found = sheets.find((sheet) => sheet.name === name)?.id;
        cursor = next;
    }
    await page.goto(`/sheets/${found ?? ''}`);
    await expect(desk.sheet).toBeVisible();
    await desk.revision(1);
}

async function painted(desk: DeskPage): Promise<void> {
    await desk.bring('Painted', {
        format: 'sternbild-plan',
        version: 1,
        sheet: { width: 640, height: 320, unit: 'px', background: 'night' },
        palette: { night: '#2a3a5e', ink: '#131830', lamp: '#ffd97f', coat: '#3f6f7f', skin: '#e8b98f', brass: '#f2c14e' },
        values: {},
        steps: [
            { id: 'g1', kind: 'grid.pixel', origin: [0, 0], columns: 32, rows: 16, cell: 20, block: 8 },
            { id: 'f1', kind: 'frames', on: 'g1', size: [16, 16], count: 2 },
            { id: 'd1', kind: 'paint', on: 'g1', cells: { ink: '2,2 2,3 2,4 3,4 3,5 3,6', lamp: '8,9+3', coat: '20,5' } },
            { id: 'd2', kind: 'dots', on: 'g1', ring: { center: [24, 8], diameter: 9 }, colour: 'skin' },
        ],
    });
}

async function brush(page: Page, desk: DeskPage, way: string): Promise<void> {
    await painted(desk);
    await page.getByRole('button', { name: 'Frame 2' }).click();
    await desk.sheet.press('0');
    await page.getByRole('radio', { name: way }).click();
}

/** A picture under the sheet, from an SVG file of which something is left out. */
async function referenced(page: Page, desk: DeskPage): Promise<void> {
    await desk.newSheet('References');
    await desk.bringIn('drawing');
    const svg = '<svg xmlns="http://www.w3.org/2000/svg" width="80" height="80"><text>K</text><circle cx="40" cy="40" r="30"/></svg>';
    await page.getByLabel('SVG file').setInputFiles({ name: 'mark.svg', mimeType: 'image/svg+xml', buffer: Buffer.from(svg) });
}

const WAYS = (page: Page) => page.getByRole('region', { name: 'Four ways to begin' });

const SCREENS: Screen[] = [
    { name: 'the list of sheets', open: async (_, desk) => desk.sheets() },
    {
        name: 'a new sheet',
        open: async (page, desk) => {
            await desk.sheets();
            await page.getByRole('button', { name: 'New sheet' }).click();
            await page.getByRole('dialog').waitFor();
        },
    },
    {
        name: 'the account, about to be deleted',
        open: async (page, desk) => {
            await desk.sheets();
            await page.getByTitle('Your account').click();
            await page.getByRole('button', { name: 'Delete the account…' }).click();
        },
    },
    { name: 'a sheet', open: (page, desk) => sample(page, desk, 'Harbour Square floor rosette') },
    {
        name: 'handing over',
        open: async (page, desk) => {
            await sample(page, desk, 'Harbour Square floor rosette');
            await page.getByRole('button', { name: 'Hand over' }).click();
        },
    },
    {
        name: 'ready constructions',
        open: async (page, desk) => {
            await sample(page, desk, 'Harbour Square floor rosette');
            await page.getByRole('button', { name: 'Ready constructions' }).click();
            await page.getByText('Seven circles', { exact: true }).waitFor();
        },
    },
    {
        name: 'a verb that asks',
        open: async (page, desk) => {
            await sample(page, desk, 'Harbour Square floor rosette');
            await desk.grid('Polar grid');
        },
    },
    {
        name: 'a picked point',
        open: async (page, desk) => {
            await sample(page, desk, 'Velmora mark');
            await desk.mode('points').click();
            await page.mouse.click(...(await desk.at(400, 400)));
            await page.locator('[data-picked="1"]').waitFor();
        },
    },
    {
        name: 'outlines',
        open: async (page, desk) => {
            await sample(page, desk, 'Velmora mark');
            await desk.mode('points').click();
            await page.mouse.click(...(await desk.at(400, 400)));
            await page.getByRole('button', { name: 'Outlines' }).click();
            await page.getByText('meet').waitFor();
        },
    },
    {
        name: 'handles',
        open: async (page, desk) => {
            await sample(page, desk, 'Velmora mark');
            await page.getByRole('button', { name: /^Step 2, / }).click();
            await desk.mode('lines').click();
            await page.locator('.handle').first().waitFor();
        },
    },
    {
        name: 'all keys',
        open: async (page, desk) => {
            await sample(page, desk, 'Velmora mark');
            await desk.sheet.press('?');
            await page.getByRole('heading', { name: 'Keys' }).waitFor();
        },
    },
    {
        name: 'a verb is said',
        open: async (page, desk) => {
            await sample(page, desk, 'Velmora mark');
            await desk.sheet.press('/');
            await page.getByRole('listbox').waitFor();
        },
    },
    {
        name: 'an empty sheet',
        open: async (page, desk) => {
            await desk.newSheet('States');
            await WAYS(page).waitFor();
        },
    },
    {
        name: 'examples',
        open: async (page, desk) => {
            await desk.newSheet('States');
            await WAYS(page).getByRole('button', { name: /^An example/ }).click();
            await page.getByRole('button', { name: /^Velmora mark/ }).waitFor();
        },
    },
    {
        name: 'the first steps',
        open: async (page, desk) => {
            await desk.newSheet('States');
            await WAYS(page).getByRole('button', { name: 'Show me in five steps' }).click();
        },
    },
    {
        name: 'more has to be picked',
        open: async (page, desk) => {
            await desk.newSheet('States');
            await WAYS(page).getByRole('button', { name: 'Show me in five steps' }).click();
            await desk.mode('points').click();
            await page.mouse.click(...(await desk.at(400, 400)));
            await desk.verb('make', 'Outline…');
            await page.getByText('pick 2 more points').waitFor();
        },
    },
    {
        name: 'a chapter by itself',
        open: async (page, desk) => {
            await sample(page, desk, 'Wayfinding icons');
            await page.getByRole('button', { name: 'Work on it' }).nth(1).click();
        },
    },
    {
        name: 'handing over a set',
        open: async (page, desk) => {
            await sample(page, desk, 'Wayfinding icons');
            await page.getByRole('button', { name: 'Hand over' }).click();
            await page.getByText('Set', { exact: true }).click();
        },
    },
    {
        name: 'no such sheet',
        open: async (page) => {
            await page.goto('/sheets/00000000-0000-4000-8000-000000000000');
            await page.getByRole('heading', { name: 'No such sheet' }).waitFor();
        },
    },
    {
        name: 'frames',
        but: PLAN,
        open: async (page, desk) => {
            await painted(desk);
            await page.getByRole('button', { name: 'Frame 2' }).click();
        },
    },
    ...['dither', 'area', 'ring'].map((way): Screen => ({
        name: `the brush: ${way}`,
        but: PLAN,
        open: (page, desk) => brush(page, desk, way),
    })),
    {
        name: 'a block of cells',
        but: PLAN,
        open: async (page, desk) => {
            await brush(page, desk, 'block');
            await desk.dragAcross(await desk.at(410, 50), await desk.at(510, 150));
            await page.getByRole('button', { name: 'Turn', exact: true }).waitFor();
        },
    },
    {
        name: 'handing over pixels',
        but: PLAN,
        open: async (page, desk) => {
            await painted(desk);
            await page.getByRole('button', { name: 'Hand over' }).click();
            await page.getByText('Pixels', { exact: true }).click();
        },
    },
    {
        name: 'the scanner',
        open: async (page, desk) => {
            await desk.newSheet('References');
            await desk.bringIn('sketch');
            await page.getByText('Waves and moon').waitFor();
        },
    },
    {
        name: 'a drawing of which something is left out',
        open: async (page, desk) => {
            await referenced(page, desk);
            await page.getByRole('button', { name: 'Bring it in' }).click();
            await page.getByRole('region', { name: 'What is left out' }).waitFor();
        },
    },
    {
        name: 'following lines of a picture, with all that its sentence can say',
        but: PLAN,
        open: async (page, desk) => {
            await referenced(page, desk);
            await page.getByRole('radio', { name: 'As a picture, to be traced' }).check();
            await page.getByRole('button', { name: 'Bring it in' }).click();
            await page.getByRole('button', { name: 'Bring in the rest' }).click();
            await desk.revision(2);
            await page.getByRole('button', { name: 'More for step 1, picture 1' }).click();
            await page.getByRole('menuitem', { name: 'Say all of it' }).click();
            await page.getByRole('radio', { name: 'trace' }).click();
            await page.getByRole('radio', { name: 'circle', exact: true }).click();
        },
    },
];

async function isAccessible(page: Page, but?: string): Promise<void> {
    // What fades in is measured once it is there.
    await page.evaluate(() => Promise.all(document.getAnimations().map((animation) => animation.finished)));
    const axe = new AxeBuilder({ page });
    if (but !== undefined) axe.exclude(but);
    const { violations } = await axe.withTags(['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa']).analyze();
    expect(violations.map(({ id, nodes }) => `${id}: ${nodes.map((node) => node.html).join(' ')}`)).toEqual([]);
}

for (const { name, open, but } of SCREENS) {
    test(`accessible: ${name}`, async ({ page }) => {
        await open(page, new DeskPage(page));
        await isAccessible(page, but);
    });
}

test.describe('outside', () => {
    test.use({ storageState: { cookies: [], origins: [] } });
    for (const { name, open } of OUTSIDE) {
        test(`accessible: ${name}`, async ({ page }) => {
            await open(page, new DeskPage(page));
            await isAccessible(page);
        });
    }
});
