import type { Scene, Step } from '../../../api/client';

/** What a grid calls the measure of its cells. */
const CELLS = ['cellw', 'ring', 'side', 'cell'];

/** Shares of a cell that are read at a glance. */
const ROUND: [number, string][] = [[1 / 40, '/40'], [1 / 20, '/20'], [1 / 16, '/16'], [1 / 10, '/10'], [1 / 8, '/8'], [1 / 5, '/5'], [1 / 4, '/4'], [1 / 3, '/3'], [1 / 2, '/2'], [1, ''], [3 / 2, '*3/2'], [2, '*2'], [3, '*3'], [4, '*4'], [5, '*5'], [6, '*6'], [8, '*8'], [10, '*10']];

/** About so manieth of the sheet's shorter side: a round share of a cell, which follows the grid; without a grid a round number of the sheet's unit. */
export function shareOf(scene: Scene, under: Step | undefined, part: number, isNegative: boolean): string | number {
    const about = Math.min(scene.sheet.width, scene.sheet.height) / part;
    const grid = under ?? scene.steps.findLast((step) => step.role === 'grid' && !step.hidden);
    const name = CELLS.find((one) => (grid?.numbers[one] ?? 0) > 0);
    const cell = grid?.numbers[name ?? ''];
    if (grid === undefined || name === undefined || cell === undefined) return (isNegative ? -1 : 1) * rounded(about);
    const [, share] = ROUND.reduce((best, one) => (away(about, one[0] * cell) < away(about, best[0] * cell) ? one : best));
    return `${isNegative ? '-' : ''}${grid.id}.${name}${share}`;
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
