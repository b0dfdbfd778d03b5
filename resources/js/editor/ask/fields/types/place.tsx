import { type Asked, usePlaceText } from '../asked';
import { type Edited, placeText, Wrong } from '../edited';
import { LivePlace } from '../LivePlace';

export function Edit({ step, label, piece, field, wrong, commit }: Edited) {
    return (
        <>
            <LivePlace
                piece={{ raw: piece.raw, text: placeText(piece.text, piece.raw, field.name, step), label }}
                step={step.id}
                onCommit={commit}
            />
            <Wrong text={wrong} />
        </>
    );
}

export function Ask({ field, value, onChange }: Asked) {
    const textOf = usePlaceText();
    return (
        <span className="font-serif text-[16px]">
            {field.label}:{' '}
            <LivePlace
                piece={{ text: textOf(value), raw: value, label: field.label }}
                step={null}
                onCommit={async (raw) => (onChange(raw), null)}
            />
        </span>
    );
}
