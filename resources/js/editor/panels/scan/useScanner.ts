import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useRef, useState } from 'react';
import { answer, api, Problem, type Schemas } from '../../../api/client';

type Scanner = Schemas['Scanner'];
type Scan = Schemas['Scan'];

/** What a hand does at the scanner. */
interface Touch {
    open?: boolean;
    jam?: boolean;
}

/** Between two looks how far a scan is, in milliseconds. */
const LOOK = 120;

/** So long a scanner that does not answer is asked again. */
const PATIENCE = 5_000;

const KEY = ['scanner'];

/** The scanner on the desk: looked at while `open`, touched, and set to work. */
export function useScanner(open: boolean) {
    const queries = useQueryClient();
    const seen = useQuery({ queryKey: KEY, queryFn: () => answer(api.GET('/api/scanner')), enabled: open, retry: false, gcTime: 0 });
    const [scan, setScan] = useState<Scan | null>(null);
    /** The scan that is waited for, and whether it was given up. */
    const run = useRef<{ stopped: boolean } | null>(null);
    const [touched, setTouched] = useState<Touch>({});
    /** Ends when the hand is off the scanner. */
    const hand = useRef(Promise.resolve());

    // What was asked before this was known would tell how it has been.
    async function show(scanner: Scanner): Promise<void> {
        await queries.cancelQueries({ queryKey: KEY });
        queries.setQueryData(KEY, scanner);
    }
    // What the scanner still has of one that nobody waits for any more, the next one takes the place of.
    const forget = (id: string) =>
        answer(api.DELETE('/api/scanner/scans/{scan}', { params: { path: { scan: id } } })).then(show, () => undefined);
    const scanning = useMutation({
        mutationFn: async ({
            page,
            resolution,
            straighten,
            within,
        }: {
            page: string;
            resolution: number;
            straighten: boolean;
            within: [number, number];
        }) => {
            const mine = { stopped: false };
            run.current = mine;
            await hand.current;
            let now = await answer(api.POST('/api/scanner/scans', { body: { page, resolution } }));
            for (let silent = 0; now.state === 'scanning' && !mine.stopped; ) {
                setScan(now);
                await new Promise((go) => setTimeout(go, LOOK));
                if (mine.stopped) break;
                const told = await answer(api.GET('/api/scanner/scans/{scan}', { params: { path: { scan: now.id } } })).catch(
                    (fault: unknown) => {
                        silent += LOOK;
                        if (fault instanceof Problem && fault.isOutage && silent < PATIENCE) return null;
                        throw fault;
                    },
                );
                if (told !== null) [now, silent] = [told, 0];
            }
            if (mine.stopped) {
                await forget(now.id);
                return null;
            }
            if (now.state !== 'done') throw new Problem(409, { message: now.message ?? 'The scan was stopped.' });
            setScan(now);
            const path = { params: { path: { scan: now.id } } };
            const kept = await answer(api.POST('/api/scanner/scans/{scan}/picture', { ...path, body: { straighten, within } }));
            void forget(now.id);
            return mine.stopped ? null : kept;
        },
        onSettled: () => {
            setScan(null);
            run.current = null;
            void queries.invalidateQueries({ queryKey: KEY });
        },
    });
    const touching = useMutation({
        mutationFn: ({ open: isOpen, jam = false }: Touch) =>
            answer(
                isOpen === undefined
                    ? api.PUT('/api/scanner/feed', { body: { jam } })
                    : api.PUT('/api/scanner/cover', { body: { open: isOpen } }),
            ),
        onSuccess: async (scanner) => {
            if (!scanning.isPending) scanning.reset();
            await show(scanner);
        },
        onSettled: () => setTouched({}),
    });

    const stop = useCallback(() => {
        if (run.current !== null) run.current.stopped = true;
    }, []);

    // Whoever leaves does not wait for it any more.
    useEffect(() => (open ? stop : undefined), [open, stop]);

    return {
        scanner: seen.data,
        /** How far the sheet is under the lamp. */
        scan,
        isScanning: scanning.isPending,
        problem: scanning.error ?? touching.error ?? seen.error,
        begin: scanning.mutateAsync,
        stop,
        /** What a hand does at the scanner, and what it is about to have done. */
        touch: (how: Touch) => {
            setTouched(how);
            hand.current = touching.mutateAsync(how).then(
                () => undefined,
                () => undefined,
            );
        },
        touched,
        lookAgain: () => {
            scanning.reset();
            touching.reset();
            void seen.refetch();
        },
    };
}
