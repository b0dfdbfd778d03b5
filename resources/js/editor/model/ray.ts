import type { Kind, Operation, Plan, Scene } from '../../api/client';
import { SETTLES } from './dragging';
import { movedBy } from './handles';
import type { SnapIndex } from './pick/SnapIndex';
import { stepIn } from './pick/Picking';
import { gridShape } from './scene/geometry';
import { gridUnder } from './scene/steps';

type Place = readonly [number, number];

/** How far something is turned, clockwise in degrees, and how many times as large it is. */
export interface Pulled {
    angle: number;
    factor: number;
}

/** Degrees that a turn settles on where no grid says others. */
const STEP = 15;

/** How near to such an angle, in degrees, and to such a size, as a share of it, something settles. */
const NEAR = { angle: 4, factor: 0.04 };

/** Sizes that are settled on go by so much. */
const SHARE = 0.25;

/** The angles that things turn by on the grid that they lie on: its sectors, or the third of a right angle of three axes. */
export function turnsOf(scene: Scene, name: string): number {
    const grid = gridUnder(scene, stepIn(name));
    const sector = grid?.numbers['sector'];
    if (sector !== undefined && sector > 0) return sector;
    const shape = gridShape(grid?.geometry);
    return shape !== undefined && grid?.numbers['side'] !== undefined ? 30 : STEP;
}

/** What pulling the ray's ring from one place to another comes to: outwards is size, around is turn; both settle. */
export function pulledTo(anchor: Place, from: Place, to: Place, step: number, isFree: boolean): Pulled {
    const [[fx, fy], [tx, ty]] = [[from[0] - anchor[0], from[1] - anchor[1]], [to[0] - anchor[0], to[1] - anchor[1]]] as const;
    const turned = ((Math.atan2(ty, tx) - Math.atan2(fy, fx)) * 180) / Math.PI;
    const angle = ((((turned + 180) % 360) + 360) % 360) - 180;
    const factor = Math.hypot(tx, ty) / Math.max(1e-9, Math.hypot(fx, fy));
    if (isFree) return { angle: Math.round(angle * 10) / 10, factor: Math.max(0.01, Math.round(factor * 100) / 100) };
    const near = Math.round(angle / step) * step;
    const share = Math.max(SHARE, Math.round(factor / SHARE) * SHARE);
    return {
        angle: Math.abs(angle - near) <= Math.min(NEAR.angle, step / 3) ? Number(near.toFixed(6)) : Math.round(angle),
        factor: Math.abs(factor - share) <= NEAR.factor * share ? share : Math.max(0.01, Math.round(factor * 100) / 100),
    };
}

/** The map of that about a place, as a canvas takes it. */
export function mapOf([x, y]: Place, { angle, factor }: Pulled): [number, number, number, number, number, number] {
    const [cos, sin] = [factor * Math.cos((angle * Math.PI) / 180), factor * Math.sin((angle * Math.PI) / 180)];
    return [cos, sin, -sin, cos, x - cos * x + sin * y, y - sin * x - cos * y];
}

/** The kinds of steps that turn and resize, and the fields that say by how much. */
export interface Turners {
    turn: { kind: Kind; field: string; operations: (answers: Record<string, unknown>) => Operation[] };
    resize: { kind: Kind; field: string; operations: (answers: Record<string, unknown>) => Operation[] };
}

/** The changes for it: what was turned, or resized, about the same place before is turned on. */
export function rayOperations(
    plan: Plan,
    names: readonly string[],
    about: unknown,
    { angle, factor }: Pulled,
    isCopy: boolean,
    { turn, resize }: Turners,
): Operation[] {
    const [name = ''] = names;
    const written = names.length === 1 && !isCopy ? plan.steps.find(({ id }) => id === name) : undefined;
    const goesOn = (kind: Kind, field: string): boolean =>
        written?.kind === kind.kind && typeof written[field] === 'number' && JSON.stringify(written['about']) === JSON.stringify(about);
    const also = isCopy ? { copy: true } : {};
    if (angle !== 0 && factor === 1 && goesOn(turn.kind, turn.field))
        return [{ op: 'set', id: name, field: turn.field, value: Number((Number(written?.[turn.field]) + angle).toFixed(6)) }];
    if (angle === 0 && factor !== 1 && goesOn(resize.kind, resize.field))
        return [{ op: 'set', id: name, field: resize.field, value: Number((Number(written?.[resize.field]) * factor).toFixed(6)) }];
    const turned = angle === 0 ? [] : turn.operations({ [turn.field]: angle, about, ...also });
    if (factor === 1) return turned;
    if (angle === 0) return resize.operations({ [resize.field]: factor, about, ...also });
    return [...turned, { op: 'add', step: { kind: resize.kind.kind, of: ['+new'], about, [resize.field]: factor } }];
}

/** Where the anchor settles: on what can be picked, else beside where it was by its own name. */
export function anchorAt(
    index: SnapIndex | null,
    at: Place,
    before: { raw: unknown; at: Place },
    reach: number,
    scale: number,
): { raw: unknown; at: [number, number]; name: string } {
    const [found] = index?.near(at[0], at[1], reach, SETTLES, []) ?? [];
    if (found !== undefined) return { raw: found.raw ?? found.at, at: found.at, name: found.name };
    return { raw: movedBy(before.raw, [at[0] - before.at[0], at[1] - before.at[1]], scale), at: [at[0], at[1]], name: 'a free place' };
}
