import type { Candidate, Scene, SheetPage, Step } from '../../../api/client';
import type { SnapIndex } from '../pick/SnapIndex';
import { gridShape, partShape } from '../scene/geometry';

/** A place that probably fits, as a plan writes it and as people say it. */
export interface PlaceChoice {
    text: string;
    raw: unknown;
    /** Where it is, as far as that is known here. */
    at?: [number, number] | undefined;
}

/** So many centres of circles, corners, and places where something touches are offered. */
const MOST = { circles: 3, corners: 8, touches: 6 };

const SPOT: Partial<Record<Candidate['kind'], string>> = { corner: 'corner', tangent: 'touches' };

/**
 * Places that fit what a step is about: its own centre, that of the last repeat, of grids and circles, corners, and where it touches; of
 * what stands before the step.
 */
export function placeChoices(
    { page, scene }: { page: SheetPage; scene: Scene },
    index: SnapIndex | null,
    about: readonly string[],
    before: string | null,
): PlaceChoice[] {
    const end = before === null ? -1 : scene.steps.findIndex((step) => step.id === before);
    const there = end < 0 ? scene.steps : scene.steps.slice(0, end);
    const known = new Set(there.map((step) => step.id));
    const of = (ids: readonly string[], kinds: Candidate['kind'][], most: number): PlaceChoice[] =>
        (index?.of(ids, kinds) ?? [])
            .filter((one) => one.of.every((id) => known.has(id)))
            .slice(0, most)
            .map(({ kind, name, raw, at }) => ({ text: SPOT[kind] === undefined ? name : `${name}, at ${rounded(at)}`, raw, at }));
    const own = about.slice(0, MOST.circles);
    const repeat = there.findLast((step) => step.sector !== undefined);
    const turnsAbout = repeat === undefined ? undefined : page.plan.steps.find((step) => step.id === repeat.id)?.['center'];
    const circles = there
        .filter((step) => !step.usedUp && !step.hidden && !own.includes(step.id))
        .map((step) => step.id)
        .slice(-MOST.circles);
    const all: PlaceChoice[] = [
        // Also of what is used up, and shows no places any more.
        ...there
            .filter((step) => own.includes(step.id) && step.role === 'part')
            .map((step) => ({ text: `the centre of ${step.label}`, raw: `${step.id}!`, at: middle(step) })),
        ...of(own, ['circle-centre'], MOST.circles),
        ...(repeat === undefined || turnsAbout === undefined ? [] : [{ text: `where ${repeat.label} turns`, raw: turnsAbout }]),
        { text: 'the centre of the sheet', raw: ['sheet.width/2', 'sheet.height/2'] },
        ...there
            .filter((step) => step.role === 'grid')
            .map((step) => ({ text: `the centre of ${step.label}`, raw: step.id + (gridShape(step.geometry)?.data.about?.center ?? '!') })),
        ...of(circles, ['circle-centre'], MOST.circles),
        ...of(own, ['tangent'], MOST.touches),
        ...of(own, ['corner'], MOST.corners),
    ];
    const said = new Set<string>();
    return all.filter(({ raw, text }) => {
        const key = JSON.stringify(raw);
        return !said.has(key) && !said.has(text) && said.add(key).add(text);
    });
}

function middle({ geometry }: Step): [number, number] | undefined {
    const [left, top, right, bottom] = partShape(geometry)?.data.measures.bounds ?? [];
    return left === undefined || top === undefined || right === undefined || bottom === undefined
        ? undefined
        : [(left + right) / 2, (top + bottom) / 2];
}

function rounded(at: [number, number]): string {
    return at.map((one) => Math.round(one * 10) / 10).join(', ');
}
