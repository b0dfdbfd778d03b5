import './browser';
import { describe, expect, it } from 'vitest';
import type { Operation, Plan, Schemas } from '../api/client';
import { alongOf, draggedOn, hangingOn, landing, ownPlaces, waysOf } from '../editor/model/dragging';
import { Answers } from '../editor/model/scene/answers';
import { indexOf } from '../editor/state/useSnapPlaces';
import { asked, EVALUATED, plan as planOf } from './core';
import { describedKinds } from './kinds';

const kinds = describedKinds();

type Steps = { id: string; kind: string; [field: string]: unknown }[];

function desk(steps: Steps) {
    const given = asked<{ scene: Schemas['Scene']; places: Schemas['SnapPlaces'] }>(`${EVALUATED} return ["scene" => Sternbild\\Core\\View\\SceneView::describe($scene, [], asking: new Sternbild\\Desk\\Desk), "places" => $scene->snapPlaces([])];`, { plan: planOf(steps) });
    const scene = new Answers().scene(given.scene, 'page');
    const index = indexOf({ revision: 1, scene }, given.places.groups.flatMap((hash) => given.places.known[hash] ?? []), given.places);
    const plan = { steps } as unknown as Plan;
    return {
        scene,
        /** Dragged from a place by a way; what comes of it. */
        drag(names: string[], from: [number, number], way: [number, number], reach = 12): { operations: Operation[]; on: string | null } {
            const landed = landing(ownPlaces(plan, scene, kinds, index, names, from), way, index, reach, hangingOn(scene, names));
            const move = (of: string[], by: [number, number]): Operation[] => [{ op: 'add', step: { kind: 'move', of, by } }];
            return {
                operations: draggedOn({
                    plan,
                    scene,
                    kinds,
                    names,
                    way: landed?.way ?? way,
                    landed,
                    scale: 1,
                    mover: { kind: 'move', field: 'by' },
                    move,
                }),
                on: landed?.on.name ?? null,
            };
        },
    };
}

const GRID = { id: 'g1', kind: 'grid.rectangular', origin: [100, 100], columns: 6, rows: 6, cell: [100, 100] };

