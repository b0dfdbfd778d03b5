import { type Asked, TypedInput } from '../asked';
import { readNumber } from '../../../model/fields/number';
import type { Edited } from '../edited';

const WORDS = ['column', 'row', 'last column', 'last row'];

function four(raw: unknown): (number | string)[] {
    const given = Array.isArray(raw) ? (raw as unknown[]) : [];
    return WORDS.map((_, k) => (typeof given[k] === 'number' || typeof given[k] === 'string' ? given[k] : 1));
}

/** From a cell to a cell, each number by itself. */
export function Edit({ label, piece, commit }: Edited) {
    const numbers = four(piece.raw);
    return (
        <span className="whitespace-nowrap">
            {numbers.map((number, k) => (
                <span key={k}>
                    {k === 0 ? '' : k === 2 ? ' to ' : ', '}
                    <input
                        key={String(number)}
                        className="live field-sizing"
                        aria-label={`${label}, ${WORDS[k] ?? ''}`}
                        defaultValue={String(number)}
                        onKeyDown={(event) => {
                            event.stopPropagation();
                            if (event.key === 'Enter') event.currentTarget.blur();
                        }}
                        onBlur={(event) => {
                            const next = readNumber(event.target.value);
                            if (next !== null && String(next) !== String(number)) void commit(numbers.with(k, next));
                        }}
                    />
                </span>
            ))}
        </span>
    );
}

export function Ask({ field, value, onChange }: Asked) {
    const numbers = four(value);
    return (
        <span className="flex items-center gap-1.5">
            {field.label}
            {numbers.map((number, k) => (
                <TypedInput
                    key={k}
                    label={`${field.label}, ${WORDS[k] ?? ''}`}
                    value={number}
                    optional={false}
                    onChange={(next) => next !== null && onChange(numbers.with(k, next))}
                />
            ))}
        </span>
    );
}
