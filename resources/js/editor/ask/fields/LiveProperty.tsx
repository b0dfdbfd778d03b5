import { createElement, useState } from 'react';
import type { Field, Piece } from '../../../api/client';
import { withMarks } from '../../model/plan/marks';
import { problemText } from '../../model/problem';
import { useSheet } from '../../state/sheet';
import { Wrong } from './edited';
import { editorOf } from './types';

/** What stands where a step does in the sentences of steps. */
const SHEET = { id: '', label: 'the sheet', numbers: {} };

/** A sentence of the sheet, its properties with the editors that their types ask for. */
export function LiveProperties({ pieces }: { pieces: Piece[] }) {
    const { properties } = useSheet();
    return withMarks(pieces).map(({ piece, mark }, k) => {
        const field = properties.find(({ name }) => name === piece.field);
        return (
            <span key={piece.field ?? k} className={mark === '' ? '' : 'whitespace-nowrap'}>
                {field === undefined ? piece.text : <LiveProperty piece={piece} field={field} />}
                {mark}
            </span>
        );
    });
}

function LiveProperty({ piece, field }: { piece: Piece; field: Field }) {
    const { change, preview } = useSheet();
    const [refused, setRefused] = useState<string>();
    const set = (value: unknown) => [{ op: 'sheet' as const, field: field.name, value }];
    // Numbers say themselves why one is refused.
    const showsIt = field.type === 'number';
    const editor = createElement(editorOf(field.type), {
        step: SHEET,
        piece,
        field,
        findings: [],
        label: `${field.label} of the sheet`,
        wrong: undefined,
        commit: async (value) => {
            const problem = await change(set(value));
            setRefused(problem === null || showsIt ? undefined : problemText(problem));
            return problem;
        },
        tryOut: (value) => preview(value === null ? null : set(value)),
    });
    return (
        <span title={field.says}>
            {editor}
            <Wrong text={refused} />
        </span>
    );
}
