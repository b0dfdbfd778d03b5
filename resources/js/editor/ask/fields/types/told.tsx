import type { Asked } from '../asked';
import type { Edited } from '../edited';

/** What came from elsewhere as it is: told, and not edited by hand. */
export function Edit({ piece }: Edited) {
    return <span className="tabular-nums">{piece.text}</span>;
}

export function Ask({ field }: Asked) {
    return <p className="text-slate">The {field.label} comes with a drawing that is brought in.</p>;
}
