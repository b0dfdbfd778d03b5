import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useRef, useState } from 'react';
import { type Operation, type Preview, Problem, request, type Scene, type SheetPage } from '../api/client';
import { shapes } from './geometry';

interface Entry {
    operations: Operation[];
    change: string;
}

/** Changes that were not accepted and are kept, to be offered again. */
export interface Kept {
    why: 'stale' | 'outage' | 'refused' | 'signed out';
    entries: Entry[];
    message: string;
}

export interface SheetWork {
    page: SheetPage | undefined;
    error: Error | null;
    reload: () => void;
    /** The scene to show: of the preview while there is one. */
    scene: Scene | undefined;
    busy: boolean;
    kept: Kept | null;
    /** Makes a change; gives the problem where it was refused, null where it was made or kept. */
    change: (operations: Operation[]) => Promise<Problem | null>;
    /** Shows what a change would give; the last call wins. Null ends the preview. */
    preview: (operations: Operation[] | null) => Promise<Problem | null>;
    move: (way: 'undo' | 'redo') => Promise<void>;
    retry: () => Promise<void>;
    /** Puts another plan, as text, in place of this one; gives the problem where it was refused. */
    bring: (plan: string) => Promise<Problem | null>;
    drop: () => void;
}

/** A sheet on the server: its page, its changes one after another, and previews of changes. */
export function useSheet(id: string): SheetWork {
    const queries = useQueryClient();
    const [previewed, setPreviewed] = useState<Scene | null>(null);
    const [kept, setKept] = useState<Kept | null>(null);
    const [pending, setPending] = useState(0);
    const keptNow = useRef<Kept | null>(null);
    const queue = useRef<Promise<unknown>>(Promise.resolve());
    const asked = useRef(0);
    const flight = useRef<AbortController | null>(null);

    const query = useQuery({
        queryKey: ['sheet', id],
        queryFn: async () => {
            const page = await request<SheetPage>('GET', `sheets/${id}`);
            shapes.take(page.scene, 'page');
            return page;
        },
        refetchOnMount: 'always',
    });

    const keep = useCallback((next: Kept | null) => {
        keptNow.current = next;
        setKept(next);
    }, []);

    const accept = useCallback(
        (page: SheetPage) => {
            shapes.take(page.scene, 'page');
            queries.setQueryData(['sheet', id], page);
            asked.current++;
            flight.current?.abort();
            shapes.end('preview');
            setPreviewed(null);
        },
        [queries, id],
    );

    const post = useCallback(
        async (path: string, body: object, method = 'POST'): Promise<Problem | null> => {
            const base = queries.getQueryData<SheetPage>(['sheet', id])?.revision;
            const has = shapes.lend();
            try {
                accept(await request<SheetPage>(method, `sheets/${id}/${path}`, { base, has, ...body }));
                return null;
            } catch (fault) {
                if (!(fault instanceof Problem)) throw fault;
                if (fault.status === 409 && fault.body.sheet !== undefined) accept(fault.body.sheet);
                return fault;
            } finally {
                shapes.giveBack(has);
            }
        },
        [queries, id, accept],
    );

    /** One after another, in the order of the calls. */
    const inTurn = useCallback(<T>(work: () => Promise<T>): Promise<T> => {
        setPending((count) => count + 1);
        const turn = queue.current.then(work, work).finally(() => setPending((count) => count - 1));
        queue.current = turn;
        return turn;
    }, []);

    const send = useCallback(
        async (entry: Entry): Promise<Problem | null> => {
            const problem = await post('changes', entry);
            const why = problem === null ? null : whyKept(problem);
            if (problem === null || why === null) return problem;
            keep({ why, message: problem.message, entries: [...(keptNow.current?.entries ?? []), entry] });
            return null;
        },
        [post, keep],
    );

    const change = useCallback(
        (operations: Operation[]) => {
            const entry = { operations, change: crypto.randomUUID() };
            return inTurn(async () => {
                // Behind a change that waits there is no going past it: the new one may be built on it.
                if (keptNow.current !== null) {
                    keep({ ...keptNow.current, entries: [...keptNow.current.entries, entry] });
                    return null;
                }
                return send(entry);
            });
        },
        [inTurn, send, keep],
    );

    const retry = useCallback(
        () =>
            inTurn(async () => {
                const waiting = keptNow.current?.entries ?? [];
                keep(null);
                for (const [number, entry] of waiting.entries()) {
                    const problem = await send(entry);
                    const again: Kept | null = problem === null ? keptNow.current : { why: 'refused', message: problem.message, entries: [] };
                    if (again !== null) {
                        keep({ ...again, entries: waiting.slice(number) });
                        return;
                    }
                }
            }),
        [inTurn, send, keep],
    );

    const preview = useCallback(
        async (operations: Operation[] | null): Promise<Problem | null> => {
            const mine = ++asked.current;
            flight.current?.abort();
            if (operations === null) {
                shapes.end('preview');
                setPreviewed(null);
                return null;
            }
            const control = new AbortController();
            flight.current = control;
            const has = shapes.lend();
            try {
                const { scene } = await request<Preview>('POST', `sheets/${id}/preview`, { operations, has }, control.signal);
                if (mine === asked.current) {
                    shapes.take(scene, 'preview');
                    setPreviewed(scene);
                }
                return null;
            } catch (fault) {
                return fault instanceof Problem && mine === asked.current ? fault : null;
            } finally {
                shapes.giveBack(has);
            }
        },
        [id],
    );

    const move = useCallback(
        (way: 'undo' | 'redo') =>
            inTurn(async () => {
                const problem = await post(way, {});
                const why = problem === null ? null : whyKept(problem);
                if (problem !== null && why !== null && why !== 'stale') keep({ why, message: problem.message, entries: [] });
            }),
        [inTurn, post, keep],
    );

    const bring = useCallback((plan: string) => inTurn(() => post('plan', { plan, change: crypto.randomUUID() }, 'PUT')), [inTurn, post]);

    return {
        page: query.data,
        error: query.error,
        reload: () => void query.refetch(),
        scene: previewed ?? query.data?.scene,
        busy: pending > 0,
        kept,
        change,
        preview,
        move,
        retry,
        bring,
        drop: () => keep(null),
    };
}

/** Why a change that was not made is kept; null where it was refused for good. */
function whyKept(problem: Problem): Kept['why'] | null {
    if (problem.status === 401) return 'signed out';
    return problem.status === 409 ? 'stale' : problem.isOutage ? 'outage' : null;
}
