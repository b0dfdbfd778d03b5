import type { Asked } from '../asked';
import type { Edited } from '../edited';

export function Edit({ piece, commit }: Edited) {
    return (
        <button className="live italic" aria-pressed={piece.raw === true} onClick={() => void commit(piece.raw === true ? null : true)}>
            {piece.text}
        </button>
    );
}

export function Ask({ field, value, onChange }: Asked) {
    return (
        <label className="flex items-center gap-2">
            <input
                type="checkbox"
                className="size-4 accent-ink"
                checked={value === true}
                onChange={(event) => onChange(event.target.checked)}
            />
            {field.label}
        </label>
    );
}
