import { isDrawn } from '../model/verbs/asking';
import { useAsking } from './asking';
import { usePicks } from './pick';
import { useSheet } from './sheet';

/**
 * Leaves what is asked: of what is drawn first what was begun, then the drawing itself; what was picked before it was said is picked again.
 */
export function useLeaving(): () => void {
    const { asking, setAsking } = useAsking();
    const { preview } = useSheet();
    const { picking } = usePicks();
    return () => {
        void preview(null);
        if (asking !== null && isDrawn(asking) && picking.get().points.length > 0) {
            setAsking({ ...asking, bends: [] });
            picking.clear();
            return;
        }
        setAsking(null);
        if (asking?.before != null) picking.restore(asking.before);
    };
}
