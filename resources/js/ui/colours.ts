/** Hue in degrees, saturation and brightness in hundredths. */
export interface Hsb {
    hue: number;
    saturation: number;
    brightness: number;
}

function channels(hex: string): [number, number, number] {
    const [red = 0, green = 0, blue = 0] = (hex.match(/[0-9a-f]{2}/gi) ?? []).map((pair) => parseInt(pair, 16));
    return [red, green, blue];
}

function written(all: number[]): string {
    return `#${all.map((one) => Math.round(Math.min(255, Math.max(0, one))).toString(16).padStart(2, '0')).join('')}`;
}

export function toHsb(hex: string): Hsb {
    const [red, green, blue] = channels(hex);
    const most = Math.max(red, green, blue);
    const spread = most - Math.min(red, green, blue);
    const sector =
        spread === 0
            ? 0
            : most === red
              ? ((green - blue) / spread + 6) % 6
              : most === green
                ? (blue - red) / spread + 2
                : (red - green) / spread + 4;
    return { hue: sector * 60, saturation: most === 0 ? 0 : (100 * spread) / most, brightness: most / 2.55 };
}

export function fromHsb({ hue, saturation, brightness }: Hsb): string {
    const most = 2.55 * brightness;
    const channel = (shift: number): number => {
        const at = (shift + (((hue % 360) + 360) % 360) / 60) % 6;
        return most * (1 - (saturation / 100) * Math.max(0, Math.min(at, 4 - at, 1)));
    };
    return written([channel(5), channel(3), channel(1)]);
}

/** Relative luminance as in WCAG 2.2. */
function luminance(hex: string): number {
    const [red = 0, green = 0, blue = 0] = channels(hex).map((one) =>
        one / 255 <= 0.04045 ? one / 255 / 12.92 : ((one / 255 + 0.055) / 1.055) ** 2.4,
    );
    return 0.2126 * red + 0.7152 * green + 0.0722 * blue;
}

/** The contrast ratio of two colours as in WCAG 2.2, from 1 to 21. */
export function contrast(one: string, other: string): number {
    const [light, dark] = [luminance(one), luminance(other)].sort((a, b) => b - a) as [number, number];
    return (light + 0.05) / (dark + 0.05);
}
