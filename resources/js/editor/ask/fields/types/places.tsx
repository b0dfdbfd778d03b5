import { Fragment } from 'react';
import { type Asked, usePlaceText } from '../asked';
import { type Edited, placeText, Wrong } from '../edited';
import { LivePlace } from '../LivePlace';
import { LivePlaces } from '../LivePlaces';

/** So many places are said one by one; more are counted, and listed on demand. */
const FEW = 3;

export function Edit({ step, label, piece, field, findings, commit }: Edited) {
    const places: unknown[] = Array.isArray(piece.raw) ? piece.raw : [];
    const one = (raw: unknown, k: number) => (
        <LivePlace
            piece={{
                raw,
                text: placeText(piece.items?.[k] ?? '', raw, `${field.name}.${k}`, step),
                label: `point ${k + 1} of ${step.label}`,
            }}
            step={step.id}
            onCommit={(value) => commit(places.map((old, i) => (i === k ? value : old)))}
        />
    );
    const wrongs = findings.filter(
        (finding) => finding.level === 'error' && (finding.field === field.name || finding.field?.startsWith(`${field.name}.`)),
    );
    return (
        <>
            {places.length > FEW ? (
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

export function Ask({ field, value, onChange }: Asked) {
    const textOf = usePlaceText();
    const places: unknown[] = Array.isArray(value) ? value : [];
    return (
        <span className="font-serif text-[16px]">
            {field.label}:{' '}
            {places.map((raw, k) => (
                <Fragment key={k}>
                    {k > 0 && ', '}
                    <LivePlace
                        piece={{ text: textOf(raw), raw, label: `${field.label} ${k + 1}` }}
                        step={null}
                        onCommit={async (next) => (onChange(places.map((old, i) => (i === k ? next : old))), null)}
                    />
                </Fragment>
            ))}
        </span>
    );
}
