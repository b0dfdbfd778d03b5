import type { GridShape } from '../scene/GridShape';

/** All cells of a grid in columns and rows between two of them; of a grid that has none those whose middles lie in the box of theirs. */
export function blockOf(shape: GridShape, from: number, to: number): number[] {
    if (shape.isLattice) {
        const [[c0 = 1, r0 = 1], [c1 = 1, r1 = 1]] = [from, to].map((cell) => shape.address(cell).split(',').map(Number)) as [
            number[],
            number[],
        ];
        const cells: number[] = [];
        for (let row = Math.min(r0, r1); row <= Math.max(r0, r1); row++) {
            for (let column = Math.min(c0, c1); column <= Math.max(c0, c1); column++) {
                const cell = shape.cell(`${column},${row}`);
                if (cell !== undefined) cells.push(cell);
            }
        }
        return cells;
    }
    const [[x0, y0], [x1, y1]] = [shape.centroid(from), shape.centroid(to)];
    return cellsIn(shape, [x0, y0, x1, y1], 1e-6);
}

/** Cells whose middles lie in a box. */
export function cellsIn(shape: GridShape, [x0, y0, x1, y1]: readonly [number, number, number, number], slack = 0): number[] {
    return Array.from({ length: shape.count }, (_, cell) => cell).filter((cell) => {
        const [x, y] = shape.centroid(cell);
        return (
            x >= Math.min(x0, x1) - slack && x <= Math.max(x0, x1) + slack && y >= Math.min(y0, y1) - slack && y <= Math.max(y0, y1) + slack
        );
    });
}
