import type { Step } from '../../../api/client';
import type { GridShape } from '../scene/GridShape';
import type { PaintedCells } from './PaintedCells';

type Frames = NonNullable<Step['frames']>;

/** The corner, from 0, of a frame that there is, or of one behind the last. */
export function cornerOf({ size, corners }: Frames, shape: GridShape, index: number): [number, number] {
    const [wide = 1, high = 1] = size;
    const known = corners[index];
    const across = Math.max(1, Math.floor(shape.extent[0] / wide));
    return known === undefined ? [(index % across) * wide, Math.floor(index / across) * high] : [known[0] ?? 0, known[1] ?? 0];
}

/**
 * What has to be painted so that a frame looks as another one does.
 *
 * @param names of colours of the palette by #rrggbb
 */
export function frameLaid(
    frames: Frames,
    shape: GridShape,
    picture: PaintedCells,
    names: ReadonlyMap<string, string>,
    from: number,
    to: number,
): Map<number, string> {
    const [wide = 1, high = 1] = frames.size;
    const [x0, y0] = cornerOf(frames, shape, from);
    const [x1, y1] = cornerOf(frames, shape, to);
    const cells = new Map<number, string>();
    for (let row = 1; row <= high; row++) {
        for (let column = 1; column <= wide; column++) {
            const source = shape.cell(`${x0 + column},${y0 + row}`);
            const target = shape.cell(`${x1 + column},${y1 + row}`);
            if (source === undefined || target === undefined) continue;
            const colour = picture.at(source);
            if (colour === picture.at(target)) continue;
            cells.set(target, colour === '' ? 'none' : (names.get(colour.toLowerCase()) ?? colour.slice(0, 7)));
        }
    }
    return cells;
}
