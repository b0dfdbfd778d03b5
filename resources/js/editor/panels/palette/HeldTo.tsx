import { useMemo } from 'react';
import { LiveProperties } from '../../ask/fields/LiveProperty';
import { coloursDrawn } from '../../model/scene/coloursDrawn';
import { useSheet } from '../../state/sheet';

/** How many colours are drawn, and how many there may be. */
export function HeldTo() {
    const { scene } = useSheet();
    const drawn = useMemo(() => coloursDrawn(scene).size, [scene]);
    if (drawn === 0) return null;
    return (
        <p className="font-serif text-[15px] leading-snug">
            {drawn} {drawn === 1 ? 'colour' : 'colours'} drawn, <LiveProperties pieces={scene.said.colours} />
        </p>
    );
}
