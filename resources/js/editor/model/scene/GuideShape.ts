import type { GuideGeometry } from '../../../api/client';
import { type Box, chordsOf, nearestOf, nearestOnChord } from './nearby';

/** A guide's geometry made ready to draw. */
export class GuideShape {
    readonly path: Path2D;
    private chords: [number, number][][] | undefined;

    constructor(readonly data: GuideGeometry) {
        this.path = new Path2D(data.path);
    }

    /** The box around it. */
    bounds(): Box {
        this.chords ??= this.data.path.split(/(?=M)/).map(chordsOf);
        const all = this.chords.flat();
        return [
            Math.min(...all.map(([x]) => x)),
            Math.min(...all.map(([, y]) => y)),
            Math.max(...all.map(([x]) => x)),
            Math.max(...all.map(([, y]) => y)),
        ];
    }

    /** A place along it within reach, as near as chords come. */
    nearest(x: number, y: number, reach: number): [number, number] | undefined {
        this.chords ??= this.data.path.split(/(?=M)/).map(chordsOf);
        const places = this.chords.flatMap((run) => run.slice(1).map((end, k) => nearestOnChord(run[k] ?? end, end, x, y)));
        return nearestOf(places, x, y, reach);
    }
}
