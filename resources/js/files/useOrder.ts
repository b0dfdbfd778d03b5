import { useMutation } from '@tanstack/react-query';
import { useCallback, useRef, useState } from 'react';
import { answer, api, done, type Export, Problem } from '../api/client';
import { save } from './save';

/** Between two looks how far a file is: soon at first, since most are small. Milliseconds. */
const SOON = 150;
const LATER = 900;

/** So long a server that does not answer is asked again; the file is made meanwhile. */
const PATIENCE = 60_000;

/** Files that are made in turn: asked for, looked after, saved when they are there, or given up. */
export function useOrder(onSaved?: () => void) {
    const [order, setOrder] = useState<Export | null>(null);
    /** The number of the one that is wanted; none after it was given up. */
    const wanted = useRef<number | null>(null);
    const last = useRef(0);
    const wake = useRef<(() => void) | null>(null);
    const making = useMutation({
        mutationFn: async (ask: () => Promise<Export>) => {
            const number = ++last.current;
            wanted.current = number;
            let now = await ask();
            for (let wait = SOON, silent = 0; isInHand(now); wait = Math.min(LATER, wait * 1.4)) {
                if (wanted.current === number) {
                    setOrder(now);
                    await new Promise<void>((go) => {
                        setTimeout(go, wait);
                        wake.current = go;
                    });
                }
                if (wanted.current !== number) {
                    // Where this does not arrive, the file is made for nobody, and goes within the hour.
                    await done(api.DELETE('/api/exports/{export}', { params: { path: { export: now.id } } })).catch(() => undefined);
                    return false;
                }
                const told = await answer(api.GET('/api/exports/{export}', { params: { path: { export: now.id } } })).catch(
                    (fault: unknown) => {
                        silent += wait;
                        if (fault instanceof Problem && fault.isOutage && silent < PATIENCE) return null;
                        throw fault;
                    },
                );
                if (told !== null) [now, silent] = [told, 0];
            }
            if (now.state === 'failed') throw new Problem(422, { message: now.message ?? '' });
            if (now.state === 'cancelled' || wanted.current !== number) return false;
            await save(`/api/exports/${now.id}/file`, now.name);
            return true;
        },
        onSettled: () => setOrder(null),
        onSuccess: (saved) => {
            if (saved) onSaved?.();
        },
    });
    const giveUp = useCallback(() => {
        wanted.current = null;
        wake.current?.();
    }, []);

    return {
        /** How far it is, while it is waiting or being made. */
        order,
        isMaking: making.isPending,
        error: making.error,
        begin: making.mutate,
        reset: making.reset,
        giveUp,
    };
}

function isInHand(order: Export): boolean {
    return order.state === 'waiting' || order.state === 'working';
}
