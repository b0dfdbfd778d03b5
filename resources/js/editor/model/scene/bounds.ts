import type { Step } from '../../../api/client';
import { guideShape, partShape } from './geometry';

/** The box around a part, or around a guide; a grid has none. */
export function boundsOf(step: Step | undefined): readonly number[] | undefined {
    return step?.role === 'guide' ? guideShape(step.geometry)?.bounds() : partShape(step?.geometry)?.data.measures.bounds;
}
