import { stepOf } from '../../model/scene/steps';
import { usePick, usePicks } from '../../state/pick';
import { useSheet } from '../../state/sheet';
import { useView } from '../../state/view';
import { gridShape } from '../../model/scene/geometry';
import { type PickMode, type Reach, REACHES, type Whole, WHOLES } from '../../model/pick/Picking';

const MODES: PickMode[] = ['cells', 'points', 'lines', 'parts', 'paint'];

/** What the pointer picks, and how far it reaches. */
export function PickModes() {
    const { scene } = useSheet();
    const { picking } = usePicks();
    const { drawingIn, drawIn, toSheet } = useView();
    const inCells = stepOf(scene, drawingIn ?? '')?.cell !== undefined;
    const pick = usePick(picking);
    const tilings = scene.steps.filter((step) => (step.role === 'grid' || step.role === 'overlay') && !step.hidden);
    const on = tilings.some((step) => step.id === pick.on) ? pick.on : null;
    const grid = tilings.findLast((step) => (on === null || step.id === on) && (pick.cells.size === 0 || pick.cells.has(step.id)));
    const words = gridShape(grid?.geometry)?.data.cellWords ?? [];
    return (
        <div className="flex h-7 min-w-0 items-center gap-2.5 text-[13px] text-slate xl:gap-4">
            <span role="radiogroup" aria-label="What the pointer picks" className="flex items-center gap-2.5 xl:gap-3.5">
                Pick
                {(scene.steps.some((step) => step.role === 'picture' && !step.hidden) ? [...MODES, 'trace' as const] : MODES).map(
                    (mode) => (
                        <Choice
                            key={mode}
                            chosen={pick.mode === mode}
                            onChoose={() => {
                                picking.setMode(mode);
                                toSheet();
                            }}
                        >
                            {mode}
                        </Choice>
                    ),
                )}
            </span>
            {pick.mode === 'points' && (
                <select
                    className="live max-w-24 font-serif xl:max-w-none text-[15px] text-ink"
                    aria-label="What points snap to"
                    value={pick.snapsTo}
                    onChange={(event) => picking.setSnapsTo(event.target.value as Reach)}
                >
                    {Object.keys(REACHES).map((reach) => (
                        <option key={reach}>{reach}</option>
                    ))}
                </select>
            )}
            {pick.mode === 'parts' && (
                <select
                    className="live max-w-24 font-serif xl:max-w-none text-[15px] text-ink"
                    aria-label="What of a part the pointer picks"
                    value={pick.whole}
                    onChange={(event) => picking.setWhole(event.target.value as Whole)}
                >
                    {WHOLES.map((whole) => (
                        <option key={whole}>{whole}</option>
                    ))}
                </select>
            )}
            {(pick.mode === 'cells' || pick.mode === 'paint') && tilings.length > 1 && (
                <select
                    className="live max-w-36 font-serif text-[15px] text-ink"
                    aria-label="Whose cells the pointer picks"
                    value={on ?? ''}
                    onChange={(event) => picking.setOn(event.target.value === '' ? null : event.target.value)}
                >
                    <option value="">of what lies on top</option>
                    {tilings.map((step) => (
                        <option key={step.id} value={step.id}>
                            of {step.label}
                        </option>
                    ))}
                </select>
            )}
            {pick.mode === 'cells' && words.length > 1 && (
                <select
                    className="live max-w-24 font-serif xl:max-w-none text-[15px] text-ink"
                    aria-label="How far a click reaches"
                    value={pick.reach ?? ''}
                    onChange={(event) => picking.setReach(event.target.value === '' ? null : Number(event.target.value))}
                >
                    <option value="">one by one</option>
                    {words.map((word, reach) => (
                        <option key={word} value={reach}>
                            the whole {word}
                        </option>
                    ))}
                </select>
            )}
            {drawingIn !== null && (
                <span role="status" className="flex min-w-0 items-center gap-2 rounded bg-honey px-2 py-1 whitespace-nowrap text-ink" title={`What is drawn in any ${inCells ? 'cell' : 'sector'} of ${stepOf(scene, drawingIn)?.label ?? 'the repeat'} is drawn in all of them`}>
                    <span className="truncate">
                        Drawing in every {inCells ? 'cell' : 'sector'}
                    </span>
                    <button className="font-semibold text-umber hover:underline" onClick={() => drawIn(null)}>
                        Done
                    </button>
                </span>
            )}
        </div>
    );
}

function Choice({ chosen, onChoose, children }: { chosen: boolean; onChoose: () => void; children: string }) {
    return (
        <button role="radio" aria-checked={chosen} className={`border-b-2 py-0.5 whitespace-nowrap ${chosen ? 'border-amber font-semibold text-ink' : 'border-transparent hover:text-ink'}`} onClick={onChoose}>
            {children}
        </button>
    );
}
