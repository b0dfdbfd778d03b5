import { createContext, useContext, useEffect, useEffectEvent } from 'react';
import type { Picking } from '../model/pick/Picking';
import { comboOf, type KeyId, rowsOf, type When, type Where } from './table';

/** Does what a key is for. False where that is nothing just now: then others, and the browser, have it. */
export type Act = (event: KeyboardEvent) => unknown;

export type Acts = Partial<Record<KeyId, Act>>;

/** Hears all keys of one editor, and hands each to whoever does what the table says of it. */
export class Keyboard {
    private readonly registered = new Set<() => Acts>();

    /** With what the pointer does. */
    private when: When = 'verbs';

    /** Hears by what the pointer does, as long as that is not ended. */
    follow(picking: Picking): () => void {
        const look = (): void => {
            const { mode } = picking.get();
            this.when = mode === 'paint' || mode === 'trace' ? mode : 'verbs';
        };
        look();
        return picking.subscribe(look);
    }

    register(acts: () => Acts): () => void {
        this.registered.add(acts);
        return () => this.registered.delete(acts);
    }

    readonly hear = (event: KeyboardEvent): void => {
        // Who took it before, a handle or a list, has it.
        if (event.defaultPrevented || !(event.target instanceof HTMLElement)) return;
        const at = event.target;
        // Whoever came last is nearest to what is done just now.
        const all = [...this.registered].reverse().map((acts) => acts());
        for (const row of rowsOf(comboOf(event), (where) => isHeard(where, at), this.when)) {
            for (const acts of all) {
                const act = acts[row.id as KeyId];
                if (act !== undefined && act(event) !== false) {
                    event.preventDefault();
                    return;
                }
            }
        }
    };
}

/** Whether something is typed there, or chosen. */
function isTaken(at: HTMLElement): boolean {
    return at.closest('input, select, textarea, [contenteditable], [role=menu], [role=dialog], form') !== null;
}

function isHeard(where: Where, at: HTMLElement): boolean {
    switch (where) {
        case 'sheet':
            return at.getAttribute('role') === 'application';
        case 'pick':
            return !isTaken(at) && at.closest('[data-keys], [aria-label=Plan]') !== null;
        case 'verbs':
            return !isTaken(at) && at.closest('[data-keys]') !== null;
        case 'fieldless':
            return at.closest('input, textarea') === null;
        case 'anywhere':
            return true;
    }
}

export const KeyboardContext = createContext<Keyboard | null>(null);

/** Does what keys are for, as long as the component is there. */
export function useKeys(acts: Acts, given?: Keyboard): void {
    const shared = useContext(KeyboardContext);
    const keyboard = given ?? shared;
    const now = useEffectEvent(() => acts);
    useEffect(() => keyboard?.register(() => now()), [keyboard]);
}

/** The one listener of an editor. */
export function useHearing(keyboard: Keyboard, picking: Picking): void {
    useEffect(() => keyboard.follow(picking), [keyboard, picking]);
    useEffect(() => {
        window.addEventListener('keydown', keyboard.hear);
        return () => window.removeEventListener('keydown', keyboard.hear);
    }, [keyboard]);
}
