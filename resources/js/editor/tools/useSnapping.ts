import { useCallback } from 'react';
import { answer, api, type Schemas, type Snap } from '../../api/client';
import { useAsking } from '../state/asking';
import { usePick, usePicks } from '../state/pick';
import { useSheet } from '../state/sheet';
import { useView } from '../state/view';
import type { Camera } from '../model/camera';
import { useLatest } from '../state/useLatest';
import { type Hover, REACH, tellable } from '../model/pick/hover';
import { REACHES } from '../model/pick/Picking';

const NOTHING: Snap = { candidates: [], why: '' };

type Question = Schemas['SnapQuestion'];

export interface Snapping {
    look: (x: number, y: number) => Promise<Hover | null>;
    take: (x: number, y: number) => Promise<Hover | null>;
}

/**
 * The place that a pointer means, by the rule of the core; a free one where nothing is in reach. For the place of a step that is `moved`
 * only what stands before it counts. What is known beforehand is not asked for.
 */
export function useSnapping(view: Camera, moved: string | null = null): Snapping {
    const { page, snapPlaces } = useSheet();
    const { picking } = usePicks();
    const { placeWanted } = useAsking();
    const { worked } = useView();
    const pick = usePick(picking);
    const sheet = page.id;
    const ask = useCallback(
        (body: Question) => answer(api.POST('/api/sheets/{sheet}/snap', { params: { path: { sheet } }, body })),
        [sheet],
    );
    const askLatest = useLatest(ask);
    const index = snapPlaces?.revision === page.revision ? snapPlaces : null;

    const faded =
        worked === null ? [] : page.scene.steps.filter((step) => step.role !== 'grid' && !worked.has(step.id)).map((step) => step.id);

    function later(before: string | null): string[] {
        return before === null ? [] : page.plan.steps.slice(page.plan.steps.findIndex((step) => step.id === before)).map((step) => step.id);
    }

    function question(x: number, y: number): Question {
        const before = moved ?? placeWanted?.before ?? null;
        return {
            x: (x - view.x) / view.scale,
            y: (y - view.y) / view.scale,
            reach: REACH / view.scale,
            kinds: placeWanted === null && moved === null ? REACHES[pick.snapsTo] : REACHES.everything,
            // What stands behind a step in the plan it cannot refer to.
            without: [...later(before), ...faded],
        };
    }

    /** As far as it is known here; of a place along a line how a plan writes it is not. */
    function known({ x, y, reach, kinds = [], without = [] }: Question): Hover | 'asked for' {
        if (kinds.length === 0) return free(x, y);
        if (index === null) return 'asked for';
        const found = index.near(x, y, reach, kinds, without);
        const [winner] = found;
        if (winner === undefined) return free(x, y);
        return {
            point: { raw: winner.raw, name: winner.name, at: winner.at },
            name: found.length > 1 ? `${winner.name}: ${index.why(found)}` : winner.name,
        };
    }

    function told({ x, y }: Question, { candidates, why }: Snap): Hover {
        const [winner] = candidates;
        if (winner === undefined) return free(x, y);
        const [px = 0, py = 0] = winner.at;
        return {
            point: { raw: winner.raw, name: winner.name, at: [px, py] },
            name: candidates.length > 1 ? `${winner.name}: ${why}` : winner.name,
        };
    }

    function free(x: number, y: number): Hover {
        const [fx, fy] = [tellable(x, view.scale), tellable(y, view.scale)];
        return { point: { raw: [fx, fy], name: `${fx}, ${fy}`, at: [fx, fy] }, name: `a free place, ${fx}, ${fy}` };
    }

    return {
        // While the pointer moves only the last place counts; a click counts wherever the pointer goes next.
        look: async (x, y) => {
            const asked = question(x, y);
            const here = known(asked);
            if (here !== 'asked for') return here;
            const given = await askLatest(asked);
            return given === null ? null : told(asked, given);
        },
        // A click is never lost: where the question fails, it means the place itself.
        take: async (x, y) => {
            const asked = question(x, y);
            const here = known(asked);
            if (here !== 'asked for' && here.point?.raw !== undefined) return here;
            return told(asked, await ask(asked).catch(() => NOTHING));
        },
    };
}
