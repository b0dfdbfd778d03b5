import './browser';
import { beforeAll, describe, expect, it } from 'vitest';
import type { Candidate, Schemas } from '../api/client';
import { REACHES } from '../editor/model/pick/Picking';
import type { SnapIndex } from '../editor/model/pick/SnapIndex';
import { indexOf } from '../editor/state/useSnapPlaces';
import { Answers } from '../editor/model/scene/answers';
import { asked, EVALUATED, plan } from './core';

const REACH = 12;

const STEPS = [
    { id: 'g1', kind: 'grid.polar', center: [400, 400], radius: 300, rings: 4, sectors: 10 },
    { id: 'g2', kind: 'grid.rectangular', origin: [100, 100], columns: 6, rows: 6, cell: [100, 100] },
    { id: 'g3', kind: 'grid.triangular', origin: [40, 620], side: 40, columns: 4, rows: 3 },
    { id: 'c1', kind: 'guide.circle', center: [350, 350], radius: 66 },
    { id: 'c2', kind: 'guide.line', through: [[120, 410], [680, 417]] },
    { id: 'c3', kind: 'guide.arc', through: [[520, 200], [610, 260], [560, 340]] },
    { id: 'p1', kind: 'part.rectangle', corners: [[130, 130], [262, 231]] },
    { id: 'p2', kind: 'part.circle', center: [600, 600], radius: 45 },
    { id: 'k1', kind: 'join', of: ['p1', 'p2'] },
    { id: 'p3', kind: 'part.polygon', center: [400, 150], radius: 31, corners: 9 },
    { id: 'r1', kind: 'repeat.around', of: ['p3'], center: [400, 400], count: 60 },
];

interface Given {
    scene: Schemas['Scene'];
    places: Schemas['SnapPlaces'];
    answers: { winner: Omit<Candidate, 'at'> & { at: { x: number; y: number } } | null; why: string }[];
}

/** Places all over the sheet, the same each time. */
function places(count: number): [number, number][] {
    let seed = 7;
    const next = (): number => (seed = (seed * 16807) % 2147483647) / 2147483647;
    return Array.from({ length: count }, () => [20 + 760 * next(), 20 + 760 * next()]);
}

const KINDS = REACHES.everything;
const AT = places(600);
let given: Given;
let index: SnapIndex;

beforeAll(() => {
    given = asked<Given>(
        `${EVALUATED}
        $snapper = $scene->snapper();
        return ["scene" => Sternbild\\Core\\View\\SceneView::describe($scene, [], asking: new Sternbild\\Desk\\Desk), "places" => $scene->snapPlaces([]), "answers" => array_map(static function ($at) use ($snapper) {
            $found = $snapper->near(new Sternbild\\Core\\Geometry\\Vec($at[0], $at[1]), ${REACH}, Sternbild\\Core\\Snap\\Snapper::KINDS);
            return ["winner" => $found[0] ?? null, "why" => Sternbild\\Core\\Snap\\Snapper::why($found)];
        }, $given["at"])];`,
        { plan: plan(STEPS), at: AT },
    );
    index = indexOf(
        { revision: 1, scene: new Answers().scene(given.scene, 'page') },
        given.places.groups.flatMap((hash) => given.places.known[hash] ?? []),
        given.places,
    );
});

describe('snapping in the browser', () => {
    it('finds what the core finds, wherever the pointer is, and says the same of it', () => {
        const kinds = new Set<string>();
        for (const [k, [x, y]] of AT.entries()) {
            const found = index.near(x, y, REACH, KINDS, []);
            const { winner, why } = given.answers[k] ?? { winner: null, why: '' };
            const [first] = found;
            // Where two of a kind lie in one place, either is.
            const one =
                found.find(
                    ({ kind, name, distance }) =>
                        kind === winner?.kind && name === winner.name && Math.abs(distance - (first?.distance ?? 0)) < 1e-3,
                ) ?? first;
            expect([one?.kind, one?.name], `at ${x}, ${y}`).toEqual([winner?.kind, winner?.name]);
            expect(index.why(found)).toBe(why);
            if (winner === null || first === undefined) continue;
            kinds.add(winner.kind);
            expect(Math.hypot(first.at[0] - winner.at.x, first.at[1] - winner.at.y)).toBeLessThan(0.1);
            if (one?.raw !== undefined) expect(one.raw).toEqual(winner.raw);
            else expect(['edge', 'midpoint']).toContain(first.kind);
        }
        expect(kinds.size).toBeGreaterThan(5);
    });

    it('leaves out what the pointer does not reach for, and what is left out', () => {
        const [x, y] = [400.5, 399.5];
        expect(index.near(x, y, REACH, KINDS, [])[0]?.raw).toBe('g1@0');
        expect(index.near(x, y, REACH, KINDS, ['g1'])[0]?.raw).not.toBe('g1@0');
        expect(index.near(x, y, REACH, ['end'], [])).toEqual([]);
        expect(index.near(131, 131, REACH, ['corner'], [])).toHaveLength(1);
        expect(index.near(131, 131, REACH, ['corner'], ['k1'])).toEqual([]);
    });

    it('takes a corner of a copy that lies under the pointer, beside an intersection', () => {
        const corner = given.places.groups
            .flatMap((hash) => given.places.known[hash] ?? [])
            .find((group) => group.of[0] === 'r1' && group.kind === 'corner');
        expect(corner?.raws).toHaveLength(9 * 60);
        const beside = Array.from({ length: 9 * 60 }, (_, k): [number, number] => [
            corner?.places[2 * k] ?? 0,
            corner?.places[2 * k + 1] ?? 0,
        ]).find(([x, y]) => {
            const [nearest] = index.near(x, y, REACH, ['intersection'], []);
            return nearest !== undefined && nearest.distance > (REACH * given.places.beside) && nearest.distance < REACH;
        });
        const [x = 0, y = 0] = beside ?? [];
        expect(index.near(x, y, REACH, KINDS, [])[0]).toMatchObject({ kind: 'corner', at: [x, y] });
    });

    it('takes every intersection of the innermost ring where it is clicked, however small it is shown', () => {
        for (let spoke = 1; spoke <= 10; spoke++) {
            const angle = ((spoke - 1) * Math.PI) / 5;
            const [found] = index.near(
                400 + 75 * Math.sin(angle),
                400 - 75 * Math.cos(angle),
                14 / 0.2,
                ['intersection', 'midpoint', 'cell-centre', 'edge'],
                ['g2', 'g3'],
            );
            expect(found?.raw).toBe(`g1@1,${spoke}`);
        }
    });

    it('answers from what is at hand, without a question', () => {
        expect(index.near(350.4, 350.2, REACH, ['circle-centre'], [])).toMatchObject([
            { raw: 'c1!', name: 'the centre of circle 1', at: [350, 350] },
        ]);
    });
});
