import type { Scene } from '../../../api/client';
import { stepOf } from '../scene/steps';
import { gridShape } from '../scene/geometry';

/** A number with what it takes from steps by their names: `grid 1.cellw/4`. */
export function withLabels(scene: Scene, text: string): string {
    return text.replace(/(?<![\p{L}\p{N}_.])([a-z]+\d+)(?=\.[a-z])/gu, (id: string) => stepOf(scene, id)?.label ?? id);
}

/** A share of the sheet as what it comes to; other arithmetic with the names of what it takes. */
function ofSheet(scene: Scene, text: string): string {
    const [, side, factors] = /^sheet\.(width|height)((?:[*/][\d.]+)*)$/.exec(text) ?? [];
    if (side === undefined || factors === undefined) return withLabels(scene, text);
    const value = [...factors.matchAll(/([*/])([\d.]+)/g)].reduce(
        (product, [, sign, by]) => (sign === '*' ? product * Number(by) : product / Number(by)),
        scene.sheet[side as 'width' | 'height'],
    );
    return String(Math.round(value * 100) / 100);
}

/** A place in words: `column 4, row 4 of grid 1`, `the centre of disc 2`; never as a plan writes it. */
export function placeWords(scene: Scene, value: unknown): string {
    if (Array.isArray(value)) {
        const isMiddle = value[0] === 'sheet.width/2' && value[1] === 'sheet.height/2';
        return isMiddle
            ? 'the centre of the sheet'
            : value.map((one: unknown) => (typeof one === 'number' ? Math.round(one * 100) / 100 : ofSheet(scene, String(one)))).join(', ');
    }
    if (value !== null && typeof value === 'object') return 'a place beside others';
    if (typeof value !== 'string') return 'not given';
    const [, id = '', copy, mark = '', rest = ''] = /^([a-z][a-z0-9]*)((?:\[\d+(?:\.\d+)?\])?)([@#!*~])(.*)$/.exec(value) ?? [];
    const step = stepOf(scene, id);
    const label = `${copy === undefined || copy === '' ? '' : `copy ${/\d+/.exec(copy)?.[0] ?? ''} of `}${step?.label ?? 'what is gone'}`;
    const shape = gridShape(step?.geometry);
    switch (mark) {
        case '!':
            return `the centre of ${label}`;
        case '#':
            return shape === undefined ? `a cell of ${label}` : `the middle of ${shape.cellName(rest.replace('!', ''))} of ${label}`;
        case '*':
            return `a crossing of ${label} and ${stepOf(scene, /^[a-z][a-z0-9]*/.exec(rest)?.[0] ?? '')?.label ?? 'another line'}`;
        case '@':
            if (rest === '0' && (shape !== undefined || step === undefined)) return `the centre of ${label}`;
            if (shape !== undefined && (shape.point(rest) ?? -1) >= 0) return `${shape.pointName(rest)} of ${label}`;
            return step?.role === 'guide' ? `a place along ${label}` : `a corner of ${label}`;
        default:
            return `a place on ${label}`;
    }
}
