/** Something that changes too often to draw everything anew for it. */
export class Store<T> {
    private readonly listeners = new Set<() => void>();

    constructor(private value: T) {}

    readonly get = (): T => this.value;

    readonly subscribe = (listener: () => void): (() => void) => {
        this.listeners.add(listener);
        return () => this.listeners.delete(listener);
    };

    set(value: T): void {
        if (value === this.value) return;
        this.value = value;
        for (const listener of this.listeners) listener();
    }
}
