import { type ReactNode, type RefObject, useMemo } from 'react';
import type { Camera, Seen } from '../model/camera';
import type { Hover } from '../model/pick/hover';
import { stepOf } from '../model/scene/steps';
import { usePalette } from '../state/acts';
import { usePicks } from '../state/pick';
import { useSheet } from '../state/sheet';
import { useView } from '../state/view';
import { BaseLayer, HoverLayer, PickLayer } from './Layers';
import { INK } from './canvas';

interface Given {
    view: Camera;
    size: { width: number; height: number };
    seen: Seen | null;
    hover: Hover | null;
    /** The cell that the keyboard stands on. */
    standing: { grid: string; address: string } | null;
    /** Of what is under the brush. */
    colour: string | null;
    /** Answers what lies where. */
    canvas: RefObject<HTMLCanvasElement | null>;
    /** What a tool draws, above what is picked. */
    children: ReactNode;
}

/** The canvases of the sheet, one above another: what it comes to, what is picked, what a tool draws, what is pointed at. */
export function SheetLayers({ view, size, seen, hover, standing, colour, canvas, children }: Given) {
    const { page, scene } = useSheet();
    const { picking, selected } = usePicks();
    const { gridsShown, measuresShown, shownAs, worked, drawingIn } = useView();
    const palette = usePalette();
    const outlines = shownAs === 'outlines';
    const shown = { scene, view, size };
    const cellShown = outlines ? null : (stepOf(scene, drawingIn ?? selected ?? '')?.cell ?? null);
    const measured = useMemo(() => (measuresShown ? { selected } : null), [measuresShown, selected]);
    return (
        <>
            <BaseLayer
                {...shown}
                gridsShown={gridsShown}
                outlines={outlines}
                seen={seen}
                worked={worked}
                measured={measured}
                sector={drawingIn === null || outlines ? null : (stepOf(scene, drawingIn)?.sector ?? null)}
                cell={cellShown}
                bare={Object.values(palette)[0] ?? INK}
            />
            {shownAs === 'circles' && (
                <img
                    alt="The construction: the result faded, its grids and guides, circles and their radii"
                    className="pointer-events-none absolute max-w-none"
                    style={{ left: view.x, top: view.y, width: scene.sheet.width * view.scale, height: scene.sheet.height * view.scale }}
                    src={`/api/sheets/${page.id}/file?format=svg&shown=construction&revision=${page.revision}`}
                />
            )}
            <PickLayer {...shown} picking={picking} />
            {children}
            <HoverLayer {...shown} hover={hover} cursor={standing} outlines={outlines} canvas={canvas} colour={colour} />
        </>
    );
}