describe('what is dragged', () => {
    it('by places that are addresses goes on being said by addresses', () => {
        const { operations, on } = desk([GRID, { id: 'p1', kind: 'part.circle', center: 'g1@2,2', on: 'g1@3,2' }]).drag(
            ['p1'],
            [310, 320],
            [103, -95],
        );
        expect(on).toContain('column 3, row 1');
        expect(operations).toEqual([
            { op: 'set', id: 'p1', field: 'center', value: 'g1@3,1' },
            { op: 'set', id: 'p1', field: 'on', value: 'g1@4,1' },
        ]);
    });

    it("of cells' middles and corners goes by the grid, too", () => {
        const { operations } = desk([GRID, { id: 'p1', kind: 'part.rectangle', corners: ['g1#1,1!', 'g1#2,3!'] }]).drag(
            ['p1'],
            [160, 160],
            [98, 99],
        );
        expect(operations).toEqual([{ op: 'set', id: 'p1', field: 'corners', value: ['g1#2,2!', 'g1#3,4!'] }]);
    });

    it('where nothing is near lies where it was let go of, beside what it was said by', () => {
        const { operations, on } = desk([GRID, { id: 'p1', kind: 'part.circle', center: 'g1@2,2', radius: 20 }]).drag(
            ['p1'],
            [300, 300],
            [27.3, 31],
            5,
        );
        expect(on).toBeNull();
        expect(operations).toEqual([{ op: 'set', id: 'p1', field: 'center', value: { of: 'g1@2,2', by: [27.3, 31] } }]);
    });

    it('settles with the place of its own that is nearest to something, and takes the others along', () => {
        // Its centre lies on no crossing; its corner is dragged onto one.
        const { operations } = desk([
            GRID,
            {
                id: 'p1',
                kind: 'part.rectangle',
                corners: [
                    [120, 130],
                    [180, 170],
                ],
            },
        ]).drag(['p1'], [121, 131], [77, 72]);
        expect(operations).toEqual([{ op: 'set', id: 'p1', field: 'corners', value: ['g1@1,1', [260, 240]] }]);
    });

    it('and moved before is moved on, not once more', () => {
        const steps = [
            GRID,
            { id: 'p1', kind: 'part.circle', center: [150, 150], radius: 20 },
            { id: 'v1', kind: 'move', of: ['p1'], by: [10, 20] },
        ];
        expect(desk(steps).drag(['v1'], [160, 170], [41, 29], 1).operations).toEqual([
            { op: 'set', id: 'v1', field: 'by', value: [51, 49] },
        ]);
        const between = [
            GRID,
            { id: 'p1', kind: 'part.circle', center: 'g1@1,1', radius: 20 },
            { id: 'v1', kind: 'move', of: ['p1'], from: 'g1@1,1', to: 'g1@2,1' },
        ];
        expect(desk(between).drag(['v1'], [300, 200], [99, 2]).operations).toEqual([
            { op: 'set', id: 'v1', field: 'to', value: { of: 'g1@2,1', by: [100, 0] } },
        ]);
    });

    it('and made of others is moved by a step of its own, from place to place where both are said', () => {
        const steps = [
            GRID,
            { id: 'p1', kind: 'part.circle', center: 'g1@2,2', radius: 50 },
            { id: 'p2', kind: 'part.circle', center: 'g1@3,2', radius: 50 },
            { id: 'j1', kind: 'join', of: ['p1', 'p2'] },
        ];
        const { operations } = desk(steps).drag(['j1'], [350, 300], [51, 99]);
        expect(operations).toHaveLength(1);
        expect(operations[0]).toMatchObject({
            op: 'add',
            step: { kind: 'move', of: ['j1'], from: 'j1!', to: expect.stringMatching(/^g1[@#]/) as string },
        });
    });

    it('together with what hangs on it goes as far as it, by one step for all', () => {
        const steps = [
            { id: 'p1', kind: 'part.circle', center: [200, 200], radius: 30 },
            { id: 'v1', kind: 'move', of: ['p1'], by: [100, 0], copy: true },
            { id: 'p2', kind: 'part.circle', center: [500, 500], radius: 30 },
        ];
        expect(desk(steps).drag(['p1', 'v1'], [200, 200], [30, 40], 1).operations).toEqual([
            { op: 'add', step: { kind: 'move', of: ['p1', 'v1'], by: [30, 40] } },
        ]);
        // Those that do not are moved in their places, each.
        expect(desk(steps).drag(['p1', 'p2'], [200, 200], [30, 40], 1).operations).toEqual([
            { op: 'set', id: 'p1', field: 'center', value: [230, 240] },
            { op: 'set', id: 'p2', field: 'center', value: [530, 540] },
        ]);
    });

    it('does not settle on itself, nor on what hangs on it', () => {
        const steps = [
            { id: 'p1', kind: 'part.circle', center: [200, 200], radius: 30 },
            { id: 'v1', kind: 'move', of: ['p1'], by: [9, 0], copy: true },
        ];
        expect(desk(steps).drag(['p1'], [200, 200], [8, 1]).on).toBeNull();
    });

    it('keeps to the ways of its grid, of three axes too', () => {
        const level = desk([GRID, { id: 'p1', kind: 'part.circle', center: 'g1@2,2', radius: 20 }]);
        expect(alongOf(waysOf(level.scene, 'p1'), [30, 4])).toEqual([30, 0]);
        const three = desk([{ id: 'g1', kind: 'grid.triangular', origin: [40, 620], side: 40, columns: 4, rows: 3 }]);
        const [x, y] = alongOf(waysOf(three.scene, 'g1'), [10, -19]);
        expect(Math.abs(y / x)).toBeCloseTo(Math.sqrt(3), 5);
    });
});
