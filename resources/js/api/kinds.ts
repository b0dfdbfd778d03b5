import { queryOptions } from '@tanstack/react-query';
import { answer, api } from './client';

/** What steps there are: the same for every sheet. */
export const kindsQuery = queryOptions({ queryKey: ['kinds'], queryFn: () => answer(api.GET('/api/kinds')) });
