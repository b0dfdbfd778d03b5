import { formatHex, interpolate, modeHsl, modeLab, modeLch, modeOklab, modeOklch, modeRgb, parse, useMode as register } from 'culori/fn';

for (const mode of [modeRgb, modeHsl, modeLab, modeLch, modeOklab, modeOklch]) register(mode);

/** What may be typed where a colour is said. */
export const COLOUR_SAYS = 'a colour such as #f2b33d, 242 179 61 or oklch(0.8 0.14 80), or the name of one';

/** Red, green and blue, from 0 to 255 each, with blanks or commas between. */
const CHANNELS = /^(\d{1,3})[\s,;]+(\d{1,3})[\s,;]+(\d{1,3})$/;

/**
 * A colour as the plan says it: a name of the palette, `none`, or #rrggbb of what was typed in any of the ways of CSS; null where it is
 * none.
 */
export function readColour(text: string, palette: Record<string, string>): string | null {
    const given = text.trim();
    const name = Object.keys(palette).find((one) => one.toLowerCase() === given.toLowerCase());
    if (name !== undefined) return name;
    if (given.toLowerCase() === 'none') return 'none';
    const channels = CHANNELS.exec(given)?.slice(1).map(Number);
    if (channels !== undefined)
        return channels.every((one) => one <= 255) ? `#${channels.map((one) => one.toString(16).padStart(2, '0')).join('')}` : null;
    const colour = parse(given) ?? parse(`#${given}`);
    return colour === undefined || (colour.alpha ?? 1) < 1 ? null : formatHex(colour);
}

/** The colour halfway between two, mixed in Oklab as gradients are: one of the palette where it is one. */
export function between(one: string, other: string, palette: Record<string, string>): string {
    const mixed = formatHex(interpolate([palette[one] ?? one, palette[other] ?? other], 'oklab')(0.5));
    return one === other ? one : (Object.keys(palette).find((name) => palette[name]?.toLowerCase() === mixed) ?? mixed);
}
