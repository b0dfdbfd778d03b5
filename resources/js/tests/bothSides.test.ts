import { describe, expect, it } from 'vitest';
import { box, type Dot, ellipse, filled, line } from '../editor/model/paint/dots';
import { type Blend, over } from '../editor/model/paint/over';
import { readRuns, written } from '../editor/model/pick/runs';
import { asked } from './core';

// What is worked out on both sides is worked out alike: the core is asked for the same cases, by lot.

let seed = 20;
const next = (most: number): number => (seed = (seed * 48271) % 2147483647) % most;
const hex = (digits: number): string => `#${Array.from({ length: digits }, () => next(16).toString(16)).join('')}`;
const sorted = (cells: readonly Dot[]): string[] => cells.map(String).sort();

describe('what both sides work out', () => {
    it('colours over one another, half transparent or not, however they blend', () => {
        const blends = ['normal', 'multiply', 'screen', 'darken', 'lighten'] as const;
        const cases = Array.from({ length: 400 }, (): [string, string, number, Blend] => [
            hex(next(2) === 0 ? 6 : 8),
            next(8) === 0 ? '' : hex(next(2) === 0 ? 6 : 8),
            next(11) / 10,
            blends[next(blends.length)] ?? 'normal',
        ]);
        const theirs = asked<string[]>(
            `return array_map(fn ($one) => Sternbild\\Core\\Paint\\Compositing::over($one[0], $one[1] === "" ? "#00000000" : $one[1], $one[2], $one[3]), $given);`,
            cases,
        );
        cases.forEach((one, k) => {
            // Nothing is no colour here, and one that is seen through there.
            const seen = (colour: string): string => (colour === '' || (colour.length === 9 && colour.endsWith('00')) ? 'nothing' : colour);
            expect(seen(over(...one)), one.join(' ')).toBe(seen(theirs[k] ?? ''));
        });
    });

    it('lines, boxes and ellipses of cells, and what they are around', () => {
        const place = (): number => 1 + next(30);
        const cases = Array.from({ length: 200 }, (): [number, number, number, number] => [place(), place(), place(), place()]);
        const theirs = asked<Record<'line' | 'box' | 'ellipse' | 'filled', Dot[]>[]>(
            `return array_map(function ($one) {
                [$x, $y, $to, $down] = $one; [$left, $top, $right, $bottom] = [min($x, $to), min($y, $down), max($x, $to), max($y, $down)];
                $ring = Sternbild\\Core\\Pixel\\Dots::ellipse($left, $top, $right - $left + 1, $bottom - $top + 1);
                return ["line" => Sternbild\\Core\\Pixel\\Dots::line($x, $y, $to, $down), "box" => Sternbild\\Core\\Pixel\\Dots::box($left, $top, $right, $bottom),
                    "ellipse" => $ring, "filled" => Sternbild\\Core\\Pixel\\Dots::filled($ring)];
            }, $given);`,
            cases,
        );
        cases.forEach(([x, y, to, down], k) => {
            const ours = { line: line([x, y], [to, down]), box: box([x, y], [to, down]), ellipse: ellipse([x, y], [to, down]) };
            for (const sort of ['line', 'box', 'ellipse'] as const) {
                expect(sorted(ours[sort]), `${sort} ${x} ${y} ${to} ${down}`).toEqual(sorted(theirs[k]?.[sort] ?? []));
            }
            expect(sorted(filled(ours.ellipse))).toEqual(sorted(theirs[k]?.filled ?? []));
        });
    });

    it('painted cells as plans write them, along either coordinate', () => {
        const cell = (): [number, number] => [1 + next(12), 1 + next(12)];
        const cases = Array.from({ length: 60 }, () => Array.from({ length: 1 + next(40) }, cell));
        const texts = cases.map((cells, k): [string, 0 | 1] => [written(cells, k % 2 === 0 ? 0 : 1), k % 2 === 0 ? 0 : 1]);
        const theirs = asked<{ runs: [number, number, number][]; again: Record<string, string> }[]>(
            `return array_map(fn ($one) => ["runs" => Sternbild\\Core\\Plan\\Field\\PaintedCellsField::runs($one[0]),
                "again" => Sternbild\\Core\\Plan\\Field\\PaintOver::over([], ["ink" => $one[0]], $one[1])], $given);`,
            texts,
        );
        texts.forEach(([text, along], k) => {
            const spelt = (theirs[k]?.runs ?? []).flatMap(([column, row, more]) =>
                Array.from({ length: more + 1 }, (_, at): Dot => (along === 0 ? [column + at, row] : [column, row + at])),
            );
            expect(sorted(spelt)).toEqual(sorted(readRuns(text, along).map(([column, row]): Dot => [column, row])));
            expect(theirs[k]?.again['ink']).toBe(text);
        });
    });
});
