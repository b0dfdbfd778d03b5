import { createContext, useContext } from 'react';
import type { Kind, Operation, Problem, Scene, SheetPage, Step } from '../api/client';
import type { Done } from './KeepOn';
import type { Picking } from './pick';

/** Somebody who wants a place from the sheet. */
export interface PlaceWanted {
    take: (raw: unknown) => void;
    /** The step that it is for; what stands behind it in the plan cannot be meant. Null for a new one. */
    before: string | null;
}

/** What the regions of the editor share. */
export interface Desk {
    page: SheetPage;
    /** As shown: of the preview while there is one. */
    scene: Scene;
    kinds: Kind[];
    picking: Picking;
    change: (operations: Operation[]) => Promise<Problem | null>;
    /** Ids of the parts that the last change made. */
    added: () => string[];
    preview: (operations: Operation[] | null) => Promise<Problem | null>;
    selected: string | null;
    select: (step: string | null) => void;
    gridsShown: boolean;
    /** Asks for a place to be clicked; null ends the asking. */
    askPlace: (wanted: PlaceWanted | null) => void;
    placeWanted: PlaceWanted | null;
    /** The verb that was done last. */
    last: Done | null;
    setLast: (done: Done) => void;
    /** The verb that is done with every new pick. */
    kept: Done | null;
    setKept: (done: Done | null) => void;
    /** Only outlines are drawn, to judge how they meet. */
    outlines: boolean;
    /** Puts a place of the sheet into the middle of the view; enlarged to `scale` where that is more. */
    lookAt: (x: number, y: number, scale?: number) => void;
}

export const DeskContext = createContext<Desk | null>(null);

export function useDesk(): Desk {
    const desk = useContext(DeskContext);
    if (desk === null) {
        throw new Error('This belongs into the editor.');
    }
    return desk;
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
