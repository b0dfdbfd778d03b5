import type { SheetPage } from '../../../api/client';
import type { Pick } from '../pick/Picking';

export interface Seen {
    page: { scene: SheetPage['scene']; undo: SheetPage['undo'] };
    pick: Pick;
}

export interface Stop {
    title: string;
    says: string;
    /** Whether it has been done. */
    done: (seen: Seen) => boolean;
}

const parts = ({ page }: Seen): number => page.scene.steps.filter((step) => step.role === 'part').length;

/** Five steps from an empty sheet to something of one's own. */
export const STOPS: Stop[] = [
    {
        title: 'Lay a grid',
        says: 'Press one of the grids below the sheet, or its number, and then “Do it”. It becomes the first sentence of the plan.',
        done: ({ page }) => page.scene.steps.some((step) => step.role === 'grid'),
    },
    {
        title: 'Pick cells',
        says: 'Click a few cells of the grid, or drag across them. The arrow keys and Enter do the same.',
        done: (seen) => seen.pick.count > 1 || parts(seen) > 0,
    },
    {
        title: 'Say what becomes of them',
        says: 'The verbs that fit what is picked stand below. “Make a part” makes one shape of the cells.',
        done: (seen) => parts(seen) > 0,
    },
    {
        title: 'Do something with it',
        says: 'The part is picked. Fill it with a colour, or repeat it around: the words above the verbs open others.',
        done: (seen) => parts(seen) > 1 || seen.page.scene.steps.some((step) => step.role === 'look'),
    },
    {
        title: 'Change a number',
        says: 'Click an underlined number of the grid in the plan and type another one. All that is built on it follows.',
        done: ({ page }) => page.undo?.startsWith('Change') ?? false,
    },
];

/** The stop that comes next after those that are done in their order, or behind the last. */
export function nextStop(seen: Seen, passed: number): number {
    let at = passed;
    while (at < STOPS.length && STOPS[at]?.done(seen) === true) at++;
    return at;
}
