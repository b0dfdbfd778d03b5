import type { GuideGeometry } from '../../../api/client';
import { type Box, chordsOf, nearestOf, nearestOnChord } from './nearby';

/** A guide's geometry made ready to draw. */
export class GuideShape {
    readonly path: Path2D;
    private chords: [number, number][][] | undefined;
    private box: Box | undefined;

    constructor(readonly data: GuideGeometry) {
        this.path = new Path2D(data.path);
    }

    /** The box around it. */
    bounds(): Box {
        this.box ??= this.measured();
        return this.box;
    }

    private measured(): Box {
        const { center, radius } = this.data;
        // A circle says where it lies; an arc of it does not reach all around.
        if (center !== null && radius !== null && this.isRound()) {
            const [x = 0, y = 0] = center;
            return [x - radius, y - radius, x + radius, y + radius];
        }
        const box: Box = [Infinity, Infinity, -Infinity, -Infinity];
        for (const [x, y] of this.runs().flat()) {
            [box[0], box[1]] = [Math.min(box[0], x), Math.min(box[1], y)];
            [box[2], box[3]] = [Math.max(box[2], x), Math.max(box[3], y)];
        }
        return box;
    }

    private runs(): [number, number][][] {
        this.chords ??= this.data.path.split(/(?=M)/).map(chordsOf);
        return this.chords;
    }

    /** Whether its one run comes back to where it began. */
    private isRound(): boolean {
        const [run = [], ...more] = this.runs();
        const [first, last] = [run[0], run.at(-1)];
        return more.length === 0 && first !== undefined && last !== undefined && first[0] === last[0] && first[1] === last[1];
    }

    /** A place along it within reach, as near as chords come. */
    nearest(x: number, y: number, reach: number): [number, number] | undefined {
        const places = this.runs().flatMap((run) => run.slice(1).map((end, k) => nearestOnChord(run[k] ?? end, end, x, y)));
        return nearestOf(places, x, y, reach);
    }
}
