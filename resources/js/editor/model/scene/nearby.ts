export type Arrow = 'ArrowRight' | 'ArrowLeft' | 'ArrowUp' | 'ArrowDown';

export type Box = [left: number, top: number, right: number, bottom: number];

/** Chords of a curve, where it is no straight line. */
export const CHORDS = 32;

/** Chords of a whole guide. */
export const CHORDS_OF_A_GUIDE = 256;

/** A run of a guide in chords, as the browser measures its way. */
export function chordsOf(path: string): [number, number][] {
    const element = document.createElementNS('http://www.w3.org/2000/svg', 'path');
    element.setAttribute('d', path);
    const length = element.getTotalLength();
    const count = /[AC]/.test(path) ? CHORDS_OF_A_GUIDE : Math.max(1, (path.match(/L/g) ?? []).length);
    return Array.from({ length: count + 1 }, (_, k) => {
        const { x, y } = element.getPointAtLength((length * k) / count);
        return [x, y];
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
