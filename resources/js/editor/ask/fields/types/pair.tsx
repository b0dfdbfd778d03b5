import { type Asked, TypedInput } from '../asked';
import type { Edited } from '../edited';
import { LiveNumber } from '../LiveNumber';

const WAYS = ['across', 'down'];

export function Edit({ step, label, piece, field, findings, commit, tryOut }: Edited) {
    const pair: unknown[] = Array.isArray(piece.raw) ? piece.raw : [0, 0];
    const put = (k: number, value: unknown): unknown[] => pair.map((old, i) => (i === k ? value : old));
    const isAbout = (name: string | null, k: number): boolean => name === `${field.name}.${k}` || (k === 0 && name === field.name);
    return (
        <>
            {WAYS.map((way, k) => (
                <span key={way}>
                    {k === 1 && (field.between ?? ' × ')}
                    <LiveNumber
                        label={`${label}, ${way}`}
                        raw={pair[k]}
                        value={step.numbers[`${field.name}.${k}`] ?? null}
                        measure={field.measure}
                        onPreview={(value) => tryOut(value === null ? null : put(k, value))}
                        onCommit={(value) => commit(put(k, value))}
                        wrong={findings.find((finding) => finding.level === 'error' && isAbout(finding.field, k))?.message}
                    />
                </span>
            ))}
        </>
    );
}

export function Ask({ field, value, onChange }: Asked) {
    const pair: unknown[] = Array.isArray(value) ? value : ['', ''];
    function put(k: number, next: unknown): void {
        const changed = WAYS.map((_, i) => (i === k ? next : (pair[i] ?? 0)));
        onChange(changed.every((one) => one === null || one === '') ? null : changed.map((one) => one ?? 0));
    }
    return (
        <span className="flex items-center gap-2">
            {field.label}
            {WAYS.map((way, k) => (
                <TypedInput
                    key={way}
                    label={`${field.label}, ${way}`}
                    value={pair[k]}
                    optional={!field.required}
                    onChange={(next) => put(k, next)}
                />
            ))}
        </span>
    );
}
