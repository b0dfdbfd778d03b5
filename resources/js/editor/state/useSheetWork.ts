import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useMemo, useSyncExternalStore } from 'react';
import { answer, api, type Scene, type SheetPage } from '../../api/client';
import { sheetPage } from '../../api/early';
import { Answers } from '../model/scene/answers';
import { type Kept, SheetChanges } from '../model/scene/SheetChanges';

export interface SheetWork extends Pick<SheetChanges, 'change' | 'preview' | 'move' | 'retry' | 'bring' | 'drop'> {
    changes: SheetChanges;
    page: SheetPage | undefined;
    error: Error | null;
    reload: () => void;
    /** The scene to show: of the preview while there is one. */
    scene: Scene | undefined;
    busy: boolean;
    kept: Kept | null;
}

/** A sheet on the server: its page, its changes one after another, and previews of changes. */
export function useSheetWork(id: string): SheetWork {
    const queries = useQueryClient();
    const { answers, changes } = useMemo(() => {
        const kept = new Answers();
        const params = { path: { sheet: id } };
        const made = new SheetChanges(
            {
                change: (body) => answer(api.POST('/api/sheets/{sheet}/changes', { params, body })),
                preview: (body, signal) => answer(api.POST('/api/sheets/{sheet}/preview', { params, body, signal })),
                move: (way, body) => answer(api.POST(`/api/sheets/{sheet}/${way}`, { params, body })),
                replace: (body) => answer(api.PUT('/api/sheets/{sheet}/plan', { params, body })),
            },
            kept,
            { get: () => queries.getQueryData<SheetPage>(['sheet', id]), set: (page) => queries.setQueryData(['sheet', id], page) },
        );
        return { answers: kept, changes: made };
    }, [queries, id]);

    const query = useQuery({
        queryKey: ['sheet', id],
        queryFn: async () => answers.page(await sheetPage(id)),
        refetchOnMount: 'always',
    });
    const { previewed, kept, pending } = useSyncExternalStore(changes.subscribe, changes.get);

    return {
        page: query.data,
        error: query.error,
        reload: () => void query.refetch(),
        scene: previewed ?? query.data?.scene,
        busy: pending > 0,
        kept,
        changes,
        change: changes.change,
        preview: changes.preview,
        move: changes.move,
        retry: changes.retry,
        bring: changes.bring,
        drop: changes.drop,
    };
}
