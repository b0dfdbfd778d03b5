import './browser';
import { describe, expect, it } from 'vitest';
import { Problem, type Schemas, type SheetPage } from '../api/client';
import { Answers } from '../editor/model/scene/answers';
import { type Calls, SheetChanges } from '../editor/model/scene/SheetChanges';

type Page = Schemas['SheetPage'];

function scene(note: string): Page['scene'] {
    const said = { hash: `step ${note}`, id: 'g1' } as unknown as Schemas['Step'];
    return {
        sheet: {},
        values: {},
        chapters: [],
        steps: [said],
        geometries: [null],
        drawing: [],
        inside: [],
        cells: [],
        seams: { hash: 'none', strokes: [] },
        said: { hash: 'sheet', ground: [], colours: [], checks: [] },
        geometry: {},
        findings: [],
    } as unknown as Page['scene'];
}

function page(revision: number, note = String(revision)): Page {
    const plan = { palette: {}, steps: [{ id: 'g1', kind: 'grid' }] } as unknown as Page['plan'];
    return { id: 's', name: 's', revision, undo: null, redo: null, plan, written: [`written ${note}`], scene: scene(note) };
}

/** A server whose answers come when the test says so, in any order. */
class Server {
    readonly asked: {
        call: string;
        body: unknown;
        tell: (given: unknown) => void;
        fail: (fault: unknown) => void;
        signal?: AbortSignal;
    }[] = [];

    readonly calls: Calls = {
        change: (body) => this.ask('change', body),
        preview: (body, signal) => this.ask('preview', body, signal),
        move: (way, body) => this.ask(way, body),
        replace: (body) => this.ask('replace', body),
    };

    private ask<T>(call: string, body: unknown, signal?: AbortSignal): Promise<T> {
        return new Promise((tell, fail) => this.asked.push({ call, body, tell: tell as (given: unknown) => void, fail, signal }));
    }
}

function desk() {
    const server = new Server();
    const answers = new Answers();
    let shown: SheetPage | undefined = answers.page(page(1));
    const changes = new SheetChanges(server.calls, answers, { get: () => shown, set: (next) => (shown = next) });
    return { server, changes, revision: () => shown?.revision, note: () => changes.get().previewed?.steps[0]?.hash };
}

const set = (value: number) => [{ op: 'set' as const, id: 'g1', field: 'rings', value }];
/** Lets everything that waits for an answer go on. */
const settled = () => new Promise((tell) => setTimeout(tell));

describe('previews', () => {
    it('show something at every answer, and then the last one asked for, with one question on its way at a time', async () => {
        const { server, changes, note } = desk();
        const all = [1, 2, 3, 4].map((value) => changes.preview(set(value)));
        await settled();
        expect(server.asked).toHaveLength(1);
        server.asked[0]?.tell({ scene: scene('one'), added: [] });
        await settled();
        expect(note()).toBe('step one');
        expect(server.asked.map(({ body }) => (body as { operations: unknown }).operations)).toEqual([set(1), set(4)]);
        server.asked[1]?.tell({ scene: scene('four'), added: [] });
        expect(await Promise.all(all)).toEqual([null, null, null, null]);
        expect(note()).toBe('step four');
    });

    it('say nothing once they are over, also where they fail then', async () => {
        const { server, changes, note } = desk();
        const shown = changes.preview(set(1));
        const waiting = changes.preview(set(2));
        await changes.preview(null);
        expect(server.asked[0]?.signal?.aborted).toBe(true);
        server.asked[0]?.tell({ scene: scene('late'), added: [] });
        expect(await shown).toBeNull();
        expect(await waiting).toBeNull();
        expect(server.asked).toHaveLength(1);
        const failing = changes.preview(set(3));
        const next = changes.preview(set(4));
        await settled();
        server.asked[1]?.fail(new Problem(422, { message: 'no' }));
        expect(await failing).toBeNull();
        await settled();
        server.asked[2]?.fail(new Problem(422, { message: 'not that' }));
        expect((await next)?.message).toBe('not that');
        expect(note()).toBeUndefined();
    });

    it('end with the change that is made, also those on their way', async () => {
        const { server, changes, note, revision } = desk();
        void changes.preview(set(1));
        server.asked[0]?.tell({ scene: scene('shown'), added: [] });
        await settled();
        expect(note()).toBe('step shown');
        const made = changes.change(set(1));
        const late = changes.preview(set(2));
        await settled();
        const [, second, third] = server.asked;
        (second?.call === 'change' ? second : third)?.tell(page(2));
        await made;
        (second?.call === 'change' ? third : second)?.tell({ scene: scene('late'), added: [] });
        await late;
        expect(note()).toBeUndefined();
        expect(revision()).toBe(2);
    });
});

