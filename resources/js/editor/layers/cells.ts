import type { Step } from '../../api/client';

export type Cell = NonNullable<Step['cell']>;

/** Signs up to which all are painted; of finer patterns they would cover the drawing. */
const MOST_SIGNS = 4000;

/** Corners of the signs of turning centres: a lozenge for halves, then as many corners as turns. */
const CORNERS: Record<number, number> = { 2: 2, 3: 3, 4: 4, 6: 6 };

/**
 * What a pattern is made of: the cell that is drawn in, mirrors, dashed glides, and at turning centres a sign with as many corners as there
 * are turns.
 */
export function paintCell(context: CanvasRenderingContext2D, cell: Cell, size: [number, number], scale: number, colour: string): void {
    context.save();
    context.beginPath();
    context.rect(0, 0, ...size);
    context.clip();
    paintDomain(context, cell, scale, colour);
    const ways = waysOver(cell, size);
    if (ways.length * Math.max(cell.centres.length, cell.lines.length) <= MOST_SIGNS) {
        paintLines(context, cell, ways, size, scale, colour);
        for (const [u = 0, v = 0, order = 2] of cell.centres) {
            for (const [column, row] of ways) paintCentre(context, place(cell, u + column, v + row), order, scale, colour);
        }
    }
    context.restore();
}

function paintDomain(context: CanvasRenderingContext2D, cell: Cell, scale: number, colour: string): void {
    context.beginPath();
    for (const [x = 0, y = 0] of cell.domain) context.lineTo(x, y);
    context.closePath();
    context.globalAlpha = 0.14;
    context.fillStyle = colour;
    context.fill();
    context.globalAlpha = 0.9;
    context.strokeStyle = colour;
    context.lineWidth = 1.6 / scale;
    context.stroke();
}

/** A place in lattice coordinates on the sheet. */
export function place(cell: Cell, u: number, v: number): [number, number] {
    return [
        (cell.origin[0] ?? 0) + u * (cell.a[0] ?? 0) + v * (cell.b[0] ?? 0),
        (cell.origin[1] ?? 0) + u * (cell.a[1] ?? 0) + v * (cell.b[1] ?? 0),
    ];
}

/** The cells that reach over the sheet. */
export function waysOver(cell: Cell, [width, height]: [number, number]): [number, number][] {
    const [ax = 0, ay = 0] = cell.a;
    const [bx = 0, by = 0] = cell.b;
    const area = ax * by - ay * bx || 1;
    const corners = [[0, 0], [width, 0], [0, height], [width, height]].map(([x = 0, y = 0]) => {
        const [dx, dy] = [x - (cell.origin[0] ?? 0), y - (cell.origin[1] ?? 0)];
        return [(dx * by - dy * bx) / area, (dy * ax - dx * ay) / area] as const;
    });
    const span = (values: number[]): number[] => {
        const first = Math.floor(Math.min(...values)) - 1;
        return Array.from({ length: Math.ceil(Math.max(...values)) + 1 - first }, (_, k) => first + k);
    };
    const columns = span(corners.map(([u]) => u));
    const rows = cell.flat ? [0] : span(corners.map(([, v]) => v));
    return columns.length * rows.length > MOST_SIGNS ? [] : rows.flatMap((row) => columns.map((column): [number, number] => [column, row]));
}

/** Each line once, however many cells it runs through. */
export function linesOver(cell: Cell, ways: [number, number][]): { at: [number, number]; way: [number, number]; glides: boolean }[] {
    const [ax = 0, ay = 0] = cell.a;
    const [bx = 0, by = 0] = cell.b;
    const size = Math.hypot(ax, ay);
    const found = new Map<string, { at: [number, number]; way: [number, number]; glides: boolean }>();
    for (const [u = 0, v = 0, du = 0, dv = 0, glides = false] of cell.lines) {
        const [x, y] = [Number(du) * ax + Number(dv) * bx, Number(du) * ay + Number(dv) * by];
        const long = Math.hypot(x, y) || 1;
        for (const [column, row] of ways) {
            const at = place(cell, Number(u) + column, Number(v) + row);
            const off = (at[0] * y - at[1] * x) / long;
            const key = `${Math.round((Math.atan2(y, x) * 1e5) % (Math.PI * 1e5))} ${Math.round((off / size) * 1e4)}`;
            // A mirror says more than a glide on the same line.
            if (!found.has(key) || (found.get(key)?.glides === true && glides === false))
                found.set(key, { at, way: [x / long, y / long], glides: glides === true });
        }
    }
    return [...found.values()];
}

function paintLines(
    context: CanvasRenderingContext2D,
    cell: Cell,
    ways: [number, number][],
    [width, height]: [number, number],
    scale: number,
    colour: string,
): void {
    const far = 2 * Math.hypot(width, height);
    context.strokeStyle = colour;
    context.globalAlpha = 0.55;
    for (const { at, way, glides } of linesOver(cell, ways)) {
        context.setLineDash(glides ? [5 / scale, 5 / scale] : []);
        context.lineWidth = (glides ? 1 : 1.3) / scale;
        context.beginPath();
        context.moveTo(at[0] - far * way[0], at[1] - far * way[1]);
        context.lineTo(at[0] + far * way[0], at[1] + far * way[1]);
        context.stroke();
    }
    context.setLineDash([]);
}

function paintCentre(context: CanvasRenderingContext2D, [x, y]: [number, number], order: number, scale: number, colour: string): void {
    const corners = CORNERS[order] ?? order;
    const radius = 5.2 / scale;
    context.globalAlpha = 1;
    context.beginPath();
    if (corners === 2) {
        context.moveTo(x, y - radius);
        context.quadraticCurveTo(x + radius * 0.9, y, x, y + radius);
        context.quadraticCurveTo(x - radius * 0.9, y, x, y - radius);
    } else {
        for (let corner = 0; corner < corners; corner++) {
            const angle = (2 * Math.PI * corner) / corners - (corners === 4 ? Math.PI / 4 : 0);
            context.lineTo(x + radius * Math.sin(angle), y - radius * Math.cos(angle));
        }
    }
    context.closePath();
    context.strokeStyle = '#fffdf8';
    context.lineWidth = 2.4 / scale;
    context.stroke();
    context.fillStyle = colour;
    context.fill();
}
