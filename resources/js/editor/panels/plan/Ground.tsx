import { useState } from 'react';
import { useSheet } from '../../state/sheet';
import { LiveColour } from '../../ask/fields/LiveColour';
import { LiveNumber } from '../../ask/fields/LiveNumber';
import { ValueRows } from './ValueRows';

const UNITS = ['px', 'mm', 'cm', 'in', 'pt'];

/** What all stands on: the sheet, and the numbers that have names. */
export function Ground() {
    const { scene, page, kinds, change, preview } = useSheet();
    const [problem, setProblem] = useState<string | null>(null);
    const { sheet } = page.plan;
    // Only where something is lit.
    const lit = new Set(kinds.filter((kind) => kind.fields.some((field) => field.default === 'sheet.light')).map(({ kind }) => kind));
    const isLit = scene.steps.some((step) => lit.has(step.kind));
    const side = (field: 'width' | 'height') => (
        <LiveNumber
            label={`${field} of the sheet`}
            raw={sheet[field]}
            value={scene.sheet[field]}
            measure="length"
            onPreview={(value) => preview(value === null ? null : [{ op: 'sheet', field, value }])}
            onCommit={(value) => change([{ op: 'sheet', field, value }])}
        />
    );
    const background = (colour: string) => [{ op: 'sheet' as const, field: 'background' as const, value: colour === 'none' ? null : colour }];

    return (
        <div className="pt-2 pb-1.5">
            <div className="py-[5px] pr-4 pl-[50px] font-serif text-[16px] leading-[1.55]">
                Sheet {side('width')} × {side('height')}{' '}
                <select
                    className="live"
                    aria-label="Unit of the sheet"
                    value={sheet.unit}
                    onChange={(event) => void change([{ op: 'sheet', field: 'unit', value: event.target.value }]).then((refused) => setProblem(refused?.message ?? null))}
                >
                    {UNITS.map((unit) => (
                        <option key={unit}>{unit}</option>
                    ))}
                </select>{' '}
                on{' '}
                <LiveColour
                    label="Background of the sheet"
                    raw={sheet.background ?? 'none'}
                    onPreview={(colour) => void preview(colour === null ? null : background(colour))}
                    onCommit={(colour) => void change(background(colour))}
                />
                {isLit && (
                    <>
                        , light from{' '}
                        <LiveNumber
                            label="light on the sheet"
                            raw={scene.sheet.light}
                            value={scene.sheet.light}
                            measure="angle"
                            onPreview={(value) => preview(value === null ? null : [{ op: 'sheet', field: 'light', value }])}
                            onCommit={(value) => change([{ op: 'sheet', field: 'light', value }])}
                        />
                    </>
                )}
                .{problem !== null && <p className="text-brick">{problem}</p>}
            </div>
            <ValueRows />
        </div>
    );
}
