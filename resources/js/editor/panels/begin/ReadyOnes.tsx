import { useQuery } from '@tanstack/react-query';
import { type ReactNode, useState } from 'react';
import { answer, api, type Construction } from '../../../api/client';
import { problemText } from '../../model/problem';
import { useSheet } from '../../state/sheet';
import { Gallery } from './Gallery';

/** Ready constructions to begin with: a page of pictures, of which one is laid on the sheet as sentences of the plan. */
export function ReadyOnes({ onLaid, trigger }: { onLaid: () => void; trigger: ReactNode }) {
    const { change } = useSheet();
    const [open, setOpen] = useState(false);
    const [problem, setProblem] = useState<string | null>(null);
    const list = useQuery({
        queryKey: ['constructions'],
        queryFn: () => answer(api.GET('/api/constructions')),
        enabled: open,
        staleTime: Infinity,
    });

    async function lay({ name, steps, palette }: Construction): Promise<void> {
        const refused = await change([{ op: 'lay', name, steps, palette }]);
        setProblem(refused === null ? null : problemText(refused));
        if (refused !== null) return;
        setOpen(false);
        onLaid();
    }

    return (
        <Gallery
            open={open}
            onOpen={(next) => {
                setProblem(null);
                setOpen(next);
            }}
            trigger={trigger}
            title="Ready constructions"
            says="Each is laid as sentences of the plan, in the size of your sheet; every number stays live."
            entries={list.data?.constructions}
            pending={list.isPending}
            failed={list.isError}
            onRetry={() => void list.refetch()}
            problem={problem}
            onChoose={(one) => void lay(one)}
        />
    );
}
