import type { ComponentType } from 'react';
import type { Field } from '../../../../api/client';
import type { Asked } from '../asked';
import type { Edited } from '../edited';
import * as bends from './bends';
import * as cells from './cells';
import * as choice from './choice';
import * as colour from './colour';
import * as colours from './colours';
import * as frame from './frame';
import * as held from './held';
import * as known from './known';
import * as lengths from './lengths';
import * as number from './number';
import * as paint from './paint';
import * as painted from './painted';
import * as pair from './pair';
import * as pixels from './pixels';
import * as place from './place';
import * as places from './places';
import * as source from './source';
import * as span from './span';
import * as step from './step';
import * as steps from './steps';
import * as told from './told';
import * as tones from './tones';
import * as switches from './switch';

interface FieldType {
    /** Edits it in its sentence. */
    Edit: ComponentType<Edited>;
    /** Asks for it before a step is made. */
    Ask: ComponentType<Asked>;
}

/** Every type of field that the API knows; one that is missing does not compile. */
const TYPES: Record<Field['type'], FieldType> = {
    bends,
    cells,
    choice,
    colour,
    colours,
    frame,
    held,
    known,
    lengths,
    many: told,
    map: told,
    number,
    paint,
    painted,
    pair,
    path: told,
    pixels,
    place,
    places,
    sizes: told,
    source,
    span,
    step,
    steps,
    switch: switches,
    tones,
};

export function editorOf(type: Field['type']): ComponentType<Edited> {
    return TYPES[type].Edit;
}

export function questionOf(type: Field['type']): ComponentType<Asked> {
    return TYPES[type].Ask;
}
