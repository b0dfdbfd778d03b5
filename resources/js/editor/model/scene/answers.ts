import type { Drawn, PlanStep, Scene, Seams, Schemas, Sentence, SheetPage, SheetSentences, Step } from '../../../api/client';
import { shapes } from './geometry';
import { HashStore, type Holder } from './HashStore';

/** Steps that are kept to be the same; they are made anew when there are more. */
const MOST_STEPS = 50_000;

/** What a question says that it need not be told. */
export interface Lent {
    readonly has: string[];
    readonly back: () => void;
}

/**
 * What answers said, each thing once. The same sentence is the same object from answer to answer, so that what shows it need not be drawn
 * anew.
 */
export class Answers {
    private readonly sentences = new HashStore<Sentence>();
    private steps = new Map<string, Step>();
    private readonly looks = new HashStore<Drawn>();
    private readonly seams = new HashStore<Seams>();
    private readonly said = new HashStore<SheetSentences>();
    private readonly written = new HashStore<PlanStep>();
    private palette: Record<string, string> = {};

    /** A scene as it was meant, for the one who shows it from now on; `has` is what the question said that it has. */
    scene(given: Schemas['Scene'], holder: Holder, has: readonly string[] = []): Scene {
        const said = given.steps.map((one) => told(this.sentences, one, has));
        const steps = said.map((sentence, k) => this.step(sentence, hashIn(given.geometries[k] ?? null, has)));
        const drawing = given.drawing.map((one) => told(this.looks, one, has));
        const inside = given.inside.map((one) => told(this.looks, one, has));
        const cells = given.cells.map((one) => told(this.looks, one, has));
        shapes.take({ geometry: given.geometry, steps }, holder);
        this.sentences.hold(holder, said.map((sentence) => sentence.hash));
        this.looks.hold(holder, [...drawing, ...inside, ...cells].map((drawn) => drawn.hash));
        const seams = told(this.seams, given.seams, has);
        this.seams.hold(holder, [seams.hash]);
        const sheet = told(this.said, given.said, has);
        this.said.hold(holder, [sheet.hash]);
        return { ...given, steps, drawing, inside, cells, seams, said: sheet };
    }

    /** The same sentence about the same geometry is the same step. */
    private step(sentence: Sentence, geometry: string | null): Step {
        const key = `${sentence.hash} ${geometry ?? ''}`;
        const known = this.steps.get(key) ?? { ...sentence, geometry };
        if (this.steps.size > MOST_STEPS) this.steps = new Map();
        this.steps.set(key, known);
        return known;
    }

    /** A page as it was meant, where `has` is what the question said that it has. */
    page(given: Schemas['SheetPage'], has: readonly string[] = []): SheetPage {
        const written = given.written.map((one) => hashIn(one, has) ?? '');
        const steps = given.plan.steps.map((one, number) => {
            const hash = written[number] ?? '';
            if (typeof one !== 'number') this.written.put(hash, one);
            return known(this.written, hash);
        });
        this.written.hold('page', written);
        if (JSON.stringify(given.plan.palette) !== JSON.stringify(this.palette)) this.palette = given.plan.palette;
        return { ...given, plan: { ...given.plan, steps, palette: this.palette }, scene: this.scene(given.scene, 'page', has) };
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
        return [shapes, this.sentences, this.looks, this.seams, this.said, this.written];
    }
}

function told<T extends { hash: string }>(store: HashStore<T>, one: T | number, has: readonly string[]): T {
    if (typeof one === 'number') return known(store, hashIn(one, has) ?? '');
    const before = store.get(one.hash);
    if (before !== undefined) return before;
    store.put(one.hash, one);
    return one;
}

/** A hash, or that with a number in the list of what the question said that it has. */
function hashIn(one: string | number | null, has: readonly string[]): string | null {
    return typeof one === 'number' ? (has[one] ?? null) : one;
}

function known<T>(store: HashStore<T>, hash: string): T {
    const thing = store.get(hash);
    if (thing === undefined) throw new Error(`The answer counts on ${hash}, which is not here.`);
    return thing;
}
