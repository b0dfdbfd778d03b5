import type { Operation, Scene } from '../../../api/client';
import { stepIn } from '../pick/Picking';
import { stepOf } from '../scene/steps';
import { DRAW_IN, DRAW_IN_CELLS } from './sayings';
import { plainVerb, type Verb } from './verb';

/**
 * Draws in the sectors of a repeat, or in the cells of a pattern: what is drawn in any of them comes into the first one, and so into all.
 */
export function drawingIn(scene: Scene, id: string): Verb | null {
    const step = stepOf(scene, id);
    if (step?.cell !== undefined) {
        return {
            ...plainVerb(
                DRAW_IN_CELLS.name,
                DRAW_IN_CELLS.label,
                'What is drawn anywhere from now on is folded back into the cell that is shown, and so is drawn in all of them.',
                'copy',
                8,
                () => [],
            ),
            from: 'parts',
            drawsIn: id,
        };
    }
    if (step?.sector === undefined) return null;
    return {
        ...plainVerb(
            DRAW_IN.name,
            DRAW_IN.label,
            'What is drawn in any sector from now on is drawn in all of them; what reaches the edge closes with its neighbour.',
            'copy',
            8,
            () => [],
        ),
        from: 'parts',
        drawsIn: id,
    };
}

/**
 * Works on what stands in the place of a step: on the parts of a motif from any of its copies. They get a chapter of their own where they
 * have none.
 */
export function opening(scene: Scene, id: string): Verb | null {
    const inner = stepOf(scene, stepOf(scene, id)?.opens?.[0] ?? '');
    if (inner === undefined) return null;
    const [target, parts] = inner.opens === null ? [stepOf(scene, id) ?? inner, [inner.id]] : [inner, inner.opens.map(stepIn)];
    const positions = new Map(scene.steps.map((step, k) => [step.id, k]));
    let begin = Math.min(...parts.map((part) => positions.get(part) ?? Infinity));
    const queue = [...parts];
    for (let next = queue.pop(); next !== undefined; next = queue.pop()) {
        const below = (stepOf(scene, next)?.of ?? []).filter((one) => stepOf(scene, one)?.role === 'part');
        begin = Math.min(begin, ...below.map((one) => positions.get(one) ?? Infinity));
        queue.push(...below);
    }
    const from = scene.steps[begin]?.id;
    const after = scene.steps[(positions.get(target.id) ?? 0) + 1]?.id;
    if (from === undefined) return null;
    const section = scene.chapters.findLast((one) => (positions.get(one.from) ?? 0) <= begin);
    const name = target.label.slice(0, 1).toUpperCase() + target.label.slice(1);
    const operations: Operation[] = [
        ...(section?.from === from && section.named ? [] : [{ op: 'chapter' as const, from, name }]),
        ...(after === undefined ||
        scene.chapters.some((one) => one.from === after && one.named) ||
        (section?.from === from && section.named)
            ? []
            : [{ op: 'chapter' as const, from: after, name: section === undefined ? 'Construction' : section.name }]),
    ];
    return {
        ...plainVerb(
            'open',
            `Open ${target.label}`,
            'Works on what is drawn once for all of its copies, which follow.',
            'copy',
            6,
            () => operations,
        ),
        from: 'parts',
        opens: from,
    };
}
