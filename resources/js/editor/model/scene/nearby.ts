export type Arrow = 'ArrowRight' | 'ArrowLeft' | 'ArrowUp' | 'ArrowDown';

export type Box = [left: number, top: number, right: number, bottom: number];

/** Chords of a curve, where it is no straight line. */
export const CHORDS = 32;

/** Chords of a full circle. */
const CHORDS_AROUND = 256;

/**
 * A run of a guide in chords: its lines as they are, arcs and cubics in many.
 *
 * @param path SVG path data as answers have it: absolute, one `M`, then `H`, `V`, `L`, `C`, and `A` of circles, of which none goes more
 *   than half around
 */
export function chordsOf(path: string): [number, number][] {
    const places: [number, number][] = [];
    for (const [, command = '', rest = ''] of path.matchAll(/([MHVLCA])([^MHVLCAZ]*)/g)) {
        const numbers = (rest.match(/-?[\d.]+(?:e-?\d+)?/g) ?? []).map(Number);
        const from = places.at(-1) ?? [0, 0];
        const [x = 0, y = 0] = command === 'H' ? [numbers[0], from[1]] : command === 'V' ? [from[0], numbers[0]] : numbers.slice(-2);
        if (command === 'A') places.push(...arcChords(from, [x, y], numbers[0] ?? 0, numbers[4] === 1));
        if (command === 'C') places.push(...cubicChords(from, numbers));
        places.push([x, y]);
    }
    return places;
}

/** Places between the ends of an arc, the smaller one of the two that a radius and a way around give. */
function arcChords([x0, y0]: [number, number], [x1, y1]: [number, number], radius: number, isClockwise: boolean): [number, number][] {
    const [dx, dy] = [x1 - x0, y1 - y0];
    const chord = Math.hypot(dx, dy);
    if (chord === 0) return [];
    // Half the chord may come to more than the radius by what both are rounded.
    const sagitta = Math.sqrt(Math.max(0, radius ** 2 - (chord / 2) ** 2)) * (isClockwise ? 1 : -1);
    const [cx, cy] = [(x0 + x1) / 2 - (dy / chord) * sagitta, (y0 + y1) / 2 + (dx / chord) * sagitta];
    const begin = Math.atan2(y0 - cy, x0 - cx);
    const turn = positive((Math.atan2(y1 - cy, x1 - cx) - begin) * (isClockwise ? 1 : -1)) * (isClockwise ? 1 : -1);
    const count = Math.max(2, Math.ceil((Math.abs(turn) / (2 * Math.PI)) * CHORDS_AROUND));
    return Array.from({ length: count - 1 }, (_, k) => {
        const angle = begin + (turn * (k + 1)) / count;
        return [cx + radius * Math.cos(angle), cy + radius * Math.sin(angle)];
    });
}

/** Places between the ends of a cubic. */
function cubicChords([x0, y0]: [number, number], [ax = 0, ay = 0, bx = 0, by = 0, x1 = 0, y1 = 0]: number[]): [number, number][] {
    return Array.from({ length: CHORDS - 1 }, (_, k) => {
        const t = (k + 1) / CHORDS;
        const s = 1 - t;
        const at = (p: number, a: number, b: number, q: number) => s ** 3 * p + 3 * s * s * t * a + 3 * s * t * t * b + t ** 3 * q;
        return [at(x0, ax, bx, x1), at(y0, ay, by, y1)];
    });
}

export function nearestOnChord([x0, y0]: [number, number], [x1, y1]: [number, number], x: number, y: number): [number, number] {
    const square = (x1 - x0) ** 2 + (y1 - y0) ** 2;
    const t = square === 0 ? 0 : Math.min(1, Math.max(0, ((x - x0) * (x1 - x0) + (y - y0) * (y1 - y0)) / square));
    return [x0 + t * (x1 - x0), y0 + t * (y1 - y0)];
}

export function nearestOf(places: [number, number][], x: number, y: number, reach: number): [number, number] | undefined {
    let best: [number, number] | undefined;
    for (const place of places) {
        const far = Math.hypot(place[0] - x, place[1] - y);
        if (far <= reach) [best, reach] = [place, far];
    }
    return best;
}

/** An angle from 0 up to a whole turn. */
export function positive(angle: number): number {
    return ((angle % (2 * Math.PI)) + 2 * Math.PI) % (2 * Math.PI);
}

/** By how often a way around passes a place to its left and right. */
export function encloses(outline: [number, number][], x: number, y: number): boolean {
    let inside = false;
    outline.forEach(([x0, y0], k) => {
        const [x1, y1] = outline[(k + 1) % outline.length] ?? [0, 0];
        if (y0 > y !== y1 > y && x < x0 + ((y - y0) / (y1 - y0)) * (x1 - x0)) inside = !inside;
    });
    return inside;
}

/** The nearest of several places that lies in the direction of an arrow key, give or take 45°. */
export function nearestTowards(
    arrow: Arrow,
    [x, y]: [number, number],
    count: number,
    placeOf: (number: number) => [number, number],
): number | undefined {
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
