import Flatbush from 'flatbush';
import type { GridGeometry, GridTopology } from '../../../api/client';
import { type Arrow, type Box, CHORDS, encloses, nearestOf, nearestOnChord, nearestTowards, positive } from './nearby';

/** How a grid hangs together, made ready to look things up. Shared by all grids that differ in places only. */
export class Topology {
    /** Signed edge numbers of every cell. */
    readonly outlines: number[][] = [];
    private numbers: Map<string, number> | undefined;
    /** The cell to the right of every edge, by its signed number. */
    private sides: Map<number, number> | undefined;

    constructor(
        readonly hash: string,
        readonly data: GridTopology,
    ) {
        for (const edge of data.outlines) {
            if (edge === 0) this.outlines.push([]);
            else this.outlines.at(-1)?.push(edge);
        }
    }

    cell(address: string): number | undefined {
        this.numbers ??= new Map(this.data.cells.map((one, number) => [one, number]));
        return this.numbers.get(address);
    }

    /** The cells that share an edge with one. */
    neighbours(cell: number): number[] {
        if (this.sides === undefined) {
            this.sides = new Map();
            this.outlines.forEach((edges, number) => edges.forEach((edge) => this.sides?.set(edge, number)));
        }
        return (this.outlines[cell] ?? []).flatMap((edge) => this.sides?.get(-edge) ?? []);
    }
}

/** The geometry of a grid or an overlay made ready to draw and to look up. Path objects are made when first needed. */
export class GridShape {
    readonly lines: Path2D;
    private readonly paths: (Path2D | undefined)[] = [];
    private index: Flatbush | undefined;
    private pointIndex: Flatbush | undefined;
    private edgeIndex: Flatbush | undefined;

    constructor(
        readonly places: number[],
        private readonly circles: GridGeometry['circles'],
        private readonly bends: GridGeometry['bends'],
        lines: string,
        private readonly topology: Topology,
    ) {
        this.lines = new Path2D(lines);
    }

    /** Addresses, words and ways of this grid. */
    get data(): GridTopology {
        return this.topology.data;
    }

    get topologyHash(): string {
        return this.topology.hash;
    }

    path(cell: number): Path2D {
        const made = this.paths[cell];
        if (made !== undefined) return made;
        const path = new Path2D();
        const { from, to, carriers } = this.data;
        this.topology.outlines[cell]?.forEach((edge, number) => {
            const index = Math.abs(edge) - 1;
            const [x0, y0] = this.place((edge > 0 ? from : to)[index] ?? 0);
            const [x1, y1] = this.place((edge > 0 ? to : from)[index] ?? 0);
            if (number === 0) path.moveTo(x0, y0);
            const circle = this.circles[carriers[index] ?? -1];
            const bend = this.bends[index];
            if (bend !== undefined) {
                const [ax = 0, ay = 0, bx = 0, by = 0] = edge > 0 ? bend : [bend[2] ?? 0, bend[3] ?? 0, bend[0] ?? 0, bend[1] ?? 0];
                path.bezierCurveTo(ax, ay, bx, by, x1, y1);
            } else if (circle === undefined) {
                path.lineTo(x1, y1);
            } else {
                const [x = 0, y = 0, radius = 0] = circle;
                const start = Math.atan2(y0 - y, x0 - x);
                const full = from[index] === to[index] ? (edge > 0 ? 2 : -2) * Math.PI : 0;
                path.arc(x, y, radius, start, full === 0 ? Math.atan2(y1 - y, x1 - x) : start + full, edge < 0);
            }
        });
        path.closePath();
        return (this.paths[cell] = path);
    }

    /** A box that holds the cell; it only narrows a search, so that it may be a little too wide. */
    private box(cell: number): Box {
        return this.boxOf(this.topology.outlines[cell] ?? []);
    }

