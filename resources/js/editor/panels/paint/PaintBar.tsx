import { type ReactNode, useState, useSyncExternalStore } from 'react';
import { stepOf } from '../../model/scene/steps';
import { useBrush } from '../../state/brush';
import { usePick, usePicks } from '../../state/pick';
import { useSheet } from '../../state/sheet';
import { usePalette } from '../../state/acts';
import { Swatch } from '../../ask/fields/Swatch';
import { useKeys } from '../../keys/Keyboard';
import { gridShape } from '../../model/scene/geometry';
import { BlockVerbs } from './BlockVerbs';
import { WAYS, type Way } from '../../model/paint/Painter';
import { paintedGrid } from '../../model/paint/paintedGrid';

/** So many colours have a number of their own. */
const NUMBERED = 9;

/** Of more than so many colours only the chosen one is named. */
const NAMED = 5;

/** What the brush does, in the place of the verbs: how it paints, and in which colour. */
export function PaintBar({ children }: { children: ReactNode }) {
    const { scene, page } = useSheet();
    const { picking } = usePicks();
    const { painter } = useBrush();
    const palette = usePalette();
    const brush = useSyncExternalStore(painter.subscribe, painter.getBrush);
    const block = useSyncExternalStore(painter.subscribe, () => painter.block);
    const [naming, setNaming] = useState(false);
    const grid = paintedGrid(scene, usePick(picking).on);
    const shape = gridShape(grid?.geometry);
    const ways: readonly Way[] = shape?.isLattice === true ? WAYS : WAYS.filter((way) => way === 'cell by cell' || way === 'area');
    const names = Object.keys(palette);
    const isOwn = brush.colour !== 'none' && palette[brush.colour] === undefined;

    useKeys({
        ways: () => setNaming(!naming),
        colour: ({ key }) => {
            const number = Number(key);
            if (naming) {
                setNaming(false);
                const way = ways[number - 1];
                if (way !== undefined) painter.set({ way });
            } else if (names[number - 1] !== undefined) painter.set({ colour: names[number - 1] });
        },
    });

    return (
        <>
            <div className="flex h-7 items-center gap-4 overflow-x-auto text-[13px] whitespace-nowrap text-slate">
                <span role="radiogroup" aria-label="How the brush paints" className="flex shrink-0 items-center gap-3.5">
                    {ways.map((way, number) => (
                        <button
                            key={way}
                            role="radio"
                            aria-checked={brush.way === way}
                            className={`flex items-center gap-1 border-b-2 py-0.5 ${brush.way === way ? 'border-amber font-semibold text-ink' : 'border-transparent hover:text-ink'}`}
                            onClick={() => painter.set({ way })}
                        >
                            {naming && (
                                <kbd className="rounded-sm bg-honey px-1 font-sans text-[11.5px] font-medium text-umber">{number + 1}</kbd>
                            )}
                            {way}
                        </button>
                    ))}
                </span>
                <span className="flex-1" />
                {children}
            </div>
            {block !== null && grid !== undefined && shape !== undefined ? (
                <BlockVerbs block={block} grid={stepOf(page.scene, block.grid) ?? grid} shape={shape} />
            ) : (
                <div role="radiogroup" aria-label="Colour of the brush" className="flex items-center gap-1 overflow-x-auto">
                    {[...names, ...(isOwn ? [brush.colour] : []), 'none'].map((name, number) => (
                        <button key={name} role="radio" aria-checked={brush.colour === name} title={name === 'none' ? 'None: takes away what is painted' : name} className={`verb shrink-0 ${names.length > NUMBERED ? 'tight' : ''} ${brush.colour === name ? 'border-amber bg-honey' : ''}`} onClick={() => painter.set({ colour: name })}>
                            <Swatch colour={name === 'none' ? undefined : (palette[name] ?? name)} size={16} />
                            {(name === 'none' || number < Math.min(NUMBERED, names.length)) && (
                                <kbd>{name === 'none' ? 'E' : number + 1}</kbd>
                            )}
                            <span
                                className={`font-serif text-[15px] italic ${names.length > NAMED && brush.colour !== name ? 'sr-only' : ''}`}
                            >
                                {name}
                            </span>
                        </button>
                    ))}
                </div>
            )}
        </>
    );
}
