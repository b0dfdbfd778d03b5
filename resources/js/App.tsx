import { useQuery } from '@tanstack/react-query';
import { Navigate, Route, Routes } from 'react-router';
import { Confirm, Reset } from './account/ByLetter';
import { Forgot, Register, SignIn } from './account/Door';
import { Mailbox } from './account/Mailbox';
import { answer, api } from './api/client';
import { Editor } from './editor/Editor';
import { SheetList } from './sheets/SheetList';
import { FullPage } from './ui/FullPage';
import { Waiting } from './ui/Waiting';

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
