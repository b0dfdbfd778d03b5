import { useState } from 'react';
import { stepOf } from '../model/scene/steps';
import { useAsking } from '../state/asking';
import { usePick, usePicks } from '../state/pick';
import { useSheet } from '../state/sheet';
import type { Arrow } from '../model/scene/nearby';
import { gridShape } from '../model/scene/geometry';
import type { Hover } from '../model/pick/hover';
import type { Putting } from './usePutting';
import { type HitWork, memberLabel } from './useHits';

export interface Walk {
    /** The cell that the keyboard stands on. */
    cursor: { grid: string; address: string } | null;
    arrow: (arrow: Arrow, picks: boolean) => void;
    /** Picks what the keyboard, or the pointer, is on. */
    press: () => void;
    leave: () => void;
    /** Whether keys have walked somewhere that is not picked yet. */
    isUnderWay: boolean;
}

/** Walking over cells, points, lines or parts with the arrow keys. */
export function useWalk(
    { hits, wantsPoint, cell: cellHover }: HitWork,
    putting: Putting,
    hover: Hover | null,
    show: (hover: Hover | null) => void,
): Walk {
    const { scene } = useSheet();
    const { picking } = usePicks();
    const { finishAsking } = useAsking();
    const pick = usePick(picking);
    const [cursor, setCursor] = useState<{ grid: string; address: string } | null>(null);
    const [point, setPoint] = useState<number | null>(null);
    const [isUnderWay, setUnderWay] = useState(false);

    function walkCells(arrow: Arrow, picks: boolean): void {
        const grid = hits.tilings.find((one) => one.id === cursor?.grid) ?? hits.tilings[0];
        const shape = gridShape(grid?.geometry);
        if (grid === undefined || shape === undefined) return;
        const standing = cursor !== null && shape.cell(cursor.address) !== undefined ? cursor.address : undefined;
        const address = standing === undefined ? shape.address(0) : (shape.beside(standing, arrow) ?? standing);
        setCursor({ grid: grid.id, address });
        const cell = shape.cell(address);
        if (cell === undefined) return;
        const found = cellHover(grid.id, shape, cell);
        show(found);
        if (picks && !putting.isPicked(found)) putting.cells(found, 'add');
    }

    /** From intersection to intersection of the topmost grid. */
    function walkPoints(arrow: Arrow): void {
        const grid = hits.tilings.find((one) => one.role === 'grid');
        const shape = gridShape(grid?.geometry);
        if (grid === undefined || shape === undefined) return;
        const next = point === null ? 0 : (shape.pointBeside(point, arrow) ?? point);
        setPoint(next);
        const address = shape.pointAddress(next);
        const name = `${shape.pointName(address)} of ${grid.label}`;
        show({ point: { raw: `${grid.id}@${address}`, name, at: shape.place(next) }, name });
    }

    function walkLines(step: number): void {
        const ids = hits.lines.map((one) => one.id).reverse();
        const id = next(ids, hover?.line, step);
        if (id !== undefined) show({ line: id, name: stepOf(scene, id)?.label ?? id });
    }

    function walkParts(step: number): void {
        const name = next(hits.names(pick.whole), hover?.part, step);
        if (name !== undefined) show({ part: name, name: memberLabel(name, (id) => stepOf(scene, id)?.label ?? id) });
    }

    return {
        cursor,
        isUnderWay,
        arrow: (arrow, picks) => {
            setUnderWay(!picks);
            const step = arrow === 'ArrowRight' || arrow === 'ArrowUp' ? 1 : -1;
            if (wantsPoint) walkPoints(arrow);
            else if (pick.mode === 'parts') walkParts(step);
            else if (pick.mode === 'lines') walkLines(step);
            else walkCells(arrow, picks);
        },
        press: () => {
            setUnderWay(false);
            if (wantsPoint) {
                if (putting.point(hover?.point)) finishAsking.get()?.();
            }
            else if (hover?.line !== undefined) putting.line(hover.line, [scene.sheet.width / 2, scene.sheet.height / 2], true);
            else if (pick.mode === 'parts' && hover?.part !== undefined) putting.part(hover.part, undefined, true);
            else {
                const shape = gridShape(stepOf(scene, cursor?.grid ?? '')?.geometry);
                const cell = cursor === null ? undefined : shape?.cell(cursor.address);
                if (cursor === null || shape === undefined || cell === undefined) return;
                const found = cellHover(cursor.grid, shape, cell);
                putting.cells(found, putting.isPicked(found) ? 'take' : 'add');
            }
        },
        leave: () => {
            setCursor(null);
            setPoint(null);
            setUnderWay(false);
        },
    };
}

function next(ids: string[], from: string | undefined, step: number): string | undefined {
    return ids[(ids.indexOf(from ?? '') + step + ids.length) % ids.length];
}
