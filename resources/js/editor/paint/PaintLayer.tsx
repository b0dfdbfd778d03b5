import { useLayoutEffect, useRef } from 'react';
import type { Scene } from '../../api/client';
import { Glass } from '../layers/Glass';
import { AMBER, begin, PAPER, type View } from '../layers/paint';
import { gridShape } from '../scene/geometry';
import type { GridShape } from '../scene/GridShape';
import { sidesOf } from './blocks';
import type { Painter } from './Painter';

/** Strokes that are not kept yet, the lines of mirrors, and the block that is picked. Cells that come are painted over what is there. */
export function PaintLayer({ scene, view, size, painter, palette, on }: { scene: Scene; view: View; size: { width: number; height: number }; painter: Painter; palette: Record<string, string>; on: string | null }) {
    const canvas = useRef<HTMLCanvasElement>(null);
    useLayoutEffect(() => {
        const glass = canvas.current;
        if (glass === null) return;
        const shapeOf = (grid: string): GridShape | undefined => gridShape(scene.steps.find((step) => step.id === grid)?.geometry);
        const fill = (context: CanvasRenderingContext2D, grid: string, cells: Iterable<readonly [number, string]>): void => {
            const shape = shapeOf(grid);
            for (const [cell, colour] of cells) {
                // What is taken away shows what it lay on.
                context.fillStyle = colour === 'none' ? (scene.sheet.background ?? PAPER) : (palette[colour] ?? colour);
                if (shape !== undefined) context.fill(shape.path(cell));
            }
        };
        const repaint = (): void => {
            const context = begin(glass, view);
            for (const stroke of painter.strokes()) {
                for (const [grid, cells] of stroke) fill(context, grid, cells);
            }
            const shape = shapeOf(painter.block?.grid ?? on ?? '');
            if (shape?.isLattice !== true) return;
            context.strokeStyle = AMBER;
            context.lineWidth = 1.5 / view.scale;
            context.setLineDash([5 / view.scale, 4 / view.scale]);
            if (painter.block !== null) {
                const [left, top, right, bottom] = sidesOf(painter.block);
                trace(context, [corner(shape, left - 0.5, top - 0.5), corner(shape, right + 0.5, top - 0.5), corner(shape, right + 0.5, bottom + 0.5), corner(shape, left - 0.5, bottom + 0.5)], true);
            }
            const [columns, rows] = shape.extent;
            const { mirror, about } = painter.brush;
            const [column, row] = about ?? [(columns + 1) / 2, (rows + 1) / 2];
            if (mirror === 'left to right' || mirror === 'both') trace(context, [corner(shape, column, 0), corner(shape, column, rows + 1)], false);
            if (mirror === 'up and down' || mirror === 'both') trace(context, [corner(shape, 0, row), corner(shape, columns + 1, row)], false);
            context.setLineDash([]);
        };
        repaint();
        return painter.subscribe((came) => {
            const context = glass.getContext('2d');
            if (came === null || context === null) repaint();
            else fill(context, came.grid, came.cells);
        });
    }, [scene, view, size, painter, palette, on]);
    return <Glass canvas={canvas} size={size} />;
}

/** A place of a lattice by column and row: whole numbers are middles of cells. */
function corner(shape: GridShape, column: number, row: number): [number, number] {
    const first = shape.cell('1,1') ?? 0;
    const [x, y] = shape.centroid(first);
    const [columns, rows] = shape.extent;
    const [rightX, rightY] = shape.centroid(shape.cell(`${columns},1`) ?? first);
    const [downX, downY] = shape.centroid(shape.cell(`1,${rows}`) ?? first);
    const across = columns > 1 ? [(rightX - x) / (columns - 1), (rightY - y) / (columns - 1)] : [0, 0];
    const down = rows > 1 ? [(downX - x) / (rows - 1), (downY - y) / (rows - 1)] : [0, 0];
    return [x + (column - 1) * (across[0] ?? 0) + (row - 1) * (down[0] ?? 0), y + (column - 1) * (across[1] ?? 0) + (row - 1) * (down[1] ?? 0)];
}

function trace(context: CanvasRenderingContext2D, places: [number, number][], closed: boolean): void {
    context.beginPath();
    places.forEach(([x, y]) => context.lineTo(x, y));
    if (closed) context.closePath();
    context.stroke();
}
