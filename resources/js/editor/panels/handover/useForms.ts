import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../../api/client';
import { useSettled } from './useSettled';

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
    const body = JSON.parse(useSettled(JSON.stringify({ format: form?.name ?? '', ...options }))) as { format: string } & Record<string, unknown>;
    const isForm = form !== undefined && body.format === form.name;
    const about = { params: { path: { sheet } }, body };
    const estimate = useQuery({
        queryKey: ['estimate', sheet, revision, body],
        queryFn: () => answer(api.POST('/api/sheets/{sheet}/estimate', about)),
        enabled: isForm,
        retry: false,
        staleTime: Infinity,
        placeholderData: keepPreviousData,
    });
    const proof = useQuery({
        queryKey: ['proof', sheet, revision, body],
        queryFn: () => answer(api.POST('/api/sheets/{sheet}/prove', about)),
        enabled: isForm && form.proved && estimate.isSuccess,
        retry: false,
        staleTime: Infinity,
    });
    return { estimate, proof };
}
