import type { Scene } from '../../../api/client';
import { gridShape, partShape } from '../../model/scene/geometry';

type Form = 'png' | 'svg' | 'apng' | 'sheet';

export interface PixelChoice {
    /** A grid, or frames on one. */
    of: string;
    as: Form;
    /** Pixels to a cell, as typed. */
    scale: string;
}

const FORMS: Record<Form, string> = { png: 'PNG', svg: 'SVG', apng: 'Moving PNG', sheet: 'PNG and JSON' };

interface Painted {
    id: string;
    label: string;
    isMoving: boolean;
    /** In cells. */
    size: [number, number];
}

/** What painted cells can be handed over of: grids that something is painted on, and frames on them. */
export function paintedOf(scene: Scene): Painted[] {
    const on = new Set(scene.steps.map((step) => partShape(step.geometry)?.data.painted?.on));
    return scene.steps.flatMap((step): Painted[] => {
        const { id, label, frames } = step;
        if (frames !== undefined) {
            const [wide = 0, high = 0] = frames.size;
            return [{ id, label, isMoving: true, size: [Math.max(...frames.corners.map(([x = 0]) => x + wide)), Math.max(...frames.corners.map(([, y = 0]) => y + high))] }];
        }
        const shape = on.has(id) ? gridShape(step.geometry) : undefined;
        return shape?.isLattice === true ? [{ id, label, isMoving: false, size: shape.extent }] : [];
    });
}

/** What the server is asked for painted cells. */
export function pixelOrder({ of, as, scale }: PixelChoice) {
    return { format: 'pixels' as const, of, as, scale: Number(scale) };
}

/** Of what, in which form, and how many pixels a cell becomes: whole ones, so that every pixel is exact. */
export function PixelOptions({ choice, painted, onChange }: { choice: PixelChoice; painted: Painted[]; onChange: (choice: PixelChoice) => void }) {
    const chosen = painted.find((one) => one.id === choice.of) ?? painted[0];
    const forms = (Object.keys(FORMS) as Form[]).filter((form) => chosen?.isMoving === true || form === 'png' || form === 'svg');
    const scale = Number(choice.scale);
    return (
        <div className="flex flex-col gap-3">
            <div className="flex flex-wrap items-center gap-x-5 gap-y-3">
                <label className="flex items-center gap-2">
                    Cells of
                    <select className="boxed" value={chosen?.id ?? ''} onChange={(event) => onChange({ ...choice, of: event.target.value, as: 'png' })}>
                        {painted.map(({ id, label }) => (
                            <option key={id} value={id}>
                                {label}
                            </option>
                        ))}
                    </select>
                </label>
                <label className="flex items-center gap-2">
                    Pixels to a cell
                    <input className="boxed w-16 tabular-nums" inputMode="numeric" value={choice.scale} onChange={(event) => onChange({ ...choice, scale: event.target.value })} />
                </label>
                <fieldset className="flex items-center gap-1">
                    <legend className="sr-only">Form of the picture</legend>
                    {forms.map((as) => (
                        <label key={as} className={`choice ${choice.as === as ? 'border-amber bg-honey font-medium' : 'border-rule bg-card'}`}>
                            <input type="radio" className="sr-only" name="as" checked={choice.as === as} onChange={() => onChange({ ...choice, as })} />
                            {FORMS[as]}
                        </label>
                    ))}
                </fieldset>
            </div>
            {chosen !== undefined && Number.isInteger(scale) && scale > 0 && (
                <p className="text-[13px] leading-snug text-slate tabular-nums">
                    {chosen.size[0] * scale} × {chosen.size[1] * scale} pixels{choice.as === 'apng' ? ' in all frames' : ''}, seen through where nothing is painted.
                </p>
            )}
        </div>
    );
}
