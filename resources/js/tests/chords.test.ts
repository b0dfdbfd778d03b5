import { svgPathProperties } from 'svg-path-properties';
import { describe, expect, it } from 'vitest';
import { GuideShape } from '../editor/model/scene/GuideShape';
import { chordsOf } from '../editor/model/scene/nearby';

const PATHS = {
    'a way of lines': 'M10 20L110 20L110 -5.5',
    'lines along the axes': 'M10 20H210V35H-4.25',
    'an arc one way': 'M100 0A100 100 0 0 1 0 100',
    'an arc the other way': 'M100 0A100 100 0 0 0 0 100',
    'half a circle': 'M50 0A50 50 0 0 1 -50 0',
    'a circle': 'M80 40A40 40 0 0 1 0 40A40 40 0 0 1 80 40',
    'a cubic': 'M0 0C30 80 70 -80 100 10',
    'a run of all of them': 'M0 0L50 0A25 25 0 0 1 75 25C75 60 120 60 120 25V90',
};

describe('a run of a guide in chords', () => {
    it.each(Object.entries(PATHS))('goes along %s, and is as long', (_, path) => {
        const measured = new svgPathProperties(path);
        const chords = chordsOf(path);
        let length = 0;
        chords.slice(1).forEach(([x, y], k) => (length += Math.hypot(x - (chords[k]?.[0] ?? 0), y - (chords[k]?.[1] ?? 0))));
        expect(Math.abs(length / measured.getTotalLength() - 1)).toBeLessThan(2e-3);
        const end = measured.getPointAtLength(measured.getTotalLength());
        expect(Math.hypot((chords.at(-1)?.[0] ?? 0) - end.x, (chords.at(-1)?.[1] ?? 0) - end.y)).toBeLessThan(1e-9);
        // Every place of it lies on the way, found among places that the library gives.
        const places = Array.from({ length: 2001 }, (__, k) => measured.getPointAtLength((measured.getTotalLength() * k) / 2000));
        for (const [x, y] of chords)
            expect(Math.min(...places.map((one) => Math.hypot(one.x - x, one.y - y)))).toBeLessThan(measured.getTotalLength() / 1500);
    });

    it('has the box of its circle exactly, and of an arc only what that reaches', () => {
        const shape = (path: string) => new GuideShape({ path, center: [40, 40], radius: 40, names: [] });
        expect(shape('M80 40A40 40 0 0 1 0 40A40 40 0 0 1 80 40').bounds()).toEqual([0, 0, 80, 80]);
        const [left, top, right, bottom] = shape('M80 40A40 40 0 0 1 40 80').bounds();
        expect([left, right, bottom]).toEqual([40, 80, 80]);
        expect(top).toBe(40);
    });
});
