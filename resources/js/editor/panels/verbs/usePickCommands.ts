import type { Operation } from '../../../api/client';
import { stepIn } from '../../model/pick/Picking';
import { stepOf } from '../../model/scene/steps';
import { givingLooks } from '../../model/verbs/kept';
import { useAsking } from '../../state/asking';
import { usePick, usePicks } from '../../state/pick';
import { useSheet } from '../../state/sheet';
import { useRemoving } from '../../state/useRemoving';
import { type Command, command } from './command';

/** From now on each part that is clicked looks like the one that is picked, or that is clicked first. */
export function useGivingLooks(): () => void {
    const { picking } = usePicks();
    const { setKept } = useAsking();
    return () => {
        const { mode, parts } = picking.get();
        setKept(givingLooks(mode === 'parts' && parts.length === 1 ? (parts[0] ?? null) : null));
        picking.setMode('parts');
        picking.clear();
    };
}

/** What is done with picked things themselves, whatever they are: what is chosen in the plan, where nothing is picked. */
export function usePickCommands(): { ids: string[]; commands: Command[] } {
    const { scene, change } = useSheet();
    const { picking, selected, renaming } = usePicks();
    const removing = useRemoving();
    const giveLooks = useGivingLooks();
    const pick = usePick(picking);
    const picked = pick.mode === 'parts' ? pick.parts.map(stepIn) : pick.mode === 'lines' ? [...pick.lines] : [];
    const ids = [...new Set(picked.length === 0 && selected !== null && pick.count === 0 ? [selected] : picked)];
    const [first] = ids;
    if (first === undefined) return { ids, commands: [] };

    const flag = (all: string[], field: 'hidden' | 'fast', value: true | null): Operation[] =>
        all.map((id) => ({ op: 'set', id, field, value }));
    const others = scene.steps
        .filter((step) => step.role === 'part' && !step.usedUp && !step.hidden && !ids.includes(step.id))
        .map(({ id }) => id);
    const of = ids.length === 1 ? (stepOf(scene, first)?.label ?? 'the pick') : 'the pick';
    const isPart = ids.length === 1 && stepOf(scene, first)?.role === 'part';
    return {
        ids,
        commands: [
            ...(ids.length === 1 ? [command('rename', of, 'Rename', 'name, call it, label', () => renaming.set(first), 'F2')] : []),
            ...(isPart
                ? [
                      command(
                          'looks',
                          of,
                          'Give its looks on',
                          'eyedropper, copy style, paint format, same look, take up the looks',
                          giveLooks,
                          'T',
                      ),
                  ]
                : []),
            ids.every((id) => stepOf(scene, id)?.fast === true)
                ? command('let-go', of, 'Let it be dragged', 'unlock, release, loosen, free', () => change(flag(ids, 'fast', null)))
                : command('hold', of, 'Hold it fast', 'lock, fix, pin, freeze, protect, do not move', () =>
                      change(flag(ids, 'fast', true)),
                  ),
            command('hide', of, 'Hide', 'make invisible, turn off, put away, eye, not shown', () => change(flag(ids, 'hidden', true))),
            ...(others.length > 0
                ? [
                      command('hide-others', of, 'Hide the others', 'isolate, only this, solo, show alone', () =>
                          change(flag(others, 'hidden', true)),
                      ),
                  ]
                : []),
            command('delete', of, 'Delete', 'remove, erase, take away, clear, throw away, bin', () => removing(ids), 'Del'),
        ],
    };
}
