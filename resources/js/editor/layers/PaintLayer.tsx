import { useLayoutEffect, useRef } from 'react';
import type { Scene } from '../../api/client';
import { Glass } from './Glass';
import { AMBER, begin, PAPER } from './canvas';
import type { Camera } from '../model/camera';
import { gridShape } from '../model/scene/geometry';
import type { GridShape } from '../model/scene/GridShape';
import { sidesOf } from '../model/paint/blocks';
import type { Painter } from '../model/paint/Painter';
import { PaintedCells } from '../model/paint/PaintedCells';

/** Strokes that are not kept yet, the lines of mirrors, and the block that is picked. Cells that come are painted over what is there. */
export function PaintLayer({
    scene,
    view,
    size,
    painter,
    palette,
    on,
}: {
    scene: Scene;
    view: Camera;
    size: { width: number; height: number };
    painter: Painter;
    palette: Record<string, string>;
    on: string | null;
}) {
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
            paintFrameBefore(context, scene, painter);
            const shape = shapeOf(painter.block?.grid ?? on ?? '');
            if (shape?.isLattice !== true) return;
            context.strokeStyle = AMBER;
            context.lineWidth = 1.5 / view.scale;
            context.setLineDash([5 / view.scale, 4 / view.scale]);
            if (painter.block !== null) {
                const [left, top, right, bottom] = sidesOf(painter.block);
                trace(
                    context,
                    [
                        corner(shape, left - 0.5, top - 0.5),
                        corner(shape, right + 0.5, top - 0.5),
                        corner(shape, right + 0.5, bottom + 0.5),
                        corner(shape, left - 0.5, bottom + 0.5),
                    ],
                    true,
                );
            }
            const [columns, rows] = shape.extent;
            const { mirror, about } = painter.brush;
            const [column, row] = about ?? [(columns + 1) / 2, (rows + 1) / 2];
            if (mirror === 'left to right' || mirror === 'both')
                trace(context, [corner(shape, column, 0.1), corner(shape, column, rows + 0.9)], false);
            if (mirror === 'up and down' || mirror === 'both')
                trace(context, [corner(shape, 0.1, row), corner(shape, columns + 0.9, row)], false);
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

/** How strongly a frame is seen through the next. */
const THROUGH = 0.35;

/** The frame before the one that is worked on, seen through it. */
function paintFrameBefore(context: CanvasRenderingContext2D, scene: Scene, painter: Painter): void {
    const { frame } = painter;
    const frames = scene.steps.find((step) => step.id === frame?.step)?.frames;
    const grid = scene.steps.find((step) => step.id === frames?.on);
    const shape = gridShape(grid?.geometry);
    if (frame === null || !frame.seenThrough || frames === undefined || grid === undefined || shape === undefined) return;
    const picture = PaintedCells.of(scene, grid, shape);
    const before = frames.corners[(frame.index - 1 + frames.corners.length) % frames.corners.length] ?? [];
    const now = frames.corners[frame.index] ?? [];
    context.globalAlpha = THROUGH;
    for (let row = 1; row <= (frames.size[1] ?? 0); row++) {
        for (let column = 1; column <= (frames.size[0] ?? 0); column++) {
            const from = shape.cell(`${(before[0] ?? 0) + column},${(before[1] ?? 0) + row}`);
            const to = shape.cell(`${(now[0] ?? 0) + column},${(now[1] ?? 0) + row}`);
            const colour = from === undefined ? '' : picture.at(from);
            if (colour === '' || to === undefined || picture.at(to) !== '') continue;
            context.fillStyle = colour;
            context.fill(shape.path(to));
        }
    }
    context.globalAlpha = 1;
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
    return [
        x + (column - 1) * (across[0] ?? 0) + (row - 1) * (down[0] ?? 0),
        y + (column - 1) * (across[1] ?? 0) + (row - 1) * (down[1] ?? 0),
    ];
}

function trace(context: CanvasRenderingContext2D, places: [number, number][], closed: boolean): void {
    context.beginPath();
    places.forEach(([x, y]) => context.lineTo(x, y));
    if (closed) context.closePath();
    context.stroke();
}
