import type { Field, Finding, Piece, Problem, Step } from '../api/client';
import { stepOf, useDesk } from './desk';
import { gridShape } from './geometry';
import { dissected } from './pick';
import { InlineButton } from '../ui/InlineButton';
import { LiveBends } from './LiveBends';
import { LiveColour } from './LiveColour';
import { LiveNumber } from './LiveNumber';
import { LivePlace } from './LivePlace';
import { LivePlaces } from './LivePlaces';
import { LiveSteps } from './LiveSteps';

/** A parameter in a sentence, with the editor that its type asks for. */
export function LiveField({ step, piece, field, findings }: { step: Step; piece: Piece; field: Field; findings: Finding[] }) {
    const { change, preview, picking, select, page, scene } = useDesk();
    const set = (name: string, value: unknown) => ({ op: 'set' as const, id: step.id, field: name, value });
    const commit = (value: unknown, name = field.name): Promise<Problem | null> => change([set(name, value)]);
    const tryOut = async (value: unknown, name = field.name): Promise<Problem | null> => {
        const refused = await preview(value === null ? null : [set(name, value)]);
        return refused;
    };
    const wrong = findings.find((finding) => finding.field === field.name && finding.level === 'error')?.message;
    const label = `${field.label} of ${step.label}`;

    switch (field.type) {
        case 'number':
            return <LiveNumber label={label} raw={piece.raw} value={piece.value} measure={field.measure} onPreview={tryOut} onCommit={commit} wrong={wrong} />;
        case 'pair': {
            const pair = Array.isArray(piece.raw) ? piece.raw : [0, 0];
            return (
                <>
                    {[0, 1].map((k) => (
                        <span key={k}>
                            {k === 1 && (field.between ?? ' × ')}
                            <LiveNumber
                                label={`${label}, ${k === 0 ? 'across' : 'down'}`}
                                raw={pair[k]}
                                value={step.numbers[`${field.name}.${k}`] ?? null}
                                measure={field.measure}
                                onPreview={(value) => tryOut(value === null ? null : pair.map((old: unknown, i) => (i === k ? value : old)))}
                                onCommit={(value) => commit(pair.map((old: unknown, i) => (i === k ? value : old)))}
                                wrong={findings.find((finding) => finding.level === 'error' && (finding.field === `${field.name}.${k}` || (k === 0 && finding.field === field.name)))?.message}
                            />
                        </span>
                    ))}
                </>
            );
        }
        case 'place':
            return (
                <>
                    <LivePlace piece={{ ...piece, text: placeText(piece, step), label }} step={step.id} onCommit={commit} />
                    {wrong !== undefined && <Wrong text={wrong} />}
                </>
            );
        case 'places': {
            const places: unknown[] = Array.isArray(piece.raw) ? piece.raw : [];
            const one = (raw: unknown, k: number) => (
                <LivePlace
                    piece={{ raw, text: placeText({ ...piece, raw, text: piece.items?.[k] ?? '', field: `${field.name}.${k}` }, step), label: `point ${k + 1} of ${step.label}` }}
                    step={step.id}
                    onCommit={(value) => commit(places.map((old, i) => (i === k ? value : old)))}
                />
            );
            const wrongs = findings.filter((finding) => finding.level === 'error' && (finding.field === field.name || finding.field?.startsWith(`${field.name}.`)));
            return (
                <>
                    {places.length > 3 ? (
                        <LivePlaces label={label} text={piece.text}>
                            {places.map(one)}
                        </LivePlaces>
                    ) : (
                        places.map((raw, k) => (
                            <span key={k}>
                                {k > 0 && (k === places.length - 1 ? ' and ' : ', ')}
                                {one(raw, k)}
                            </span>
                        ))
                    )}
                    {wrongs.map((finding) => (
                        <Wrong key={finding.message} text={finding.message} />
                    ))}
                </>
            );
        }
        case 'choice':
            return (
                <select className="live" aria-label={label} value={typeof piece.raw === 'string' ? piece.raw : ''} onChange={(event) => void commit(event.target.value)}>
                    {piece.raw === null && <option value="">not given</option>}
                    {field.choices?.map((choice) => (
                        <option key={choice.value} value={choice.value}>
                            {choice.text}
                        </option>
                    ))}
                </select>
            );
        case 'switch':
            return (
                <button className="live italic" aria-pressed={piece.raw === true} onClick={() => void commit(piece.raw === true ? null : true)}>
                    {piece.text}
                </button>
            );
        case 'colour':
            return (
                <>
                    <LiveColour label={label} raw={piece.raw} onPreview={(colour) => void tryOut(colour)} onCommit={(colour) => void commit(colour)} />
                    {wrong !== undefined && <Wrong text={wrong} />}
                </>
            );
        case 'steps':
            return <LiveSteps label={label} text={piece.text} raw={piece.raw} step={step.id} roles={field.roles ?? ['part']} onCommit={(ids) => void commit(ids)} />;
        case 'step':
            return <LiveSteps label={label} text={piece.text} raw={piece.raw} step={step.id} roles={field.roles ?? ['part']} single onCommit={([id]) => void commit(id)} />;
        case 'bends':
            return (
                <>
                    <LiveBends label={label} text={piece.text} raw={piece.raw} onCommit={commit} />
                    {wrong !== undefined && <Wrong text={wrong} />}
                </>
            );
        case 'lengths':
            return (
                <input
                    key={piece.text}
                    className="live field-sizing"
                    aria-label={`${label}, dash and gap lengths`}
                    defaultValue={piece.raw === null ? '' : piece.text}
                    placeholder="4 2"
                    onKeyDown={(event) => {
                        event.stopPropagation();
                        if (event.key === 'Enter') event.currentTarget.blur();
                    }}
                    onBlur={(event) => {
                        const lengths = event.target.value.trim().split(/[\s,]+/).filter(Boolean).map((text) => (Number.isNaN(Number(text)) ? text : Number(text)));
                        if (event.target.value !== piece.text) void commit(lengths.length === 0 ? null : lengths);
                    }}
                />
            );
        case 'cells':
            return (
                <InlineButton
                    className="live font-semibold"
                    title="Pick these cells on the sheet"
                    onClick={() => {
                        const cells = page.plan.steps.find((one) => one.id === step.id)?.[field.name];
                        select(step.id);
                        picking.setMode('cells');
                        for (const cell of Array.isArray(cells) ? cells.map(String) : []) {
                            const [grid, mark, rest] = dissected(cell);
                            const shape = gridShape(stepOf(scene, grid)?.geometry);
                            picking.add(grid, mark, mark === '#' ? (shape?.matching(rest) ?? []) : [rest], cell.includes('*') ? cell : undefined);
                        }
                    }}
                >
                    {piece.text}
                </InlineButton>
            );
    }
}

/** Coordinates that are worked out are shown as what they come to. */
function placeText(piece: Piece, step: Step): string {
    const [x, y] = [step.numbers[`${piece.field ?? ''}.0`], step.numbers[`${piece.field ?? ''}.1`]];
    const workedOut = Array.isArray(piece.raw) && piece.raw.some((one) => typeof one === 'string') && !piece.text.startsWith('the ');
    return workedOut && x !== undefined && y !== undefined ? `${Math.round(x * 1000) / 1000}, ${Math.round(y * 1000) / 1000}` : piece.text;
}

function Wrong({ text }: { text: string }) {
    return (
        <span role="alert" className="block rounded bg-blush px-1.5 py-1 font-sans text-[12.5px] leading-snug text-brick">
            {text}
        </span>
    );
}
