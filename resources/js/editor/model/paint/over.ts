import type { Style } from '../../../api/client';

export type Blend = Style['blend'];

/** What the channels of two colours become before they are mixed: as the server has it, Compositing and Blending Level 1. */
const BLENDS: Partial<Record<Blend, (backdrop: number, source: number) => number>> = {
    multiply: (backdrop, source) => backdrop * source,
    screen: (backdrop, source) => backdrop + source - backdrop * source,
    darken: Math.min,
    lighten: Math.max,
};

/** What is a half but for what doubles lose is rounded up, as the server does. */
const HALF = 1e-9;

/** Red, green, blue and opacity, 0 to 255, of #rrggbb or #rrggbbaa; nothing of an empty text. */
export function bytesOf(colour: string): [number, number, number, number] {
    const value = parseInt(colour.slice(1, 7), 16);
    return colour === ''
        ? [0, 0, 0, 0]
        : [(value >> 16) & 255, (value >> 8) & 255, value & 255, colour.length > 7 ? parseInt(colour.slice(7), 16) : 255];
}

/** A colour over another one: Porter and Duff's operator. An empty text where nothing is left. */
export function over(source: string, backdrop: string, opacity: number, blend: Blend): string {
    const [s, b] = [bytesOf(source).map((one) => one / 255), bytesOf(backdrop).map((one) => one / 255)];
    const [alphaS, alphaB] = [(s[3] ?? 0) * opacity, b[3] ?? 0];
    const alpha = alphaS + alphaB * (1 - alphaS);
    if (alpha <= 0) return '';
    const mixed = [0, 1, 2].map((channel) => {
        const [from, to] = [s[channel] ?? 0, b[channel] ?? 0];
        return (alphaS * ((1 - alphaB) * from + alphaB * (BLENDS[blend]?.(to, from) ?? from)) + (1 - alphaS) * alphaB * to) / alpha;
    });
    const hex = [...mixed, alpha].map((one) => Math.round(255 * one + HALF).toString(16).padStart(2, '0')).join('');
    return `#${hex.endsWith('ff') ? hex.slice(0, 6) : hex}`;
}
