import type { Kind, Operation, Scene, SheetPage, Step } from '../../../api/client';
import { writtenOn } from '../paint/PaintedCells';
import { paintingOf } from '../paint/painting';
import { dissected, type Pick, type Picking } from '../pick/Picking';
import { gridShape } from '../scene/geometry';
import { stepOf } from '../scene/steps';
import { fromParts, NEW_PART, verb } from './making';
import { isThere } from './presets';
import { type Bench, offers, plainVerb, type Verb } from './verb';

/** Paints the picked cells, grid by grid. */
function painting({ page, scene, pick, colour }: Bench, kind: Kind, takes: string, step: Record<string, unknown>): Operation[] {
    const asked = step[takes];
    const name =
        (asked !== null && typeof asked === 'object' ? Object.keys(asked)[0] : undefined) ??
        colour ??
        Object.keys(page.plan.palette)[0] ??
        '#1b2140';
    return [...pick.cells].flatMap(([grid, addresses]): Operation[] => {
        const shape = gridShape(stepOf(scene, grid)?.geometry);
        const painted = paintingOf([kind], grid, shape, [...addresses].map((address) => [address, name]), writtenOn(scene, grid, shape));
        return painted === null ? [] : [painted];
    });
}

/** Whether it can lie on the grids of which cells are picked. */
function fitsGrids(kind: Kind, { pick, scene }: Bench): boolean {
    const kinds = kind.fields.find((field) => field.name === 'on')?.kinds;
    return kinds === undefined || [...pick.cells.keys()].every((grid) => kinds.includes(stepOf(scene, grid)?.kind ?? ''));
}

/** What is said by one or two cells: their columns and rows, in the field that takes them. */
function dotted(picking: Picking, takes: string, step: Record<string, unknown>): Operation[] {
    const [first = ''] = picking.addresses();
    const numbers = picking.addresses().flatMap((address) => (address.split('#')[1] ?? '').split(',').map(Number));
    const [outer = '', inner] = takes.split('.');
    const value = inner === undefined ? numbers : { ...(step[outer] as Record<string, unknown> | undefined), [inner]: numbers };
    return [{ op: 'add', step: { ...step, on: first.split('#')[0], [outer]: value } }];
}

export function fromCells(bench: Bench): Verb[] {
    const { kinds, picking, page, scene, selected, pick } = bench;
    const verbs: Verb[] = [];
    const made = offers(kinds, 'cells').filter(([kind, offer]) => isThere(offer, bench) && fitsGrids(kind, bench));
    for (const [kind, offer] of made) {
        const takes = offer.takes ?? 'cells';
        const type = kind.fields.find((field) => field.name === takes)?.type;
        if (type === 'painted') {
            verbs.push(verb(kind, offer, bench, null, (step) => painting(bench, kind, takes, step)));
            continue;
        }
        if (type === 'span' || type === 'pair') {
            if (pick.count >= offer.least && pick.count <= offer.most && pick.cells.size === 1)
                verbs.push(verb(kind, offer, bench, null, (step) => dotted(picking, takes, step)));
            continue;
        }
        // What lies on a grid says which; what is made of cells of several needs none.
        const isOn = kind.fields.some((field) => field.name === 'on');
        if (isOn && pick.cells.size !== 1) continue;
        verbs.push(
            verb(kind, offer, bench, null, (step) => [
                {
                    op: 'add',
                    step: { ...step, id: NEW_PART, ...(isOn ? { on: [...pick.cells.keys()][0] } : {}), [takes]: picking.addresses() },
                },
            ]),
        );
        const target = type === 'cells' && !isOn ? targetPart(page, scene, kind.kind, selected) : undefined;
        if (target !== undefined) {
            const present = (page.plan.steps.find((step) => step.id === target.id)?.[takes] as string[] | undefined) ?? [];
            const cells = expanded(scene, present);
            const set = (value: () => string[]) => () => [{ op: 'set' as const, id: target.id, field: takes, value: value() }];
            // Of cells by the ten thousand nothing is listed before it is asked for.
            verbs.push(
                plainVerb(
                    'add to',
                    `Add to ${target.label}`,
                    'Puts the picked cells to those that the part has.',
                    'make',
                    2,
                    set(() => [...new Set([...present, ...picking.addresses()])]),
                ),
            );
            if (cells.some((address) => isPicked(pick, address)) && cells.some((address) => !isPicked(pick, address))) {
                verbs.push(
                    plainVerb(
                        'take from',
                        `Take from ${target.label}`,
                        'Takes the picked cells out of the part.',
                        'make',
                        3,
                        set(() => cells.filter((address) => !isPicked(pick, address))),
                    ),
                );
            }
        }
    }
    const [first] = made;
    if (first !== undefined) {
        const [kind, offer] = first;
        const makePart = (): Operation => ({
            op: 'add',
            step: { kind: kind.kind, id: NEW_PART, [offer.takes ?? 'cells']: picking.addresses() },
        });
        for (const [other, one] of offers(kinds, 'parts')) {
            if (one.fromCells) verbs.push(fromParts(bench, other, one, [NEW_PART], makePart));
        }
    }
    return verbs;
}

/** The part that cells are added to: the selected one, else the last. */
function targetPart(page: SheetPage, scene: Scene, kind: string, selected: string | null): Step | undefined {
    const parts = page.plan.steps.filter((step) => step.kind === kind);
    const chosen = parts.find((step) => step.id === selected) ?? parts.at(-1);
    return chosen === undefined ? undefined : stepOf(scene, chosen.id);
}

const spelt = new WeakMap<readonly string[], { shapes: unknown[]; cells: string[] }>();

/** Addresses with their stars spelt out, as far as the grid is there. */
function expanded(scene: Scene, addresses: readonly string[]): string[] {
    const grids = [...new Set(addresses.map((address) => dissected(address)[0]))];
    const shapes = grids.map((grid) => gridShape(stepOf(scene, grid)?.geometry));
    const known = spelt.get(addresses);
    if (known !== undefined && known.shapes.every((shape, k) => shape === shapes[k])) return known.cells;
    const cells = addresses.flatMap((address) => {
        const [grid, mark, rest] = dissected(address);
        if (!rest.includes('*')) return [address];
        return (shapes[grids.indexOf(grid)]?.matching(rest) ?? []).map((one) => `${grid}${mark}${one}`);
    });
    spelt.set(addresses, { shapes, cells });
    return cells;
}

function isPicked(pick: Pick, address: string): boolean {
    const [grid, , rest] = dissected(address);
    return pick.cells.get(grid)?.has(rest) ?? false;
}
