/** A column and a row, from 1. */
export type Dot = readonly [number, number];

/**
 * From one cell to another, both among them: J. E. Bresenham, Algorithm for computer control of a digital plotter, IBM Systems Journal 4
 * (1965).
 */
export function line([fromX, fromY]: Dot, [toX, toY]: Dot): Dot[] {
    const [wide, high] = [Math.abs(toX - fromX), -Math.abs(toY - fromY)];
    const [right, down] = [fromX < toX ? 1 : -1, fromY < toY ? 1 : -1];
    const cells: Dot[] = [];
    let [x, y, error] = [fromX, fromY, wide + high];
    for (;;) {
        cells.push([x, y]);
        if (x === toX && y === toY) return cells;
        const twice = 2 * error;
        if (twice >= high) {
            error += high;
            x += right;
        }
        if (twice <= wide) {
            error += wide;
            y += down;
        }
    }
}

/** The edge of a box between two cells. */
export function box([x0, y0]: Dot, [x1, y1]: Dot): Dot[] {
    const [left, right, top, bottom] = [Math.min(x0, x1), Math.max(x0, x1), Math.min(y0, y1), Math.max(y0, y1)];
    const cells: Dot[] = [];
    for (let y = top; y <= bottom; y++) {
        for (let x = left; x <= right; x += y === top || y === bottom || left === right ? 1 : right - left) cells.push([x, y]);
    }
    return cells;
}

/** The ellipse in a box between two cells, one cell wide and with no doubled corner, as the core lays it. */
export function ellipse([x0, y0]: Dot, [x1, y1]: Dot): Dot[] {
    const [left, top, wide, high] = [Math.min(x0, x1), Math.min(y0, y1), Math.abs(x1 - x0) + 1, Math.abs(y1 - y0) + 1];
    const [radiusX, radiusY] = [(wide - 1) / 2, (high - 1) / 2];
    const quarter: Dot[] = [];
    for (let x = radiusX % 1; x <= radiusX; x++) quarter.push([x, across(x, radiusX, radiusY, radiusY % 1)]);
    for (let y = radiusY % 1; y <= radiusY; y++) quarter.push([across(y, radiusY, radiusX, radiusX % 1), y]);
    const cells = new Map<string, Dot>();
    for (const [x, y] of quarter) {
        for (const [column, row] of [[x, y], [-x, y], [x, -y], [-x, -y]] as const) {
            const cell: Dot = [Math.round(left + radiusX + column), Math.round(top + radiusY + row)];
            cells.set(cell.join(), cell);
        }
    }
    return Math.min(wide, high) < 3 ? [...cells.values()] : thinned(cells);
}

/** The ring around a cell that reaches so far. */
export function ring([x, y]: Dot, rim: Dot): Dot[] {
    const reach = Math.round(Math.hypot(rim[0] - x, rim[1] - y));
    return ellipse([x - reach, y - reach], [x + reach, y + reach]);
}

function across(along: number, radius: number, other: number, half: number): number {
    const exact = radius > 0 ? other * Math.sqrt(Math.max(0, 1 - (along / radius) ** 2)) : other;
    return Math.max(half, Math.round(exact - half) + half);
}

/** Without the cells at the inside of steps. */
function thinned(cells: Map<string, Dot>): Dot[] {
    const isDoubled = ([x, y]: Dot): boolean => {
        const has = (right: number, down: number): boolean => cells.has(`${x + right},${y + down}`);
        return has(1, 0) !== has(-1, 0) && has(0, 1) !== has(0, -1);
    };
    for (const [key, cell] of [...cells].filter(([, one]) => isDoubled(one))) {
        // Others of the same step may have gone meanwhile.
        if (isDoubled(cell)) cells.delete(key);
    }
    return [...cells.values()];
}

/** The same with all that lies between its cells in every row. */
export function filled(cells: readonly Dot[]): Dot[] {
    const rows = new Map<number, [number, number]>();
    for (const [x, y] of cells) {
        const [first, last] = rows.get(y) ?? [x, x];
        rows.set(y, [Math.min(first, x), Math.max(last, x)]);
    }
    return [...rows].flatMap(([y, [first, last]]) => Array.from({ length: last - first + 1 }, (_, k): Dot => [first + k, y]));
}

/** Every cell as wide as the nib: of two the one to the right and below, too; of three all around. */
export function widened(cells: readonly Dot[], size: number): Dot[] {
    if (size === 1) return [...cells];
    const first = -Math.floor((size - 1) / 2);
    const wide = new Map<number, Dot>();
    for (const [x, y] of cells) {
        for (let down = first; down < first + size; down++) {
            for (let right = first; right < first + size; right++) wide.set((y + down) * 65536 + x + right, [x + right, y + down]);
        }
    }
    return [...wide.values()];
}

export type Mirror = 'not' | 'left to right' | 'up and down' | 'both';

/** With what lies on the other side of one line or two: a line at 4 runs through the middle of column 4, one at 4.5 along its edge. */
export function mirrored(cells: readonly Dot[], mirror: Mirror, [column, row]: readonly [number, number]): Dot[] {
    const aside = mirror === 'left to right' || mirror === 'both' ? cells.map(([x, y]): Dot => [2 * column - x, y]) : [];
    const both = [...cells, ...aside];
    return mirror === 'up and down' || mirror === 'both' ? [...both, ...both.map(([x, y]): Dot => [x, 2 * row - y])] : both;
}

export type Matrix = 'checker' | '2' | '4' | '8';

/**
 * Ordered dither: whether a cell takes the second of two colours. B. E. Bayer, An optimum method for two-level rendition of continuous-tone
 * pictures, ICC 1973.
 */
export function isSecond(matrix: Matrix, [column, row]: Dot, level: number): boolean {
    if (matrix === 'checker') return ((column + row) % 2 + 0.5) / 2 < level;
    const side = Number(matrix);
    return (bayer(side, (column - 1) % side, (row - 1) % side) + 0.5) / side ** 2 < level;
}

function bayer(side: number, column: number, row: number): number {
    if (side < 2) return 0;
    const half = side / 2;
    return 4 * bayer(half, column % half, row % half) + ([[0, 2], [3, 1]][Math.floor(row / half)]?.[Math.floor(column / half)] ?? 0);
}
