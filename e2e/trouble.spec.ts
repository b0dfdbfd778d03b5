import { execFileSync } from 'node:child_process';
import { request } from '@playwright/test';
import { expect, test } from './journey';
import { DeskPage } from './desk';
import { comeIn, openAccount } from './door';
import { tlsProxy } from './proxy';
import { type } from './type';

function run(variable: string): void {
    const command = process.env[variable];
    if (command === undefined) throw new Error(`bin/test gives ${variable}.`);
    execFileSync(command, { stdio: 'ignore' });
}

test('two tabs on one sheet: the later change is kept, and made on the newer plan when asked for', async ({ page, context }) => {
    const one = new DeskPage(page);
    await one.newSheet('Two tabs');
    await one.layPolarGrid();
    await one.revision(2);
    const other = new DeskPage(await context.newPage());
    await other.page.goto(page.url());
    await other.revision(2);

    await one.setNumber('sectors of grid 1', '12');
    await one.revision(3);
    await other.setNumber('rings of grid 1', '7');
    await expect(other.page.getByText('Your change is kept')).toBeVisible();
    await expect(other.page.getByLabel('sectors of grid 1', { exact: true })).toHaveValue('12');
    expect((await one.stored()).revision).toBe(3);

    await other.page.getByRole('button', { name: 'Make my change' }).click();
    await other.revision(4);
    expect((await one.stored()).plan.steps[0]).toMatchObject({ sectors: 12, rings: 7 });
    await expect(other.page.getByText('Your change is kept')).toHaveCount(0);
});

test('the server fails during a change: nothing is lost, and the change is made when it is back', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Outage');
    await desk.layPolarGrid();
    await desk.revision(2);
    try {
        run('STERNBILD_STOP_PHP');
        await desk.setNumber('sectors of grid 1', '14');
        await expect(page.getByText('Not saved: the server does not answer.')).toBeVisible();
        await expect(page.getByText('Not saved', { exact: true })).toBeVisible();
    } finally {
        run('STERNBILD_START_PHP');
    }
    expect((await desk.stored()).revision).toBe(2);
    await page.getByRole('button', { name: 'Try again' }).click();
    await desk.revision(3);
    expect((await desk.stored()).plan.steps[0]).toMatchObject({ sectors: 14 });
});

test('another person’s sheet cannot be opened', async ({ page, browser, baseURL }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Mine alone');
    const stranger = await browser.newContext({ baseURL, storageState: { cookies: [], origins: [] } });
    const door = await stranger.newPage();
    await door.goto(page.url());
    await expect(door.getByRole('heading', { name: 'Sign in' })).toBeVisible();
    await door.getByRole('link', { name: 'Open an account' }).click();
    await type(door.getByLabel('Name'), 'Bo');
    await type(door.getByLabel('E-mail address'), `bo${Date.now()}@sternbild.test`);
    await type(door.getByLabel('Password'), 'short');
    await door.getByRole('button', { name: 'Open the account' }).click();
    await expect(door.getByText('at least 10 characters')).toBeVisible();
    await type(door.getByLabel('Password'), 'a long password');
    await door.getByRole('button', { name: 'Open the account' }).click();
    await comeIn(door);
    await door.goto(page.url());
    await expect(door.getByRole('heading', { name: 'No such sheet' })).toBeVisible();
    await stranger.close();
});

test('plans are brought in and unusable ones refused with their place; a deleted sheet comes back', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('Bringing in');
    await page.getByRole('button', { name: 'Hand over' }).click();
    const bring = (text: string) =>
        page.getByLabel('Bring in a plan').setInputFiles({ name: 'plan.json', mimeType: 'application/json', buffer: Buffer.from(text) });
    await bring('no plan');
    await expect(page.getByRole('alert').filter({ hasText: 'expected JSON' })).toBeVisible();
    const plan = {
        format: 'sternbild-plan',
        version: 1,
        sheet: { width: 100, height: 100, unit: 'mm' },
        palette: {},
        steps: [{ id: 'g1', kind: 'grid.hexagonal' }],
    };
    await bring(JSON.stringify(plan));
    await expect(page.getByRole('alert').filter({ hasText: '/steps/0/kind: expected one of' })).toBeVisible();
    expect((await desk.stored()).revision).toBe(1);
    await bring(
        JSON.stringify({
            ...plan,
            steps: [{ id: 'g1', kind: 'grid.rectangular', origin: [0, 0], columns: 4, rows: 4, cell: ['10mm', 10] }],
        }),
    );
    await desk.revision(2);
    expect((await desk.stored()).plan.steps).toHaveLength(1);

    await page.getByRole('link', { name: 'Sternbild, all sheets' }).click();
    await page.getByRole('button', { name: 'More for Bringing in' }).click();
    await page.getByRole('menuitem', { name: 'Delete' }).click();
    await expect(page.getByRole('link', { name: 'Open Bringing in' })).toHaveCount(0);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByRole('link', { name: 'Open Bringing in' })).toBeVisible();
});

