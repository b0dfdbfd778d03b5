import Flatbush from 'flatbush';
import type { Drawn, Scene, Step } from '../../../api/client';
import type { GridShape } from '../scene/GridShape';
import type { PartShape } from '../scene/PartShape';
import { gridShape, guideShape, partShape } from '../scene/geometry';
import { REACH } from './hover';
import type { Whole } from './Picking';

/** What of a part lies under a place: the part, and the number of its figure. */
export interface PartHit {
    step: Step;
    shape: PartShape;
    figure: number;
}

export interface CellHit {
    step: Step;
    shape: GridShape;
    cell: number;
}

/** What only asks whether a place lies in or on a path. */
type Prober = Pick<CanvasRenderingContext2D, 'isPointInPath' | 'isPointInStroke' | 'lineWidth'>;

const NOTHING = new Path2D();

/** What of a scene can be picked at a place, the topmost first. One index holds the boxes of all figures. */
export class Hits {
    /** Grids and overlays whose cells can be picked. */
    readonly tilings: Step[];
    /** Grids and guides. */
    readonly lines: Step[];
    /** Parts as drawn, from back to front. */
    readonly drawing: Drawn[];
    private readonly steps: ReadonlyMap<string, Step>;
    private figures: { drawn: number; figure: number }[] = [];
    private index: Flatbush | undefined;

    /**
     * @param worked ids of the steps that are worked on alone; of all others only grids can be picked
     * @param on the only grid or overlay of which cells are picked
     */
    constructor(scene: Scene, worked: ReadonlySet<string> | null, on: string | null) {
        const isOpen = (step: Step): boolean => worked === null || step.role === 'grid' || worked.has(step.id);
        const shown = scene.steps.filter((step) => !step.hidden && isOpen(step)).reverse();
        const tilings = shown.filter((step) => step.role === 'grid' || step.role === 'overlay');
        this.tilings = tilings.some((step) => step.id === on) ? tilings.filter((step) => step.id === on) : tilings;
        this.lines = shown.filter((step) => (step.role === 'grid' || step.role === 'guide') && !step.usedUp);
        this.steps = new Map(scene.steps.map((step) => [step.id, step]));
        this.drawing = (worked === null ? scene.drawing : [...scene.drawing, ...scene.inside]).filter(
            ({ id }) => worked === null || worked.has(id),
        );
    }

    /** What lies there, from front to back. */
    *partsAt(prober: Prober, x: number, y: number): Generator<PartHit> {
        this.index ??= this.built();
        const numbers = this.index.search(x, y, x, y).sort((a, b) => b - a);
        for (const number of numbers) {
            const { drawn, figure } = this.figures[number] ?? { drawn: -1, figure: 0 };
            const step = this.steps.get(this.drawing[drawn]?.id ?? '');
            const shape = partShape(step?.geometry);
            if (step !== undefined && shape !== undefined && prober.isPointInPath(shape.path(figure), x, y)) yield { step, shape, figure };
        }
    }

    partAt(prober: Prober, x: number, y: number): PartHit | undefined {
        return this.partsAt(prober, x, y).next().value ?? undefined;
    }

    /** What the arrow keys go over: the parts, or the copies in them, from back to front. */
    names(whole: Whole): string[] {
        return this.drawing.flatMap(({ id }) => {
            const copies = whole === 'copies' ? partShape(this.steps.get(id)?.geometry)?.copies : null;
            return copies == null ? [id] : Array.from({ length: copies }, (_, copy) => `${id}[${copy + 1}]`);
        });
    }

    /** A guide, else a grid, whose line passes. */
    lineAt(prober: Prober, x: number, y: number, scale: number): Step | undefined {
        prober.lineWidth = REACH / scale;
        return (
            this.lines.find((step) => step.role === 'guide' && prober.isPointInStroke(guideShape(step.geometry)?.path ?? NOTHING, x, y)) ??
            this.lines.find((step) => step.role === 'grid' && prober.isPointInStroke(gridShape(step.geometry)?.lines ?? NOTHING, x, y))
        );
    }

    cellAt(context: CanvasRenderingContext2D, x: number, y: number): CellHit | undefined {
        for (const step of this.tilings) {
            const shape = gridShape(step.geometry);
            const cell = shape?.cellAt(context, x, y);
            if (shape !== undefined && cell !== undefined) return { step, shape, cell };
        }
        return undefined;
    }

    /** In the order in which they are drawn, so that a higher number lies above. */
    private built(): Flatbush {
        const boxes = this.drawing.flatMap(({ id, figures }, drawn) => {
            const shape = partShape(this.steps.get(id)?.geometry);
            return (shape?.boxes ?? []).flatMap((box, figure) =>
                (figures[figures.length === shape?.count ? figure : (shape?.ownOf(figure) ?? figure)] ?? -1) < 0
                    ? []
                    : [{ drawn, figure, box }],
            );
        });
        this.figures = boxes;
        const index = new Flatbush(Math.max(1, boxes.length));
        for (const { box } of boxes) index.add(...box);
        if (boxes.length === 0) index.add(NaN, NaN, NaN, NaN);
        index.finish();
        return index;
    }
}
