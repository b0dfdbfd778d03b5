import type { Scene } from '../../../api/client';
import { stepOf } from './steps';
import { gridShape, guideShape } from './geometry';

/** What a cell of an overlay is called, by what holds it: `the piece inside rim, outside sun, in ring 2, sector 3`. */
export function pieceName(address: string, scene: Scene): string {
    const cells: string[] = [];
    const sides: string[] = [];
    for (const part of address.split(';')) {
        const mark = part.indexOf(':');
        if (mark > 0) cells.push(cellName(part.slice(0, mark), part.slice(mark + 1), scene));
        else if (/^-?[\d.]+,-?[\d.]+$/.test(part)) cells.push('');
        else sides.push(...part.split(',').map((side) => sideName(side, scene)));
    }
    const said = [...sides, ...cells.filter((cell) => cell !== '').map((cell) => `in ${cell}`)];
    return said.length === 0
        ? `the piece at ${address
              .split(',')
              .map((one) => Math.round(Number(one) * 1000) / 1000)
              .join(', ')}`
        : `the piece ${said.join(', ')}`;
}

/** `ring 2, sector 3 of grid 1`; beyond the grid, and where cells are not counted so, the place. */
function cellName(grid: string, place: string, scene: Scene): string {
    const step = stepOf(scene, grid);
    const words = gridShape(step?.geometry)?.data.cellWords ?? [];
    const numbers = place.split(',').map(Number);
    const within = words.length === 2 && numbers.every((number) => number > 0);
    const where = within
        ? words.map((word, k) => `${word} ${Math.floor(numbers[k] ?? 0) + 1}`)
        : numbers.map((number) => String(Math.round(number * 1000) / 1000));
    return `${where.join(', ')} of ${step?.label ?? grid}`;
}

function sideName(side: string, scene: Scene): string {
    const out = side.startsWith('-');
    const name = out ? side.slice(1) : side;
    const [id = '', copy] = name.split('[');
    const step = stepOf(scene, id);
    const label = `${copy === undefined ? '' : `copy ${parseInt(copy, 10)} of `}${step?.label ?? id}`;
    // Only what is round, or a part, has an inside.
    const isStraight = step?.role === 'guide' && guideShape(step.geometry)?.data.radius === null;
    return isStraight ? `${out ? 'right' : 'left'} of ${label}` : `${out ? 'outside' : 'inside'} ${label}`;
}
