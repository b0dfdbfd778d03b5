import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { box, type Dot, filled, line, mirrored, ring, widened } from '../editor/model/paint/dots';
import { bytesOf, over } from '../editor/model/paint/over';
import { bulgeTowards } from '../editor/model/verbs/asking';
import { found } from '../editor/model/verbs/found';

// The same lots in every run: what fails, fails again.
fc.configureGlobal({ seed: 1611, numRuns: 200 });

const dot = fc.tuple(fc.integer({ min: -60, max: 60 }), fc.integer({ min: -60, max: 60 }));
const keys = (cells: readonly Dot[]): string[] => [...new Set(cells.map((cell) => cell.join()))].sort();
const hex = fc.integer({ min: 0, max: 0xffffff }).map((value) => `#${value.toString(16).padStart(6, '0')}`);
const clear = fc.tuple(hex, fc.integer({ min: 0, max: 255 })).map(([colour, alpha]) => `${colour}${alpha.toString(16).padStart(2, '0')}`);

describe('cells by lot', () => {
    it('of a line go from end to end without a gap, and none of them twice', () => {
        fc.assert(
            fc.property(dot, dot, (from, to) => {
                const cells = line(from, to);
                expect([cells[0], cells.at(-1)]).toEqual([from, to]);
                for (const [k, [x, y]] of cells.slice(1).entries()) {
                    const [px, py] = cells[k] ?? [NaN, NaN];
                    expect(Math.max(Math.abs(x - px), Math.abs(y - py))).toBe(1);
                }
                expect(keys(cells)).toHaveLength(cells.length);
            }),
        );
    });

    it('of a box are those of its four sides, whichever corners it was pulled between', () => {
        fc.assert(
            fc.property(dot, dot, ([x0, y0], [x1, y1]) => {
                const cells = keys(box([x0, y0], [x1, y1]));
                expect(keys(box([x1, y0], [x0, y1]))).toEqual(cells);
                const [wide, high] = [Math.abs(x1 - x0) + 1, Math.abs(y1 - y0) + 1];
                expect(cells).toHaveLength(wide * high - Math.max(0, wide - 2) * Math.max(0, high - 2));
            }),
        );
    });

    it('mirrored twice are what they were, and mirrored both ways lie in all four quarters', () => {
        fc.assert(
            fc.property(fc.array(dot, { minLength: 1, maxLength: 12 }), dot, fc.boolean(), (cells, [column, row], isEdge) => {
                const at = [column + (isEdge ? 0.5 : 0), row] as const;
                for (const way of ['left to right', 'up and down', 'both'] as const) {
                    const once = mirrored(cells, way, at);
                    expect(keys(mirrored(once, way, at))).toEqual(keys(once));
                }
                const all = new Set(keys(mirrored(cells, 'both', at)));
                for (const [x, y] of cells)
                    for (const [mx, my] of [
                        [x, y],
                        [2 * at[0] - x, y],
                        [x, 2 * row - y],
                        [2 * at[0] - x, 2 * row - y],
                    ])
                        expect(all.has(`${String(mx)},${String(my)}`)).toBe(true);
            }),
        );
    });

    it('of a nib are as many as it covers, and filled a ring has no hole', () => {
        fc.assert(
            fc.property(dot, fc.integer({ min: 1, max: 6 }), (at, size) => {
                expect(keys(widened([at], size))).toHaveLength(size ** 2);
            }),
        );
        fc.assert(
            fc.property(dot, fc.integer({ min: 2, max: 20 }), ([x, y], reach) => {
                const inside = new Set(keys(filled(ring([x, y], [x + reach, y]))));
                for (let row = y - reach; row <= y + reach; row++) {
                    const columns = [...inside]
                        .map((key) => key.split(',').map(Number))
                        .filter(([, at]) => at === row)
                        .map(([at = 0]) => at);
                    expect(Math.max(...columns) - Math.min(...columns) + 1).toBe(columns.length);
                }
            }),
        );
    });
});

describe('colours over one another by lot', () => {
    it('are the upper one where it hides all, and the lower one where nothing lies over it', () => {
        fc.assert(
            fc.property(hex, hex, (source, backdrop) => {
                expect(over(source, backdrop, 1, 'normal')).toBe(source);
                expect(over(source, backdrop, 0, 'normal')).toBe(backdrop);
                expect(over(source, '', 1, 'multiply')).toBe(source);
            }),
        );
    });

    it('lie between the two, and hide no less than either', () => {
        fc.assert(
            fc.property(clear, clear, fc.double({ min: 0.05, max: 1, noNaN: true }), (source, backdrop, opacity) => {
                const [s, b, mixed] = [bytesOf(source), bytesOf(backdrop), over(source, backdrop, opacity, 'normal')];
                if (mixed === '') return;
                const got = bytesOf(mixed);
                expect(got[3]).toBeGreaterThanOrEqual(Math.max(Math.round(s[3] * opacity), b[3]) - 1);
                if (s[3] === 0 || b[3] === 0) return;
                for (const channel of [0, 1, 2] as const) {
                    expect(got[channel]).toBeGreaterThanOrEqual(Math.min(s[channel], b[channel]) - 1);
                    expect(got[channel]).toBeLessThanOrEqual(Math.max(s[channel], b[channel]) + 1);
                }
            }),
        );
    });
});

describe('what is drawn and said, by lot', () => {
    it('bends a way to the other side where it is pulled to the other side', () => {
        const place = fc.tuple(fc.integer({ min: 0, max: 800 }), fc.integer({ min: 0, max: 800 }));
        fc.assert(
            fc.property(place, place, place, (from, to, [x, y]) => {
                fc.pre(Math.hypot(to[0] - from[0], to[1] - from[1]) > 20);
                const [mx, my] = [from[0] + to[0] - x, from[1] + to[1] - y];
                expect(bulgeTowards(from, to, [mx, my]) + bulgeTowards(from, to, [x, y])).toBeCloseTo(0, 1);
                expect(bulgeTowards(from, to, [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2])).toBeCloseTo(0, 9);
            }),
        );
    });

    it('is found by any word of it as a whole, better than by its beginning, and never outside of 0 to 1', () => {
        const word = fc.stringMatching(/^[a-z]{2,10}$/);
        fc.assert(
            fc.property(word, fc.array(word, { maxLength: 4 }), fc.string({ maxLength: 12 }), (label, words, typed) => {
                const all = [label, ...words];
                expect(found('', label, all)).toBe(1);
                for (const one of words) expect(found('', one, all)).toBeGreaterThanOrEqual(0.97);
                const score = found('', typed, all);
                expect(score).toBeGreaterThanOrEqual(0);
                expect(score).toBeLessThanOrEqual(1);
                expect(found('', label.slice(0, -1), [label])).toBeLessThan(1);
            }),
        );
    });
});
