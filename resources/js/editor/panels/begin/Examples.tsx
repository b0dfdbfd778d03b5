import { useQuery } from '@tanstack/react-query';
import { type ReactNode, useState } from 'react';
import { answer, api, type Problem } from '../../../api/client';
import { Gallery } from './Gallery';

/** Finished sheets to take apart: one comes in place of the empty plan. */
export function Examples({
    bring,
    onBrought,
    trigger,
}: {
    bring: (plan: string) => Promise<Problem | null>;
    onBrought: () => void;
    trigger: ReactNode;
}) {
    const [open, setOpen] = useState(false);
    const [problem, setProblem] = useState<string | null>(null);
    const list = useQuery({ queryKey: ['examples'], queryFn: () => answer(api.GET('/api/examples')), enabled: open, staleTime: Infinity });

    async function take(plan: string): Promise<void> {
        const refused = await bring(plan);
        setProblem(refused?.message ?? null);
        if (refused !== null) return;
        setOpen(false);
        onBrought();
    }

    return (
        <Gallery
            open={open}
            onOpen={(next) => {
                setProblem(null);
                setOpen(next);
            }}
            trigger={trigger}
            title="Examples to take apart"
            says="The whole construction comes along, with its size; change any number of it and see what follows."
            entries={list.data?.examples.map((one) => ({ ...one, says: `${one.steps} ${one.steps === 1 ? 'step' : 'steps'}` }))}
            pending={list.isPending}
            failed={list.isError}
            onRetry={() => void list.refetch()}
            problem={problem}
            onChoose={({ plan }) => void take(plan)}
            wide
        />
    );
}
