import type { Hover } from '../pick/hover';
import type { Pick, PickedPoint, Snapshot } from '../pick/Picking';
import type { Verb } from './verb';

export type Bend = { bulge: number } | null;

/** A verb that has been said, with the answers so far. */
export interface Asking {
    /** As it was said; the pick may have grown since then. */
    verb: Verb;
    answers: Record<string, unknown>;
    /** How the ways between the picked points are bent. */
    bends: Bend[];
    /** Which of the places that it asks for is clicked next; it goes round. */
    slot: number;
    /** Said before anything was picked for it: what was picked then, and is again when it is left. */
    before: Snapshot | null;
}

export function asked(verb: Verb, answers: Record<string, unknown> = verb.start, before: Snapshot | null = null): Asking {
    return { verb, answers, bends: [], slot: 0, before };
}

/** Whether it is drawn on the sheet, one after another, until it is left. */
export function isDrawn({ verb, before }: Asking): boolean {
    return before !== null && verb.from === 'points';
}

/** The answers as the verb takes them, without those that mean nothing as long as others are as they are. */
export function answersOf({ verb, answers, bends }: Asking): Record<string, unknown> {
    const idle = new Set(
        verb.kind?.fields.filter((field) => field.when !== null && answers[field.when.field] !== field.when.is).map((field) => field.name),
    );
    const bent = verb.bends !== null && bends.some((bend) => bend !== null) ? { [verb.bends]: bends } : {};
    return { ...Object.fromEntries(Object.entries(answers).map(([name, value]) => [name, idle.has(name) ? null : value])), ...bent };
}

/** Two places are an outline, too, where a way between them is bent. */
export function enoughBent(verb: Verb, { bends }: Asking, pick: Pick): Verb {
    const isEnough = verb.bends !== null && verb.needs > 0 && pick.points.length === 2 && bends.some((bend) => bend !== null);
    return isEnough ? { ...verb, needs: 0, wants: null } : verb;
}

/** The pick as it would be with what is pointed at; null where that would change nothing. */
export function withPointed(pick: Pick, pointed: Hover | null): Pick | null {
    if (pick.mode === 'points' && pointed?.point !== undefined && pointed.handle !== true) {
        const point: PickedPoint = { ...pointed.point, raw: pointed.point.raw ?? pointed.point.at };
        return pick.points.some((one) => JSON.stringify(one.raw) === JSON.stringify(point.raw))
            ? null
            : { ...pick, points: [...pick.points, point] };
    }
    if (pick.mode === 'parts' && pointed?.part !== undefined && !pick.parts.includes(pointed.part))
        return { ...pick, parts: [...pick.parts, pointed.part] };
    if (pick.mode === 'lines' && pointed?.line !== undefined && !pick.lines.includes(pointed.line))
        return { ...pick, lines: [...pick.lines, pointed.line] };
    return null;
}

/** The bulge of the arc from one place to another through the height of a third over their chord. */
export function bulgeTowards([fx, fy]: [number, number], [tx, ty]: [number, number], [x, y]: [number, number]): number {
    const [ux, uy] = [tx - fx, ty - fy];
    const square = ux * ux + uy * uy || 1;
    return Number(((2 * ((x - (fx + tx) / 2) * uy - (y - (fy + ty) / 2) * ux)) / square).toFixed(2));
}

/** Bends with that of one way set. */
export function bent(bends: Bend[], way: number, bend: Bend): Bend[] {
    return Array.from({ length: Math.max(bends.length, way + 1) }, (_, k) => (k === way ? bend : (bends[k] ?? null)));
}
