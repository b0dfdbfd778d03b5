import { type RefObject, useEffect, useRef, useSyncExternalStore } from 'react';
import type { Hover } from '../../model/pick/hover';
import { isDrawn } from '../../model/verbs/asking';
import { drawingWords } from '../../model/verbs/words';
import { useAsking } from '../../state/asking';
import { usePick, usePicks } from '../../state/pick';
import { useSheet } from '../../state/sheet';

/** What is told of a change and of what is brought, above the sheet; what the pointer is on, below it; what it is doing, beside it. */
export function SheetSays({ brought, hover, box }: { brought: string | null; hover: Hover | null; box: RefObject<HTMLElement | null> }) {
    const { told } = useSheet();
    const drawing = useDrawing();
    const words = hover !== null && isDone(hover) ? hover.name : drawing;
    const said = useSyncExternalStore(told.subscribe, told.get);
    return (
        <>
            {said !== null && (
                <p role="status" className="pointer-events-none absolute top-3 left-1/2 max-w-[90%] -translate-x-1/2 rounded bg-honey px-3 py-1.5 text-[13px] leading-snug text-umber shadow">
                    {typeof said === 'string' ? said : said.text}
                    {typeof said !== 'string' && (
                        <button type="button" data-keys className="pointer-events-auto ml-2 font-medium underline" onClick={said.run}>
                            {said.label}
                        </button>
                    )}
                </p>
            )}
            {brought !== null && (
                <p
                    role="status"
                    className="pointer-events-none absolute top-3 left-1/2 -translate-x-1/2 rounded bg-paper px-3 py-1.5 text-[13px] shadow"
                >
                    {brought}
                </p>
            )}
            {words !== null && <Beside box={box} text={words} />}
            <p aria-live="polite" className="pointer-events-none absolute bottom-0 left-4 max-w-[calc(100%-2rem)] truncate rounded bg-ground/90 py-0.5 font-serif text-[15px]" title={hover?.name}>
                {hover?.name}
            </p>
        </>
    );
}

/** What comes next of what is being drawn; null where nothing is. */
function useDrawing(): string | null {
    const { asking, offered } = useAsking();
    const { picking } = usePicks();
    const { points } = usePick(picking);
    const { verbs } = useSyncExternalStore(offered.subscribe, offered.get);
    if (asking === null || !isDrawn(asking)) return null;
    return drawingWords(verbs.find(({ name }) => name === asking.verb.name) ?? asking.verb, points.length);
}

/** Whether it is about something under way, not about what lies there. */
function isDone({ dragged, box, touches }: Hover): boolean {
    return dragged !== undefined || box !== undefined || touches !== undefined;
}

/** Pixels from the pointer. */
const AWAY = 18;

/** Words beside the pointer, on the side where there is room for them; the same stands below the sheet, which is read out. */
function Beside({ box, text }: { box: RefObject<HTMLElement | null>; text: string }) {
    const words = useRef<HTMLParagraphElement>(null);
    useEffect(() => {
        // Handles lie beside the sheet, in the same place.
        const sheet = box.current?.parentElement ?? null;
        if (sheet === null) return;
        const follow = (event: PointerEvent): void => {
            const [element, corner] = [words.current, sheet.getBoundingClientRect()];
            if (element === null) return;
            const [x, y] = [event.clientX - corner.left, event.clientY - corner.top];
            const left = x + AWAY + element.offsetWidth > corner.width ? Math.max(0, x - AWAY - element.offsetWidth) : x + AWAY;
            const top = y + AWAY + element.offsetHeight > corner.height ? y - AWAY - element.offsetHeight : y + AWAY;
            element.style.transform = `translate(${left}px, ${top}px)`;
            element.style.visibility = 'visible';
        };
        sheet.addEventListener('pointermove', follow);
        return () => sheet.removeEventListener('pointermove', follow);
    }, [box]);
    return (
        <p ref={words} aria-hidden="true" className="invisible pointer-events-none absolute top-0 left-0 z-10 max-w-60 rounded bg-ink px-2 py-1 font-serif text-[14px] leading-snug text-paper">
            {text}
        </p>
    );
}
