import { type ComponentPropsWithRef, useState } from 'react';
import type { Problem } from '../../../api/client';
import { useAsking } from '../../state/asking';
import { usePick, usePicks } from '../../state/pick';
import { useSheet } from '../../state/sheet';
import { Bring } from './Bring';
import { Examples } from './Examples';
import { ReadyOnes } from './ReadyOnes';
import { FirstSteps } from './FirstSteps';

/** Four ways to begin on an empty sheet, and the first steps, done by doing them. */
export function Begin({ bring, onBegun }: { bring: (plan: string) => Promise<Problem | null>; onBegun: () => void }) {
    const { page } = useSheet();
    const { asking, placeWanted } = useAsking();
    const { picking } = usePicks();
    const { mode } = usePick(picking);
    const [left, setLeft] = useState(false);
    const [stepping, setStepping] = useState(false);
    const isNew = page.plan.steps.length === 0 && page.undo === null;

    function begin(): void {
        setLeft(true);
        onBegun();
    }

    if (stepping) {
        return (
            <FirstSteps
                onLeave={() => {
                    setStepping(false);
                    begin();
                }}
            />
        );
    }
    if (!isNew || left || asking !== null || placeWanted !== null || mode !== 'cells') return null;
    return (
        <section aria-label="Four ways to begin" className="pointer-events-none absolute inset-0 grid place-items-center">
            <div className="appear pointer-events-auto w-[600px] max-w-[92%] rounded-md border border-rule bg-paper p-6 shadow-[0_10px_40px_-16px_rgba(27,33,64,.35)]">
                <h2 className="font-serif text-[22px] leading-none font-semibold">Four ways to begin</h2>
                <div className="mt-5 grid grid-cols-4 gap-2.5">
                    <Way
                        picture="M6 6h36v36h-36zM18 6V42M30 6V42M6 18H42M6 30H42"
                        name="A grid"
                        says="one of nine sorts, from below the sheet"
                        onClick={begin}
                    />
                    <div className="flex min-w-0 flex-col-reverse gap-1">
                        {/* Once something is laid the sheet is not empty any more; what was refused stays to be read. */}
                        <Bring
                            onDone={onBegun}
                            side="bottom"
                            trigger={
                                <Way
                                    picture="M6 9h36v30h-36zM6 33L16 22L24 30L30 24L42 36M30 17a3 3 0 1 0 6 0a3 3 0 1 0-6 0"
                                    name="A reference"
                                    says="a picture, a drawing, or a sketch"
                                />
                            }
                        />
                    </div>
                    <ReadyOnes
                        onLaid={begin}
                        trigger={<Way picture="M8 18a10 10 0 1 0 20 0a10 10 0 1 0-20 0M20 18a10 10 0 1 0 20 0a10 10 0 1 0-20 0M14 30a10 10 0 1 0 20 0a10 10 0 1 0-20 0" name="A ready one" says="a construction, laid as sentences" />}
                    />
                    <Examples
                        bring={bring}
                        onBrought={begin}
                        trigger={
                            <Way
                                picture="M8 8h18v18h-18zM22 22h18v18h-18zM22 26V22H26"
                                name="An example"
                                says="a finished sheet to take apart"
                            />
                        }
                    />
                </div>
                <p className="mt-4 flex items-center justify-between">
                    <button
                        className="font-medium text-umber hover:underline"
                        onClick={() => {
                            setStepping(true);
                            onBegun();
                        }}
                    >
                        Show me in five steps
                    </button>
                    <button className="quiet -mr-2.5" onClick={begin}>
                        I know my way
                    </button>
                </p>
            </div>
        </section>
    );
}

function Way({ picture, name, says, ...rest }: { picture: string; name: string; says: string } & ComponentPropsWithRef<'button'>) {
    return (
        <button
            className="flex grow flex-col items-start rounded border border-rule bg-card p-3 text-left hover:border-amber hover:bg-honey"
            {...rest}
        >
            <svg viewBox="0 0 48 48" width="44" height="44" aria-hidden="true" className="mb-2.5 -ml-1">
                <path d={picture} fill="none" stroke="currentColor" strokeWidth="1.6" />
            </svg>
            <span className="leading-tight font-semibold">{name}</span>
            <span className="mt-1 text-[12px] leading-snug text-slate">{says}</span>
        </button>
    );
}
