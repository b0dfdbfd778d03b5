import type { Scene, Step } from '../../../api/client';

export function stepOf(scene: Scene, id: string): Step | undefined {
    return scene.steps.find((step) => step.id === id);
}

/** The first grid that a step is built on, directly or through others. */
export function gridUnder(scene: Scene, id: string): Step | undefined {
    const step = stepOf(scene, id);
    if (step === undefined || step.role === 'grid') {
        return step;
    }
    for (const below of step.of) {
        const grid = gridUnder(scene, below);
        if (grid !== undefined) return grid;
    }
    return undefined;
}
