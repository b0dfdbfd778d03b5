import type { GridGeometry } from '../../../api/client';
import { GridShape, type Topology } from './GridShape';
import { type Arrow, type Box, nearestOnChord } from './nearby';

type Lattice = NonNullable<GridGeometry['lattice']>;

/** A grid so fine that nothing of it is listed: all is worked out from its first corner and the ways to the next cells. */
export class LatticeShape extends GridShape {
    private readonly columns: number;
    private readonly rows: number;

    constructor(
        private readonly lattice: Lattice,
        lines: string,
        topology: Topology,
    ) {
        super([], {}, {}, lines, topology);
        [this.columns = 1, this.rows = 1] = lattice.size;
    }

    override get count(): number {
        return this.columns * this.rows;
    }

    override get pointCount(): number {
        return (this.columns + 1) * (this.rows + 1);
    }

    override get isLattice(): boolean {
        return true;
    }

    override get extent(): [number, number] {
        return [this.columns, this.rows];
    }

    /** A place by column and row; whole numbers are intersections. */
    private at(column: number, row: number): [number, number] {
        const { at, across, down } = this.lattice;
        return [
            (at[0] ?? 0) + column * (across[0] ?? 0) + row * (down[0] ?? 0),
            (at[1] ?? 0) + column * (across[1] ?? 0) + row * (down[1] ?? 0),
        ];
    }

    /** Column and row of a place. */
    private coordinates(x: number, y: number): [number, number] {
        const { at, across, down } = this.lattice;
        const [ax = 1, ay = 0, bx = 0, by = 1] = [...across, ...down];
        const [px, py] = [x - (at[0] ?? 0), y - (at[1] ?? 0)];
        const turn = ax * by - ay * bx;
        return [(px * by - py * bx) / turn, (ax * py - ay * px) / turn];
    }

    private columnOf(cell: number): [number, number] {
        return [cell % this.columns, Math.floor(cell / this.columns)];
    }

    private within(column: number, row: number): boolean {
        return column >= 0 && row >= 0 && column < this.columns && row < this.rows;
    }

    override path(cell: number): Path2D {
        const [column, row] = this.columnOf(cell);
        const path = new Path2D();
        path.moveTo(...this.at(column, row));
        path.lineTo(...this.at(column + 1, row));
        path.lineTo(...this.at(column + 1, row + 1));
        path.lineTo(...this.at(column, row + 1));
        path.closePath();
        return path;
    }

    override address(cell: number): string {
        const [column, row] = this.columnOf(cell);
        return `${column + 1},${row + 1}`;
    }

    override cell(address: string): number | undefined {
        const [column = 0, row = 0] = address.split(',').map(Number);
        return this.within(column - 1, row - 1) ? (row - 1) * this.columns + column - 1 : undefined;
    }

    override neighbours(cell: number): number[] {
        const [column, row] = this.columnOf(cell);
        return [
            [column, row - 1],
            [column + 1, row],
            [column, row + 1],
            [column - 1, row],
        ].flatMap(([x = 0, y = 0]) => (this.within(x, y) ? [y * this.columns + x] : []));
    }

    override run(cell: number, coordinate: number): number[] {
        const [column, row] = this.columnOf(cell);
        return coordinate === 0
            ? Array.from({ length: this.rows }, (_, k) => k * this.columns + column)
            : Array.from({ length: this.columns }, (_, k) => row * this.columns + k);
    }

    override matching(pattern: string): string[] {
        const [column = '*', row = '*'] = pattern.split(',');
        const all = (wanted: string, count: number): string[] =>
            wanted === '*' ? Array.from({ length: count }, (_, k) => String(k + 1)) : [wanted];
        return all(row, this.rows).flatMap((y) => all(column, this.columns).map((x) => `${x},${y}`));
    }

    override cellAt(_context: CanvasRenderingContext2D, x: number, y: number): number | undefined {
        return this.cellAround(x, y);
    }

    override cellAround(x: number, y: number): number | undefined {
        const [u, v] = this.coordinates(x, y);
        return this.within(Math.floor(u), Math.floor(v)) ? Math.floor(v) * this.columns + Math.floor(u) : undefined;
    }

    override boxOfCell(cell: number): Box {
        const [column, row] = this.columnOf(cell);
        const corners = [this.at(column, row), this.at(column + 1, row), this.at(column, row + 1), this.at(column + 1, row + 1)];
        return [
            Math.min(...corners.map(([x]) => x)),
            Math.min(...corners.map(([, y]) => y)),
            Math.max(...corners.map(([x]) => x)),
            Math.max(...corners.map(([, y]) => y)),
        ];
    }

