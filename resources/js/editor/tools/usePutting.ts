import { stepOf } from '../model/scene/steps';
import { answeredBy } from '../model/verbs/hears';
import { useAsking } from '../state/asking';
import { usePicks } from '../state/pick';
import { useSheet } from '../state/sheet';
import { gridShape } from '../model/scene/geometry';
import type { Hover } from '../model/pick/hover';
import { type PickedPoint, stepIn } from '../model/pick/Picking';

export interface Putting {
    cells: (found: Hover, way: 'add' | 'take') => void;
    isPicked: (found: Hover) => boolean;
    /** A place: for whoever asked for one, else picked. Says whether it is where what is drawn began. */
    point: (point: PickedPoint | undefined) => boolean;
    /** Alone, or one more or less of them. */
    line: (id: string, near: [number, number], gathers: boolean) => void;
    part: (name: string, near: [number, number] | undefined, gathers: boolean) => void;
}

/** Putting what was pointed at into the pick, or taking it out. */
export function usePutting(): Putting {
    const { scene } = useSheet();
    const { picking, select } = usePicks();
    const { placeWanted, askPlace, asking, setAsking, hears } = useAsking();
    const shapeOf = ({ grid = '' }: Hover) => gridShape(stepOf(scene, grid)?.geometry);

    /** Whether it was for what is asked, which may want nothing of the sheet. */
    function answers(name: string): boolean {
        const now = hears.get();
        if (now.sort === 'step') setAsking((old) => old && answeredBy(old, now, null, stepIn(name)));
        return now.sort === 'step' || now.sort === 'nothing';
    }

    return {
        cells: (found, way) => {
            const shape = shapeOf(found);
            if (hears.get().sort !== 'picks') return;
            if (found.grid === undefined || shape === undefined || found.cells === undefined) return;
            const addresses = found.cells.map((cell) => shape.address(cell));
            if (way === 'add') picking.add(found.grid, shape.data.mark, addresses, found.run);
            else picking.take(found.grid, addresses);
        },
        isPicked: (found) => {
            const shape = shapeOf(found);
            const { grid, cells = [] } = found;
            return grid !== undefined && shape !== undefined && cells.every((cell) => picking.has(grid, shape.address(cell)));
        },
        point: (point) => {
            if (point === undefined) return false;
            // Of a place along a line that was not asked for only the coordinates are known.
            const raw = point.raw ?? point.at;
            const now = hears.get();
            if (placeWanted === null && now.sort === 'place') {
                setAsking((old) => old && answeredBy(old, now, raw, ''));
                return false;
            }
            const [first, ...rest] = picking.get().points;
            if (placeWanted === null && asking !== null && rest.length > 0 && JSON.stringify(first?.raw) === JSON.stringify(raw)) {
                // Back where it began.
                return true;
            }
            if (placeWanted === null) {
                picking.togglePoint({ ...point, raw });
                return false;
            }
            // Whoever asks may ask for another one at once.
            askPlace(null);
            placeWanted.take(raw, point.at);
            return false;
        },
        line: (id, near, gathers) => {
            if (answers(id)) return;
            picking.putLine(id, near, gathers);
            select(id);
        },
        part: (name, near, gathers) => {
            if (answers(name)) return;
            picking.putPart(name, near, gathers);
            select(stepIn(name));
        },
    };
}
