import { InlineButton } from '../../../../ui/InlineButton';
import { stepOf } from '../../../model/scene/steps';
import { useActs } from '../../../state/acts';
import { dissected } from '../../../model/pick/Picking';
import { gridShape } from '../../../model/scene/geometry';
import { type Asked, Unasked } from '../asked';
import type { Edited } from '../edited';

export function Edit({ step, piece, field }: Edited) {
    const { now, picking, select } = useActs();
    function pickThem(): void {
        const { page, scene } = now();
        const cells = page.plan.steps.find((one) => one.id === step.id)?.[field.name];
        select(step.id);
        picking.setMode('cells');
        for (const cell of Array.isArray(cells) ? cells.map(String) : []) {
            const [grid, mark, rest] = dissected(cell);
            const shape = gridShape(stepOf(scene, grid)?.geometry);
            picking.add(grid, mark, mark === '#' ? (shape?.matching(rest) ?? []) : [rest], cell.includes('*') ? cell : undefined);
        }
    }
    return (
        <InlineButton className="live font-semibold" title="Pick these cells on the sheet" onClick={pickThem}>
            {piece.text}
        </InlineButton>
    );
}

/** Cells are what is picked before a verb is said. */
export function Ask({ field }: Asked) {
    return <Unasked label={field.label} />;
}
