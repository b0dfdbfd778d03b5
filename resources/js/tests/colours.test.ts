import { describe, expect, it } from 'vitest';
import { contrast, fromHsb, toHsb } from '../ui/colours';

describe('colours', () => {
    it('have the contrast that WCAG gives them', () => {
        // Published: black on white 21:1; #767676 on white is the lightest grey that passes 4.5 (recalled).
        expect(contrast('#000000', '#ffffff')).toBeCloseTo(21, 10);
        expect(contrast('#ffffff', '#767676')).toBeCloseTo(4.54, 2);
        expect(contrast('#ffffff', '#777777')).toBeLessThan(4.5);
        expect(contrast('#1b2140', '#1b2140')).toBe(1);
    });

    it('are said by hue, saturation and brightness', () => {
        // The corners of the colour hexagon, by definition.
        const corners: [string, number, number, number][] = [
            ['#ff0000', 0, 100, 100],
            ['#ffff00', 60, 100, 100],
            ['#00ff00', 120, 100, 100],
            ['#00ffff', 180, 100, 100],
            ['#0000ff', 240, 100, 100],
            ['#ff00ff', 300, 100, 100],
            ['#ffffff', 0, 0, 100],
            ['#000000', 0, 0, 0],
            ['#804040', 0, 50, 50.196],
        ];
        for (const [hex, hue, saturation, brightness] of corners) {
            const said = toHsb(hex);
            expect(said.hue).toBeCloseTo(hue, 3);
            expect(said.saturation).toBeCloseTo(saturation, 1);
            expect(said.brightness).toBeCloseTo(brightness, 2);
        }
    });

    it('come back as they were', () => {
        for (let k = 0; k < 500; k++) {
            const hex = `#${((k * 33_554_393) % 0x1000000).toString(16).padStart(6, '0')}`;
            expect(fromHsb(toHsb(hex))).toBe(hex);
        }
    });
});