    private boxOf(edges: number[]): Box {
        const { from, to, carriers } = this.data;
        let [left, top, right, bottom]: Box = [Infinity, Infinity, -Infinity, -Infinity];
        for (const edge of edges) {
            const index = Math.abs(edge) - 1;
            const [x0, y0] = this.place(from[index] ?? 0);
            const [x1, y1] = this.place(to[index] ?? 0);
            const [x = 0, y = 0, radius = 0] = this.circles[carriers[index] ?? -1] ?? [];
            // An arc up to half a circle bulges over its chord by the sagitta; a longer one may reach all around.
            const short = (x0 - x) * (y1 - y) - (y0 - y) * (x1 - x) > 0;
            const bulge = radius === 0 ? 0 : short ? radius - Math.hypot((x0 + x1) / 2 - x, (y0 + y1) / 2 - y) : 2 * radius;
            // A cubic lies within its control points.
            const [ax = x0, ay = y0, bx = x0, by = y0] = this.bends[index] ?? [];
            left = Math.min(left, x0 - bulge, x1 - bulge, ax, bx);
            top = Math.min(top, y0 - bulge, y1 - bulge, ay, by);
            right = Math.max(right, x0 + bulge, x1 + bulge, ax, bx);
            bottom = Math.max(bottom, y0 + bulge, y1 + bulge, ay, by);
        }
        return [left, top, right, bottom];
    }

    address(cell: number): string {
        return this.data.cells[cell] ?? '';
    }

    /** The cell that an address means; undefined where the grid has none such any more. */
    cell(address: string): number | undefined {
        return this.topology.cell(address);
    }

    /** How many cells it has. */
    get count(): number {
        return this.data.cells.length;
    }

    /** How many intersections it has. */
    get pointCount(): number {
        return this.data.points.length;
    }

    pointAddress(point: number): string {
        return this.data.points[point] ?? '';
    }

    /** The intersection that an address means; undefined where the grid has none such. */
    point(address: string): number | undefined {
        const point = this.data.points.indexOf(address);
        return point < 0 ? undefined : point;
    }

    /** A box around all of its places. */
    bounds(): Box {
        let [left, top, right, bottom]: Box = [Infinity, Infinity, -Infinity, -Infinity];
        for (let i = 0; i < this.places.length; i += 2) {
            const [x, y] = [this.places[i] ?? 0, this.places[i + 1] ?? 0];
            [left, top, right, bottom] = [Math.min(left, x), Math.min(top, y), Math.max(right, x), Math.max(bottom, y)];
        }
        return [left, top, right, bottom];
    }

    /** The cells that share an edge with one. */
    neighbours(cell: number): number[] {
        return this.topology.neighbours(cell);
    }

    /** Whether its cells lie in straight columns and rows, four-cornered all of them. */
    get isLattice(): boolean {
        const { cellWords, arrows, about } = this.data;
        return (
            cellWords.join() === 'column,row' &&
            arrows !== null &&
            about === null &&
            !arrows.wraps.includes(true) &&
            this.topology.outlines[0]?.length === 4
        );
    }

    /** Columns and rows of a lattice. */
    get extent(): [number, number] {
        const [columns = 1, rows = 1] = this.address(this.count - 1).split(',').map(Number);
        return [columns, rows];
    }

    /** Cells whose coordinate number `coordinate` is the same as this one's: its whole ring, sector, column or row. */
    run(cell: number, coordinate: number): number[] {
        const wanted = this.address(cell).split(',')[coordinate];
        const found: number[] = [];
        this.data.cells.forEach((address, number) => {
            if (address.split(',')[coordinate] === wanted) {
                found.push(number);
            }
        });
        return found;
    }

    /** Addresses that one with stars in it means. */
    matching(pattern: string): string[] {
        const wanted = pattern.split(',');
        return this.data.cells.filter((address) => address.split(',').every((value, k) => wanted[k] === '*' || wanted[k] === value));
    }

    cellAt(context: CanvasRenderingContext2D, x: number, y: number): number | undefined {
        return this.cellsIndex().search(x, y, x, y).find((cell) => context.isPointInPath(this.path(cell), x, y));
    }

    private cellsIndex(): Flatbush {
        if (this.index === undefined) {
            this.index = new Flatbush(Math.max(1, this.data.cells.length));
            for (let cell = 0; cell < this.data.cells.length; cell++) this.index.add(...this.box(cell));
            this.index.finish();
        }
        return this.index;
    }

    /** A box that holds a cell. */
    boxOfCell(cell: number): Box {
        return this.box(cell);
    }

    /** Cells whose boxes meet another box. */
    cellsNear(left: number, top: number, right: number, bottom: number): number[] {
        return this.cellsIndex().search(left, top, right, bottom);
    }

