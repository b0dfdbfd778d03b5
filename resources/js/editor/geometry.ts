import Flatbush from 'flatbush';
import type { GridGeometry, PartGeometry, Scene } from '../api/client';

/** A grid's geometry made ready to draw and to look up. Path objects are made when first needed. */
export class GridShape {
    readonly lines: Path2D;
    private readonly paths: (Path2D | undefined)[] = [];
    private index: Flatbush | undefined;
    private pointIndex: Flatbush | undefined;
    private numbers: Map<string, number> | undefined;

    constructor(readonly data: GridGeometry) {
        this.lines = new Path2D(data.lines);
    }

    path(cell: number): Path2D {
        return (this.paths[cell] ??= new Path2D(this.data.cells.paths[cell]));
    }

    address(cell: number): string {
        return this.data.cells.addresses[cell] ?? '';
    }

    /** The cell that an address means; undefined where the grid has none such any more. */
    cell(address: string): number | undefined {
        this.numbers ??= new Map(this.data.cells.addresses.map((one, number) => [one, number]));
        return this.numbers.get(address);
    }

    /** Cells whose coordinate number `coordinate` is the same as this one's: its whole ring, sector, column or row. */
    run(cell: number, coordinate: number): number[] {
        const wanted = this.address(cell).split(',')[coordinate];
        const found: number[] = [];
        this.data.cells.addresses.forEach((address, number) => {
            if (address.split(',')[coordinate] === wanted) {
                found.push(number);
            }
        });
        return found;
    }

    /** Addresses that one with stars in it means. */
    matching(pattern: string): string[] {
        const wanted = pattern.split(',');
        return this.data.cells.addresses.filter((address) => address.split(',').every((value, k) => wanted[k] === '*' || wanted[k] === value));
    }

    cellAt(context: CanvasRenderingContext2D, x: number, y: number): number | undefined {
        if (this.index === undefined) {
            const { boxes, addresses } = this.data.cells;
            this.index = new Flatbush(Math.max(1, addresses.length));
            for (let i = 0; i < boxes.length; i += 4) {
                this.index.add(boxes[i] ?? 0, boxes[i + 1] ?? 0, boxes[i + 2] ?? 0, boxes[i + 3] ?? 0);
            }
            this.index.finish();
        }
        return this.index.search(x, y, x, y).find((cell) => context.isPointInPath(this.path(cell), x, y));
    }

    /** The nearest intersection within `reach`. */
    pointAt(x: number, y: number, reach: number): number | undefined {
        if (this.pointIndex === undefined) {
            const { places } = this.data.points;
            this.pointIndex = new Flatbush(Math.max(1, places.length / 2));
            for (let i = 0; i < places.length; i += 2) {
                this.pointIndex.add(places[i] ?? 0, places[i + 1] ?? 0, places[i] ?? 0, places[i + 1] ?? 0);
            }
            this.pointIndex.finish();
        }
        return this.pointIndex.neighbors(x, y, 1, reach)[0];
    }

    place(point: number): [number, number] {
        return [this.data.points.places[2 * point] ?? 0, this.data.points.places[2 * point + 1] ?? 0];
    }

    /** `ring 3, sector 4` */
    cellName(address: string): string {
        return worded(this.data.cellWords, address);
    }

    pointName(address: string): string {
        return address === '0' ? 'centre' : worded(this.data.pointWords, address);
    }

    /** The cell one arrow key away; undefined at the edge. */
    beside(address: string, arrow: 'ArrowRight' | 'ArrowLeft' | 'ArrowUp' | 'ArrowDown'): string | undefined {
        const { right, up, wraps } = this.data.arrows;
        const way = arrow === 'ArrowRight' || arrow === 'ArrowLeft' ? right : up;
        const sign = arrow === 'ArrowRight' || arrow === 'ArrowUp' ? 1 : -1;
        const from = address.split(',').map(Number);
        const to = from.map((value, k) => value + sign * (way[k] ?? 0)).join(',');
        if (this.cell(to) !== undefined) {
            return to;
        }
        const around = from.map((value, k) => ((way[k] ?? 0) === 0 || !wraps[k] ? value : sign * (way[k] ?? 0) > 0 ? 1 : this.highest(k))).join(',');
        return around !== address && this.cell(around) !== undefined ? around : undefined;
    }

    private highest(coordinate: number): number {
        return Math.max(...this.data.cells.addresses.map((address) => Number(address.split(',')[coordinate])));
    }
}

export class PartShape {
    readonly figures: Path2D[];

    constructor(readonly data: PartGeometry) {
        this.figures = data.figures.map((figure) => new Path2D(figure));
    }
}

function worded(words: string[], address: string): string {
    return address
        .split(',')
        .map((value, k) => `${words[k] ?? ''} ${value === '*' ? 'every' : value}`.trim())
        .join(', ');
}

const MOST_KEPT = 300;
const shapes = new Map<string, GridShape | PartShape>();

/** Takes in the geometry that came with a scene, and forgets the oldest of what it does not use. */
export function keepGeometry(scene: Scene): void {
    for (const [hash, data] of Object.entries(scene.geometry)) {
        if (!shapes.has(hash)) {
            shapes.set(hash, 'lines' in data ? new GridShape(data) : new PartShape(data));
        }
    }
    if (shapes.size > MOST_KEPT) {
        const used = new Set(scene.steps.map((step) => step.geometry));
        for (const hash of shapes.keys()) {
            if (shapes.size <= MOST_KEPT / 2) break;
            if (!used.has(hash)) shapes.delete(hash);
        }
    }
}

export function keptHashes(): string[] {
    return [...shapes.keys()];
}

export function gridShape(hash: string | null | undefined): GridShape | undefined {
    const shape = hash ? shapes.get(hash) : undefined;
    return shape instanceof GridShape ? shape : undefined;
}

export function partShape(hash: string | null | undefined): PartShape | undefined {
    const shape = hash ? shapes.get(hash) : undefined;
    return shape instanceof PartShape ? shape : undefined;
}
