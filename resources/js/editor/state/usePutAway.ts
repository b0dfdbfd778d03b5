import { type Asking, isDrawn } from '../model/verbs/asking';
import { useAsking } from './asking';
import { usePicks } from './pick';

/** What is drawn, one after another, as long as nothing of the next one is begun; null otherwise. */
export function useRested(): Asking | null {
    const { asking } = useAsking();
    const { picking } = usePicks();
    const { points, held } = picking.get();
    return asking !== null && isDrawn(asking) && points.length === 0 && !held ? asking : null;
}

/** Puts away what is drawn one after another, so that what was drawn last is picked; says what was put away, to be gone on with. */
export function usePutAway(): () => Asking | null {
    const { setAsking } = useAsking();
    const { picking } = usePicks();
    const rested = useRested();
    return () => {
        if (rested === null) return null;
        setAsking(null);
        if (rested.before !== null) picking.restore(rested.before);
        return rested;
    };
}