    /** A cell that holds a place, found by its outline in chords. */
    cellAround(x: number, y: number): number | undefined {
        return this.cellsIndex().search(x, y, x, y).find((cell) => encloses(this.chords(cell), x, y));
    }

    /** The middle of a cell's area. */
    centroid(cell: number): [number, number] {
        const chords = this.chords(cell);
        let [area, sx, sy] = [0, 0, 0];
        const [ox, oy] = chords[0] ?? [0, 0];
        chords.forEach(([x0, y0], k) => {
            const [x1, y1] = chords[(k + 1) % chords.length] ?? [0, 0];
            const cross = (x0 - ox) * (y1 - oy) - (x1 - ox) * (y0 - oy);
            area += cross;
            sx += cross * (x0 + x1 - 2 * ox);
            sy += cross * (y0 + y1 - 2 * oy);
        });
        return area === 0 ? [ox, oy] : [ox + sx / (3 * area), oy + sy / (3 * area)];
    }

    /** The middles of edges within reach. */
    middlesAt(x: number, y: number, reach: number): [number, number][] {
        return this.edgesNear(x, y, reach)
            .map((edge) => this.along(edge, 0.5))
            .filter(([mx, my]) => Math.hypot(mx - x, my - y) <= reach);
    }

    /** The nearest place on an edge within reach. */
    edgeAt(x: number, y: number, reach: number): [number, number] | undefined {
        return nearestOf(this.edgesNear(x, y, reach).map((edge) => this.nearestOnEdge(edge, x, y)), x, y, reach);
    }

    private edgesNear(x: number, y: number, reach: number): number[] {
        if (this.edgeIndex === undefined) {
            const { from } = this.data;
            this.edgeIndex = new Flatbush(Math.max(1, from.length));
            for (let edge = 0; edge < from.length; edge++) this.edgeIndex.add(...this.boxOf([edge + 1]));
            if (from.length === 0) this.edgeIndex.add(NaN, NaN, NaN, NaN);
            this.edgeIndex.finish();
        }
        return this.edgeIndex.search(x - reach, y - reach, x + reach, y + reach);
    }

    private nearestOnEdge(edge: number, x: number, y: number): [number, number] {
        const { from, to, carriers } = this.data;
        const [x0, y0] = this.place(from[edge] ?? 0);
        const [x1, y1] = this.place(to[edge] ?? 0);
        const circle = this.circles[carriers[edge] ?? -1];
        if (this.bends[edge] !== undefined) {
            const places = Array.from({ length: CHORDS + 1 }, (_, k) => this.along(edge, k / CHORDS));
            return nearestOf(places, x, y, Infinity) ?? [x0, y0];
        }
        if (circle === undefined) {
            return nearestOnChord([x0, y0], [x1, y1], x, y);
        }
        const [cx = 0, cy = 0, radius = 0] = circle;
        const start = Math.atan2(y0 - cy, x0 - cx);
        const turned = positive(Math.atan2(y - cy, x - cx) - start);
        if (turned <= this.sweep(edge)) return [cx + radius * Math.cos(start + turned), cy + radius * Math.sin(start + turned)];
        return Math.hypot(x0 - x, y0 - y) < Math.hypot(x1 - x, y1 - y) ? [x0, y0] : [x1, y1];
    }

    /** By how much an edge on a circle turns. */
    private sweep(edge: number): number {
        const { from, to, carriers } = this.data;
        if (from[edge] === to[edge]) return 2 * Math.PI;
        const [cx = 0, cy = 0] = this.circles[carriers[edge] ?? -1] ?? [];
        const [x0, y0] = this.place(from[edge] ?? 0);
        const [x1, y1] = this.place(to[edge] ?? 0);
        return positive(Math.atan2(y1 - cy, x1 - cx) - Math.atan2(y0 - cy, x0 - cx));
    }

