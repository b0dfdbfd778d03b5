import { useState } from 'react';
import { answer, api } from '../../../../api/client';
import { useSheet } from '../../../state/sheet';
import { type Asked, Unasked } from '../asked';
import { type Edited, Wrong } from '../edited';
import { SmallWay } from '../SmallWay';
import { usePixels } from '../usePixels';

const CORNERS = ['upper left', 'upper right', 'lower right', 'lower left'];

/** Four corners that a picture is straightened to: found by itself, or clicked one after another. */
export function Edit({ step, label, piece, wrong, commit }: Edited) {
    const { page } = useSheet();
    const { pixels } = usePixels(step.id);
    const [said, say] = useState<string | null>(null);

    async function find(): Promise<void> {
        say('looking for the sheet');
        try {
            const { corners } = await answer(
                api.POST('/api/sheets/{sheet}/corners', { params: { path: { sheet: page.id } }, body: { step: step.id } }),
            );
            say(corners === null ? 'no sheet is found in it; its corners can be clicked' : null);
            if (corners !== null) await commit(corners);
        } catch (fault) {
            say(fault instanceof Error ? fault.message : 'It could not be looked at.');
        }
    }

    async function click(): Promise<void> {
        const found: [number, number][] = [];
        for (const corner of CORNERS) {
            say(`click the ${corner} corner`);
            const [one] = (await pixels(1)) ?? [];
            if (one === undefined) break;
            found.push(one);
        }
        say(null);
        if (found.length === CORNERS.length) await commit(found);
    }

    return (
        <>
            {said ?? (piece.raw === null ? 'its corners' : piece.text)}
            {piece.raw === null ? (
                <>
                    <SmallWay label={`Find the ${label}`} onTake={() => void find()}>
                        find them
                    </SmallWay>
                    <SmallWay label={`Click the ${label}`} onTake={() => void click()}>
                        click them
                    </SmallWay>
                </>
            ) : (
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
