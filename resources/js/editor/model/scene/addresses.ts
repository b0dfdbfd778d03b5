import type { Scene } from '../../../api/client';
import type { GridShape } from './GridShape';
import { gridShape } from './geometry';
import { stepOf } from './steps';

type Way = readonly [number, number];

/** Two places that are nearer to one another are one, in units of the sheet. */
const CLOSE = 1e-6;

/** The address that lies as many grid steps from one as a third from a second, and where that is; null where that cannot be counted. */
export function shifted(
    raw: unknown,
    from: unknown,
    to: unknown,
    geometryOf: (step: string) => string | null | undefined,
): { raw: string; at: [number, number] } | null {
    const [one, begin, end] = [addressOf(raw), addressOf(from), addressOf(to)];
    if (one === null || begin === null || end === null || one.grid !== begin.grid || one.grid !== end.grid || begin.mark !== end.mark)
        return null;
    const next = { ...one, at: one.at.map((value, k) => Number((value + (end.at[k] ?? NaN) - (begin.at[k] ?? NaN)).toFixed(6))) };
    const at = placeOf(gridShape(geometryOf(one.grid)), next);
    return at === undefined ? null : { raw: `${next.grid}${next.mark}${next.at.join(',')}${next.centre}`, at };
}

/** The same where it is the way from the second to the third, too; null where the grid takes another one there. */
export function alike(scene: Scene, raw: unknown, from: unknown, to: unknown, way: Way): string | null {
    const geometryOf = (id: string): string | null | undefined => stepOf(scene, id)?.geometry;
    const next = shifted(raw, from, to, geometryOf);
    const old = placeOf(gridShape(geometryOf(addressOf(raw)?.grid ?? '')), addressOf(raw));
    const isSame =
        next !== null &&
        old !== undefined &&
        Math.hypot(next.at[0] - old[0] - way[0], next.at[1] - old[1] - way[1]) < CLOSE * Math.max(1, ...way.map(Math.abs));
    return isSame ? next.raw : null;
}

/** A place beside a crossing or a cell's middle that lies on another one is said by that one. */
export function resettled(scene: Scene, raw: unknown): unknown {
    const { of, by } = (raw !== null && typeof raw === 'object' && !Array.isArray(raw) ? raw : {}) as { of?: unknown; by?: unknown };
    const from = addressOf(of);
    const shape = gridShape(stepOf(scene, from?.grid ?? '')?.geometry);
    const old = placeOf(shape, from);
    if (
        from === null ||
        shape === undefined ||
        old === undefined ||
        !Array.isArray(by) ||
        !by.every((one): one is number => typeof one === 'number')
    )
        return raw;
    const [x, y] = [old[0] + (by[0] ?? 0), old[1] + (by[1] ?? 0)];
    const [point] = shape.pointsAt(x, y, CLOSE);
    if (point !== undefined) return `${from.grid}@${shape.pointAddress(point)}`;
    const cell = shape.cellAround(x, y);
    const middle = cell === undefined ? undefined : shape.centroid(cell);
    return cell !== undefined && middle !== undefined && Math.hypot(middle[0] - x, middle[1] - y) < CLOSE
        ? `${from.grid}#${shape.address(cell)}!`
        : raw;
}

interface Address {
    grid: string;
    /** A crossing, a cell, or a place between them. */
    mark: '@' | '#' | '~';
    at: number[];
    centre: string;
}

function addressOf(raw: unknown): Address | null {
    const [all, grid = '', mark, at = '', centre = ''] =
        typeof raw === 'string' ? (/^([a-z][a-z0-9]*)([@#~])(-?[\d.]+(?:,-?[\d.]+)*)(!?)$/.exec(raw) ?? []) : [];
    return all === undefined ? null : { grid, mark: mark as Address['mark'], at: at.split(',').map(Number), centre };
}

/** Where an address is; of one beside the grid nothing is known. */
function placeOf(shape: GridShape | undefined, address: Address | null): [number, number] | undefined {
    if (shape === undefined || address === null) return undefined;
    const { mark, at } = address;
    if (mark === '@') {
        const point = shape.point(at.join(',')) ?? -1;
        return point < 0 ? undefined : shape.place(point);
    }
    if (mark === '#') {
        const cell = shape.cell(at.join(','));
        return cell === undefined ? undefined : shape.centroid(cell);
    }
    // Between crossings it is told only where cells lie in even columns and rows.
    return shape.isLattice ? evenly(shape, at) : undefined;
}

function evenly(shape: GridShape, [u = 0, v = 0]: number[]): [number, number] {
    const [columns] = shape.extent;
    const [[x, y], [ax, ay], [bx, by]] = [shape.place(0), shape.place(1), shape.place(columns + 1)];
    return [x + u * (ax - x) + v * (bx - x), y + u * (ay - y) + v * (by - y)];
}
