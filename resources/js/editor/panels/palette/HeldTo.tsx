import { useMemo } from 'react';
import { useSheet } from '../../state/sheet';

/** How many colours are drawn, and how many there may be. */
export function HeldTo() {
    const { scene, change } = useSheet();
    const drawn = useMemo(() => {
        const colours = new Set<string>();
        for (const { styles } of scene.drawing) {
            for (const style of styles) {
                if (style.fill !== 'none' && style.gradient === undefined && style.pattern === undefined) colours.add(style.fill);
                if (style.stroke !== 'none' && style.strokeWidth > 0) colours.add(style.stroke);
            }
        }
        return colours.size;
    }, [scene.drawing]);
    const held = scene.sheet.colours;
    if (drawn === 0) return null;
    const put = (value: number | 'palette' | null) => void change([{ op: 'sheet', field: 'colours', value }]);
    return (
        <p className="flex flex-wrap items-baseline gap-x-1.5 font-serif text-[15px] leading-snug">
            {drawn} {drawn === 1 ? 'colour' : 'colours'} drawn, held to
            <select
                className="live"
                aria-label="What the sheet's colours are held to"
                value={typeof held === 'number' ? 'number' : (held ?? '')}
                onChange={(event) => put(event.target.value === 'number' ? Math.max(1, Math.min(256, drawn)) : event.target.value === 'palette' ? 'palette' : null)}
            >
                <option value="">any</option>
                <option value="number">so many</option>
                <option value="palette">the palette</option>
            </select>
            {typeof held === 'number' && <input key={held} type="number" min={1} max={256} className="live w-12" aria-label="Colours that the sheet may have" defaultValue={held} onBlur={(event) => event.target.valueAsNumber >= 1 && event.target.valueAsNumber !== held && put(Math.round(event.target.valueAsNumber))} onKeyDown={(event) => event.key === 'Enter' && event.currentTarget.blur()} />}
        </p>
    );
}
