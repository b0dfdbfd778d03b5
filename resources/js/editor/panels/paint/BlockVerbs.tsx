import { useSyncExternalStore } from 'react';
import type { Step } from '../../../api/client';
import { useBrush } from '../../state/brush';
import { useSheet } from '../../state/sheet';
import { usePalette } from '../../state/acts';
import type { GridShape } from '../../model/scene/GridShape';
import { blockMoved, laidAnew, sidesOf } from '../../model/paint/blocks';
import type { Block } from '../../model/paint/Painter';
import { namesByColour, PaintedCells } from '../../model/paint/PaintedCells';
import { useStrokes } from '../../state/useStrokes';

/** What can be done with a picked block of cells; it is moved by pulling it, or by arrow keys. */
export function BlockVerbs({ block, grid, shape }: { block: Block; grid: Step; shape: GridShape }) {
    const { page, scene, change } = useSheet();
    const { painter } = useBrush();
    const palette = usePalette();
    const { keep } = useStrokes();
    const { copies } = useSyncExternalStore(painter.subscribe, painter.getBrush);
    const [left, top, right, bottom] = sidesOf(block);

    function lay(how: 'left to right' | 'up and down' | 'turned'): void {
        const laid = laidAnew(block, how);
        const picture = PaintedCells.of(scene, grid, shape, painter.strokes(), palette);
        painter.replace(grid.id, blockMoved(block, shape, picture, namesByColour(palette), laid.way, false));
        painter.setBlock(laid.block);
        keep(painter.send());
    }

    /** The grid is moved so that the block begins where the sheet does, and the sheet is made as large as the block. */
    function cut(): void {
        const first = shape.boxOfCell(shape.cell(`${left},${top}`) ?? 0);
        const last = shape.boxOfCell(shape.cell(`${right},${bottom}`) ?? 0);
        const origin = page.plan.steps.find((step) => step.id === grid.id)?.['origin'];
        const [x, y] =
            Array.isArray(origin) && origin.every((one) => typeof one === 'number')
                ? (origin as [number, number])
                : [shape.place(0)[0], shape.place(0)[1]];
        painter.setBlock(null);
        void change([
            { op: 'set', id: grid.id, field: 'origin', value: [x - first[0], y - first[1]] },
            { op: 'sheet', field: 'width', value: last[2] - first[0] },
            { op: 'sheet', field: 'height', value: last[3] - first[1] },
        ]);
    }

    return (
        <div className="flex items-center gap-1 overflow-x-auto">
            <span className="mr-2 text-[13px] whitespace-nowrap text-slate">
                {right - left + 1} × {bottom - top + 1} cells; pull them, or use the arrow keys
            </span>
            <label className="verb">
                <input type="checkbox" className="size-4 accent-ink" checked={copies} onChange={() => painter.set({ copies: !copies })} />
                Copy
            </label>
            <button className="verb" onClick={() => lay('left to right')}>
                Flip across
            </button>
            <button className="verb" onClick={() => lay('up and down')}>
                Flip down
            </button>
            <button className="verb" onClick={() => lay('turned')}>
                Turn
            </button>
            <button className="verb" onClick={cut}>
                Cut the sheet to it
            </button>
        </div>
    );
}
