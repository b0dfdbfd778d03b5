import { useSheet } from '../../state/sheet';
import { usePalette } from '../../state/acts';
import { TypedInput } from './asked';
import { between } from '../../model/palette/readColour';
import { Swatch } from './Swatch';
import { TypedColour } from './TypedColour';

type Sort = 'linear' | 'radial' | 'along';
/** Position, colour, and how far it hides what lies under it, wholly unless said. */
export type Stop = [number | string, string, (number | string)?];

export interface GradientRaw {
    gradient: Sort;
    stops: Stop[];
    [said: string]: unknown;
}

export function isGradient(raw: unknown): raw is GradientRaw {
    return raw !== null && typeof raw === 'object' && 'gradient' in raw;
}

const SORTS: [Sort | 'plain' | 'pattern', string][] = [
    ['plain', 'one colour'],
    ['linear', 'linear'],
    ['radial', 'radial'],
    ['along', 'along the band'],
    ['pattern', 'pattern'],
];

/** A pattern as a fill, and how it lies. */
export interface PatternRaw {
    pattern: string;
    turn?: number | string;
    resize?: number | string;
    by?: (number | string)[];
}

export function isPattern(raw: unknown): raw is PatternRaw {
    return raw !== null && typeof raw === 'object' && 'pattern' in raw;
}

const MOST_STOPS = 24;

/** How a gradient is shown in the interface, as CSS has it. */
export function shownGradient(raw: GradientRaw, palette: Record<string, string>): string {
    const stops = [...raw.stops]
        .sort((a, b) => Number(a[0]) - Number(b[0]))
        .map(
            ([at, colour, opacity]) =>
                `color-mix(in srgb, ${palette[colour] ?? colour} ${100 * Number(opacity ?? 1)}%, transparent) ${100 * Number(at)}%`,
        );
    return `linear-gradient(in oklab to right, ${stops.join(', ')})`;
}

/** Between which colours a new gradient runs: the one that is there, and the next of the palette. */
function begun(raw: unknown, palette: Record<string, string>, sort: Sort): GradientRaw {
    const names = Object.keys(palette);
    const first = typeof raw === 'string' && raw !== 'none' ? raw : (names[0] ?? '#1b2140');
    return { gradient: sort, stops: [[0, first], [1, names.find((name) => name !== first) ?? '#e5c78f']] };
}

/** Of what is said beside the stops, what a gradient of another sort says as well: nothing. */
function asSort(raw: unknown, palette: Record<string, string>, sort: Sort | 'plain' | 'pattern', patterns: { id: string }[]): unknown {
    if (sort === 'pattern') return isPattern(raw) ? raw : { pattern: patterns.at(-1)?.id ?? '' };
    if (sort === 'plain')
        return isGradient(raw) ? (raw.stops[0]?.[1] ?? 'none') : isPattern(raw) ? (Object.keys(palette)[0] ?? 'none') : raw;
    // Along a band a gradient hides what lies under it.
    const stops = (all: Stop[]): Stop[] => (sort === 'along' ? all.map(([at, colour]) => [at, colour]) : all);
    return isGradient(raw) ? (raw.gradient === sort ? raw : { gradient: sort, stops: stops(raw.stops) }) : begun(raw, palette, sort);
}

/** A stop more, in the middle of the widest space between two, in the colour that is there. */
function withStop(stops: Stop[], palette: Record<string, string>): Stop[] {
    const order = [...stops].sort((a, b) => Number(a[0]) - Number(b[0]));
    let widest = 0;
    for (let k = 1; k + 1 < order.length; k++) {
        if (space(order, k) > space(order, widest)) widest = k;
    }
    const at = (Number(order[widest]?.[0] ?? 0) + Number(order[widest + 1]?.[0] ?? 1)) / 2;
    return order.toSpliced(widest + 1, 0, [
        Number(at.toFixed(3)),
        between(order[widest]?.[1] ?? '#1b2140', order[widest + 1]?.[1] ?? order[widest]?.[1] ?? '#1b2140', palette),
    ]);
}

/** A stop as it is written: an opacity only where something is seen through it. */
function stop(at: number | string, colour: string, opacity: number | string | undefined): Stop {
    return opacity === undefined || opacity === 1 ? [at, colour] : [at, colour, opacity];
}

function space(stops: Stop[], k: number): number {
    return Number(stops[k + 1]?.[0] ?? 0) - Number(stops[k]?.[0] ?? 0);
}

