/** Who shows a scene. What either shows stays; what the page shows is there when a preview ends. */
export type Holder = 'page' | 'preview';

/** How many things are kept beyond those that are shown. */
const MOST_SPARE = 120;

/** Things that answers give once and by hash. What is shown, and what a question on its way counts on, is kept. */
export class HashStore<T> {
    protected readonly things = new Map<string, T>();
    private readonly held = new Map<Holder, ReadonlySet<string>>();
    private readonly lent = new Set<readonly string[]>();

    constructor(private readonly mostSpare = MOST_SPARE) {}

    put(hash: string, thing: T): void {
        this.things.set(hash, thing);
    }

    get(hash: string): T | undefined {
        return this.things.get(hash);
    }

    /** Says what somebody shows from now on. */
    hold(holder: Holder, hashes: Iterable<string>): void {
        this.held.set(holder, new Set(hashes));
        this.forget();
    }

    /** Nobody shows what this one showed. */
    end(holder: Holder): void {
        this.held.delete(holder);
    }

    /** What need not be sent again. It all stays until it is given back, since the answer counts on it. */
    lend(): readonly string[] {
        const hashes = this.hashes();
        this.lent.add(hashes);
        return hashes;
    }

    giveBack(hashes: readonly string[]): void {
        this.lent.delete(hashes);
        this.forget();
    }

    protected hashes(): string[] {
        return [...this.things.keys()];
    }

    /** Lets go of the oldest that nobody shows and nobody waits for; gives what is shown or waited for. */
    protected forget(): ReadonlySet<string> {
        const kept = new Set([...this.held.values(), ...this.lent].flatMap((hashes) => [...hashes]));
        const spare = [...this.things.keys()].filter((hash) => !kept.has(hash));
        for (const hash of spare.slice(0, Math.max(0, spare.length - this.mostSpare))) this.things.delete(hash);
        return kept;
    }
}
