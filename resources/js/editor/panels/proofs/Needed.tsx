import { later } from '../../../ui/later';
import { usePick, usePicks } from '../../state/pick';
import { useSheet } from '../../state/sheet';
import { patternsOf } from './useTile';

const PaintProof = later(() => import('../paint/PaintProof').then(({ PaintProof }) => PaintProof));
const TileProof = later(() => import('./TileProof').then(({ TileProof }) => TileProof));

/** The proof of what is painted, while it is painted. */
export function PaintProofWhenPainting() {
    const { picking } = usePicks();
    const { mode } = usePick(picking);
    return mode === 'paint' ? <PaintProof /> : null;
}

/** The proof of patterns, where there are any. */
export function TileProofOfPatterns() {
    const { scene } = useSheet();
    return patternsOf(scene).length > 0 ? <TileProof /> : null;
}
