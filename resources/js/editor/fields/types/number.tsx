import { type Asked, TypedInput } from '../asked';
import type { Edited } from '../LiveField';
import { LiveNumber } from '../LiveNumber';

export function Edit({ label, piece, field, wrong, commit, tryOut }: Edited) {
    return <LiveNumber label={label} raw={piece.raw} text={piece.text} value={piece.value} measure={field.measure} onPreview={tryOut} onCommit={commit} wrong={wrong} />;
}

export function Ask({ field, value, onChange }: Asked) {
    return <TypedInput label={field.label} shown value={value} optional={!field.required} onChange={onChange} />;
}
