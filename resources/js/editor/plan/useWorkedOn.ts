import { useCallback, useMemo, useState } from 'react';
import type { Operation, Problem, Section } from '../../api/client';
import type { SheetWork } from '../scene/useSheet';

export interface WorkedOn {
    /** The first step of the chapter that is worked on alone; null while all are. */
    working: string | null;
    workOn: (from: string | null) => void;
    /** Ids of its steps. */
    worked: ReadonlySet<string> | null;
    /** Makes a change; what is new comes into the chapter. */
    change: (operations: Operation[]) => Promise<Problem | null>;
}

/** Working on one chapter, with all others faded and not picked. */
export function useWorkedOn({ page, scene, change }: SheetWork): WorkedOn {
    const [wanted, workOn] = useState<string | null>(null);
    const chapters = page?.scene.chapters;
    const at = chapters?.findIndex((section) => section.from === wanted) ?? -1;
    const section = chapters?.[at];
    const next = section?.named === true ? chapters?.[at + 1]?.from : undefined;
    const steps = scene?.steps;
    const sections = scene?.chapters;
    const worked = useMemo(() => (steps === undefined || sections === undefined || section === undefined ? null : stepsIn(sections, steps, section.from)), [steps, sections, section]);

    const within = useCallback((operations: Operation[]) => change(next === undefined ? operations : operations.map((one) => inChapter(one, next))), [change, next]);

    return { working: section?.from ?? null, workOn, worked, change: within };
}

export function stepsIn(chapters: Section[], steps: { id: string }[], from: string): ReadonlySet<string> {
    const begin = steps.findIndex((step) => step.id === from);
    const count = chapters.find((section) => section.from === from)?.steps ?? 0;
    return new Set(begin < 0 ? [] : steps.slice(begin, begin + count).map((step) => step.id));
}

/** New steps stand before the next chapter, unless they have a place of their own. */
export function inChapter(operation: Operation, next: string): Operation {
    return (operation.op === 'add' || operation.op === 'lay') && operation.before === undefined ? { ...operation, before: next } : operation;
}
