import type { Scene, Step } from '../../../api/client';
import { imageShape } from '../scene/geometry';

/** What a grid calls the measure of its cells. */
const CELLS = ['cellw', 'ring', 'side', 'cell'];

/** Shares of a cell that are read at a glance. */
const ROUND: [number, string][] = [
    [1 / 40, '/40'],
    [1 / 20, '/20'],
    [1 / 16, '/16'],
    [1 / 10, '/10'],
    [1 / 8, '/8'],
    [1 / 5, '/5'],
    [1 / 4, '/4'],
    [1 / 3, '/3'],
    [1 / 2, '/2'],
    [1, ''],
    [3 / 2, '*3/2'],
    [2, '*2'],
    [3, '*3'],
    [4, '*4'],
    [5, '*5'],
    [6, '*6'],
    [8, '*8'],
    [10, '*10'],
];

/**
 * About so manieth of the sheet's shorter side: a round share of a cell, which follows the grid; without a grid a round number of the
 * sheet's unit.
 */
export function shareOf(scene: Scene, under: Step | undefined, part: number, isNegative: boolean): string | number {
    const about = Math.min(scene.sheet.width, scene.sheet.height) / part;
    const grid = under ?? scene.steps.findLast((step) => step.role === 'grid' && !step.hidden);
    const name = CELLS.find((one) => (grid?.numbers[one] ?? 0) > 0);
    const cell = grid?.numbers[name ?? ''];
    if (grid === undefined || name === undefined || cell === undefined) return (isNegative ? -1 : 1) * rounded(about);
    const [, share] = ROUND.reduce((best, one) => (away(about, one[0] * cell) < away(about, best[0] * cell) ? one : best));
    return `${isNegative ? '-' : ''}${grid.id}.${name}${share}`;
}

/** In whole sides where a triangular grid lies there, so that what has six corners lies on its lines. */
export function sidesOf(scene: Scene, part: number): string | number {
    const grid = latticeOf(scene);
    const side = grid?.numbers['side'] ?? 0;
    if (grid === undefined || side <= 0) return shareOf(scene, undefined, part, false);
    const whole = Math.max(1, Math.round(Math.min(scene.sheet.width, scene.sheet.height) / part / side));
    return `${grid.id}.side${whole === 1 ? '' : `*${whole}`}`;
}

/** The grid that lies there, where it is one of triangles, which have a height. */
export function latticeOf(scene: Scene): Step | undefined {
    const grid = scene.steps.findLast((step) => step.role === 'grid' && !step.hidden);
    return (grid?.numbers['rise'] ?? 0) > 0 ? grid : undefined;
}

/** By how many times two lengths differ. */
function away(one: number, other: number): number {
    return Math.abs(Math.log(one / other));
}

/** The nearest of 1, 2, 2.5 and 5 times a power of ten. */
function rounded(value: number): number {
    const power = 10 ** Math.floor(Math.log10(value));
    const nearest = [1, 2, 2.5, 5, 10].reduce((best, one) => (away(value, one * power) < away(value, best * power) ? one : best));
    return Number((nearest * power).toPrecision(6));
}

/** So many pixels lie along the shorter side of a sheet. */
const PIXELS = 32;

/** Pixels that fill the sheet: how large they are, and how many there are. */
export function pixelsOf({ sheet: { width, height } }: Scene): Record<'{pixel}' | '{pixels across}' | '{pixels down}', number> {
    const pixel = Math.max(1, Math.floor(Math.min(width, height) / PIXELS));
    return {
        '{pixel}': pixel,
        '{pixels across}': Math.max(1, Math.floor(width / pixel)),
        '{pixels down}': Math.max(1, Math.floor(height / pixel)),
    };
}

/** The box of the last picture that lies level on the sheet; null where there is none. */
export function boxOf(scene: Scene): [number, number, number, number] | null {
    const image = imageShape(scene.steps.findLast((step) => step.role === 'picture' && !step.hidden)?.geometry)?.data;
    const [wide = 0, high = 0] = image?.size ?? [];
    const [a = 1, b = 0, c = 0, d = 1, x = 0, y = 0] = image?.map ?? [];
    if (image === undefined || Math.abs(b) > 1e-9 || Math.abs(c) > 1e-9 || a <= 0 || d <= 0) return null;
    return [x, y, x + a * wide, y + d * high].map((one) => Number(one.toFixed(3))) as [number, number, number, number];
}
