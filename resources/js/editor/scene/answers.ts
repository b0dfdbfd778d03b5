import type { Drawn, PlanStep, Scene, Schemas, SheetPage, Step } from '../../api/client';
import { shapes } from './geometry';
import { HashStore, type Holder } from './HashStore';

/** What a question says that it need not be told. */
export interface Lent {
    readonly has: string[];
    readonly back: () => void;
}

/** What answers said, each thing once. The same sentence is the same object from answer to answer, so that what shows it need not be drawn anew. */
export class Answers {
    private readonly sentences = new HashStore<Step>();
    private readonly looks = new HashStore<Drawn>();
    private readonly written = new HashStore<PlanStep>();
    private palette: Record<string, string> = {};

    /** A scene as it was meant, for the one who shows it from now on. */
    scene(given: Schemas['Scene'], holder: Holder): Scene {
        const steps = given.steps.map((one) => told(this.sentences, one));
        const drawing = given.drawing.map((one) => told(this.looks, one));
        shapes.take({ geometry: given.geometry, steps }, holder);
        this.sentences.hold(holder, steps.map((step) => step.hash));
        this.looks.hold(holder, drawing.map((drawn) => drawn.hash));
        return { ...given, steps, drawing };
    }

    page(given: Schemas['SheetPage']): SheetPage {
        const steps = given.plan.steps.map((one, number) => {
            const hash = given.written[number] ?? '';
            if (typeof one !== 'string') this.written.put(hash, one);
            return known(this.written, hash);
        });
        this.written.hold('page', given.written);
        if (JSON.stringify(given.plan.palette) !== JSON.stringify(this.palette)) this.palette = given.plan.palette;
        return { ...given, plan: { ...given.plan, steps, palette: this.palette }, scene: this.scene(given.scene, 'page') };
    }

    end(holder: Holder): void {
        for (const store of this.stores()) store.end(holder);
    }

    /** What is here stays until `back` is called. */
    lend(): Lent {
        const lent = this.stores().map((store) => ({ store, hashes: store.lend() }));
        return {
            has: lent.flatMap(({ hashes }) => hashes),
            back: () => {
                for (const { store, hashes } of lent) store.giveBack(hashes);
            },
        };
    }

    private stores(): HashStore<unknown>[] {
        return [shapes, this.sentences, this.looks, this.written];
    }
}

function told<T extends { hash: string }>(store: HashStore<T>, one: T | string): T {
    if (typeof one === 'string') return known(store, one);
    const before = store.get(one.hash);
    if (before !== undefined) return before;
    store.put(one.hash, one);
    return one;
}

function known<T>(store: HashStore<T>, hash: string): T {
    const thing = store.get(hash);
    if (thing === undefined) throw new Error(`The answer counts on ${hash}, which is not here.`);
    return thing;
}
