import { request, type Snap } from '../api/client';
import { useDesk } from './desk';
import { type Hover, REACH, tellable } from './hover';
import type { View } from './paint';
import { REACHES, usePick } from './pick';
import { useLatest } from './useLatest';

const NOTHING: Snap = { candidates: [], why: '' };

/** The place that a pointer means, as the core decides; a free one where nothing is in reach. For the place of a step that is `moved` only what stands before it counts. */
export function useSnapping(view: View, moved: string | null = null): { look: (x: number, y: number) => Promise<Hover | null>; take: (x: number, y: number) => Promise<Hover | null> } {
    const { page, picking, placeWanted } = useDesk();
    const pick = usePick(picking);
    const path = `sheets/${page.id}/snap`;
    const askLatest = useLatest<Snap>(path);

    async function answered(x: number, y: number, ask: (body: object) => Promise<Snap | 'overtaken'>): Promise<Hover | null> {
        const [sx, sy] = [(x - view.x) / view.scale, (y - view.y) / view.scale];
        const before = moved ?? placeWanted?.before ?? null;
        // What stands behind a step in the plan it cannot refer to.
        const without = before === null ? [] : page.plan.steps.slice(page.plan.steps.findIndex((step) => step.id === before)).map((step) => step.id);
        const kinds = placeWanted === null && moved === null ? REACHES[pick.snapsTo] : REACHES.everything;
        const answer = kinds.length === 0 ? NOTHING : await ask({ x: sx, y: sy, reach: REACH / view.scale, kinds, without });
        if (answer === 'overtaken') return null;
        const [winner] = answer.candidates;
        if (winner !== undefined) {
            const [px = 0, py = 0] = winner.at;
            return { point: { raw: winner.raw, name: winner.name, at: [px, py] }, name: answer.candidates.length > 1 ? `${winner.name}: ${answer.why}` : winner.name };
        }
        const [fx, fy] = [tellable(sx, view.scale), tellable(sy, view.scale)];
        return { point: { raw: [fx, fy], name: `${fx}, ${fy}`, at: [fx, fy] }, name: `a free place, ${fx}, ${fy}` };
    }

    return {
        // While the pointer moves only the last place counts; a click counts wherever the pointer goes next.
        look: (x, y) => answered(x, y, async (body) => (await askLatest(body)) ?? 'overtaken'),
        // A click is never lost: where the question fails, it means the place itself.
        take: (x, y) => answered(x, y, (body) => request<Snap>('POST', path, body).catch(() => NOTHING)),
    };
}
