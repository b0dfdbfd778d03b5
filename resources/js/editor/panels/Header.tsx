import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { Mark } from '../../ui/Mark';
import { useSheet } from '../state/sheet';
import { type ShownAs, useView } from '../state/view';
import { SheetTitle } from './SheetTitle';

const WAYS: { as: ShownAs; label: string; says: string }[] = [
    { as: 'outlines', label: 'Outlines', says: 'Only outlines, to see whether they meet' },
    { as: 'circles', label: 'Circles', says: 'The result faded, with the circles that it is made of, their radii and ratios' },
];

/** The head of the editor: the sheet's name, whether it is saved, undo and redo, how it is shown, and what becomes of it. */
export function Header({ saving, children }: { saving: string | null; children: ReactNode }) {
    const { page, move } = useSheet();
    const { gridsShown, showGrids, shownAs, showAs } = useView();
    return (
        <div className="flex h-12 items-center gap-3 pr-2.5 pl-[18px]">
            <Link to="/" className="flex items-center gap-3" aria-label="Sternbild, all sheets">
                <Mark />
                <span className="font-serif text-[19px] leading-none font-semibold tracking-[.01em]">Sternbild</span>
            </Link>
            <SheetTitle id={page.id} name={page.name} />
            <span role="status" className="text-[12.5px] whitespace-nowrap text-slate" data-revision={page.revision}>
                {saving ?? `Saved, revision ${page.revision}`}
            </span>
            <span className="flex-1" />
            <button
                className="quiet"
                disabled={page.undo === null}
                title={page.undo === null ? undefined : `Undo: ${page.undo}`}
                onClick={() => void move('undo')}
            >
                Undo
            </button>
            <button
                className="quiet"
                disabled={page.redo === null}
                title={page.redo === null ? undefined : `Redo: ${page.redo}`}
                onClick={() => void move('redo')}
            >
                Redo
            </button>
            <button className="quiet w-[74px]" aria-pressed={gridsShown} onClick={() => showGrids(!gridsShown)}>
                {gridsShown ? 'Grid on' : 'Grid off'}
            </button>
            {WAYS.map(({ as, label, says }) => (
                <button
                    key={as}
                    className="quiet w-[82px]"
                    aria-pressed={shownAs === as}
                    title={says}
                    onClick={() => showAs(shownAs === as ? 'result' : as)}
                >
                    {shownAs === as ? 'In colour' : label}
                </button>
            ))}
            {children}
        </div>
    );
}
