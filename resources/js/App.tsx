import { type QueryClient, useQuery } from '@tanstack/react-query';
import { Navigate, Route, Routes } from 'react-router';
import { answer, api } from './api/client';
import { askEarly } from './api/early';
import { kindsQuery } from './api/kinds';
import { FullPage } from './ui/FullPage';
import { fetchAhead, later } from './ui/later';
import { Waiting } from './ui/Waiting';

const Editor = later(() => import('./editor/Editor').then(({ Editor }) => Editor));
const SheetList = later(() => import('./sheets/SheetList').then(({ SheetList }) => SheetList));
const SignIn = later(() => import('./account/Door').then(({ SignIn }) => SignIn), false);
const Register = later(() => import('./account/Door').then(({ Register }) => Register), false);
const Forgot = later(() => import('./account/Door').then(({ Forgot }) => Forgot), false);
const Confirm = later(() => import('./account/ByLetter').then(({ Confirm }) => Confirm), false);
const Reset = later(() => import('./account/ByLetter').then(({ Reset }) => Reset), false);
const Mailbox = later(() => import('./account/Mailbox').then(({ Mailbox }) => Mailbox), false);

/** Fetches what the address asks for while the server still tells who asks. */
export function fetchAsked(queries: QueryClient): void {
    const sheet = /^\/sheets\/([0-9a-f-]{36})$/.exec(window.location.pathname)?.[1];
    if (sheet !== undefined) {
        askEarly(sheet);
        void queries.prefetchQuery(kindsQuery);
    }
    const asked = sheet === undefined ? SheetList : Editor;
    // Where it cannot be had, that is said where it is shown.
    asked.fetched().then(fetchAhead, () => undefined);
}

export function App() {
    const session = useQuery({ queryKey: ['session'], queryFn: () => answer(api.GET('/api/session')) });
    if (session.isPending) {
        return <Waiting what="Opening Sternbild" />;
    }
    if (session.isError) {
        return (
            <FullPage title="The server does not answer">
                <p>Nothing of your work is lost: it is kept on the server.</p>
                <button className="solid" onClick={() => void session.refetch()}>
                    Try again
                </button>
            </FullPage>
        );
    }
    const byLetter = (
        <>
            <Route path="/confirm/:token" element={<Confirm />} />
            <Route path="/reset/:token" element={<Reset />} />
            <Route path="/mailbox" element={<Mailbox />} />
        </>
    );
    if (session.data.person === null) {
        return (
            <Routes>
                <Route path="/register" element={<Register />} />
                <Route path="/forgot" element={<Forgot />} />
                {byLetter}
                <Route path="*" element={<SignIn />} />
            </Routes>
        );
    }
    return (
        <Routes>
            <Route path="/" element={<SheetList person={session.data.person} />} />
            <Route path="/sheets/:id" element={<Editor />} />
            <Route path="/sign-in" element={<Navigate to="/" replace />} />
            <Route path="/register" element={<Navigate to="/" replace />} />
            <Route path="/forgot" element={<Navigate to="/" replace />} />
            {byLetter}
            <Route
                path="*"
                element={
                    <FullPage title="There is nothing here">
                        <p>The address may be mistyped.</p>
                    </FullPage>
                }
            />
        </Routes>
    );
}
