import { createContext, useContext } from 'react';
import type { Kind, Operation, Problem, Scene, SheetPage, Step } from '../api/client';
import type { Hover } from './pick/hover';
import type { Store } from './Store';
import type { Asking } from './verbs/asking';
import type { Done } from './verbs/KeepOn';
import type { Verb } from './verbs/verbs';
import type { Picking } from './pick/pick';
import type { Painter } from './paint/Painter';
import type { SnapIndex } from './pick/SnapIndex';

/** Somebody who wants a place from the sheet. */
export interface PlaceWanted {
    take: (raw: unknown, at: [number, number]) => void;
    /** The step that it is for; what stands behind it in the plan cannot be meant. Null for a new one. */
    before: string | null;
    /** Told when the asking ends without a place. */
    leave?: () => void;
}

export type Told = string | { text: string; label: string; run: () => void };

/** What is folded away beside the sheet. */
export interface Folded {
    plan: boolean;
    proofs: boolean;
}

/** What the regions of the editor share. */
export interface Desk {
    page: SheetPage;
    /** As shown: of the preview while there is one. */
    scene: Scene;
    kinds: Kind[];
    picking: Picking;
    /** What is painted and not yet kept, and with which brush. */
    painter: Painter;
    change: (operations: Operation[]) => Promise<Problem | null>;
    /** Ids of what the last change made: parts, and lines to build on. */
    added: () => { parts: string[]; lines: string[] };
    preview: (operations: Operation[] | null) => Promise<Problem | null>;
    selected: string | null;
    select: (step: string | null) => void;
    gridsShown: boolean;
    /** Whether the dimension lines of measures are drawn. */
    measuresShown: boolean;
    showMeasures: (shown: boolean) => void;
    /** What can be snapped to, as far as it is known beforehand. */
    snapPlaces: SnapIndex | null;
    /** Asks for a place to be clicked; null ends the asking. */
    askPlace: (wanted: PlaceWanted | null) => void;
    placeWanted: PlaceWanted | null;
    /** The verb that has been said and is not done yet; it stays whatever is looked at meanwhile. */
    asking: Asking | null;
    setAsking: (next: Asking | null | ((old: Asking | null) => Asking | null)) => void;
    /** Does the verb that is asked for, from the sheet. */
    finishAsking: Store<(() => void) | null>;
    /** What the pointer, or the keyboard, is on. */
    pointed: Store<Hover | null>;
    /** The verb that was done last. */
    last: Done | null;
    setLast: (done: Done) => void;
    /** The verb that is done with every new pick. */
    kept: Done | null;
    setKept: (done: Done | null) => void;
    /** The first step of the chapter that is worked on alone; null while all are. */
    working: string | null;
    workOn: (from: string | null) => void;
    /** Ids of its steps: all others are faded and not picked. */
    worked: ReadonlySet<string> | null;
    /** The repeat in whose sectors is drawn: what is drawn in any of them is drawn in all. */
    drawingIn: string | null;
    drawIn: (repeat: string | null) => void;
    /** Only outlines are drawn, to judge how they meet. */
    outlines: boolean;
    /** The result is shown with what it was constructed on. */
    constructed: boolean;
    /** Puts the focus on the sheet, where keys are heard. */
    toSheet: () => void;
    /** What there is to be told of a change, with what can be done about it; it goes with the next one. */
    told: Store<Told | null>;
    /** Back to the revision before, or forth again; what was picked then is picked again. */
    move: (way: 'undo' | 'redo') => Promise<unknown>;
    /** The verbs that fit what is picked, and how one of them is begun. */
    offered: Store<{ verbs: readonly Verb[]; begin: (verb: Verb) => void }>;
    /** The step whose name is being typed in the plan. */
    renaming: Store<string | null>;
    /** The plan, or proofs and palette, folded away. */
    folded: Folded;
    fold: (side: keyof Folded) => void;
    /** Puts a place of the sheet into the middle of the view; enlarged to `scale` where that is more. */
    lookAt: (x: number, y: number, scale?: number) => void;
}

/** What can be done, and how things are when it is. Unlike the desk it stays the same object, so that sentences need not be drawn anew for each preview. */
export interface Acts extends Pick<Desk, 'picking' | 'change' | 'preview' | 'select' | 'askPlace' | 'toSheet' | 'told' | 'move' | 'renaming'> {
    now: () => Pick<Desk, 'page' | 'scene' | 'asking'>;
}

export const ActsContext = createContext<Acts | null>(null);

export function useActs(): Acts {
    return inEditor(useContext(ActsContext));
}

/** #rrggbb by name. */
export const PaletteContext = createContext<Record<string, string>>({});

export function usePalette(): Record<string, string> {
    return useContext(PaletteContext);
}

export const DeskContext = createContext<Desk | null>(null);

export function useDesk(): Desk {
    return inEditor(useContext(DeskContext));
}

function inEditor<T>(given: T | null): T {
    if (given === null) {
        throw new Error('This belongs into the editor.');
    }
    return given;
}

export function stepOf(scene: Scene, id: string): Step | undefined {
    return scene.steps.find((step) => step.id === id);
}

/** The first grid that a step is built on, directly or through others. */
export function gridUnder(scene: Scene, id: string): Step | undefined {
    const step = stepOf(scene, id);
    if (step === undefined || step.role === 'grid') {
        return step;
    }
    for (const below of step.of) {
        const grid = gridUnder(scene, below);
        if (grid !== undefined) return grid;
    }
    return undefined;
}

/** What to say of a refused change. */
export function problemText(problem: Problem): string {
    return problem.body.findings?.[0]?.message ?? (problem.body.expected === undefined ? problem.message : `Expected ${problem.body.expected}`);
}

/** The number that would do in the place of the one that was refused; null where none is known. */
export function wouldDo(problem: Problem): number | null {
    const [operation] = problem.body.findings?.[0]?.remedy?.operations ?? [];
    return operation?.op === 'set' && typeof operation.value === 'number' ? operation.value : null;
}
