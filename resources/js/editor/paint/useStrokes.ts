import { useCallback } from 'react';
import type { Kind, Operation } from '../../api/client';
import { stepOf, useActs, useDesk } from '../desk';
import { written } from '../pick/runs';
import { gridShape } from '../scene/geometry';
import type { GridShape } from '../scene/GridShape';
import type { Stroke } from './Painter';
import { alongOf } from './Picture';

/** Keeps strokes: each becomes one change. */
export function useStrokes(): { keep: (stroke: Stroke) => void } {
    const { kinds, painter } = useDesk();
    const { change, now } = useActs();
    const keep = useCallback(
        (stroke: Stroke) => {
            const { scene } = now();
            const operations = [...stroke].flatMap(([grid, cells]) => {
                const shape = gridShape(stepOf(scene, grid)?.geometry);
                const operation = shape === undefined || cells.size === 0 ? null : paintingOf(kinds, grid, shape, cells);
                return operation === null ? [] : [operation];
            });
            if (operations.length === 0) painter.settled(stroke);
            else void change(operations).finally(() => painter.settled(stroke));
        },
        [kinds, painter, change, now],
    );
    return { keep };
}

/** What paints cells of a grid. */
export function paintingOf(kinds: Kind[], grid: string, shape: GridShape, cells: ReadonlyMap<number, string>): Operation | null {
    const kind = kinds.find((one) => one.fields.some((field) => field.type === 'painted'));
    const field = kind?.fields.find((one) => one.type === 'painted');
    if (kind === undefined || field === undefined) return null;
    const along = alongOf(shape);
    const byColour = new Map<string, [number, number][]>();
    for (const [cell, colour] of cells) {
        const [first = 0, second = 0] = shape.address(cell).split(',').map(Number);
        const those = byColour.get(colour) ?? [];
        those.push([first, second]);
        byColour.set(colour, those);
    }
    return { op: 'paint', kind: kind.kind, field: field.name, on: grid, cells: Object.fromEntries([...byColour].map(([colour, those]) => [colour, written(those, along)])), along };
}
