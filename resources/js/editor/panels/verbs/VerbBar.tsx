import { useState } from 'react';
import { AskBar } from '../../ask/AskBar';
import { DrawBar } from '../../ask/DrawBar';
import { useKeys } from '../../keys/Keyboard';
import { type Asking, isDrawn, withPointed } from '../../model/verbs/asking';
import type { Saying } from '../../model/verbs/sayings';
import { verbsFor } from '../../model/verbs/verbs';
import { useAsking } from '../../state/asking';
import { usePick, usePicks } from '../../state/pick';
import { useSheet } from '../../state/sheet';
import { usePutAway } from '../../state/usePutAway';
import { useCommands } from './commands';
import { KeptBar } from './KeptBar';
import { keepOn } from './KeepOn';
import { SayIt } from './SayIt';
import { useDoing } from './useDoing';
import { useKeptOn } from './useKeptOn';
import { useGivingLooks } from './usePickCommands';
import { digitOf, useShelf } from './useShelf';
import { numberOf, VerbShelf } from './VerbShelf';
import { later } from '../../../ui/later';

const Keys = later(() => import('./Keys').then(({ Keys }) => Keys));
const PaintBar = later(() => import('../paint/PaintBar').then(({ PaintBar }) => PaintBar));
const TraceBar = later(() => import('../trace/TraceBar').then(({ TraceBar }) => TraceBar));

/** What can be said: verbs that fit the pick, what can be drawn, what is asked, what is kept on. */
export function VerbBar({ onDone }: { onDone: () => void }) {
    const { page, kinds } = useSheet();
    const { picking, selected, pointed } = usePicks();
    const { asking, setAsking, last, kept, setKept } = useAsking();
    const pick = usePick(picking);
    const [colour, setColour] = useState<string | null>(null);
    const [naming, setNaming] = useState(false);
    // What is spoken, with the drawing that goes on where nothing is said.
    const [saying, setSaying] = useState<{ resting: Asking | null } | null>(null);
    const [keys, setKeys] = useState(false);
    const shelf = useShelf(colour);
    const doing = useDoing(shelf, setColour, onDone);
    useKeptOn(shelf, doing.setProblem);
    const giveLooks = useGivingLooks();
    const commands = useCommands(() => setKeys(true));
    const drawn = asking !== null && isDrawn(asking) ? asking : null;
    const putAway = usePutAway();

    function openSaying(): void {
        setSaying({ resting: putAway() });
    }

    function closeSaying(isSpoken: boolean): void {
        setSaying(null);
        if (isSpoken || saying === null || saying.resting === null) return;
        picking.setMode('points');
        setAsking(saying.resting);
    }

    function say({ name }: Pick<Saying, 'name'>): void {
        closeSaying(true);
        const verb = shelf.verbOf(name);
        if (verb === undefined) onDone();
        else doing.begin(verb);
    }

    function pressed({ key }: KeyboardEvent): void {
        const number = Number(key);
        if (naming) {
            const group = shelf.groups.find((one) => numberOf(shelf, one) === number);
            setNaming(false);
            if (group !== undefined) shelf.open(group);
        } else {
            const verb = shelf.shown.find((one) => digitOf(one) === number);
            if (verb !== undefined) doing.begin(verb);
        }
    }

    // While something is asked for, it is answered first; what is drawn gives way to what is drawn next.
    const free = (act: (event: KeyboardEvent) => void) => (event: KeyboardEvent) => (asking !== null ? false : act(event));
    const drawing = (act: (event: KeyboardEvent) => void) => (event: KeyboardEvent) =>
        asking !== null && drawn === null ? false : act(event);
    useKeys({
        say: drawing(openSaying),
        keys: free(() => setKeys(true)),
        again: free(doing.doAgain),
        draw: free(() => shelf.turnToDrawing(!shelf.draws)),
        families: drawing(() => {
            // Twice it opens what there is beyond nine.
            if (naming && shelf.hasRest) shelf.turnToRest();
            setNaming(!naming);
        }),
        verb: drawing(pressed),
        keep: free(() => {
            if (kept !== null) return;
            doing.setProblem(null);
            keepOn({ last, setKept: setKept }, picking);
        }),
        looks: free(giveLooks),
        leave: () => {
            if (!naming && kept === null) return false;
            setNaming(false);
            setKept(null);
        },
    });

    const asked =
        asking === null || doing.now === null
            ? null
            : {
                  asking,
                  verb: doing.now,
                  pointed: () => {
                      const more = withPointed(pick, pointed.get());
                      const name = doing.now?.name;
                      return more === null
                          ? undefined
                          : verbsFor({ page, scene: page.scene, kinds, pick: more, picking, selected, colour, asked: name }).find(
                                (verb) => verb.name === name,
                            );
                  },
                  problem: doing.problem,
                  onAnswer: doing.answer,
                  onDo: doing.doIt,
                  onLeave: doing.leave,
              };
    if (asked !== null && drawn === null) return <AskBar {...asked} />;
    if (kept !== null) return <KeptBar kept={kept} verbs={shelf.verbs} count={shelf.count} problem={doing.problem} onDone={onDone} />;

    const sayIt = (
        <SayIt
            kinds={kinds}
            commands={commands}
            open={saying !== null}
            onOpen={openSaying}
            onClose={(isSpoken) => {
                closeSaying(isSpoken);
                onDone();
            }}
            fits={(name) => shelf.verbs.some((verb) => verb.name === name && verb.needs === 0)}
            onSay={say}
            onKeys={() => {
                closeSaying(false);
                setKeys(true);
            }}
        />
    );
    return (
        <section
            aria-label="Verbs"
            className="flex h-[110px] shrink-0 flex-col justify-center gap-1.5 border-t border-rule bg-paper px-4 py-2"
        >
            {pick.mode === 'paint' ? (
                <PaintBar>{sayIt}</PaintBar>
            ) : pick.mode === 'trace' ? (
                <TraceBar>{sayIt}</TraceBar>
            ) : (
                <VerbShelf shelf={shelf} doing={doing} naming={naming} drawn={drawn?.verb.name ?? null} onDone={onDone}>
                    {sayIt}
                </VerbShelf>
            )}
            <Keys open={keys} onOpen={setKeys} onClosed={onDone} />
            {asked !== null && drawn !== null && <DrawBar {...asked} />}
        </section>
    );
}
