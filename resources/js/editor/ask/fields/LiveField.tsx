import { createElement } from 'react';
import type { Field } from '../../../api/client';
import { useActs } from '../../state/acts';
import type { Edited } from './edited';
import { following } from './PicturedChoice';
import { editorOf } from './types';

/** A parameter in a sentence, with the editor that its type asks for. */
export function LiveField({
    step,
    piece,
    field,
    fields,
    findings,
}: Pick<Edited, 'step' | 'piece' | 'field' | 'findings'> & { fields: Field[] }) {
    const { change, preview, now } = useActs();
    const one = (name: string, value: unknown) => ({ op: 'set' as const, id: step.id, field: name, value });
    function set(value: unknown) {
        const before = now().page.plan.steps.find(({ id }) => id === step.id) ?? {};
        return [
            one(field.name, value),
            ...Object.entries(following(fields, before, { ...before, [field.name]: value })).map(([name, also]) => one(name, also)),
        ];
    }
    const editor = createElement(editorOf(field.type), {
        step,
        piece,
        field,
        findings,
        label: `${field.label} of ${step.label}`,
        wrong: findings.find((finding) => finding.field === field.name && finding.level === 'error')?.message,
        commit: (value) => change(set(value)),
        tryOut: (value) => preview(value === null ? null : set(value)),
    });
    return <span title={field.says}>{editor}</span>;
}
