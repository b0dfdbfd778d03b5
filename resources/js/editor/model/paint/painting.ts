import type { Kind, Operation } from '../../../api/client';
import { written } from '../pick/runs';
import type { GridShape } from '../scene/GridShape';
import type { Dot } from './dots';
import { alongOf } from './PaintedCells';

/** A line, ring, ellipse or box between two cells as a step of its own; null where no kind has such numbers. */
export function numbersOf(
    kinds: Kind[],
    grid: string,
    way: string,
    [x0, y0]: Dot,
    [x1, y1]: Dot,
    colour: string,
    filled: boolean,
): Operation | null {
    const kind = kinds.find((one) => one.fields.some((field) => field.type === 'span'));
    if (kind === undefined || colour === 'none') return null;
    const reach = Math.round(Math.hypot(x1 - x0, y1 - y0));
    const [wide, high] = [Math.abs(x1 - x0) + 1, Math.abs(y1 - y0) + 1];
    // An even one reaches one cell farther right and down.
    const middle = [Math.min(x0, x1) + Math.floor((wide - 1) / 2), Math.min(y0, y1) + Math.floor((high - 1) / 2)];
    const said = {
        line: { line: [x0, y0, x1, y1] },
        box: { box: [x0, y0, x1, y1] },
        ring: { ring: { center: [x0, y0], diameter: 2 * reach + 1 } },
        ellipse: { ellipse: { center: middle, wide, high } },
    }[way];
    return said === undefined
        ? null
        : { op: 'add', step: { kind: kind.kind, on: grid, ...said, colour, ...(filled && way !== 'line' ? { filled: true } : {}) } };
}

export function addressed(shape: GridShape, cells: ReadonlyMap<number, string>): [string, string][] {
    return [...cells].map(([cell, colour]) => [shape.address(cell), colour]);
}

/**
 * What paints cells of a grid or an overlay.
 *
 * @param cells addresses and colours
 * @param known how cells of an overlay are written already, by address
 */
export function paintingOf(
    kinds: Kind[],
    grid: string,
    shape: GridShape | undefined,
    cells: readonly (readonly [string, string])[],
    known: ReadonlyMap<string, string> = new Map(),
): Operation | null {
    const kind = kinds.find((one) => one.fields.some((field) => field.type === 'painted'));
    const field = kind?.fields.find((one) => one.type === 'painted');
    if (kind === undefined || field === undefined) return null;
    const painting = { op: 'paint' as const, kind: kind.kind, field: field.name, on: grid };
    if (shape?.data.mark === '~') {
        const held = new Map<string, string[]>();
        for (const [address, colour] of cells) {
            const those = held.get(colour) ?? [];
            those.push(known.get(address) ?? address);
            held.set(colour, those);
        }
        return { ...painting, cells: Object.fromEntries([...held].map(([colour, those]) => [colour, those.join(' ')])) };
    }
    const along = alongOf(shape);
    const byColour = new Map<string, [number, number][]>();
    for (const [address, colour] of cells) {
        const [first = 0, second = 0] = address.split(',').map(Number);
        const those = byColour.get(colour) ?? [];
        those.push([first, second]);
        byColour.set(colour, those);
    }
    return { ...painting, cells: Object.fromEntries([...byColour].map(([colour, those]) => [colour, written(those, along)])), along };
}
