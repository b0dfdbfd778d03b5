import { later } from '../../../ui/later';
import { gridShape } from '../../model/scene/geometry';
import { stepOf } from '../../model/scene/steps';
import { useSheet } from '../../state/sheet';

const Strip = later(() => import('./Strip').then(({ Strip }) => Strip));

/** The frames of a moving picture one after another, and played. */
export function FrameStrip() {
    const { scene } = useSheet();
    const step = scene.steps.findLast((one) => one.frames !== undefined);
    const grid = stepOf(scene, step?.frames?.on ?? '');
    const shape = gridShape(grid?.geometry);
    return step?.frames === undefined || grid === undefined || shape === undefined ? null : (
        <Strip step={step} frames={step.frames} grid={grid} shape={shape} />
    );
}
