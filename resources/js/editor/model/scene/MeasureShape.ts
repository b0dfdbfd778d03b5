import type { Schemas } from '../../../api/client';

/** Something measured, as its line is drawn. */
export class MeasureShape {
    constructor(readonly data: Schemas['MeasureGeometry']) {}
}