    /** A place on an edge, a share of its way from its beginning. */
    private along(edge: number, share: number): [number, number] {
        const { from, to, carriers } = this.data;
        const [x0, y0] = this.place(from[edge] ?? 0);
        const [x1, y1] = this.place(to[edge] ?? 0);
        const circle = this.circles[carriers[edge] ?? -1];
        const bend = this.bends[edge];
        if (bend !== undefined) {
            const [ax = 0, ay = 0, bx = 0, by = 0] = bend;
            const [u, v] = [1 - share, share];
            return [
                u ** 3 * x0 + 3 * u * u * v * ax + 3 * u * v * v * bx + v ** 3 * x1,
                u ** 3 * y0 + 3 * u * u * v * ay + 3 * u * v * v * by + v ** 3 * y1,
            ];
        }
        if (circle === undefined) return [x0 + share * (x1 - x0), y0 + share * (y1 - y0)];
        const [cx = 0, cy = 0, radius = 0] = circle;
        const angle = Math.atan2(y0 - cy, x0 - cx) + share * this.sweep(edge);
        return [cx + radius * Math.cos(angle), cy + radius * Math.sin(angle)];
    }

    /** The outline of a cell, its curves as chords. */
    private chords(cell: number): [number, number][] {
        return (this.topology.outlines[cell] ?? []).flatMap((signed) => {
            const edge = Math.abs(signed) - 1;
            const isStraight = this.bends[edge] === undefined && this.circles[this.data.carriers[edge] ?? -1] === undefined;
            const count = isStraight ? 1 : CHORDS;
            return Array.from({ length: count }, (_, k) => this.along(edge, signed > 0 ? k / count : 1 - k / count));
        });
    }

    /** The intersections within a square around a place. */
    pointsAt(x: number, y: number, reach: number): number[] {
        return this.pointsIndex().search(x - reach, y - reach, x + reach, y + reach);
    }

    /** The nearest intersection within `reach`. */
    pointAt(x: number, y: number, reach: number): number | undefined {
        return this.pointsIndex().neighbors(x, y, 1, reach)[0];
    }

    private pointsIndex(): Flatbush {
        if (this.pointIndex === undefined) {
            const { places } = this;
            this.pointIndex = new Flatbush(Math.max(1, places.length / 2));
            for (let i = 0; i < places.length; i += 2) {
                this.pointIndex.add(places[i] ?? 0, places[i + 1] ?? 0, places[i] ?? 0, places[i + 1] ?? 0);
            }
            this.pointIndex.finish();
        }
        return this.pointIndex;
    }

    place(point: number): [number, number] {
        return [this.places[2 * point] ?? 0, this.places[2 * point + 1] ?? 0];
    }

    /** `ring 3, sector 4` */
    cellName(address: string): string {
        return worded(this.data.cellWords, address);
    }

    pointName(address: string): string {
        return address === '0' ? 'the centre' : worded(this.data.pointWords, address);
    }

    /** The cell one arrow key away; undefined at the edge. */
    beside(address: string, arrow: Arrow): string | undefined {
        if (this.data.arrows === null) {
            const cell = this.cell(address);
            const next =
                cell === undefined
                    ? undefined
                    : nearestTowards(arrow, this.middle(cell), this.data.cells.length, (other) => this.middle(other));
            return next === undefined ? undefined : this.address(next);
        }
        const { right, up, wraps } = this.data.arrows;
        const way = arrow === 'ArrowRight' || arrow === 'ArrowLeft' ? right : up;
        const sign = arrow === 'ArrowRight' || arrow === 'ArrowUp' ? 1 : -1;
        const from = address.split(',').map(Number);
        const to = from.map((value, k) => value + sign * (way[k] ?? 0)).join(',');
        if (this.cell(to) !== undefined) {
            return to;
        }
        const around = from
            .map((value, k) => ((way[k] ?? 0) === 0 || !wraps[k] ? value : sign * (way[k] ?? 0) > 0 ? 1 : this.highest(k)))
            .join(',');
        return around !== address && this.cell(around) !== undefined ? around : undefined;
    }

    /** The intersection one arrow key away; undefined at the edge. */
    pointBeside(point: number, arrow: Arrow): number | undefined {
        return nearestTowards(arrow, this.place(point), this.data.points.length, (other) => this.place(other));
    }

    private middle(cell: number): [number, number] {
        const [left, top, right, bottom] = this.box(cell);
        return [(left + right) / 2, (top + bottom) / 2];
    }

    private highest(coordinate: number): number {
        return Math.max(...this.data.cells.map((address) => Number(address.split(',')[coordinate])));
    }
}

function worded(words: string[], address: string): string {
    return address
        .split(',')
        .map((value, k) => `${words[k] ?? ''} ${value === '*' ? 'every' : value}`.trim())
        .join(', ');
}
