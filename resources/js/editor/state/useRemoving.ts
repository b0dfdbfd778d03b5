import { expectedText, NO } from '../model/problem';
import { useActs } from './acts';
import { hangsOn } from '../model/plan/hangsOn';

/** Deletes steps. What is built on them is told, with the offer to leave it as it is: then they are there still, and hidden. */
export function useRemoving(): (ids: string[]) => Promise<string | null> {
    const { change, told, toSheet, move, now } = useActs();
    return async (ids) => {
        const { scene } = now();
        const gone = scene.steps.filter(({ id }) => ids.includes(id));
        const hanging = gone
            .map((step) => hangsOn({ ...scene, steps: scene.steps.filter(({ id }) => !ids.includes(id) || id === step.id) }, step))
            .filter((one) => one !== null);
        const refused = await change([{ op: 'remove', ids }]);
        // The sentence goes, and with it what had the focus.
        toSheet();
        if (refused !== null) return expectedText(refused, NO);
        const [first] = hanging;
        if (first !== undefined) {
            told.set({
                text: first,
                label: 'Hide it instead',
                run: () => void move('undo').then(() => change(ids.map((id) => ({ op: 'set', id, field: 'hidden', value: true })))),
            });
        }
        return null;
    };
}
