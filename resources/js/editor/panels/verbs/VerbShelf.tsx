import { Tooltip } from 'radix-ui';
import type { ReactNode } from 'react';
import type { Pick } from '../../model/pick/Picking';
import { stepOf } from '../../model/scene/steps';
import { FAMILIES, type Verb } from '../../model/verbs/verb';
import { shortLabel } from '../../model/verbs/words';
import { usePick, usePicks } from '../../state/pick';
import { useSheet } from '../../state/sheet';
import { memberLabel } from '../../tools/useHits';
import { Bring } from '../begin/Bring';
import { ReadyOnes } from '../begin/ReadyOnes';
import type { Doing } from './useDoing';
import type { Shelf } from './useShelf';
import { VerbButton } from './VerbButton';

/** So many verbs stand in one row. */
const FEW = 5;

/** And so many with pictures. */
const MOST_PICTURED = 6;

/** Pixels that two rows of verbs have, with something left at the end of the first. */
const TWO_ROWS = 1290;

/** About as many pixels as a verb takes with its picture. */
function widthOf({ label, picture, from }: Verb): number {
    const words = from === 'ground' ? label.replace(/ grid$/, '') : shortLabel(label);
    return 7.2 * words.length + 38 + (picture ? 26 : 0);
}

interface Props {
    shelf: Shelf;
    doing: Doing;
    /** Whether the next number opens a group. */
    naming: boolean;
    /** The verb that is being drawn. */
    drawn: string | null;
    onDone: () => void;
    children: ReactNode;
}

/** What fits the pick: the groups of verbs, and the verbs of the open one. */
export function VerbShelf({ shelf, doing, naming, drawn, onDone, children }: Props) {
    const { scene } = useSheet();
    const { picking } = usePicks();
    const pick = usePick(picking);
    const { count, shown, draws } = shelf;
    const { again, begin, doAgain, problem } = doing;
    // Many stand in two rows, by their words alone where their pictures have no room.
    const tight = shown.length > FEW && (shown.length > MOST_PICTURED || shown.every((verb) => !verb.picture));
    const fitsPictured = shown.reduce((sum, verb) => sum + widthOf(verb), 0) <= TWO_ROWS;
    const picked = describePick(pick, (id) => stepOf(scene, id)?.label ?? id);
    return (
        <>
            <div className="flex h-7 items-center gap-3 text-[13px] text-slate">
                {count > 0 && drawn === null && (
                    <button className={`border-b-2 py-0.5 ${draws ? 'border-amber font-semibold text-ink' : 'border-transparent hover:text-ink'}`} aria-pressed={draws} title="What can be drawn: D" onClick={() => shelf.turnToDrawing(!draws)}>
                        Draw
                    </button>
                )}
                <span
                    aria-live="polite"
                    className={`min-w-0 shrink truncate text-ink max-xl:sr-only ${drawn === null && !draws ? '' : 'sr-only'}`}
                    data-picked={count}
                    title={picked}
                >
                    {picked === '' ? <span className="text-slate">Draw</span> : `With ${picked}`}
                </span>
                <Groups shelf={shelf} naming={naming} />
                <span className="flex-1" />
                {count === 0 && drawn === null && (
                    <Bring
                        onDone={onDone}
                        side="top"
                        trigger={
                            <button className="quiet -mr-2 py-1.5 text-umber" aria-label="Bring a picture, a drawing or a sketch">
                                Bring
                            </button>
                        }
                    />
                )}
                {count === 0 && drawn === null && (
                    <ReadyOnes onLaid={onDone} trigger={<button className="quiet -mr-2 py-1.5 text-umber">Ready constructions</button>} />
                )}
                {count > 0 && drawn === null && (
                    <button className="quiet -mr-2 hidden py-1.5 xl:block" onClick={() => picking.clear()}>
                        Clear
                    </button>
                )}
                {drawn !== null && (
                    <button className="quiet -mr-2 py-1.5 text-umber" onClick={doing.leave}>
                        Leave <kbd className="ml-1 rounded-sm bg-honey px-1.5 py-[3px] font-sans text-[11.5px] leading-none font-medium text-umber">Esc</kbd>
                    </button>
                )}
                {children}
            </div>
            <div className={`flex items-center gap-1 ${tight ? 'max-h-[70px] flex-wrap overflow-y-auto' : 'overflow-x-auto'}`}>
                <Tooltip.Provider delayDuration={500}>
                    {shown.map((verb) => (
                        <VerbButton
                            key={verb.name}
                            verb={tight && !fitsPictured ? { ...verb, picture: null } : verb}
                            tight={tight}
                            pressed={drawn === verb.name}
                            onPress={() => begin(verb)}
                        />
                    ))}
                </Tooltip.Provider>
                {shelf.hasRest && (
                    <button
                        className={`verb ${tight ? 'tight' : ''}`}
                        aria-expanded={shelf.inRest}
                        title={shelf.inRest ? 'Back to the first nine' : 'What there is beyond nine'}
                        onClick={shelf.turnToRest}
                    >
                        <kbd>0 0</kbd>
                        {shelf.inRest ? '‹ Back' : 'More ›'}
                    </button>
                )}
                {again !== undefined && drawn === null && (
                    <button
                        className={`verb ${tight ? 'tight' : ''}`}
                        title={`Again: ${again.label.replace('…', '').toLowerCase()}, answered as before`}
                        onClick={doAgain}
                    >
                        <kbd>.</kbd>
                        Again
                    </button>
                )}
                {problem !== null && drawn === null && (
                    <span role="alert" className="rounded bg-blush px-2 py-1.5 text-[12.5px] leading-snug text-brick">
                        {problem}
                    </span>
                )}
            </div>
        </>
    );
}

/** The number that opens a group: a family's own; of what can be drawn its place in the row. */
export function numberOf(shelf: Shelf, group: Shelf['groups'][number]): number {
    const family = FAMILIES.findIndex((one) => one === group);
    return (family < 0 ? shelf.groups.indexOf(group) : family) + 1;
}

function Groups({ shelf, naming }: { shelf: Shelf; naming: boolean }) {
    const { groups, group } = shelf;
    if (groups.length < 2 && !naming) return null;
    return (
        <span role="radiogroup" aria-label="Families of verbs" className="flex shrink-0 items-center gap-2 xl:gap-3">
            {groups.map((one) => (
                <button
                    key={one}
                    role="radio"
                    aria-checked={group === one}
                    className={`flex items-center gap-1 border-b-2 py-0.5 ${group === one ? 'border-amber font-semibold text-ink' : 'border-transparent hover:text-ink'}`}
                    onClick={() => shelf.open(one)}
                >
                    {naming && (
                        <kbd className="rounded-sm bg-honey px-1 font-sans text-[11.5px] font-medium text-umber">
                            {numberOf(shelf, one)}
                        </kbd>
                    )}
                    {one}
                </button>
            ))}
        </span>
    );
}

/** `3 cells of grid 1`; of points and lines the names. */
function describePick(pick: Pick, label: (id: string) => string): string {
    switch (pick.mode) {
        case 'parts':
            return pick.parts.map((name) => memberLabel(name, label)).join(', ');
        case 'lines':
            return pick.lines.map(label).join(', ');
        case 'points':
            return pick.points.length > 2 ? `${pick.points.length} points` : pick.points.map((point) => point.name).join('; ');
        case 'paint':
        case 'trace':
            return '';
        case 'cells':
            return pick.count === 0
                ? ''
                : `${pick.count} ${pick.count === 1 ? 'cell' : 'cells'} of ${[...pick.cells.keys()].map(label).join(' and ')}`;
    }
}
