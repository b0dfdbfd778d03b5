import { type Asked, Unasked } from '../asked';
import { LiveBends } from '../LiveBends';
import { type Edited, Wrong } from '../edited';

export function Edit({ label, piece, wrong, commit }: Edited) {
    return (
        <>
            <LiveBends label={label} text={piece.text} raw={piece.raw} onCommit={commit} />
            <Wrong text={wrong} />
        </>
    );
}

/** Bends are made on the sheet, by pulling at the ways between points. */
export function Ask({ field }: Asked) {
    return <Unasked label={field.label} />;
}
