import { useCallback, useMemo, useState } from 'react';
import type { Operation, Problem, Section } from '../../api/client';
import type { SheetWork } from './useSheetWork';

export interface WorkedOn {
    /** The first step of the chapter that is worked on alone; null while all are. */
    working: string | null;
    workOn: (from: string | null) => void;
    /** Ids of its steps. */
    worked: ReadonlySet<string> | null;
    /** The repeat in whose sectors or cells is drawn; null while none. */
    drawingIn: string | null;
    drawIn: (repeat: string | null) => void;
    /** Makes a change; what is new comes into the chapter, or into the repeat. */
    change: (operations: Operation[]) => Promise<Problem | null>;
    /** Shows what a change would give, in the same way. */
    preview: (operations: Operation[] | null) => Promise<Problem | null>;
}

/** Working on one chapter, with all others faded and not picked. */
export function useWorkedOn({ page, scene, change, preview }: SheetWork): WorkedOn {
    const [wanted, workOn] = useState<string | null>(null);
    const [repeat, drawIn] = useState<string | null>(null);
    const chapters = page?.scene.chapters;
    const at = chapters?.findIndex((section) => section.from === wanted) ?? -1;
    const section = chapters?.[at];
    const next = section?.named === true ? chapters?.[at + 1]?.from : undefined;
    const steps = scene?.steps;
    const sections = scene?.chapters;
    const worked = useMemo(
        () => (steps === undefined || sections === undefined || section === undefined ? null : stepsIn(sections, steps, section.from)),
        [steps, sections, section],
    );

    const drawingIn =
        steps?.some((step) => step.id === repeat && (step.sector !== undefined || step.cell !== undefined)) === true ? repeat : null;

    const placed = useCallback(
        (operations: Operation[]) =>
            operations.map((one) => (drawingIn === null ? (next === undefined ? one : inChapter(one, next)) : inRepeat(one, drawingIn))),
        [next, drawingIn],
    );
    const within = useCallback((operations: Operation[]) => change(placed(operations)), [change, placed]);
    const shown = useCallback(
        (operations: Operation[] | null) => preview(operations === null ? null : placed(operations)),
        [preview, placed],
    );

    return { working: section?.from ?? null, workOn, worked, drawingIn, drawIn, change: within, preview: shown };
}

export function stepsIn(chapters: Section[], steps: { id: string }[], from: string): ReadonlySet<string> {
    const begin = steps.findIndex((step) => step.id === from);
    const count = chapters.find((section) => section.from === from)?.steps ?? 0;
    return new Set(begin < 0 ? [] : steps.slice(begin, begin + count).map((step) => step.id));
}

/** What is drawn comes into the repeat; the server finds the sector or the cell that it lies in. */
export function inRepeat(operation: Operation, repeat: string): Operation {
    return operation.op === 'add' && operation.before === undefined ? { ...operation, into: repeat } : operation;
}

/** New steps stand before the next chapter, unless they have a place of their own. */
export function inChapter(operation: Operation, next: string): Operation {
    return (operation.op === 'add' || operation.op === 'lay') && operation.before === undefined
        ? { ...operation, before: next }
        : operation;
}
