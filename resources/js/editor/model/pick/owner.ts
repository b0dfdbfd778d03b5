import type { Scene } from '../../../api/client';
import { partShape } from '../scene/geometry';
import type { Pick } from './Picking';

/** How near an outline has to pass, as a share of the sheet. */
const NEAR = 1e-4;

let prober: CanvasRenderingContext2D | null | undefined;

/** The topmost part that the first picked point lies on the outline of, else in. */
export function ownerOf(scene: Scene, pick: Pick): string | undefined {
    const [point] = pick.points;
    if (point === undefined) return undefined;
    const drawn = scene.drawing ?? [];
    // A corner that is picked as one says whose it is.
    const named = typeof point.raw === 'string' ? /^([a-z][a-z0-9]*)@/.exec(point.raw)?.[1] : undefined;
    if (drawn.some(({ id }) => id === named)) return named;
    prober ??= typeof HTMLCanvasElement === 'undefined' ? null : document.createElement('canvas').getContext('2d');
    if (prober === null) return undefined;
    const context = prober;
    context.lineWidth = 2 * NEAR * Math.max(scene.sheet.width, scene.sheet.height);
    const [x, y] = point.at;
    const reach = context.lineWidth;
    const figures = (id: string): Path2D[] => {
        const shape = partShape(scene.steps.find((step) => step.id === id)?.geometry);
        const near =
            shape?.boxes.flatMap(([left, top, right, bottom], figure) =>
                x > left - reach && x < right + reach && y > top - reach && y < bottom + reach ? [figure] : [],
            ) ?? [];
        return near.flatMap((figure) => shape?.path(figure) ?? []);
    };
    const onOutline = drawn.findLast(({ id }) => figures(id).some((figure) => context.isPointInStroke(figure, ...point.at)));
    return (onOutline ?? drawn.findLast(({ id }) => figures(id).some((figure) => context.isPointInPath(figure, ...point.at))))?.id;
}
