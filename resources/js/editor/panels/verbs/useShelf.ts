import { useMemo, useState } from 'react';
import { isDrawn } from '../../model/verbs/asking';
import { MODE_OF } from '../../model/verbs/kept';
import type { Pick } from '../../model/pick/Picking';
import { DRAWN, FAMILIES, type Group, groupOf, type Verb } from '../../model/verbs/verb';
import { verbsFor } from '../../model/verbs/verbs';
import { useAsking } from '../../state/asking';
import { usePick, usePicks } from '../../state/pick';
import { useSheet } from '../../state/sheet';

export interface Shelf {
    /** All verbs that fit what is picked, and those that ask for it. */
    verbs: Verb[];
    /** How many of what is being picked are. */
    count: number;
    /** What can be opened, in its order, and what is. */
    groups: Group[];
    group: Group | undefined;
    /** The verbs of it, by their numbers; or those beyond nine, behind its tenth place. */
    shown: Verb[];
    hasRest: boolean;
    inRest: boolean;
    turnToRest: () => void;
    /** Whether what can be drawn stands there although something is picked. */
    draws: boolean;
    open: (group: Group) => void;
    /** To what can be drawn, and back. */
    turnToDrawing: (draws: boolean) => void;
    verbOf: (name: string) => Verb | undefined;
}

/** The number that is pressed for a verb, and shown. */
export function digitOf({ key }: Verb): number {
    return key % 10;
}

function isRest({ key }: Verb): boolean {
    return key > 10;
}

/** The pick with nothing in it. */
export function emptied(pick: Pick): Pick {
    return { ...pick, cells: new Map(), runs: new Map(), parts: [], points: [], lines: [], count: 0 };
}

/** The verbs that stand below the sheet, by what is picked and what was opened. */
export function useShelf(colour: string | null): Shelf {
    const { page, scene, kinds } = useSheet();
    const { picking, selected } = usePicks();
    const { asking } = useAsking();
    const pick = usePick(picking);
    const [opened, setOpened] = useState<Partial<Record<string, Group>>>({});
    const [wantsDrawing, turnToDrawing] = useState(false);
    const [restOf, setRestOf] = useState<string | null>(null);
    const asked = asking?.verb.name;
    const bench = useMemo(() => ({ page, scene, kinds, picking, selected, colour }), [page, scene, kinds, picking, selected, colour]);
    const verbs = useMemo(() => verbsFor({ ...bench, pick, asked }), [bench, pick, asked]);
    const count = { cells: pick.count, parts: pick.parts.length, points: pick.points.length, lines: pick.lines.length, paint: 0, trace: 0 }[
        pick.mode
    ];
    const drawing = asking !== null && isDrawn(asking);
    const draws = drawing || (wantsDrawing && count > 0);
    const sort = count === 0 || draws ? 'ground' : pick.mode;
    const offered = useMemo(() => (draws ? verbsFor({ ...bench, pick: emptied(pick), asked }) : verbs), [draws, bench, pick, asked, verbs]);
    const groups = (sort === 'ground' ? DRAWN : FAMILIES).filter((group) => offered.some((verb) => groupOf(verb) === group));
    // Before there is a grid, that comes first.
    const usual = sort === 'ground' && !scene.steps.some((step) => step.role === 'grid') ? 'grids' : groups[0];
    const group = groups.find((one) => one === opened[sort]) ?? groups.find((one) => one === usual) ?? groups[0];
    const its = useMemo(() => offered.filter((verb) => groupOf(verb) === group).sort((a, b) => a.key - b.key), [offered, group]);
    const inRest = restOf === `${sort} ${group}` && its.some(isRest);

    return {
        verbs,
        count,
        groups,
        group,
        shown: its.filter((verb) => isRest(verb) === inRest),
        hasRest: its.some(isRest),
        inRest,
        turnToRest: () => setRestOf(inRest ? null : `${sort} ${group}`),
        draws,
        open: (next) => setOpened((old) => ({ ...old, [sort]: next })),
        turnToDrawing,
        verbOf: (name) => {
            const found = verbs.find((verb) => verb.name === name);
            if (found !== undefined) return found;
            const from = kinds
                .flatMap((kind) => kind.offers.map((offer) => ({ name: `${kind.kind} ${offer.label}`, from: offer.from })))
                .find((one) => one.name === name)?.from;
            return from === undefined
                ? undefined
                : verbsFor({ ...bench, pick: { ...emptied(pick), mode: MODE_OF[from] ?? 'cells' }, asked: name }).find(
                      (verb) => verb.name === name,
                  );
        },
    };
}
