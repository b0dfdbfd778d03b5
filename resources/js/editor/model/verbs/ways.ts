import type { Scene } from '../../../api/client';
import { stepIn } from '../pick/Picking';
import { guideShape, partShape } from '../scene/geometry';
import { type Box, encloses } from '../scene/nearby';
import { stepOf } from '../scene/steps';
import { latticeOf, shareOf } from './shares';
import type { Bench } from './verb';

type Way = [number | string, number | string];

/** Lengths that differ by less, as a share of them, are the same. */
const ALIKE = 1e-4;

/** At most so many the one way. */
const MOST = 24;

/** From a line to the next one beside it: across the longer side of its box, by a share of the grid. */
export function besideIt(bench: Bench, name: string | null): { by: Way; count: number } {
    const share = shareOf(bench.scene, undefined, 10, false);
    const [left, top, right, bottom] = boxOf(bench.scene, name ?? '') ?? [0, 0, bench.scene.sheet.width, 0];
    const isLevel = right - left > bottom - top;
    const length = Math.max(right - left, bottom - top);
    const apart = typeof share === 'number' ? share : lengthOf(bench.scene, share);
    return { by: isLevel ? [0, share] : [share, 0], count: Math.min(MOST, Math.max(2, Math.floor(length / apart) + 1)) };
}

/** `g1.cellw*3/2`, `g1.side/4` as what it comes to. */
function lengthOf(scene: Scene, text: string): number {
    const [, id = '', name = '', factors = ''] = /^([a-z]\w*)\.(\w+)((?:[*/][\d.]+)*)$/.exec(text) ?? [];
    const from = stepOf(scene, id)?.numbers[name] ?? scene.sheet.width / 8;
    return [...factors.matchAll(/([*/])([\d.]+)/g)].reduce(
        (product, [, sign, by]) => (sign === '*' ? product * Number(by) : product / Number(by)),
        from,
    );
}

function boxOf(scene: Scene, name: string): Box | undefined {
    const geometry = stepOf(scene, stepIn(name))?.geometry;
    const bounds = partShape(geometry)?.data.measures.bounds ?? guideShape(geometry)?.bounds();
    return bounds === undefined ? undefined : [bounds[0] ?? 0, bounds[1] ?? 0, bounds[2] ?? 0, bounds[3] ?? 0];
}

/**
 * Degrees by which what has six corners is turned so that its corners lie in the ways of a triangular grid; null where it lies so anyway.
 */
export function turnOnLattice({ page, scene }: Bench): number | null {
    const grid = latticeOf(scene);
    if (grid === undefined) return null;
    const said = page.plan.steps.find((step) => step.id === grid.id)?.['angle'];
    return (((30 + (typeof said === 'number' ? said : 0)) % 60) + 60) % 60 || null;
}

/** How high a triangle of equal sides is. */
const HIGH = Math.sqrt(3) / 2;

/**
 * Places just inside, as shares of the box: of a hexagon with a corner on top, of one with a side on top, and of a lozenge; beside the
 * lines that halve it, on which parts may meet.
 */
const STANDING: [number, number][] = [
    [0.47, 0.05],
    [0.53, 0.05],
    [0.47, 0.95],
    [0.53, 0.95],
    [0.02, 0.31],
    [0.02, 0.69],
    [0.98, 0.31],
    [0.98, 0.69],
];
const LYING = STANDING.map(([x, y]): [number, number] => [y, x]);
const LOZENGE: [number, number][] = [[0.49, 0.05], [0.51, 0.95], [0.05, 0.49], [0.95, 0.51]];

/** The corners of a part whose outlines are straight; none where one is bent. */
function straightOutlines(scene: Scene, name: string): [number, number][][] {
    const data = partShape(stepOf(scene, stepIn(name))?.geometry)?.data;
    const figures =
        data?.figures.map(([number = 0, a = 1, b = 0, c = 0, d = 1, e = 0, f = 0]) => ({
            path: data.shapes[number] ?? '',
            map: ([x, y]: [number, number]): [number, number] => [a * x + c * y + e, b * x + d * y + f],
        })) ?? [];
    if (figures.some(({ path }) => /[ACQST]/i.test(path) || /[a-z]/.test(path.replace(/[zZ]/g, '').replace(/e/g, '')))) return [];
    return figures.flatMap(({ path, map }) => path.split(/(?=M)/).map((run) => cornersOf(run).map(map)));
}

