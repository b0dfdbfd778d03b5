import Flatbush from 'flatbush';
import type { GridGeometry, GridTopology, GuideGeometry, PartGeometry, Scene } from '../api/client';

export type Arrow = 'ArrowRight' | 'ArrowLeft' | 'ArrowUp' | 'ArrowDown';

type Box = [left: number, top: number, right: number, bottom: number];

/** How a grid hangs together, made ready to look things up. Shared by all grids that differ in places only. */
class Topology {
    /** Signed edge numbers of every cell. */
    readonly outlines: number[][] = [];
    private numbers: Map<string, number> | undefined;

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
}

/** The geometry of a grid or an overlay made ready to draw and to look up. Path objects are made when first needed. */
export class GridShape {
    readonly lines: Path2D;
    private readonly paths: (Path2D | undefined)[] = [];
    private index: Flatbush | undefined;
    private pointIndex: Flatbush | undefined;

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
        const { from, to, carriers } = this.data;
        let [left, top, right, bottom]: Box = [Infinity, Infinity, -Infinity, -Infinity];
        for (const edge of this.topology.outlines[cell] ?? []) {
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
        if (this.index === undefined) {
            this.index = new Flatbush(Math.max(1, this.data.cells.length));
            for (let cell = 0; cell < this.data.cells.length; cell++) this.index.add(...this.box(cell));
            this.index.finish();
        }
        return this.index.search(x, y, x, y).find((cell) => context.isPointInPath(this.path(cell), x, y));
    }

    /** The nearest intersection within `reach`. */
    pointAt(x: number, y: number, reach: number): number | undefined {
        if (this.pointIndex === undefined) {
            const { places } = this;
            this.pointIndex = new Flatbush(Math.max(1, places.length / 2));
            for (let i = 0; i < places.length; i += 2) {
                this.pointIndex.add(places[i] ?? 0, places[i + 1] ?? 0, places[i] ?? 0, places[i + 1] ?? 0);
            }
            this.pointIndex.finish();
        }
        return this.pointIndex.neighbors(x, y, 1, reach)[0];
    }

    place(point: number): [number, number] {
        return [this.places[2 * point] ?? 0, this.places[2 * point + 1] ?? 0];
    }

    /** `ring 3, sector 4` */
    cellName(address: string): string {
        return worded(this.data.cellWords, address);
    }

    pointName(address: string): string {
        return address === '0' ? 'centre' : worded(this.data.pointWords, address);
    }

