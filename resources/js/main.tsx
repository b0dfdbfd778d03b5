import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter } from 'react-router';
import '../css/app.css';
import { App, fetchAsked } from './App';
import { selectOnFocus } from './ui/selectOnFocus';

const queries = new QueryClient({
    defaultOptions: { queries: { retry: false, refetchOnWindowFocus: false, staleTime: Infinity } },
});

selectOnFocus(document);
fetchAsked(queries);
const root = document.getElementById('app');
if (root === null) {
    throw new Error('The page has no place for the application.');
}
createRoot(root).render(
    <StrictMode>
        <QueryClientProvider client={queries}>
            <BrowserRouter>
                <App />
            </BrowserRouter>
        </QueryClientProvider>
    </StrictMode>,
);
