import { type Asked, typed } from '../asked';
import type { Edited } from '../LiveField';

function lengths(text: string): (number | string | null)[] {
    return text.trim().split(/[\s,]+/).filter(Boolean).map(typed);
}

export function Edit({ label, piece, commit }: Edited) {
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
                const given = lengths(event.target.value);
                if (event.target.value !== piece.text) void commit(given.length === 0 ? null : given);
            }}
        />
    );
}

export function Ask({ field, value, onChange }: Asked) {
    return (
        <label className="flex items-center gap-2">
            {field.label}
            <input
                className="boxed w-28"
                placeholder="4 2"
                defaultValue={Array.isArray(value) ? value.join(' ') : ''}
                onChange={(event) => onChange(event.target.value.trim() === '' ? null : lengths(event.target.value))}
            />
        </label>
    );
}
