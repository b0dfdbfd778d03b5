import './browser';
import { describe, expect, it } from 'vitest';
import type { Schemas } from '../api/client';
import { Answers } from '../editor/model/scene/answers';
import type { Bench } from '../editor/model/verbs/verb';
import { besideIt, closing, turnOnLattice } from '../editor/model/verbs/ways';
import { asked, EVALUATED, plan } from './core';

const shown = (steps: Record<string, unknown>[]) =>
    new Answers().scene(
        asked<Schemas['Scene']>(
            `${EVALUATED} return Sternbild\\Core\\View\\SceneView::describe($scene, [], asking: new Sternbild\\Desk\\Desk);`,
            { plan: plan(steps) },
        ),
        'page',
    );
const bench = (steps: Record<string, unknown>[], parts: string[]): Bench =>
    ({ scene: shown(steps), page: { plan: plan(steps) }, pick: { mode: 'parts', parts } }) as unknown as Bench;

const outline = (id: string, points: (number | string)[][]) => ({ id, kind: 'part.outline', points });
/** A lozenge with sides of 60, standing on its corner, turned by so many thirds of a turn about 400, 400. */
const lozenge = (id: string, thirds: number) => outline(id, [[0, 0], [1, 0], [1, 1], [0, 1]].map(([right = 0, left = 0]) => {
    const [x, y] = [(right - left) * 60 * Math.cos(Math.PI / 6), -(right + left) * 30];
    const [cos, sin] = [Math.cos((thirds * 2 * Math.PI) / 3), Math.sin((thirds * 2 * Math.PI) / 3)];
    return [400 + cos * x - sin * y, 400 + sin * x + cos * y];
}));

const CLOSING: [string, Record<string, unknown>[], string[]][] = [
    [
        'a square',
        [
            {
                id: 'p1',
                kind: 'part.rectangle',
                corners: [
                    [100, 100],
                    [160, 180],
                ],
            },
        ],
        ['p1'],
    ],
    [
        'two squares side by side',
        [
            {
                id: 'p1',
                kind: 'part.rectangle',
                corners: [
                    [100, 100],
                    [150, 150],
                ],
            },
            {
                id: 'p2',
                kind: 'part.rectangle',
                corners: [
                    [150, 100],
                    [200, 150],
                ],
            },
        ],
        ['p1', 'p2'],
    ],
    ['a hexagon of three lozenges', [lozenge('p1', 0), lozenge('p2', 1), lozenge('p3', 2)], ['p1', 'p2', 'p3']],
    [
        'a cube with its three faces',
        [0, 2, 4].map((from, n) =>
            outline(`p${n + 1}`, [
                [400, 400],
                ...[5, 0, 1].map((k) => [400 + 80 * Math.sin(((from + k) * Math.PI) / 3), 400 - 80 * Math.cos(((from + k) * Math.PI) / 3)]),
            ]),
        ),
        ['p1', 'p2', 'p3'],
    ],
    ['a hexagon that stands', [{ id: 'p1', kind: 'part.polygon', center: [400, 400], radius: 50, corners: 6 }], ['p1']],
    ['a hexagon that lies', [{ id: 'p1', kind: 'part.polygon', center: [400, 400], radius: 50, corners: 6, turn: 30 }], ['p1']],
    ['a hexagon that is too high', [outline('p1', [[400, 200], [450, 260], [450, 380], [400, 440], [350, 380], [350, 260]])], ['p1']],
    ['a lozenge', [lozenge('p1', 0)], ['p1']],
];

describe('the ways of a pattern', () => {
    it.each(CLOSING)('close up for %s', (_, steps, parts) => {
        const { a, b } = closing(bench(steps, parts));
        expect(b).not.toBeNull();
        const scene = shown([...steps, { id: 'f1', kind: 'pattern', of: parts, group: 'p1', a, b, columns: 4, rows: 4 }]);
        // That it is no whole pixels does not matter here.
        expect(scene.findings.filter(({ code }) => code !== 'broken-pixels')).toEqual([]);
        expect(scene.steps.at(-1)?.cell).toBeDefined();
    });

    it('are said by measures where a part has them, so that they follow it', () => {
        expect(closing(bench(...(CLOSING[2]?.slice(1) as [Record<string, unknown>[], string[]])))).toEqual({
            a: ['p1.wide', 0],
            b: ['p1.wide/2', 'p1.wide*sqrt(3)/2'],
        });
        expect(closing(bench(...(CLOSING[0]?.slice(1) as [Record<string, unknown>[], string[]])))).toEqual({
            a: ['p1.wide', 0],
            b: [0, 'p1.high'],
        });
    });

    it('are twice the width for what does not close up, also where its area is that of what would', () => {
        const triangle = outline('p1', [[400, 300], [460, 400], [340, 400]]);
        const disc = { id: 'p1', kind: 'part.circle', center: [400, 400], radius: 50 };
        for (const one of [triangle, disc]) expect(closing(bench([one], ['p1']))).toEqual({ a: ['p1.wide*2', 0], b: null });
    });
});

describe('a line beside another', () => {
    it('lies across it, by a share of the grid, as often as makes a square', () => {
        const grid = { id: 'g1', kind: 'grid.rectangular', origin: [0, 0], columns: 10, rows: 10, cell: [80, 80] };
        const line = (to: number[]) => ({ id: 'c1', kind: 'guide.line', through: [[80, 80], to] });
        const one = (steps: Record<string, unknown>[]) => besideIt(bench(steps, []), 'c1');
        expect(one([grid, line([80, 720])])).toEqual({ by: ['g1.cellw', 0], count: 9 });
        expect(one([grid, line([400, 80])])).toEqual({ by: [0, 'g1.cellw'], count: 5 });
        expect(one([line([80, 480])])).toEqual({ by: [100, 0], count: 5 });
    });
});

describe('a hexagon on a triangular grid', () => {
    it.each([[0, 30], [30, null], [10, 40], [90, null]])('turned by %s lies on its lines when turned by %s', (angle, turn) => {
        const steps = [{ id: 'g1', kind: 'grid.triangular', origin: [100, 100], side: 40, columns: 12, rows: 12, angle }];
        expect(turnOnLattice(bench(steps, []))).toBe(turn);
    });

    it('stands as it is where there is none', () => {
        expect(turnOnLattice(bench([], []))).toBeNull();
    });
});
