import './browser';
import { describe, expect, it } from 'vitest';
import type { Kind, Operation, Plan } from '../api/client';
import type { GridShape } from '../editor/model/scene/GridShape';
import { blockOf, cellsIn } from '../editor/model/pick/blockOf';
import { mapOf, pulledTo, rayOperations, type Turners } from '../editor/model/ray';

const around = (degrees: number, far: number): [number, number] => [
    100 + far * Math.cos((degrees * Math.PI) / 180),
    50 + far * Math.sin((degrees * Math.PI) / 180),
];

describe('the ring of a ray', () => {
    it('settles on the angles of the grid and on quarters of the size, and stays between them where it is far off', () => {
        const pull = (degrees: number, factor: number, step = 15, isFree = false) =>
            pulledTo([100, 50], around(-37, 80), around(-37 + degrees, 80 * factor), step, isFree);
        expect(pull(0, 1)).toEqual({ angle: 0, factor: 1 });
        expect(pull(31.6, 1.02)).toEqual({ angle: 30, factor: 1 });
        expect(pull(-178, 2)).toEqual({ angle: -180, factor: 2 });
        expect(pull(37.2, 1.6)).toEqual({ angle: 37, factor: 1.6 });
        expect(pull(70, 0.49, 36)).toEqual({ angle: 72, factor: 0.5 });
        expect(pull(31.66, 1.02, 15, true)).toEqual({ angle: 31.7, factor: 1.02 });
        expect(pull(0, 0).factor).toBeGreaterThan(0);
    });

    it('takes places where turning and growing about the anchor take them', () => {
        const [a, b, c, d, e, f] = mapOf([100, 50], { angle: 90, factor: 2 });
        const to = ([x, y]: [number, number]) => [a * x + c * y + e, b * x + d * y + f];
        expect(to([100, 50])).toEqual([expect.closeTo(100), expect.closeTo(50)]);
        expect(to([110, 50])).toEqual([expect.closeTo(100), expect.closeTo(70)]);
    });

    const turners = {
        turn: {
            kind: { kind: 'turns' } as Kind,
            field: 'angle',
            operations: (answers: Record<string, unknown>): Operation[] => [{ op: 'add', step: { kind: 'turns', id: '+new', ...answers } }],
        },
        resize: {
            kind: { kind: 'grows' } as Kind,
            field: 'factor',
            operations: (answers: Record<string, unknown>): Operation[] => [{ op: 'add', step: { kind: 'grows', id: '+new', ...answers } }],
        },
    } satisfies Turners;
    const plan = {
        steps: [
            { id: 'v1', kind: 'turns', about: 'p1!', angle: 30 },
            { id: 'v2', kind: 'grows', about: 'p1!', factor: 2 },
            { id: 'v3', kind: 'turns', about: 'p1!', angle: 'g1.sector' },
        ],
    } as unknown as Plan;
    const does = (name: string, angle: number, factor: number, about = 'p1!', isCopy = false) =>
        rayOperations(plan, [name], about, { angle, factor }, isCopy, turners);

    it('goes on with what was turned, or resized, about the same place', () => {
        expect(does('v1', 15, 1)).toEqual([{ op: 'set', id: 'v1', field: 'angle', value: 45 }]);
        expect(does('v2', 0, 1.5)).toEqual([{ op: 'set', id: 'v2', field: 'factor', value: 3 }]);
        // About another place, as a copy, or by a number that is worked out, there is a step more.
        for (const made of [does('v1', 15, 1, 'g1@2,2'), does('v1', 15, 1, 'p1!', true), does('v3', 15, 1)])
            expect(made).toMatchObject([{ op: 'add', step: { kind: 'turns', angle: 15 } }]);
    });

    it('turns first, then resizes what was turned; as it was it does nothing', () => {
        expect(does('p9', 30, 2)).toEqual([
            { op: 'add', step: { kind: 'turns', id: '+new', angle: 30, about: 'p1!' } },
            { op: 'add', step: { kind: 'grows', of: ['+new'], about: 'p1!', factor: 2 } },
        ]);
        expect(does('p9', 0, 1)).toEqual([]);
    });
});

describe('a block of cells', () => {
    const lattice = (columns: number, rows: number, isLattice = true): GridShape =>
        ({
            isLattice,
            count: columns * rows,
            address: (cell: number) => `${(cell % columns) + 1},${Math.floor(cell / columns) + 1}`,
            cell: (address: string) => {
                const [column = 0, row = 0] = address.split(',').map(Number);
                return column >= 1 && row >= 1 && column <= columns && row <= rows ? (row - 1) * columns + column - 1 : undefined;
            },
            centroid: (cell: number): [number, number] => [(cell % columns) * 10 + 5, Math.floor(cell / columns) * 10 + 5],
        }) as unknown as GridShape;

    it('is what lies between two of them, whichever is pressed first', () => {
        const shape = lattice(5, 4);
        expect(blockOf(shape, 1, 12)).toEqual([1, 2, 6, 7, 11, 12]);
        expect(blockOf(shape, 12, 1)).toEqual([1, 2, 6, 7, 11, 12]);
        expect(blockOf(shape, 3, 3)).toEqual([3]);
        expect(blockOf(lattice(5, 4, false), 1, 12)).toEqual([1, 2, 6, 7, 11, 12]);
    });

    it('in a box has the cells whose middles lie in it', () => {
        expect(cellsIn(lattice(5, 4), [22, 22, 4, 4])).toEqual([0, 1, 5, 6]);
        expect(cellsIn(lattice(5, 4), [0, 0, 4, 4])).toEqual([]);
    });
});
