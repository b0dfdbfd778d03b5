interface Group {
    [name: string]: unknown;
}

/**
 * The colours in a file of design tokens (Design Tokens Format Module and Color Module, draft of the W3C's Design Tokens Community Group),
 * also in groups within it, under their own names: #rrggbb, or components in sRGB. What has another type is left out.
 *
 * @throws {SyntaxError} where it is no JSON, or has no colour in it
 */
export function coloursIn(text: string): Record<string, string> {
    const found: Record<string, string> = {};
    const walk = (group: Group, type: unknown): void => {
        for (const [name, token] of Object.entries(group)) {
            if (name.startsWith('$') || token === null || typeof token !== 'object') continue;
            const of = token as Group;
            const kind = of['$type'] ?? type;
            if (!('$value' in of)) walk(of, kind);
            else if (kind === 'color') {
                const hex = hexOf(of['$value']);
                if (hex !== null) found[free(name, found)] = hex;
            }
        }
    };
    const file = JSON.parse(text) as unknown;
    if (file !== null && typeof file === 'object') walk(file as Group, (file as Group)['$type']);
    if (Object.keys(found).length === 0) throw new SyntaxError('Expected design tokens with colours in sRGB; there are none in this file.');
    return found;
}

function hexOf(value: unknown): string | null {
    if (typeof value === 'string') return /^#[0-9a-f]{6}([0-9a-f]{2})?$/i.test(value) ? value.slice(0, 7).toLowerCase() : null;
    if (value === null || typeof value !== 'object') return null;
    const { colorSpace, components, hex } = value as Group;
    if (
        colorSpace === 'srgb' &&
        Array.isArray(components) &&
        components.length === 3 &&
        components.every((one) => typeof one === 'number' && one >= 0 && one <= 1)
    ) {
        return `#${components
            .map((one) =>
                Math.round((one as number) * 255)
                    .toString(16)
                    .padStart(2, '0'),
            )
            .join('')}`;
    }
    return typeof hex === 'string' ? hexOf(hex) : null;
}

/** A name as long as names of colours may be, that none has yet. */
function free(name: string, taken: Record<string, string>): string {
    const short = name.trim().slice(0, 36) || 'colour';
    let number = 1;
    let next = short;
    while (next in taken || next === 'none') next = `${short} ${++number}`;
    return next;
}

/** The colours of a strip of pixels, each once, in the order in which they come; those that are seen through are left out. */
export function coloursOfPixels(data: ArrayLike<number>, most: number): string[] {
    const found = new Set<string>();
    for (let at = 0; at < data.length && found.size < most; at += 4) {
        if ((data[at + 3] ?? 0) < 128) continue;
        found.add(`#${[0, 1, 2].map((k) => (data[at + k] ?? 0).toString(16).padStart(2, '0')).join('')}`);
    }
    return [...found];
}

/** Names for colours that have none: those that the palette has for them, else by number. */
export function named(colours: string[], palette: Record<string, string>): Record<string, string> {
    const known = new Map(Object.entries(palette).map(([name, hex]) => [hex.toLowerCase(), name]));
    const found: Record<string, string> = {};
    for (const hex of colours) {
        const name = known.get(hex);
        if (name === undefined) found[free('colour', { ...palette, ...found })] = hex;
        else found[name] = hex;
    }
    return found;
}
