import { parse } from 'culori';
import { describe, expect, it } from 'vitest';
import { coloursIn, coloursOfPixels, named } from '../editor/model/palette/tokens';
import { asked, EVALUATED, plan } from './core';

describe('palettes as design tokens', () => {
    const palette = { ink: '#1b2140', 'lamp light': '#ffd97f', spark: '#fffdf0' };

    /** As the core hands them over. */
    function tokensOf(palette: Record<string, string>): string {
        return asked(
            `${EVALUATED} $of = new Sternbild\\Core\\Handing\\Handed($given["plan"], "palette", static fn () => $scene); $path = tempnam(sys_get_temp_dir(), "tokens");
            Sternbild\\Core\\Handing\\Forms::named("tokens")->write($of, [], $path, new Sternbild\\Core\\Handing\\Unwatched); return file_get_contents($path);`,
            { plan: plan([], { palette }) },
        );
    }

    it('come back as they went', () => {
        expect(coloursIn(tokensOf(palette))).toEqual(palette);
    });

    it('say colours as the color module does, the components those of a colour library', () => {
        const tokens = JSON.parse(tokensOf(palette)) as Record<
            string,
            { $value: { colorSpace: string; components: number[]; hex: string } }
        >;
        expect((tokens as unknown as { $type: string }).$type).toBe('color');
        const { $value } = tokens['lamp light'] ?? { $value: { colorSpace: '', components: [], hex: '' } };
        const rgb = parse('#ffd97f') as unknown as { r: number; g: number; b: number };
        expect($value).toMatchObject({ colorSpace: 'srgb', alpha: 1, hex: '#ffd97f' });
        [rgb.r, rgb.g, rgb.b].forEach((one, k) => expect($value.components[k]).toBeCloseTo(one, 5));
    });

    it('are found in groups, with the type of their group, by hex of older drafts, too', () => {
        const file = {
            brand: {
                $type: 'color',
                main: { $value: '#C0392F' },
                deep: { paint: { $value: { colorSpace: 'srgb', components: [0, 0.5, 1] } } },
            },
            gap: { $type: 'dimension', $value: { value: 4, unit: 'px' } },
            wide: { $type: 'color', $value: { colorSpace: 'display-p3', components: [1, 0, 0], hex: '#ff0b0c' } },
            none: { $type: 'color', $value: '#000000' },
        };
        expect(coloursIn(JSON.stringify(file))).toEqual({ main: '#c0392f', paint: '#0080ff', wide: '#ff0b0c', 'none 2': '#000000' });
    });

    it('say what was expected where there are none', () => {
        expect(() => coloursIn('{"a": {"$value": "#12"}}')).toThrow('Expected design tokens');
        expect(() => coloursIn('no JSON')).toThrow(SyntaxError);
        expect(() => coloursIn('null')).toThrow('Expected');
    });
});

describe('palettes as a strip of pixels', () => {
    it('are its colours, each once, in order, and named by what the palette calls them', () => {
        const pixels = [27, 33, 64, 255, 255, 0, 0, 255, 27, 33, 64, 255, 1, 2, 3, 0, 0, 255, 0, 255];
        const colours = coloursOfPixels(pixels, 64);
        expect(colours).toEqual(['#1b2140', '#ff0000', '#00ff00']);
        expect(coloursOfPixels(pixels, 2)).toHaveLength(2);
        expect(named(colours, { ink: '#1B2140', colour: '#123456' })).toEqual({
            ink: '#1b2140',
            'colour 2': '#ff0000',
            'colour 3': '#00ff00',
        });
    });
});
