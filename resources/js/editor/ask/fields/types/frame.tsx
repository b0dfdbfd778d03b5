import { type Asked, Unasked } from '../asked';
import { readNumber } from '../../../model/fields/number';
import { type Edited, Wrong } from '../edited';

const WORDS = ['left', 'top', 'width', 'height'];

const WHOLE = [0, 0, 1, 1];

/** What of a picture is kept, four shares of the whole, each by itself; all of it where nothing stands. */
export function Edit({ label, piece, wrong, commit }: Edited) {
    const given = Array.isArray(piece.raw) ? (piece.raw as unknown[]) : WHOLE;
    return (
        <span className="whitespace-nowrap">
            {WORDS.map((word, k) => {
                const share = String(given[k] ?? WHOLE[k]);
                return (
                    <span key={word}>
                        {k === 0 ? '' : ', '}
                        <input
                            key={share}
                            className="live field-sizing"
                            aria-label={`${label}, ${word}`}
                            title={word}
                            defaultValue={share}
                            onKeyDown={(event) => {
                                event.stopPropagation();
                                if (event.key === 'Enter') event.currentTarget.blur();
                            }}
                            onBlur={(event) => {
                                const next = readNumber(event.target.value) ?? WHOLE[k];
                                if (String(next) === share) return;
                                const all = within(WORDS.map((_, at) => (at === k ? next : (given[at] ?? WHOLE[at]))));
                                void commit(all.join() === WHOLE.join() ? null : all);
                            }}
                        />
                    </span>
                );
            })}
            <Wrong text={wrong} />
        </span>
    );
}

/** What is kept does not reach beyond the picture: its width and height give way. */
function within(shares: unknown[]): unknown[] {
    return shares.map((share, k) => {
        const before = shares[k - 2];
        return typeof share === 'number' && typeof before === 'number' && before + share > 1 ? Number((1 - before).toFixed(6)) : share;
    });
}

export function Ask({ field }: Asked) {
    return <Unasked label={field.label} />;
}
