import { useMemo } from 'react';
import { useAsking, useHears } from '../state/asking';
import { usePick, usePicks } from '../state/pick';
import { useSheet } from '../state/sheet';
import { useView } from '../state/view';
import type { Field, Step } from '../../api/client';
import type { GridShape } from '../model/scene/GridShape';
import { pieceName } from '../model/scene/pieceName';
import { Hits, type PartHit } from '../model/pick/Hits';
import { type Hover, tellable } from '../model/pick/hover';
import { placeIn, stepIn } from '../model/pick/Picking';

export interface HitWork {
    hits: Hits;
    /** Whether the pointer picks places. */
    wantsPoint: boolean;
    /** What a click at a place of the sheet would pick; null where that is asked for elsewhere. */
    under: (context: CanvasRenderingContext2D, x: number, y: number, scale: number) => Hover | null;
    /** A part or a line that lies there, whatever the pointer picks just now. */
    stepUnder: (context: CanvasRenderingContext2D, x: number, y: number, scale: number) => Hover | null;
    /** A cell, with the whole run that a click reaches for. */
    cell: (grid: string, shape: GridShape, cell: number) => Hover;
}

/** What can be picked in the scene that is shown, as the pointer picks now. */
export function useHits(): HitWork {
    const { scene: shown, page } = useSheet();
    const { picking } = usePicks();
    const { placeWanted, asking } = useAsking();
    const { worked } = useView();
    // While a verb asks for more, its picture may show as used up what is still to be picked.
    const scene = asking === null ? shown : page.scene;
    const pick = usePick(picking);
    const hits = useMemo(() => new Hits(scene, worked, pick.on), [scene, worked, pick.on]);
    const hears = useHears();
    const wantsPoint = placeWanted !== null || hears.sort === 'place' || (hears.sort === 'picks' && pick.mode === 'points');

    function under(context: CanvasRenderingContext2D, x: number, y: number, scale: number): Hover | null {
        if (wantsPoint || hears.sort === 'nothing') return null;
        context.save();
        context.setTransform(1, 0, 0, 1, 0, 0);
        try {
            if (hears.sort === 'step') return stepAt(context, hears.field, x, y, scale);
            switch (pick.mode) {
                case 'parts': {
                    let first: Hover | null = null;
                    for (const hit of hits.partsAt(context, x, y)) {
                        const found = part(context, hit, x, y, scale);
                        first ??= found;
                        // A verb that asks for more is given what lies below, where what lies on top is picked already.
                        if (asking === null || !pick.parts.includes(found.part ?? '')) return found;
                    }
                    return first;
                }
                case 'lines': {
                    const step = hits.lineAt(context, x, y, scale);
                    return step === undefined ? null : { line: step.id, name: step.label };
                }
                default: {
                    const hit = hits.cellAt(context, x, y);
                    return hit === undefined ? null : cell(hit.step.id, hit.shape, hit.cell);
                }
            }
        } finally {
            context.restore();
        }
    }

    function stepUnder(context: CanvasRenderingContext2D, x: number, y: number, scale: number): Hover | null {
        context.save();
        context.setTransform(1, 0, 0, 1, 0, 0);
        try {
            const [hit] = hits.partsAt(context, x, y);
            const line = hit === undefined ? hits.lineAt(context, x, y, scale) : undefined;
            return hit !== undefined
                ? { part: hit.step.id, name: hit.step.label }
                : line === undefined
                  ? null
                  : { line: line.id, name: line.label };
        } finally {
            context.restore();
        }
    }

    /** What of the roles that are asked for lies there: a line before a part. */
    function stepAt(context: CanvasRenderingContext2D, { roles = [], kinds }: Field, x: number, y: number, scale: number): Hover | null {
        const suits = (step: Step): boolean => roles.includes(step.role) && (kinds === undefined || kinds.includes(step.kind));
        const line = hits.lineAt(context, x, y, scale);
        if (line !== undefined && suits(line)) return { line: line.id, name: line.label };
        const part = [...hits.partsAt(context, x, y)].find((one) => suits(one.step))?.step;
        if (part !== undefined) return { part: part.id, name: part.label };
        const grid = hits.cellAt(context, x, y)?.step;
        return grid !== undefined && suits(grid) ? { line: grid.id, name: grid.label } : null;
    }

    /** The whole part, a copy in it, or a piece of it. */
    function part(context: CanvasRenderingContext2D, { step, shape, figure }: PartHit, x: number, y: number, scale: number): Hover {
        const copy = shape.copyOf(figure);
        if (pick.whole === 'copies' && copy !== undefined) return { part: `${step.id}[${copy}]`, name: `copy ${copy} of ${step.label}` };
        if (pick.whole === 'pieces' && shape.data.measures.pieces > 1) {
            const here = shape.around(context, figure, x, y);
            // A piece that is picked is known again, wherever in it the pointer is.
            const picked = pick.parts.find((name) => {
                const at = placeIn(name);
                return stepIn(name) === step.id && at !== null && sameAll(shape.around(context, figure, ...at), here);
            });
            return { part: picked ?? `${step.id}~${tellable(x, scale)},${tellable(y, scale)}`, name: `a piece of ${step.label}` };
        }
        return { part: step.id, name: step.label };
    }

    function cell(grid: string, shape: GridShape, number: number): Hover {
        const address = shape.address(number);
        if (shape.data.mark === '~') return { grid, cells: [number], address, name: pieceName(address, scene) };
        if (pick.reach === null || pick.reach >= shape.data.cellWords.length)
            return { grid, cells: [number], address, name: shape.cellName(address) };
        const coordinates = address.split(',');
        const run = coordinates.map((value, k) => (k === pick.reach ? value : '*')).join(',');
        const word = `${shape.data.cellWords[pick.reach] ?? ''} ${coordinates[pick.reach] ?? ''}`;
        return { grid, cells: shape.run(number, pick.reach), address, run: `${grid}#${run}`, name: `the whole ${word}` };
    }

    return { hits, wantsPoint, under, stepUnder, cell };
}

function sameAll<T>(some: T[], others: T[]): boolean {
    return some.length === others.length && some.every((one) => others.includes(one));
}

/** What is called so on the sheet: `copy 3 of repeat 1`, `a piece of mark`. */
export function memberLabel(name: string, label: (id: string) => string): string {
    const [, id = name, copy] = /^([a-z0-9]+)(?:\[(\d+)\]|~)/.exec(name) ?? [];
    if (id === name) return label(name);
    return copy === undefined ? `a piece of ${label(id)}` : `copy ${copy} of ${label(id)}`;
}

