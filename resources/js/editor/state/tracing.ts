import type { Kind, Offer, Operation, Plan, Scene, Step } from '../../api/client';
import { tellable } from '../model/pick/hover';
import { Store } from '../model/Store';

type Place = readonly [number, number];

/** What is laid along a line of a picture. */
export interface Tracer {
    kind: Kind;
    offer: Offer;
    /** The field that says the picture. */
    sketch: string;
    /** `circle` */
    name: string;
}

const LAST_PICTURE = '{last:picture}';

/** All that can be laid along lines of pictures. */
export function tracers(kinds: readonly Kind[]): Tracer[] {
    return kinds.flatMap((kind) =>
        kind.offers.flatMap((offer) => {
            const sketch = Object.entries(offer.preset).find(([, value]) => value === LAST_PICTURE)?.[0];
            return sketch === undefined || offer.takes === null || offer.from !== 'points'
                ? []
                : [{ kind, offer, sketch, name: offer.label.split(' ')[0]?.toLowerCase() ?? '' }];
        }),
    );
}

/** Pictures that can be seen, the topmost first. */
export function pictures(scene: Scene): Step[] {
    return scene.steps.filter((step) => step.role === 'picture' && !step.hidden).reverse();
}

/** What the next pull along a line lays; kept outside React, since pointer and keys ask for it. */
export const tracing = new Store<{ lays: string; sketch: string | null; reach: number | string | null; snaps: boolean }>({
    lays: 'circle',
    sketch: null,
    reach: null,
    snaps: false,
});

/** The topmost grid, and the earlier circles, that what is laid settles on where its kind can. */
export function settling(tracer: Tracer, scene: Scene, plan: Plan): Record<string, unknown> {
    const on = tracer.kind.fields.find(({ type, roles }) => type === 'step' && roles?.includes('grid'))?.name;
    const like = tracer.kind.fields.find(({ name }) => name === 'like')?.name;
    const grid = scene.steps.findLast((step) => step.role === 'grid' && !step.hidden);
    const alike = plan.steps.filter((step) => step.kind === tracer.kind.kind && step[tracer.sketch] !== undefined).map(({ id }) => id);
    return {
        ...(on === undefined || grid === undefined ? {} : { [on]: grid.id }),
        ...(like === undefined || alike.length === 0 ? {} : { [like]: alike }),
    };
}

/** Places that a pull is told in at most; between them the line is followed by itself. */
const MOST = 32;

/** The step that lays something along the places of a pull. */
export function traced(
    tracer: Tracer,
    sketch: string,
    places: readonly Place[],
    reach: number | string | null,
    scale: number,
    also: Record<string, unknown>,
): Operation {
    const share = Math.max(1, (places.length - 1) / (MOST - 1));
    const told = Array.from(
        { length: Math.min(MOST, places.length) },
        (_, k): readonly [number, number] => places[Math.min(places.length - 1, Math.round(k * share))] ?? [0, 0],
    );
    return {
        op: 'add',
        step: {
            kind: tracer.kind.kind,
            [tracer.sketch]: sketch,
            [tracer.offer.takes ?? '']: told.map(([x, y]) => [tellable(x, scale), tellable(y, scale)]),
            ...(reach === null ? {} : { reach }),
            ...also,
        },
    };
}
