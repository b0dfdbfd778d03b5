import { expect, type Page } from '@playwright/test';
import { type } from './type';

export interface StoredPlan {
    sheet: Record<string, unknown>;
    palette: Record<string, string>;
    values: Record<string, unknown>;
    chapters?: { name: string; from: string }[];
    steps: ({ id: string; kind: string } & Record<string, unknown>)[];
}

interface StoredPage {
    revision: number;
    plan: StoredPlan;
    scene: {
        geometry: Record<string, { measures?: Record<string, number> }>;
        steps: { id: string }[];
        geometries: (string | null)[];
        findings: { step: string; code: string; message: string }[];
    };
}

/** The editor as a designer works in it: by pointer and keys on the page; what came of it is read from the server. */
export class DeskPage {
    constructor(readonly page: Page) {}

    get sheet() {
        return this.page.getByRole('application');
    }

    /** An empty sheet, opened. Its form is gone through by the journeys that begin with nothing. */
    async newSheet(name: string): Promise<void> {
        await this.open({ name, width: 800, height: 800, unit: 'px' });
    }

    /** All sheets, however many there are by now. */
    async sheets(): Promise<void> {
        await this.page.goto('/');
        await expect(this.page.getByRole('link', { name: /^Open / }).first()).toBeVisible();
        const more = this.page.getByRole('button', { name: 'Show more' });
        if (await more.isVisible()) {
            await more.click();
            await expect(more).toBeHidden();
        }
    }

    /** A sheet from a plan, opened. */
    async bring(name: string, plan: unknown): Promise<void> {
        await this.open({ name, plan: JSON.stringify(plan) });
    }

    /** The same through the form that everybody fills in. */
    async fillInNewSheet(name: string, plan?: unknown): Promise<void> {
        await this.page.goto('/');
        await this.page.getByRole('button', { name: 'New sheet' }).click();
        await type(this.page.getByLabel('Name', { exact: true }), name);
        if (plan !== undefined)
            await this.page
                .getByLabel('Or bring a plan')
                .setInputFiles({ name: `${name}.json`, mimeType: 'application/json', buffer: Buffer.from(JSON.stringify(plan)) });
        await this.page.getByRole('button', { name: plan === undefined ? 'Make the sheet' : 'Bring in the plan' }).click();
        await expect(this.sheet).toBeVisible();
        await this.revision(1);
    }

    private async open(data: Record<string, unknown>): Promise<void> {
        const token = (await this.page.context().cookies()).find((cookie) => cookie.name === 'XSRF-TOKEN')?.value ?? '';
        const made = await this.page.request.post('/api/sheets', {
            data,
            headers: { Accept: 'application/json', 'X-XSRF-TOKEN': decodeURIComponent(token) },
        });
        expect(made.status(), await made.text()).toBe(201);
        const { id } = (await made.json()) as { id: string };
        await this.page.goto(`/sheets/${id}`);
        await expect(this.sheet).toBeVisible();
        await this.revision(1);
    }

    /** Opens what is brought from elsewhere: a picture, a drawing, or a sketch from the scanner. */
    async bringIn(what: 'picture' | 'drawing' | 'sketch'): Promise<void> {
        await this.page.getByRole('button', { name: 'Bring a picture, a drawing or a sketch' }).click();
        await this.page.getByRole('menuitem', { name: `A ${what}` }).click();
    }

    /** The same by keyboard. */
    async bringInByKeys(what: 'picture' | 'drawing' | 'sketch'): Promise<void> {
        await this.page.getByRole('button', { name: 'Bring a picture, a drawing or a sketch' }).press('Enter');
        const items = ['picture', 'drawing', 'sketch'] as const;
        for (const item of items.slice(0, items.indexOf(what) + 1)) {
            if (item !== 'picture') await this.page.keyboard.press('ArrowDown');
            await expect(this.page.getByRole('menuitem', { name: `A ${item}` })).toBeFocused();
        }
        await this.page.keyboard.press('Enter');
    }

    /** Waits until the page says that this revision is saved. */
    async revision(number: number): Promise<void> {
        await expect(this.page.getByText(`Saved, revision ${number}`, { exact: true })).toBeVisible();
    }

    async stored(): Promise<StoredPage> {
        const id = new URL(this.page.url()).pathname.split('/').at(-1) ?? '';
        const answer = await this.page.request.get(`/api/sheets/${id}`, { headers: { Accept: 'application/json' } });
        expect(answer.ok()).toBe(true);
        return (await answer.json()) as StoredPage;
    }