    override cellsNear(left: number, top: number, right: number, bottom: number): number[] {
        const corners = [
            this.coordinates(left, top),
            this.coordinates(right, top),
            this.coordinates(left, bottom),
            this.coordinates(right, bottom),
        ];
        const [us, vs] = [corners.map(([u]) => u), corners.map(([, v]) => v)];
        const found: number[] = [];
        for (let row = Math.max(0, Math.floor(Math.min(...vs))); row <= Math.min(this.rows - 1, Math.floor(Math.max(...vs))); row++) {
            for (
                let column = Math.max(0, Math.floor(Math.min(...us)));
                column <= Math.min(this.columns - 1, Math.floor(Math.max(...us)));
                column++
            )
                found.push(row * this.columns + column);
        }
        return found;
    }

    override centroid(cell: number): [number, number] {
        const [column, row] = this.columnOf(cell);
        return this.at(column + 0.5, row + 0.5);
    }

    override middlesAt(x: number, y: number, reach: number): [number, number][] {
        const [u, v] = this.coordinates(x, y);
        return [
            [Math.floor(u) + 0.5, Math.round(v)],
            [Math.round(u), Math.floor(v) + 0.5],
        ].flatMap(([column = 0, row = 0]): [number, number][] => {
            const at = this.at(column, row);
            return column >= 0 && row >= 0 && column <= this.columns && row <= this.rows && Math.hypot(at[0] - x, at[1] - y) <= reach
                ? [at]
                : [];
        });
    }

    override edgeAt(x: number, y: number, reach: number): [number, number] | undefined {
        const [u, v] = this.coordinates(x, y);
        const [column, row] = [Math.min(this.columns, Math.max(0, Math.round(u))), Math.min(this.rows, Math.max(0, Math.round(v)))];
        const places = [
            nearestOnChord(this.at(column, 0), this.at(column, this.rows), x, y),
            nearestOnChord(this.at(0, row), this.at(this.columns, row), x, y),
        ];
        const [best] = places.sort(([ax, ay], [bx, by]) => Math.hypot(ax - x, ay - y) - Math.hypot(bx - x, by - y));
        return best !== undefined && Math.hypot(best[0] - x, best[1] - y) <= reach ? best : undefined;
    }

    override pointsAt(x: number, y: number, reach: number): number[] {
        const nearest = this.pointAt(x, y, reach * Math.SQRT2);
        return nearest === undefined ? [] : [nearest];
    }

    override pointAt(x: number, y: number, reach: number): number | undefined {
        const [u, v] = this.coordinates(x, y);
        const [column, row] = [Math.min(this.columns, Math.max(0, Math.round(u))), Math.min(this.rows, Math.max(0, Math.round(v)))];
        const [px, py] = this.at(column, row);
        return Math.hypot(px - x, py - y) <= reach ? row * (this.columns + 1) + column : undefined;
    }

    override place(point: number): [number, number] {
        return this.at(point % (this.columns + 1), Math.floor(point / (this.columns + 1)));
    }

    override pointAddress(point: number): string {
        return `${point % (this.columns + 1)},${Math.floor(point / (this.columns + 1))}`;
    }

    override point(address: string): number | undefined {
        const [column = -1, row = -1] = address.split(',').map(Number);
        return column >= 0 && row >= 0 && column <= this.columns && row <= this.rows ? row * (this.columns + 1) + column : undefined;
    }

    override pointBeside(point: number, arrow: Arrow): number | undefined {
        const [column, row] = [point % (this.columns + 1), Math.floor(point / (this.columns + 1))];
        const [x, y] = {
            ArrowRight: [column + 1, row],
            ArrowLeft: [column - 1, row],
            ArrowUp: [column, row - 1],
            ArrowDown: [column, row + 1],
        }[arrow];
        return this.point(`${x},${y}`);
    }

    override bounds(): Box {
        const corners = [this.at(0, 0), this.at(this.columns, 0), this.at(0, this.rows), this.at(this.columns, this.rows)];
        return [
            Math.min(...corners.map(([x]) => x)),
            Math.min(...corners.map(([, y]) => y)),
            Math.max(...corners.map(([x]) => x)),
            Math.max(...corners.map(([, y]) => y)),
        ];
    }
}
