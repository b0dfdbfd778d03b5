import { useSheet } from '../../../state/sheet';
import { coloursDrawn } from '../../../model/scene/coloursDrawn';
import { type Asked, Unasked } from '../asked';
import type { Edited } from '../edited';

/** Any colours, so many, or those of the palette. */
export function Edit({ label, piece, field, commit }: Edited) {
    const { scene } = useSheet();
    const most = field.most ?? 1;
    const held = piece.raw;
    const many = typeof held === 'number' ? held : null;
    function choose(chosen: string): void {
        const all = Math.max(1, Math.min(most, coloursDrawn(scene).size));
        void commit(chosen === 'number' ? all : chosen === 'palette' ? 'palette' : null);
    }
    return (
        <>
            <select
                className="live"
                aria-label={label}
                value={many === null ? (held === 'palette' ? 'palette' : '') : 'number'}
                onChange={(event) => choose(event.target.value)}
            >
                <option value="">any</option>
                <option value="number">so many</option>
                <option value="palette">the palette</option>
            </select>
            {many !== null && (
                <input
                    key={many}
                    type="number"
                    min={1}
                    max={most}
                    className="live w-12"
                    aria-label={`${label}, how many`}
                    defaultValue={many}
                    onBlur={(event) =>
                        event.target.valueAsNumber >= 1 &&
                        event.target.valueAsNumber !== many &&
                        void commit(Math.round(event.target.valueAsNumber))
                    }
                    onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()}
                />
            )}
        </>
    );
}

/** Of the sheet only, which is there before anything is asked. */
export function Ask({ field }: Asked) {
    return <Unasked label={field.label} />;
}