/** A colour or a gradient, with its stops in numbers. */
export function PaintEditor({
    label,
    raw,
    along,
    before,
    onChange,
}: {
    label: string;
    raw: unknown;
    along: boolean;
    before: string | null;
    onChange: (raw: unknown) => void;
}) {
    const palette = usePalette();
    const patterns = usePatterns(before);
    const gradient = isGradient(raw) ? raw : null;
    const stopped = (stops: Stop[]): void => onChange({ ...gradient, stops });
    return (
        <div className="flex flex-col gap-2.5">
            <div role="radiogroup" aria-label={`Sort of ${label}`} className="flex items-center gap-1 text-[13px]">
                {SORTS.filter(
                    ([sort]) => (along || (sort !== 'along' && sort !== 'pattern')) && (sort !== 'pattern' || patterns.length > 0),
                ).map(([sort, text]) => {
                    const isChosen = sort === (isPattern(raw) ? 'pattern' : (gradient?.gradient ?? 'plain'));
                    return (
                        <button key={sort} type="button" role="radio" aria-checked={isChosen} className={`choice px-2 py-1 ${isChosen ? 'border-amber bg-honey font-medium' : 'border-transparent hover:border-rule'}`} onClick={() => onChange(asSort(raw, palette, sort, patterns))}>
                            {text}
                        </button>
                    );
                })}
            </div>
            {isPattern(raw) && <PatternLies label={label} raw={raw} patterns={patterns} onChange={onChange} />}
            {isPattern(raw) ? null : gradient === null ? (
                <Colours label={label} value={typeof raw === 'string' ? raw : 'none'} withNone onChoose={onChange} />
            ) : (
                <>
                    <div
                        className="h-6 rounded border border-rule"
                        style={{ background: shownGradient(gradient, palette) }}
                        aria-hidden="true"
                    />
                    <ol className="flex flex-col gap-1.5">
                        {gradient.stops.map(([at, colour, opacity], k) => (
                            <li key={k} className="flex items-center gap-2 text-[12.5px] text-slate">
                                <span aria-hidden="true">at</span>
                                <TypedInput
                                    label={`Position of stop ${k + 1}`}
                                    value={at}
                                    optional={false}
                                    onChange={(next) => next !== null && stopped(gradient.stops.with(k, stop(next, colour, opacity)))}
                                />
                                <Swatch colour={palette[colour] ?? colour} size={16} />
                                <select
                                    aria-label={`Colour of stop ${k + 1}`}
                                    className="boxed min-w-28 flex-1 px-2 py-1.5 font-serif text-[15px] text-ink italic"
                                    value={colour}
                                    onChange={(event) => stopped(gradient.stops.with(k, stop(at, event.target.value, opacity)))}
                                >
                                    {palette[colour] === undefined && <option value={colour}>{colour}</option>}
                                    {Object.keys(palette).map((name) => (
                                        <option key={name}>{name}</option>
                                    ))}
                                </select>
                                <TypedColour
                                    label={`Colour of stop ${k + 1}, in figures`}
                                    value={colour}
                                    onColour={(next) => stopped(gradient.stops.with(k, stop(at, next, opacity)))}
                                />
                                {gradient.gradient !== 'along' && (
                                    <>
                                        <span aria-hidden="true">opacity</span>
                                        <TypedInput
                                            label={`Opacity of stop ${k + 1}`}
                                            value={opacity ?? 1}
                                            optional={false}
                                            onChange={(next) => next !== null && stopped(gradient.stops.with(k, stop(at, colour, next)))}
                                        />
                                    </>
                                )}
                                <button
                                    type="button"
                                    className="px-1.5 text-[15px] text-slate hover:text-brick disabled:opacity-40"
                                    aria-label={`Take stop ${k + 1} out`}
                                    disabled={gradient.stops.length <= 2}
                                    onClick={() => stopped(gradient.stops.toSpliced(k, 1))}
                                >
                                    ×
                                </button>
                            </li>
                        ))}
                    </ol>
                    <div className="flex items-center gap-4 text-[13px]">
                        <button
                            type="button"
                            className="font-medium text-umber hover:underline disabled:opacity-40"
                            disabled={gradient.stops.length >= MOST_STOPS}
                            onClick={() => stopped(withStop(gradient.stops, palette))}
                        >
                            Add a stop
                        </button>
                        <button
                            type="button"
                            className="font-medium text-umber hover:underline"
                            onClick={() =>
                                stopped(
                                    gradient.stops
                                        .map(([at, colour, opacity]) =>
                                            stop(typeof at === 'number' ? Number((1 - at).toFixed(6)) : `1-(${at})`, colour, opacity),
                                        )
                                        .toReversed(),
                                )
                            }
                        >
                            Turn around
                        </button>
                    </div>
                    <Placed gradient={gradient} onChange={onChange} />
                </>
            )}
        </div>
    );
}

