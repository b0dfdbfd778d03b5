import { describe, expect, it } from 'vitest';
import { type Arrow, encloses, nearestOf, nearestOnChord, nearestTowards, positive } from '../editor/model/scene/nearby';

/** Numbers from 0 to 1, the same every time. */
function dice(seed: number): () => number {
    let state = seed;
    return () => {
        state = (state * 1664525 + 1013904223) % 4294967296;
        return state / 4294967296;
    };
}

const ARROWS: Record<Arrow, [number, number]> = { ArrowRight: [1, 0], ArrowLeft: [-1, 0], ArrowDown: [0, 1], ArrowUp: [0, -1] };

describe('walking with the arrow keys', () => {
    it('goes to a place that lies ahead, give or take 45°, and to none that is aside while one stands straight ahead no further', () => {
        const lot = dice(7);
        for (let round = 0; round < 200; round++) {
            const places = Array.from({ length: 30 }, (): [number, number] => [Math.round(lot() * 40), Math.round(lot() * 40)]);
            const from = places[0] ?? [0, 0];
            for (const [arrow, [dx, dy]] of Object.entries(ARROWS) as [Arrow, [number, number]][]) {
                const found = nearestTowards(arrow, from, places.length, (number) => places[number] ?? [0, 0]);
                const ahead = places.map(([x, y]) => ({
                    along: (x - from[0]) * dx + (y - from[1]) * dy,
                    aside: Math.abs((x - from[0]) * dy) + Math.abs((y - from[1]) * dx),
                }));
                const possible = ahead.filter(({ along, aside }) => along > 0 && aside <= along);
                if (found === undefined) {
                    expect(possible).toEqual([]);
                    continue;
                }
                const chosen = ahead[found] ?? { along: 0, aside: 0 };
                expect(chosen.along).toBeGreaterThan(0);
                expect(chosen.aside).toBeLessThanOrEqual(chosen.along);
                const straight = Math.min(...possible.filter(({ aside }) => aside === 0).map(({ along }) => along));
                if (chosen.aside > 0) expect(straight).toBeGreaterThan(chosen.along);
            }
        }
    });
});

describe('what is near', () => {
    it('is the place on a chord that no other place on it is nearer than', () => {
        const lot = dice(11);
        for (let round = 0; round < 200; round++) {
            const [a, b, p] = [0, 1, 2].map((): [number, number] => [lot() * 100, lot() * 100]) as [
                [number, number],
                [number, number],
                [number, number],
            ];
            const [x, y] = nearestOnChord(a, b, ...p);
            const far = Math.hypot(x - p[0], y - p[1]);
            for (let t = 0; t <= 1; t += 0.05) {
                expect(Math.hypot(a[0] + t * (b[0] - a[0]) - p[0], a[1] + t * (b[1] - a[1]) - p[1])).toBeGreaterThanOrEqual(far - 1e-9);
            }
        }
        expect(nearestOnChord([3, 4], [3, 4], 9, 9)).toEqual([3, 4]);
    });

    it('is the nearest of several places within reach, or none', () => {
        expect(nearestOf([[0, 0], [5, 0], [9, 0]], 6, 0, 3)).toEqual([5, 0]);
        expect(nearestOf([[0, 0], [5, 0]], 6, 4, 3)).toBeUndefined();
    });

    it('lies inside of a star just where a way outwards crosses it an odd number of times', () => {
        const star = Array.from({ length: 10 }, (_, k): [number, number] => [
            50 + (k % 2 ? 20 : 45) * Math.cos((k * Math.PI) / 5),
            50 + (k % 2 ? 20 : 45) * Math.sin((k * Math.PI) / 5),
        ]);
        const lot = dice(3);
        for (let round = 0; round < 500; round++) {
            const [x, y] = [lot() * 100, lot() * 100];
            // Its corners lie in order around its middle: inside is nearer to that than the side in the same direction.
            const angle = Math.atan2(y - 50, x - 50);
            const k = Math.floor(positive(angle) / (Math.PI / 5));
            const [p, q]: [number, number][] = [star[k % 10] ?? [0, 0], star[(k + 1) % 10] ?? [0, 0]];
            const side = p === undefined || q === undefined ? 0 : (q[0] - p[0]) * (y - p[1]) - (q[1] - p[1]) * (x - p[0]);
            expect(encloses(star, x, y)).toBe(side > 0);
        }
    });

    it('has angles from 0 up to a whole turn', () => {
        for (const turns of [-3, -1, 0, 1, 2]) {
            expect(positive(1 + turns * 2 * Math.PI)).toBeCloseTo(1, 12);
        }
        expect(positive(-0.5)).toBeCloseTo(2 * Math.PI - 0.5, 12);
    });
});
