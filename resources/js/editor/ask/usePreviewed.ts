import { useEffect, useState } from 'react';
import type { Operation } from '../../api/client';
import { problemText, wouldDo } from '../model/problem';
import { useSheet } from '../state/sheet';

/** What is wrong with what would be done, and the number that would do for a field of it. */
export interface Fault {
    text: string;
    instead: { field: string; value: number } | null;
}

/**
 * Shows on the sheet what operations would give, and says what is wrong with them; the message goes with its cause. Null operations show
 * nothing; not ready ones are not asked about yet.
 */
export function usePreviewed(operations: Operation[] | null, isReady: boolean): Fault | null {
    const { preview } = useSheet();
    const [fault, setFault] = useState<(Fault) | null>(null);
    const said = JSON.stringify(operations);
    useEffect(() => {
        if (!isReady) return;
        let current = true;
        void preview(JSON.parse(said) as Operation[] | null).then((refused) => {
            if (!current) return;
            const value = refused === null ? null : wouldDo(refused);
            const field = refused?.body.findings?.[0]?.field ?? null;
            setFault(
                refused === null
                    ? null
                    : { text: problemText(refused), instead: value === null || field === null ? null : { field, value } },
            );
        });
        return () => {
            current = false;
        };
    }, [said, preview, isReady]);
    return operations === null ? null : fault;
}
