import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { answer, api, Problem, type Scene, type Schemas } from '../../../api/client';

export type Tile = Schemas['Tile'];

/** The patterns of a scene that go on in all directions, by id and name. */
export function patternsOf(scene: Scene): { id: string; label: string }[] {
    return scene.steps.filter((step) => step.cell?.flat === false);
}

/** The tile of a pattern as the sheet was saved last; where there is none, why. */
export function useTile(sheet: string, revision: number, of: string | null) {
    return useQuery({
        queryKey: ['tile', sheet, revision, of],
        queryFn: () =>
            answer(api.POST('/api/sheets/{sheet}/tile', { params: { path: { sheet } }, body: { of: of ?? '' } })),
        enabled: of !== null,
        retry: false,
        staleTime: Infinity,
        placeholderData: keepPreviousData,
    });
}

/** Whether it repeats without a seam: that takes a while, so its size is told before. */
export function useSeam(sheet: string, revision: number, of: string | null) {
    return useQuery({
        queryKey: ['seam', sheet, revision, of],
        queryFn: () =>
            answer(api.POST('/api/sheets/{sheet}/tile/seam', { params: { path: { sheet } }, body: { of: of ?? '' } })),
        enabled: of !== null,
        retry: false,
        staleTime: Infinity,
    });
}

/** Of a tile, or its seam, why there is none. */
export function whyNot(error: Error, otherwise: string): string {
    if (!(error instanceof Problem)) return otherwise;
    const [first] = Object.values(error.body.errors ?? {});
    return first?.[0] ?? error.message;
}
