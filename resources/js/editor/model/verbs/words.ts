import type { Verb } from './verb';

/** What it is called where there is little room: what is drawn by its shape alone. */
export function shortLabel(label: string): string {
    return label.replace('…', '').replace(/, centre and .*$/, '');
}

/** `Disc: press at the centre, let go at the point on it`; with one place there, what comes next. */
export function drawingWords({ label, places, needs, full, bends }: Verb, count: number): string {
    const what = shortLabel(label);
    const next = places[count];
    if (bends !== null) return `${what}: ${count === 0 ? 'click its places' : needs > 0 ? 'the next place; pull for an arc' : 'go on; the first place again ends it'}`;
    const [first, second] = places;
    if (count === 0 && places.length === 2 && first !== undefined && second !== undefined)
        return `${what}: press at ${first}, let go at ${second}`;
    if (needs === 0 && !full) return `${what}: pick more, or end it`;
    return next === undefined ? `${what}: click the next place` : `${what}: click ${next}`;
}
