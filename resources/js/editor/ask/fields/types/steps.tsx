import { useSheet } from '../../../state/sheet';
import type { Asked } from '../asked';
import type { Edited } from '../edited';
import { LiveSteps } from '../LiveSteps';

export function Edit({ step, label, piece, field, commit }: Edited) {
    return (
        <LiveSteps
            label={label}
            text={piece.text}
            raw={piece.raw}
            step={step.id}
            roles={field.roles ?? ['part']}
            onCommit={(ids) => void commit(ids)}
        />
    );
}

export function Ask({ field, value, onChange }: Asked) {
    const { scene } = useSheet();
    const ids: unknown[] = Array.isArray(value) ? value : [];
    return (
        <fieldset className="flex flex-wrap items-center gap-x-3 gap-y-1">
            <legend className="float-left mr-2">{field.label}</legend>
            {scene.steps
                .filter((step) => (field.roles ?? []).includes(step.role) && !step.usedUp)
                .map(({ id, label }) => (
                    <label key={id} className="flex items-center gap-1.5">
                        <input
                            type="checkbox"
                            className="size-4 accent-ink"
                            checked={ids.includes(id)}
                            onChange={() => onChange(ids.includes(id) ? ids.filter((one) => one !== id) : [...ids, id])}
                        />
                        <span className="font-serif text-[15px] italic">{label}</span>
                    </label>
                ))}
        </fieldset>
    );
}