describe('changes', () => {
    it('are made one after another, each on what the one before gave', async () => {
        const { server, changes, revision } = desk();
        const all = [changes.change(set(1)), changes.change(set(2)), changes.move('undo'), changes.bring('{}')];
        expect(changes.get().pending).toBe(4);
        for (let k = 0; k < 4; k++) {
            await settled();
            expect(server.asked).toHaveLength(k + 1);
            server.asked[k]?.tell(page(k + 2));
        }
        await Promise.all(all);
        expect(server.asked.map(({ call, body }) => [call, (body as { base: number }).base])).toEqual([
            ['change', 1],
            ['change', 2],
            ['undo', 3],
            ['replace', 4],
        ]);
        expect(revision()).toBe(5);
        expect(changes.get().pending).toBe(0);
    });

    it('that are refused for good are told, and nothing is kept', async () => {
        const { server, changes } = desk();
        const refused = changes.change(set(0));
        await settled();
        server.asked[0]?.fail(new Problem(422, { message: 'a ring at least' }));
        expect((await refused)?.message).toBe('a ring at least');
        expect(changes.get().kept).toBeNull();
    });

    it.each([
        [0, 'outage'], [500, 'outage'], [401, 'signed out'], [409, 'stale'],
    ] as const)('that fail with %i are kept as %s, with all that come after, and made again in their order', async (status, why) => {
        const { server, changes } = desk();
        const first = changes.change(set(1));
        await settled();
        server.asked[0]?.fail(new Problem(status, status === 409 ? { sheet: page(7) } : {}));
        expect(await first).toBeNull();
        await changes.change(set(2));
        expect(changes.get().kept).toMatchObject({ why, entries: [{ operations: set(1) }, { operations: set(2) }] });
        expect(server.asked).toHaveLength(1);
        const again = changes.retry();
        await settled();
        server.asked[1]?.tell(page(8));
        await settled();
        server.asked[2]?.tell(page(9));
        await again;
        expect(changes.get().kept).toBeNull();
        const [lost, ...made] = server.asked.map(({ body }) => body as { base: number; change: string; operations: unknown });
        expect(made.map((one) => one.operations)).toEqual([set(1), set(2)]);
        // The same change as before, so that it is made once even where it had arrived.
        expect(made[0]?.change).toBe(lost?.change);
        expect(made.map((one) => one.base)).toEqual([status === 409 ? 7 : 1, 8]);
    });

    it('that are refused when made again stay, with the reason', async () => {
        const { server, changes } = desk();
        const lost = changes.change(set(1));
        await settled();
        server.asked[0]?.fail(new Problem(0, {}));
        await lost;
        const again = changes.retry();
        await settled();
        server.asked[1]?.fail(new Problem(422, { message: 'not any more' }));
        await again;
        expect(changes.get().kept).toMatchObject({ why: 'refused', message: 'not any more', entries: [{ operations: set(1) }] });
        changes.drop();
        expect(changes.get().kept).toBeNull();
    });
});

describe('answers', () => {
    it('give the same sentence as the same thing, whether it is said again or by its hash', () => {
        const answers = new Answers();
        const first = answers.page(page(1, 'a'));
        const again = answers.page({ ...page(2, 'a'), scene: { ...scene('a'), steps: [1] }, plan: { ...page(2).plan, steps: [0] } }, [
            'written a',
            'step a',
        ]);
        expect(again.scene.steps[0]).toBe(first.scene.steps[0]);
        // About another geometry it is the same sentence, and another step.
        const moved = answers.scene({ ...scene('a'), steps: [0], geometries: ['there'] }, 'preview', ['step a']);
        expect(moved.steps[0]).toEqual({ ...first.scene.steps[0], geometry: 'there' });
        expect(again.plan.steps[0]).toBe(first.plan.steps[0]);
        expect(again.plan.palette).toBe(first.plan.palette);
        expect(answers.lend().has).toEqual(expect.arrayContaining(['step a', 'written a']));
    });

    it('that count on what is not here are not taken for something else', () => {
        expect(() => new Answers().scene({ ...scene('a'), steps: [0] }, 'page', ['step z'])).toThrow('step z');
    });
});