/** Which pattern it is, and how it lies. */
function PatternLies({
    label,
    raw,
    patterns,
    onChange,
}: {
    label: string;
    raw: PatternRaw;
    patterns: { id: string; label: string }[];
    onChange: (raw: unknown) => void;
}) {
    const said = (more: Partial<Record<'turn' | 'resize' | 'by', unknown>>): void =>
        onChange(Object.fromEntries(Object.entries({ ...raw, ...more }).filter(([, value]) => value !== null)));
    const [x = 0, y = 0] = raw.by ?? [];
    return (
        <div className="flex flex-col gap-2 text-[13px]">
            <select
                className="boxed font-serif text-[15px] italic"
                aria-label={`Pattern of ${label}`}
                value={raw.pattern}
                onChange={(event) => onChange({ ...raw, pattern: event.target.value })}
            >
                {patterns.map((one) => (
                    <option key={one.id} value={one.id}>
                        {one.label}
                    </option>
                ))}
            </select>
            <div className="flex items-center gap-3">
                <TypedInput label="Times as large" shown value={raw.resize ?? 1} optional={false} onChange={(resize) => said({ resize })} />
                <TypedInput label="Turned by" shown value={raw.turn ?? 0} optional={false} onChange={(turn) => said({ turn })} />
            </div>
            <div className="flex items-center gap-3">
                <TypedInput label="Moved right" shown value={x} optional={false} onChange={(next) => said({ by: [next ?? 0, y] })} />
                <TypedInput label="and down" shown value={y} optional={false} onChange={(next) => said({ by: [x, next ?? 0] })} />
            </div>
        </div>
    );
}

/** The patterns that stand before a step, by id and name; all of them for one that is not made yet. */
export function usePatterns(before: string | null): { id: string; label: string }[] {
    const { scene } = useSheet();
    const at = scene.steps.findIndex((step) => step.id === before);
    return scene.steps.slice(0, at < 0 ? undefined : at).filter((step) => step.cell?.flat === false);
}

/** What of a gradient lies on the sheet: said there by its handles, or fitted to each piece. */
function Placed({ gradient, onChange }: { gradient: GradientRaw; onChange: (raw: unknown) => void }) {
    const { gradient: sort, stops, ...said } = gradient;
    if (sort === 'along') {
        const turns = gradient['turns'];
        return (
            <TypedInput
                label="Runs through"
                shown
                value={typeof turns === 'number' || typeof turns === 'string' ? turns : 1}
                optional={false}
                onChange={(next) => onChange(next === null ? { gradient: sort, stops } : { ...gradient, turns: next })}
            />
        );
    }
    const isFitted = Object.keys(said).length === 0;
    return (
        <p className="max-w-72 text-[12.5px] leading-snug text-slate">
            {isFitted ? 'Fitted to each piece. Drag its handles on the sheet to place it.' : 'Placed on the sheet. '}
            {!isFitted && (
                <button
                    type="button"
                    className="font-medium text-umber hover:underline"
                    onClick={() => onChange({ gradient: sort, stops })}
                >
                    Fit to each piece
                </button>
            )}
        </p>
    );
}

/** The palette to choose from. */
export function Colours({
    label,
    value,
    withNone = false,
    onChoose,
    onPoint,
}: {
    label: string;
    value: string;
    withNone?: boolean;
    onChoose: (name: string) => void;
    onPoint?: (name: string) => void;
}) {
    const palette = usePalette();
    return (
        <div role="group" aria-label={label} className="flex max-h-72 flex-col overflow-auto">
            {[...Object.entries(palette), ...(withNone ? [['none', undefined] as const] : [])].map(([name, colour]) => (
                <button
                    key={name}
                    type="button"
                    className="menu-item justify-start gap-2.5"
                    aria-pressed={name === value}
                    onPointerEnter={() => onPoint?.(name)}
                    onFocus={() => onPoint?.(name)}
                    onClick={() => onChoose(name)}
                >
                    <Swatch colour={colour} size={16} />
                    <span className="font-serif text-[15px] italic">{name}</span>
                </button>
            ))}
            <div className="border-t border-hairline p-2">
                <TypedColour label={`${label}, in figures`} value={value} withNone={withNone} onColour={onChoose} />
            </div>
        </div>
    );
}
