import { useRef } from 'react';
import type { Operation } from '../../api/client';
import { gridUnder, stepOf } from '../model/scene/steps';
import { problemText } from '../model/problem';
import { usePick, usePicks } from '../state/pick';
import { useSheet } from '../state/sheet';
import { stepIn } from '../model/pick/Picking';
import { usePutAway } from '../state/usePutAway';
import { useMoving } from '../state/useMoving';
import { useRemoving } from '../state/useRemoving';
import { gridShape, partShape } from '../model/scene/geometry';
import { useKeys } from '../keys/Keyboard';

/** What was taken along by a key, to be laid down. */
interface Taken {
    ids: string[];
    /** Whether it was taken itself, and is not seen until it is laid down. */
    isCut: boolean;
    /** How often it was laid down: each lies beside the one before. */
    times: number;
}

/** Of the longer side of the sheet: how far a copy lies from what it was made of, where no grid says it. */
const BESIDE = 0.04;

/** The keys that do everywhere what they do here: delete, copy, cut, lay down, pick all, rename, undo, redo, save. */
export function useEverydayKeys(): void {
    const { page, scene, change, added, told, move } = useSheet();
    const { picking, selected, renaming } = usePicks();
    const pick = usePick(picking);
    const removing = useRemoving();
    const { moving } = useMoving();
    const putAway = usePutAway();
    const taken = useRef<Taken | null>(null);

    /** The steps that a key is about: those of what is picked, else the one that is chosen in the plan. */
    function about(at: EventTarget | null): string[] {
        const line = at instanceof HTMLElement ? at.closest('[data-step]')?.getAttribute('data-step') : null;
        if (line != null) return [line];
        const picked = pick.mode === 'parts' ? pick.parts.map(stepIn) : pick.mode === 'lines' ? pick.lines : [];
        if (picked.length > 0) return [...new Set(picked)];
        return selected !== null && pick.count === 0 && pick.points.length === 0 ? [selected] : [];
    }

    /** Those of them that can be moved and copied. */
    const movable = (ids: string[]): string[] => ids.filter((id) => ['part', 'guide'].includes(stepOf(scene, id)?.role ?? ''));

    async function make(operations: Operation[]): Promise<void> {
        const refused = await change(operations);
        if (refused !== null) {
            told.set(problemText(refused));
            return;
        }
        const { parts, lines } = added();
        if (parts.length > 0) picking.pickParts(parts);
        else if (lines.length > 0) picking.pickLines(lines);
    }

    /** Beside what it is made of: by a cell of its grid. */
    function beside(ids: string[], times: number): [number, number] {
        const shape = gridShape(gridUnder(scene, ids[0] ?? '')?.geometry ?? scene.steps.find((step) => step.role === 'grid')?.geometry);
        const middle = Math.floor((shape?.pointCount ?? 0) / 2);
        const next = shape?.pointBeside(middle, 'ArrowRight');
        const share = BESIDE * Math.max(page.scene.sheet.width, page.scene.sheet.height);
        const step = shape === undefined || next === undefined ? share : Math.hypot(...difference(shape.place(next), shape.place(middle)));
        return [rounded(step * times), rounded(step * times)];
    }

    function takeAlong(at: EventTarget | null, isCut: boolean): boolean {
        const ids = movable(about(at));
        // Words that are marked somewhere are copied as everywhere.
        if (ids.length === 0 || (window.getSelection()?.toString() ?? '') !== '') return false;
        taken.current = { ids, isCut, times: 0 };
        const what = ids.length === 1 ? (stepOf(scene, ids[0] ?? '')?.label ?? 'it') : `${ids.length} things`;
        if (isCut)
            void change(ids.map((id): Operation => ({ op: 'set', id, field: 'hidden', value: true }))).then(() =>
                told.set(`${what} taken along, and hidden until it is laid down with Ctrl V.`),
            );
        else told.set(`A copy of ${what} is taken along; Ctrl V lays it down.`);
        return true;
    }

    function layDown(): boolean {
        const now = taken.current;
        const ids = now?.ids.filter((id) => stepOf(scene, id) !== undefined) ?? [];
        if (now === null || ids.length === 0) return false;
        now.times += 1;
        const by = beside(ids, now.times);
        if (now.isCut && now.times === 1)
            void make([...ids.map((id): Operation => ({ op: 'set', id, field: 'hidden', value: null })), ...moving(ids, by, false)]);
        else void make(moving(ids, by, true));
        return true;
    }

    function pickAll(): boolean {
        putAway();
        const pick = picking.get();
        const there = scene.steps.filter((step) => !step.hidden && !step.muted && !step.usedUp);
        if (pick.mode === 'parts') picking.pickParts(there.filter((step) => partShape(step.geometry) !== undefined).map(({ id }) => id));
        else if (pick.mode === 'lines')
            picking.pickLines(there.filter((step) => step.role === 'grid' || step.role === 'guide').map(({ id }) => id));
        else if (pick.mode === 'cells') {
            const grid = there.find((step) => step.id === pick.on) ?? there.findLast((step) => gridShape(step.geometry) !== undefined);
            const shape = gridShape(grid?.geometry);
            if (grid === undefined || shape === undefined) return false;
            picking.add(
                grid.id,
                shape.data.mark,
                Array.from({ length: shape.count }, (_, cell) => shape.address(cell)),
                shape.data.mark === '#'
                    ? `${grid.id}#${Array.from({ length: shape.address(0).split(',').length }, () => '*').join(',')}`
                    : undefined,
            );
        } else return false;
        return true;
    }

    useKeys({
        remove: (event) => {
            const ids = about(event.target);
            if (ids.length === 0) return false;
            void removing(ids);
        },
        copy: (event) => takeAlong(event.target, false),
        cut: (event) => takeAlong(event.target, true),
        paste: layDown,
        duplicate: (event) => {
            const ids = movable(about(event.target));
            if (ids.length > 0) void make(moving(ids, beside(ids, 1), true));
        },
        all: pickAll,
        rename: (event) => {
            const [id] = about(event.target);
            if (id === undefined) return false;
            renaming.set(id);
        },
        undo: () => void move('undo'),
        redo: () => void move('redo'),
        save: () => told.set(`All of it is saved as it is made: revision ${page.revision}.`),
    });
}

function difference([x, y]: readonly [number, number], [ox, oy]: readonly [number, number]): [number, number] {
    return [x - ox, y - oy];
}

function rounded(value: number): number {
    return Number(value.toFixed(4));
}
