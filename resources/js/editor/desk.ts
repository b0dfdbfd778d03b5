import { createContext, useContext } from 'react';
import type { Kind, Operation, Problem, Scene, SheetPage, Step } from '../api/client';
import type { Picking } from './pick';

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
    /** Asks for an intersection to be clicked; null ends the asking. */
    askPlace: (take: ((address: string) => void) | null) => void;
    placeWanted: ((address: string) => void) | null;
    /** Puts a place of the sheet into the middle of the view. */
    lookAt: (x: number, y: number) => void;
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