    /** The cell one arrow key away; undefined at the edge. */
    beside(address: string, arrow: Arrow): string | undefined {
        if (this.data.arrows === null) {
            const cell = this.cell(address);
            const next = cell === undefined ? undefined : nearestTowards(arrow, this.middle(cell), this.data.cells.length, (other) => this.middle(other));
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
        const around = from.map((value, k) => ((way[k] ?? 0) === 0 || !wraps[k] ? value : sign * (way[k] ?? 0) > 0 ? 1 : this.highest(k))).join(',');
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

export class PartShape {
    readonly figures: Path2D[];

    constructor(readonly data: PartGeometry) {
        const shapes = data.shapes.map((shape) => new Path2D(shape));
        this.figures = data.figures.map(([number = 0, ...map]) => {
            const shape = shapes[number] ?? new Path2D();
            if (map.length === 0) return shape;
            const figure = new Path2D();
            figure.addPath(shape, new DOMMatrix(map));
            return figure;
        });
    }
}

/** A guide's geometry made ready to draw. */
export class GuideShape {
    readonly path: Path2D;

    constructor(readonly data: GuideGeometry) {
        this.path = new Path2D(data.path);
    }
}

/** The nearest of several places that lies in the direction of an arrow key, give or take 45°. */
function nearestTowards(arrow: Arrow, [x, y]: [number, number], count: number, placeOf: (number: number) => [number, number]): number | undefined {
    const sideways = arrow === 'ArrowRight' || arrow === 'ArrowLeft';
    const sign = arrow === 'ArrowRight' || arrow === 'ArrowDown' ? 1 : -1;
    let best: number | undefined;
    let least = Infinity;
    for (let number = 0; number < count; number++) {
        const [px, py] = placeOf(number);
        const ahead = sign * (sideways ? px - x : py - y);
        const aside = Math.abs(sideways ? py - y : px - x);
        // What stands straight ahead comes before what is nearer but aside.
        if (ahead > 1e-9 && aside <= ahead && ahead + 2 * aside < least) {
            least = ahead + 2 * aside;
            best = number;
        }
    }
    return best;
}

function worded(words: string[], address: string): string {
    return address
        .split(',')
        .map((value, k) => `${words[k] ?? ''} ${value === '*' ? 'every' : value}`.trim())
        .join(', ');
}

type Shape = GridShape | PartShape | GuideShape;

/** Who shows a scene. What either shows stays; the page's shapes are there when a preview ends. */
export type Holder = 'page' | 'preview';

/** How many shapes are kept beyond those that are shown. */
const MOST_SPARE = 300;

/** The shapes of the scenes, by hash. */
export class ShapeStore {
    private readonly shapes = new Map<string, Shape>();
    private readonly topologies = new Map<string, Topology>();
    private readonly held = new Map<Holder, ReadonlySet<string>>();
    private readonly lent = new Set<readonly string[]>();

    constructor(private readonly mostSpare = MOST_SPARE) {}

    /** Takes in the geometry that came with a scene, for the one who shows it from now on. */
    take(scene: Pick<Scene, 'geometry' | 'steps'>, holder: Holder): void {
        const entries = Object.entries(scene.geometry);
        for (const [key, data] of entries) {
            if ('outlines' in data) this.topologies.set(key, new Topology(key, data));
        }
        for (const [hash, data] of entries) {
            const shape = this.made(data);
            if (shape !== undefined) this.shapes.set(hash, shape);
        }
        this.held.set(holder, new Set(scene.steps.flatMap((step) => step.geometry ?? [])));
        this.forget();
    }

    /** Nobody shows what this one showed. */
    end(holder: Holder): void {
        this.held.delete(holder);
    }

    /** What need not be sent again. It all stays until it is given back, since the answer counts on it. */
    lend(): readonly string[] {
        const hashes = [...this.topologies.keys(), ...this.shapes.keys()];
        this.lent.add(hashes);
        return hashes;
    }

    giveBack(hashes: readonly string[]): void {
        this.lent.delete(hashes);
        this.forget();
    }

    get(hash: string): Shape | undefined {
        return this.shapes.get(hash);
    }

    private made(data: Scene['geometry'][string]): Shape | undefined {
        if ('figures' in data) return new PartShape(data);
        if ('path' in data) return new GuideShape(data);
        if (!('places' in data)) return undefined;
        const topology = this.topologies.get(data.topology);
        return topology === undefined ? undefined : new GridShape(data.places, data.circles, data.bends, data.lines, topology);
    }

    /** Lets go of the oldest that nobody shows and nobody waits for. */
    private forget(): void {
        const kept = new Set([...this.held.values(), ...this.lent].flatMap((hashes) => [...hashes]));
        const spare = [...this.shapes.keys()].filter((hash) => !kept.has(hash));
        if (spare.length <= this.mostSpare) return;
        for (const hash of spare.slice(0, spare.length - this.mostSpare)) this.shapes.delete(hash);
        const used = new Set([...this.shapes.values()].map((shape) => (shape instanceof GridShape ? shape.topologyHash : '')));
        for (const hash of this.topologies.keys()) {
            if (!used.has(hash) && !kept.has(hash)) this.topologies.delete(hash);
        }
    }
}

/** Of all that is open on this page. */
export const shapes = new ShapeStore();

export function gridShape(hash: string | null | undefined): GridShape | undefined {
    const shape = hash ? shapes.get(hash) : undefined;
    return shape instanceof GridShape ? shape : undefined;
}

export function guideShape(hash: string | null | undefined): GuideShape | undefined {
    const shape = hash ? shapes.get(hash) : undefined;
    return shape instanceof GuideShape ? shape : undefined;
}

export function partShape(hash: string | null | undefined): PartShape | undefined {
    const shape = hash ? shapes.get(hash) : undefined;
    return shape instanceof PartShape ? shape : undefined;
}