/** Of `M0 0L10 0V10H0Z`. */
function cornersOf(path: string): [number, number][] {
    let at: [number, number] = [0, 0];
    return [...path.matchAll(/([MLHV])([^MLHVZ]*)/g)].flatMap(([, sign, rest = '']) => {
        const numbers = (rest.match(/-?[\d.]+(?:e[-+]?\d+)?/g) ?? []).map(Number);
        const found: [number, number][] = [];
        if (sign === 'H' || sign === 'V') for (const one of numbers) found.push((at = sign === 'H' ? [one, at[1]] : [at[0], one]));
        else for (let k = 0; k + 1 < numbers.length; k += 2) found.push((at = [numbers[k] ?? 0, numbers[k + 1] ?? 0]));
        return found;
    });
}

/**
 * Ways at which copies of what is picked close up without a gap: in rows and columns, in hexagons standing or lying, or as lozenges; else
 * twice its width.
 */
export function closing(bench: Bench): { a: Way; b: Way | null } {
    const { pick, scene } = bench;
    const boxes = pick.parts.map((name) => boxOf(scene, name)).filter((box) => box !== undefined);
    const first = pick.parts[0];
    if (first === undefined || boxes.length === 0 || boxes.length !== pick.parts.length)
        return { a: [`${stepIn(first ?? '')}.wide*2`, 0], b: null };
    const [left, top] = [Math.min(...boxes.map(([x]) => x)), Math.min(...boxes.map(([, y]) => y))];
    const [wide, high] = [Math.max(...boxes.map(([, , x]) => x)) - left, Math.max(...boxes.map(([, , , y]) => y)) - top];
    const area = pick.parts.reduce((sum, name) => sum + (partShape(stepOf(scene, stepIn(name))?.geometry)?.data.measures.area ?? 0), 0);
    const outlines = pick.parts.flatMap((name) => straightOutlines(scene, name));
    // By its area, and by places near the corners that such a shape has.
    const fills = (share: number, corners: [number, number][]): boolean =>
        Math.abs(area - share * wide * high) <= ALIKE * area &&
        corners.every(([x, y]) => outlines.some((outline) => encloses(outline, left + x * wide, top + y * high)));
    // As a measure of a part that is as large, so that it follows it.
    const measured = (length: number): string | number => {
        for (const [k, [left, top, right, bottom]] of boxes.entries()) {
            const id = stepIn(pick.parts[k] ?? '');
            if (Math.abs(right - left - length) <= ALIKE * length) return `${id}.wide`;
            if (Math.abs(bottom - top - length) <= ALIKE * length) return `${id}.high`;
        }
        return Number(length.toFixed(6));
    };
    const times =
        (by: number, said: string) =>
        (length: string | number): string | number =>
            typeof length === 'number' ? Number((length * by).toFixed(6)) : `${length}${said}`;
    const [half, high3, threeQuarters] = [times(1 / 2, '/2'), times(HIGH, '*sqrt(3)/2'), times(3 / 4, '*3/4')];
    const alike = (one: number, other: number): boolean => Math.abs(one - other) <= ALIKE * one;
    const [w, h] = [measured(wide), measured(high)];
    if (fills(1, [])) return { a: [w, 0], b: [0, h] };
    if (fills(3 / 4, STANDING)) return { a: [w, 0], b: [half(w), alike(high * 0.75, wide * HIGH) ? high3(w) : threeQuarters(h)] };
    if (fills(3 / 4, LYING)) return { a: [alike(wide * 0.75, high * HIGH) ? high3(h) : threeQuarters(w), half(h)], b: [0, h] };
    if (fills(1 / 2, LOZENGE)) return { a: [half(w), half(h)], b: [half(w), typeof h === 'number' ? -h / 2 : `-${h}/2`] };
    return { a: [`${stepIn(first)}.wide*2`, 0], b: null };
}
