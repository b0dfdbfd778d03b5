import { useQuery } from '@tanstack/react-query';
import { Navigate, Route, Routes } from 'react-router';
import { Door } from './account/Door';
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
    if (session.data.person === null) {
        return (
            <Routes>
                <Route path="/register" element={<Door way="register" />} />
                <Route path="*" element={<Door way="sign-in" />} />
            </Routes>
        );
    }
    return (
        <Routes>
            <Route path="/" element={<SheetList person={session.data.person} />} />
            <Route path="/sheets/:id" element={<Editor />} />
            <Route path="/sign-in" element={<Navigate to="/" replace />} />
            <Route path="/register" element={<Navigate to="/" replace />} />
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
