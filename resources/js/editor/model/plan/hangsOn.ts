import type { Scene, Step } from '../../../api/client';

const NAMED = 3;

/** What to tell of the steps that still name one that goes; its looks and orders go with it. Null where there are none. */
export function hangsOn(scene: Scene, gone: Step): string | null {
    const hanging = scene.steps.filter((step) => step.role !== 'look' && step.of.includes(gone.id)).map((step) => step.label);
    if (hanging.length === 0) return null;
    const more = hanging.length > NAMED ? [...hanging.slice(0, NAMED - 1), `${hanging.length - NAMED + 1} more`] : hanging;
    const names = more.length === 1 ? more[0] : `${more.slice(0, -1).join(', ')} and ${more.at(-1) ?? ''}`;
    return `${(names ?? '').slice(0, 1).toUpperCase()}${(names ?? '').slice(1)} ${hanging.length === 1 ? 'is' : 'are'} built on ${gone.label}, which is gone: say there what takes its place, or undo.`;
}