    /** What figures of a part cover together, asked for by name as a number does: the measures of a part add its figures up. */
    async covered(step: string): Promise<number> {
        const token = (await this.page.context().cookies()).find(({ name }) => name === 'XSRF-TOKEN')?.value ?? '';
        const answer = await this.page.request.post(`/api/sheets/${new URL(this.page.url()).pathname.split('/').at(-1) ?? ''}/preview`, {
            headers: { Accept: 'application/json', 'X-XSRF-TOKEN': decodeURIComponent(token) },
            data: {
                operations: [{ op: 'add', step: { kind: 'guide.circle', center: [0, 0], radius: `sqrt(${step}.area)` } }],
                has: [],
                handles: [],
            },
        });
        expect(answer.ok(), await answer.text()).toBe(true);
        const { scene, added } = (await answer.json()) as Pick<StoredPage, 'scene'> & { added: string[] };
        const numbers = scene.steps.find(({ id }) => id === added[0]) as { numbers: Record<string, number> } | undefined;
        return (numbers?.numbers['radius'] ?? 0) ** 2;
    }

    async measures(step: string): Promise<Record<string, number>> {
        const { scene } = await this.stored();
        const hash = scene.geometries[scene.steps.findIndex((one) => one.id === step)] ?? '';
        return scene.geometry[hash]?.measures ?? {};
    }

    /** A place of the sheet as a place of the page. */
    async at(x: number, y: number): Promise<[number, number]> {
        const box = await this.sheet.boundingBox();
        const [scale = 1, left = 0, top = 0] = ((await this.sheet.getAttribute('data-view')) ?? '').split(' ').map(Number);
        return [(box?.x ?? 0) + x * scale + left, (box?.y ?? 0) + y * scale + top];
    }

    /** A place around the centre of a sheet of 800, by ring radius and heading. */
    async around(radius: number, degrees: number): Promise<[number, number]> {
        const angle = (degrees * Math.PI) / 180;
        return this.at(400 + radius * Math.sin(angle), 400 - radius * Math.cos(angle));
    }

    async dragAcross(from: [number, number], to: [number, number]): Promise<void> {
        await this.page.mouse.move(...from);
        await this.page.mouse.down();
        await this.page.mouse.move(...to, { steps: 8 });
        await this.page.mouse.up();
    }

    /** What the pointer picks. */
    mode(what: 'cells' | 'points' | 'lines' | 'parts') {
        return this.page.getByRole('radiogroup', { name: 'What the pointer picks' }).getByRole('radio', { name: what });
    }

    /** Opens a family of verbs, where there are several, and presses one of its verbs. */
    async verb(family: string, label: string): Promise<void> {
        const choice = this.page.getByRole('radio', { name: family, exact: true });
        const button = this.page.getByRole('region', { name: 'Verbs' }).getByRole('button', { name: new RegExp(`^\\d ?${label}$`) });
        await expect(choice.or(button).first()).toBeVisible();
        // What fits the pick may still be changing.
        await expect(async () => {
            if (await choice.isVisible()) await choice.click({ timeout: 2_000 });
            await button.click({ timeout: 2_000 });
        }).toPass({ timeout: 20_000 });
    }

    /** Picks places, lines or parts one after another, the first one alone; each is picked before the next is clicked. */
    async pick(what: 'points' | 'lines' | 'parts', places: [number, number][]): Promise<void> {
        await this.mode(what).click();
        await this.sheet.press('Escape');
        for (const [number, [x, y]] of places.entries()) {
            if (number > 0 && what !== 'points') await this.page.keyboard.down('Shift');
            await this.page.mouse.click(...(await this.at(x, y)));
            await this.page.keyboard.up('Shift');
            await expect(this.page.locator(`[data-picked="${number + 1}"]`)).toHaveCount(1);
        }
    }

    /** A grid of a family, asked for; another one lies there already, or not. */
    async grid(name: string): Promise<void> {
        await this.verb('grids', name);
    }

    async layPolarGrid(): Promise<void> {
        await this.grid('Polar grid');
        await this.page.getByRole('button', { name: 'Do it' }).click();
    }

    /** A file from elsewhere, let go over the sheet. */
    async drop(name: string, type: string, bytes: Buffer): Promise<void> {
        const data = await this.page.evaluateHandle(
            ([file, mime, text]) => {
                const transfer = new DataTransfer();
                transfer.items.add(
                    new File([Uint8Array.from(atob(text ?? ''), (one) => one.charCodeAt(0))], file ?? '', { type: mime ?? '' }),
                );
                return transfer;
            },
            [name, type, bytes.toString('base64')],
        );
        await this.sheet.dispatchEvent('drop', { dataTransfer: data });
    }

    /** Types a number in its sentence. */
    async setNumber(label: string, value: string): Promise<void> {
        const field = this.page.getByLabel(label, { exact: true });
        await type(field, value);
        await field.press('Enter');
    }
}
