import Flatbush from 'flatbush';
import type { Candidate, Schemas } from '../../../api/client';
import type { GridShape } from '../scene/GridShape';
import type { GuideShape } from '../scene/GuideShape';
import { stepIn } from './Picking';

type SnapPlaces = Schemas['SnapPlaces'];
type SnapGroup = Schemas['SnapGroup'];

/** Two distances that differ by less, as a share, are the same. */
const EVEN = 1e-2;

/** A place that the pointer may mean. How a plan writes it is not always known here. */
export interface Found {
    kind: Candidate['kind'];
    at: [number, number];
    name: string;
    raw?: unknown;
    distance: number;
}

/** What has places along its lines: a grid or a guide, by the id of its step. */
export interface Line<Shape> {
    id: string;
    label: string;
    shape: Shape;
}

/** What can be snapped to on one revision of a sheet, so that what follows the pointer need not ask. */
export class SnapIndex {
    private readonly groups: SnapGroup[];
    private readonly owner: number[] = [];
    private readonly place: number[] = [];
    private index: Flatbush | undefined;

    constructor(
        readonly revision: number,
        groups: SnapGroup[],
        private readonly rule: Pick<SnapPlaces, 'ranks' | 'beside'>,
        private readonly grids: Line<GridShape>[],
        private readonly guides: Line<GuideShape>[],
    ) {
        this.groups = groups;
    }

    /** What lies within reach and is allowed: the winner first, then as the rule has it. */
    near(x: number, y: number, reach: number, kinds: readonly Candidate['kind'][], without: readonly string[]): Found[] {
        const allowed = new Set(kinds);
        const left = new Set(without);
        const found = [
            ...this.points(x, y, reach),
            ...this.grids.filter(({ id }) => !left.has(id)).flatMap((grid) => ofGrid(grid, x, y, reach, allowed)),
            ...this.guides.filter(({ id }) => !left.has(id)).flatMap((guide) => along(guide, x, y, reach, allowed)),
        ].filter((one) => allowed.has(one.kind) && one.distance <= reach && !one.of.some((id) => left.has(stepIn(id))));
        found.sort((a, b) => Number(isAlong(a)) - Number(isAlong(b)) || a.distance - b.distance || this.rank(a) - this.rank(b));
        const [nearest] = found;
        if (nearest === undefined) return [];
        const beside = (one: Found): boolean =>
            !isAlong(one) && Math.hypot(one.at[0] - nearest.at[0], one.at[1] - nearest.at[1]) <= reach * this.rule.beside;
        const best = found.reduce((winner, one) => (beside(one) && this.rank(one) < this.rank(winner) ? one : winner), nearest);
        return [best, ...found.filter((one) => one !== best)];
    }

    /** Points that belong to any of these steps, in the order in which they are known. */
    of(
        ids: readonly string[],
        kinds: readonly Candidate['kind'][],
    ): { kind: Candidate['kind']; name: string; raw: unknown; at: [number, number]; of: string[] }[] {
        return this.groups
            .filter((group) => kinds.includes(group.kind) && group.of.some((id) => ids.includes(id)))
            .flatMap(({ kind, name, raws, places, of }) =>
                raws.map((raw, k) => ({ kind, name, raw, at: [places[2 * k] ?? 0, places[2 * k + 1] ?? 0], of: of.map(stepIn) })),
            );
    }

    /** Why the first of them won. */
    why(found: Found[]): string {
        const [first, second] = found;
        if (first === undefined) return 'nothing within reach';
        if (second === undefined) return 'the only one within reach';
        if (isAlong(second) && !isAlong(first)) return 'a point goes before a place along an edge';
        return first.distance - second.distance > EVEN * first.distance
            ? 'an intersection goes before what lies right beside it'
            : `the nearest of ${found.length} within reach`;
    }

    private rank(found: Found): number {
        return this.rule.ranks[found.kind] ?? 0;
    }

    private points(x: number, y: number, reach: number): Owned[] {
        this.index ??= this.built();
        return this.index.search(x - reach, y - reach, x + reach, y + reach).flatMap((number) => {
            const group = this.groups[this.owner[number] ?? -1];
            const k = this.place[number] ?? 0;
            if (group === undefined) return [];
            const at: [number, number] = [group.places[2 * k] ?? 0, group.places[2 * k + 1] ?? 0];
            return [
                { kind: group.kind, at, name: group.name, raw: group.raws[k], distance: Math.hypot(at[0] - x, at[1] - y), of: group.of },
            ];
        });
    }

    private built(): Flatbush {
        this.groups.forEach((group, number) => {
            for (let k = 0; 2 * k < group.places.length; k++) {
                this.owner.push(number);
                this.place.push(k);
            }
        });
        const index = new Flatbush(Math.max(1, this.owner.length));
        this.groups.forEach((group) => {
            for (let k = 0; 2 * k < group.places.length; k++) {
                const [x, y] = [group.places[2 * k] ?? 0, group.places[2 * k + 1] ?? 0];
                index.add(x, y, x, y);
            }
        });
        if (this.owner.length === 0) index.add(NaN, NaN, NaN, NaN);
        index.finish();
        return index;
    }
}

/** One of any number of places along a line, and no point. */
function isAlong({ kind }: Found): boolean {
    return kind === 'edge';
}

type Owned = Found & { of: readonly string[] };

function ofGrid({ id, label, shape }: Line<GridShape>, x: number, y: number, reach: number, allowed: ReadonlySet<string>): Owned[] {
    const found: Owned[] = [];
    const add = (kind: Found['kind'], at: [number, number] | undefined, name: string, raw?: unknown): void => {
        if (at !== undefined) found.push({ kind, at, name, raw, distance: Math.hypot(at[0] - x, at[1] - y), of: [id] });
    };
    if (allowed.has('intersection')) {
        for (const point of shape.pointsAt(x, y, reach)) {
            const address = shape.pointAddress(point);
            add('intersection', shape.place(point), `${shape.pointName(address)} of ${label}`, `${id}@${address}`);
        }
    }
    if (allowed.has('midpoint')) {
        for (const middle of shape.middlesAt(x, y, reach)) add('midpoint', middle, `the middle of an edge of ${label}`);
    }
    if (allowed.has('cell-centre')) {
        const cell = shape.cellAround(x, y);
        if (cell !== undefined)
            add(
                'cell-centre',
                shape.centroid(cell),
                `the middle of ${shape.cellName(shape.address(cell))} of ${label}`,
                `${id}#${shape.address(cell)}!`,
            );
    }
    if (allowed.has('edge')) add('edge', shape.edgeAt(x, y, reach), `along a line of ${label}`);
    return found;
}

function along({ id, label, shape }: Line<GuideShape>, x: number, y: number, reach: number, allowed: ReadonlySet<string>): Owned[] {
    const at = allowed.has('edge') ? shape.nearest(x, y, reach) : undefined;
    return at === undefined ? [] : [{ kind: 'edge', at, name: `along ${label}`, distance: Math.hypot(at[0] - x, at[1] - y), of: [id] }];
}
