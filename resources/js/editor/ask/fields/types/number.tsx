import { type Asked, TypedInput } from '../asked';
import type { Edited } from '../edited';
import { useActs } from '../../../state/acts';
import { foldsFor } from '../../../model/fields/folds';
import { LiveNumber } from '../LiveNumber';

export function Edit({ step, label, piece, field, wrong, commit, tryOut }: Edited) {
    const { now } = useActs();
    return (
        <LiveNumber
            offered={field.folds === true ? () => foldsFor(now().scene, piece.value, step.id) : undefined}
            label={label}
            raw={piece.raw}
            text={piece.text}
            value={piece.value}
            measure={field.measure}
            onPreview={tryOut}
            onCommit={commit}
            wrong={wrong}
        />
    );
}

export function Ask({ field, value, onChange }: Asked) {
    return <TypedInput label={field.label} shown value={value} optional={!field.required} onChange={onChange} />;
}
