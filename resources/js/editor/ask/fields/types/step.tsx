import { useSheet } from '../../../state/sheet';
import type { Asked } from '../asked';
import type { Edited } from '../edited';
import { LiveSteps } from '../LiveSteps';

export function Edit({ step, label, piece, field, commit }: Edited) {
    const { roles = ['part'], kinds, required } = field;
    return (
        <LiveSteps
            label={label}
            text={piece.text}
            raw={piece.raw}
            step={step.id}
            roles={roles}
            kinds={kinds}
            single
            optional={!required}
            onCommit={([id]) => void commit(id ?? null)}
        />
    );
}

export function Ask({ field, value, onChange }: Asked) {
    const { scene } = useSheet();
    return (
        <label className="flex items-center gap-2">
            {field.label}
            <select
                className="boxed"
                aria-label={field.label}
                value={typeof value === 'string' ? value : ''}
                onChange={(event) => onChange(event.target.value === '' ? null : event.target.value)}
            >
                <option value="">none</option>
                {scene.steps
                    .filter(
                        (step) => (field.roles ?? []).includes(step.role) && (field.kinds === undefined || field.kinds.includes(step.kind)),
                    )
                    .map(({ id, label }) => (
                        <option key={id} value={id}>
                            {label}
                        </option>
                    ))}
            </select>
        </label>
    );
}
