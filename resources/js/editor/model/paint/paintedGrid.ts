import type { Scene, Step } from '../../../api/client';

/** The grid or overlay that is painted on: the one that is chosen, else the topmost. */
export function paintedGrid(scene: Scene, on: string | null): Step | undefined {
    const grids = scene.steps.filter((step) => (step.role === 'grid' || step.role === 'overlay') && !step.hidden);
    return grids.find((step) => step.id === on) ?? grids.at(-1);
}
