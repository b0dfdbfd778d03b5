import { readNumbers } from '../../../model/fields/number';
import type { Asked } from '../asked';
import type { Edited } from '../edited';

export function Edit({ label, piece, commit }: Edited) {
    return (
        <input
            key={piece.text}
            className="live field-sizing"
            aria-label={Array.isArray(piece.raw) || piece.raw === null ? `${label}, one after another` : label}
            defaultValue={piece.raw === null ? '' : piece.text}
            placeholder="4 2"
            onKeyDown={(event) => {
                event.stopPropagation();
                if (event.key === 'Enter') event.currentTarget.blur();
            }}
            onBlur={(event) => {
                const given = readNumbers(event.target.value);
                if (event.target.value === piece.text) return;
                // What was one number for all stays one.
                void commit(
                    given.length === 0 ? null : given.length === 1 && !Array.isArray(piece.raw) && piece.raw !== null ? given[0] : given,
                );
            }}
        />
    );
}

export function Ask({ field, value, onChange }: Asked) {
    // A number for all, where that is what it began with.
    const isSingle = typeof value === 'number';
    return (
        <label className="flex items-center gap-2">
            {field.label}
            <input
                className="boxed w-28"
                placeholder="4 2"
                defaultValue={Array.isArray(value) ? value.join(' ') : isSingle ? String(value) : ''}
                onChange={(event) =>
                    onChange(
                        event.target.value.trim() === ''
                            ? null
                            : isSingle && readNumbers(event.target.value).length === 1
                              ? readNumbers(event.target.value)[0]
                              : readNumbers(event.target.value),
                    )
                }
            />
        </label>
    );
}
