import type { Field, Kind, Operation } from '../../../api/client';
import type { Pick, PickedPoint } from '../pick/Picking';
import type { Family, Verb } from './verb';

type Way = Extract<Operation, { op: 'arrange' }>['way'];

interface PointVerb {
    name: string;
    label: string;
    says: string;
    family: Family;
    key: number;
    least: number;
    words: string[];
    way: Way;
    asks: Field[];
}

function pair(name: string, label: string, measure: Field['measure'], says: string): Field {
    return { name, label, type: 'pair', required: true, default: null, when: null, handle: null, says, between: ', ', measure } as Field;
}

/** What can be done with points where they are written: of outlines, runs and guides. */
export const POINT_VERBS: PointVerb[] = [
    {
        name: 'points into a row', label: 'Into one row', family: 'order', key: 5, least: 2, way: 'row', asks: [],
        says: 'Brings the points of outlines and runs level with the first.',
        words: ['align', 'level', 'same height', 'horizontal', 'line up'],
    },
    {
        name: 'points into a column', label: 'Into one column', family: 'order', key: 6, least: 2, way: 'column', asks: [],
        says: 'Brings the points of outlines and runs straight above or below the first.',
        words: ['align', 'plumb', 'vertical', 'line up', 'one above another'],
    },
    {
        name: 'points spread', label: 'Spread evenly', family: 'order', key: 7, least: 3, way: 'spread', asks: [],
        says: 'The first and the last point stay; the others are spread evenly between them.',
        words: ['distribute', 'equal spacing', 'even steps', 'space out', 'divide'],
    },
    {
        name: 'points by cells', label: 'Move by cells…', family: 'order', key: 8, least: 1, way: 'shift',
        asks: [pair('cells', 'cells', 'count', 'How many cells along the first axis of the grid, and how many along the second.')],
        says: 'Moves points that lie on a grid by whole cells of it.',
        words: ['nudge by grid', 'grid steps', 'shift corners', 'stretch', 'lengthen a bar', 'drag points'],
    },
    {
        name: 'points by a way', label: 'Move by…', family: 'order', key: 9, least: 1, way: 'shift',
        asks: [pair('by', 'way', 'length', 'How far across and how far down, either way.')],
        says: 'Moves points of outlines, runs and guides by a way, across and down.',
        words: ['nudge', 'shift', 'offset points', 'drag points', 'stretch', 'half a cell'],
    },
];

/** By its address, where it has one: coordinates are told with as many digits as are read. */
function placeOf({ raw, at }: PickedPoint): Extract<Operation, { op: 'arrange' }>['points'][number] {
    return typeof raw === 'string' ? raw : at;
}

/** Those that the picked points are enough for, and what they ask for. */
export function pointVerbs(pick: Pick, selected: string | null): Verb[] {
    return POINT_VERBS.map(({ name, label, says, family, key, least, way, asks }): Verb => {
        const needs = Math.max(0, least - pick.points.length);
        return {
            name, label, says, family, key, needs,
            kind: { fields: asks } as unknown as Kind,
            asks: asks.map((field) => field.name),
            start: Object.fromEntries(asks.map((field) => [field.name, field.name === 'cells' ? [1, 0] : ['sheet.width/10', 0]])),
            from: 'points', full: false, bends: null, places: [],
            wants: needs === 0 ? null : `pick ${needs === 1 ? 'one more point' : `${needs} more points`}`,
            operations: (answers) => [
                { op: 'arrange', points: pick.points.map(placeOf), way, ...(selected === null ? {} : { of: selected }), ...answers },
            ],
        };
    });
}