test('a session that ends in mid-edit keeps the change, which is made after signing in on the spot', async ({ browser, baseURL }) => {
    const own = await browser.newContext({ baseURL, storageState: { cookies: [], origins: [] } });
    const page = await own.newPage();
    const email = `ida${Date.now()}@sternbild.test`;
    await openAccount(page, 'Ida', email, 'a long password');
    const desk = new DeskPage(page);
    await desk.newSheet('Signed out');
    await desk.layPolarGrid();
    await desk.revision(2);

    // No answer that is still on its way brings the session back.
    await page.waitForLoadState('networkidle');
    await own.clearCookies();
    await desk.setNumber('sectors of grid 1', '14');
    const banner = page.getByRole('alert').filter({ hasText: 'You are signed out.' });
    await expect(banner).toContainText('Your change is kept');
    await expect(page.getByText('Not saved', { exact: true })).toBeVisible();
    await expect(banner.getByLabel('E-mail address')).toHaveValue(email);
    await type(banner.getByLabel('Password'), 'not this one');
    await banner.getByRole('button', { name: 'Sign in' }).click();
    await expect(banner).toContainText('No account has this e-mail address and password.');
    await type(banner.getByLabel('Password'), 'a long password');
    await page.keyboard.press('Enter');
    await desk.revision(3);
    await expect(banner).toHaveCount(0);
    expect((await desk.stored()).plan.steps[0]).toMatchObject({ sectors: 14 });
    await own.close();
});

test('a click means its place even where the question for it fails', async ({ page }) => {
    const desk = new DeskPage(page);
    await desk.newSheet('No answer');
    await page.route('**/snap', (route) => route.abort());
    await desk.mode('points').click();
    await page.mouse.click(...(await desk.at(200, 300)));
    await expect(page.locator('[data-picked="1"]')).toHaveCount(1);
    await expect(page.locator('[data-picked="1"]')).toContainText(/^With (199|200|201)/);
});

test('behind a proxy that speaks TLS: cookies are secure, people are told apart, and the mailbox stays shut', async ({ baseURL }) => {
    const proxy = await tlsProxy(baseURL ?? '');
    const through = (address: string) =>
        request.newContext({
            baseURL: proxy.url,
            ignoreHTTPSErrors: true,
            extraHTTPHeaders: { 'X-Asks': address, Accept: 'application/json' },
            storageState: { cookies: [], origins: [] },
        });
    try {
        const one = await through('203.0.113.7');
        const session = await one.get('/api/session');
        const cookies = session.headersArray().filter(({ name }) => name.toLowerCase() === 'set-cookie');
        expect(cookies.length).toBeGreaterThan(0);
        for (const { value } of cookies) expect(value.toLowerCase()).toContain('secure');
        expect(await session.json()).toMatchObject({ person: null, mailbox: false });
        expect((await one.get('/api/mailbox?email=demo@sternbild.test')).status()).toBe(404);
        const guess = async (who: typeof one): Promise<number> => {
            const token = (await who.storageState()).cookies.find(({ name }) => name === 'XSRF-TOKEN')?.value ?? '';
            return (
                await who.post('/api/sign-in', {
                    data: { email: 'demo@sternbild.test', password: 'a guess of mine' },
                    headers: { 'X-XSRF-TOKEN': decodeURIComponent(token), Referer: proxy.url },
                })
            ).status();
        };
        const told: number[] = [];
        for (let k = 0; k < 7; k++) told.push(await guess(one));
        expect(told).toEqual([422, 422, 422, 422, 422, 422, 429]);
        const other = await through('203.0.113.8');
        await other.get('/api/session');
        expect(await guess(other)).toBe(422);
    } finally {
        proxy.stop();
    }
});
