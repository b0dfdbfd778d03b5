import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../../api/client';

export type FileForm = Schemas['FileForm'];

/** The forms in which a sheet can be handed over as it was saved last. */
export function useForms(sheet: string, revision: number, enabled: boolean) {
    return useQuery({
        queryKey: ['forms', sheet, revision],
        queryFn: () => answer(api.GET('/api/sheets/{sheet}/forms', { params: { path: { sheet } } })),
        enabled,
        staleTime: Infinity,
    });
}

/** What a file would be, told before it is made; and what proving it came to, which takes a while. */
export function useEstimate(sheet: string, revision: number, form: FileForm | undefined, options: Record<string, unknown>) {
    const body = { format: form?.name ?? '', ...options };
    const about = { params: { path: { sheet } }, body };
    const estimate = useQuery({
        queryKey: ['estimate', sheet, revision, body],
        queryFn: () => answer(api.POST('/api/sheets/{sheet}/estimate', about)),
        enabled: form !== undefined,
        retry: false,
        staleTime: Infinity,
        placeholderData: keepPreviousData,
    });
    const proof = useQuery({
        queryKey: ['proof', sheet, revision, body],
        queryFn: () => answer(api.POST('/api/sheets/{sheet}/prove', about)),
        enabled: form?.proved === true && estimate.isSuccess,
        retry: false,
        staleTime: Infinity,
    });
    return { estimate, proof };
}
