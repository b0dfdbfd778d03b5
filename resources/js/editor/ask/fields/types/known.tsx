import { useState } from 'react';
import { InlineButton } from '../../../../ui/InlineButton';
import { type Asked, Unasked } from '../asked';
import { type Edited, Wrong } from '../edited';
import { SmallWay } from '../SmallWay';
import { usePixels } from '../usePixels';

const STEPS = ['click a place of the picture', 'and where it belongs', 'another place of the picture', 'and where that belongs'];

/** Two places of a picture and where they belong, clicked one after another. */
export function Edit({ step, label, piece, wrong, commit }: Edited) {
    const { pixels, place } = usePixels(step.id);
    const [at, setAt] = useState<number | null>(null);

    async function ask(): Promise<void> {
        const known: unknown[] = [];
        for (const pair of [0, 1]) {
            setAt(2 * pair);
            const found = await pixels(1);
            if (found === null) break;
            setAt(2 * pair + 1);
            const belongs = await place();
            if (belongs === null) break;
            known.push([found[0], belongs]);
        }
        setAt(null);
        if (known.length === 2) await commit(known);
    }

    return (
        <>
            <InlineButton
                className="italic decoration-amber underline-offset-4 hover:underline"
                aria-label={`${label}: ${piece.text}`}
                onClick={() => void ask()}
            >
                {at === null ? (piece.raw === null ? 'two places to be clicked' : piece.text) : STEPS[at]}
            </InlineButton>
            {piece.raw !== null && (
                <SmallWay label={`Forget the ${label}`} onTake={() => void commit(null)}>
                    forget them
                </SmallWay>
            )}
            <Wrong text={wrong} />
        </>
    );
}

export function Ask({ field }: Asked) {
    return <Unasked label={field.label} />;
}
