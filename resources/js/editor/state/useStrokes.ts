import { useCallback } from 'react';
import type { Operation } from '../../api/client';
import { stepOf } from '../model/scene/steps';
import { useActs } from './acts';
import { useBrush } from './brush';
import { useSheet } from './sheet';
import { gridShape } from '../model/scene/geometry';
import type { Stroke } from '../model/paint/Painter';
import { addressed, paintingOf } from '../model/paint/painting';
import { writtenOn } from '../model/paint/PaintedCells';

/** Keeps strokes: each becomes one change. */
export function useStrokes(): { keep: (stroke: Stroke, instead?: Operation | null) => void } {
    const { kinds } = useSheet();
    const { painter } = useBrush();
    const { change, now } = useActs();
    const keep = useCallback(
        (stroke: Stroke, instead: Operation | null = null) => {
            const { scene } = now();
            const operations =
                instead !== null
                    ? [instead]
                    : [...stroke].flatMap(([grid, cells]) => {
                          const shape = gridShape(stepOf(scene, grid)?.geometry);
                          const operation =
                              shape === undefined || cells.size === 0
                                  ? null
                                  : paintingOf(kinds, grid, shape, addressed(shape, cells), writtenOn(scene, grid, shape));
                          return operation === null ? [] : [operation];
                      });
            if (operations.length === 0) painter.settled(stroke);
            else void change(operations).finally(() => painter.settled(stroke));
        },
        [kinds, painter, change, now],
    );
    return { keep };
}
