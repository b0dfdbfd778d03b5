import type { Scene, Step } from '../../../api/client';
import { styleOf } from '../scene/patterns';
import { addressOf, readRuns } from '../pick/runs';
import { partShape } from '../scene/geometry';
import type { GridShape } from '../scene/GridShape';
import { over } from './over';
import type { Stroke } from './Painter';

/** What colours of a palette are called, by #rrggbb; of two names for the same colour the first. */
export function namesByColour(palette: Readonly<Record<string, string>>): ReadonlyMap<string, string> {
    return new Map(Object.entries(palette).reverse().map(([name, colour]) => [colour.toLowerCase(), name]));
}

/** Which colour every cell of a grid is painted in, #rrggbb; an empty text where it is not. */
export class PaintedCells {
    private readonly names = [''];
    private readonly numbers = new Map([['', 0]]);
    private readonly cells: Uint16Array;

    constructor(readonly shape: GridShape) {
        this.cells = new Uint16Array(shape.count);
    }

    /**
     * What all parts have painted on it, from back to front, and over it what strokes have that are not kept yet.
     *
     * @param palette by which these name their colours
     */
    static of(
        scene: Scene,
        grid: Step,
        shape: GridShape,
        strokes: readonly Stroke[] = [],
        palette: Readonly<Record<string, string>> = {},
    ): PaintedCells {
        const picture = new PaintedCells(shape);
        const geometry = new Map(scene.steps.map((step) => [step.id, step.geometry]));
        const along = alongOf(shape);
        for (const drawn of scene.drawing) {
            const part = partShape(geometry.get(drawn.id));
            if (part?.data.painted?.on !== grid.id) continue;
            part.data.painted.cells.forEach((text, number) => {
                const { fill = 'none', opacity = 1, blend = 'normal' } = styleOf(drawn, part, number) ?? {};
                if (fill === 'none') return;
                const isClear = opacity < 1 || blend !== 'normal';
                for (const cell of part.data.painted?.numbers?.[number] ?? readRuns(text, along).map((one) => shape.cell(addressOf(one)))) {
                    if (cell !== undefined) picture.put(cell, isClear ? over(fill, picture.at(cell), opacity, blend) : fill);
                }
            });
        }
        for (const stroke of strokes) {
            for (const [cell, colour] of stroke.get(grid.id) ?? []) picture.put(cell, colour === 'none' ? '' : (palette[colour] ?? colour));
        }
        return picture;
    }

    put(cell: number, colour: string): void {
        let number = this.numbers.get(colour);
        if (number === undefined) {
            number = this.names.length;
            this.names.push(colour);
            this.numbers.set(colour, number);
        }
        this.cells[cell] = number;
    }

    at(cell: number): string {
        return this.names[this.cells[cell] ?? 0] ?? '';
    }

    /** The cells of one colour that hang together with one, by edges that they share. */
    area(from: number): number[] {
        const colour = this.cells[from];
        const seen = new Set([from]);
        const found = [from];
        for (let next = 0; next < found.length; next++) {
            for (const beside of this.shape.neighbours(found[next] ?? 0)) {
                if (this.cells[beside] !== colour || seen.has(beside)) continue;
                seen.add(beside);
                found.push(beside);
            }
        }
        return found;
    }

    /** All cells of the same colour as one. */
    alike(from: number): number[] {
        const found: number[] = [];
        this.cells.forEach((colour, cell) => colour === this.cells[from] && found.push(cell));
        return found;
    }

    /** The colours by how often they were met, numbered as `numbered` tells them. */
    get palette(): readonly string[] {
        return this.names;
    }

    get numbered(): Uint16Array {
        return this.cells;
    }
}

/** How cells of an overlay are written in what is painted already, by address: painted over, they are named so again. */
export function writtenOn(scene: Scene, on: string, shape: GridShape | undefined): ReadonlyMap<string, string> {
    const words = new Map<string, string>();
    for (const { geometry } of scene.steps) {
        const painted = partShape(geometry)?.data.painted;
        if (painted?.on !== on || painted.numbers === undefined) continue;
        painted.numbers.forEach((numbers, colour) => {
            const texts = painted.cells[colour]?.split(' ') ?? [];
            numbers.forEach((cell, k) => words.set(shape?.address(cell) ?? '', texts[k] ?? ''));
        });
    }
    return words;
}

/** The coordinate that runs go along: around where there is one that runs in a circle. */
export function alongOf(shape: GridShape | undefined): 0 | 1 {
    return shape?.data.arrows?.wraps[1] === true ? 1 : 0;
}
