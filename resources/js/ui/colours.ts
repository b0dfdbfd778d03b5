import { formatHex, modeHsv, modeLrgb, modeRgb, useMode as register, wcagContrast } from 'culori/fn';

register(modeRgb);
// Contrast is measured in linear light.
register(modeLrgb);
const hsv = register(modeHsv);

/** Hue in degrees, saturation and brightness in hundredths. */
export interface Hsb {
    hue: number;
    saturation: number;
    brightness: number;
}

export function toHsb(hex: string): Hsb {
    const { h = 0, s = 0, v = 0 } = hsv(hex) ?? {};
    return { hue: h, saturation: 100 * s, brightness: 100 * v };
}

export function fromHsb({ hue, saturation, brightness }: Hsb): string {
    return formatHex({ mode: 'hsv', h: hue, s: saturation / 100, v: brightness / 100 });
}

/** The contrast ratio of two colours as in WCAG 2.2, from 1 to 21. */
export function contrast(one: string, other: string): number {
    return wcagContrast(one, other);
}
