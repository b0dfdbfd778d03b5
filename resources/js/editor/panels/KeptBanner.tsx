import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, Problem, type Session } from '../../api/client';
import type { Kept } from '../model/scene/SheetChanges';

/** Says that changes were not taken, and offers them again. */
export function KeptBanner({ kept, busy, onRetry, onDrop }: { kept: Kept; busy: boolean; onRetry: () => void; onDrop: () => void }) {
    const many = kept.entries.length > 1;
    return (
        <div role="alert" className="appear flex items-center gap-3 border-b border-rule bg-blush px-5 py-2.5">
            <p className="flex-1 font-serif text-[16px] leading-snug">
                {kept.why === 'refused' ? (
                    <>This cannot be made on the sheet as it is now. {kept.message}</>
                ) : kept.why === 'stale' ? (
                    <>
                        The sheet was changed elsewhere in the meantime, and is shown as it is now. Your{' '}
                        {many ? `${kept.entries.length} changes are` : 'change is'} kept and can be made on it.
                    </>
                ) : kept.why === 'signed out' ? (
                    <>You are signed out. {kept.entries.length === 0 ? 'Sign in again to go on.' : `Your ${many ? `${kept.entries.length} changes are kept and are` : 'change is kept and is'} made when you sign in again.`}</>
                ) : kept.entries.length === 0 ? (
                    <>The server does not answer. Nothing is lost; please try again.</>
                ) : (
                    <>Not saved: the server does not answer. Your {many ? `${kept.entries.length} changes are` : 'change is'} kept here.</>
                )}
            </p>
            {kept.why === 'signed out' ? (
                <SignInAgain onEntered={onRetry} />
            ) : (
                <button className="solid" disabled={busy} onClick={onRetry}>
                    {kept.why === 'stale' ? (many ? 'Make my changes' : 'Make my change') : 'Try again'}
                </button>
            )}
            <button className="quiet" onClick={onDrop}>
                {kept.entries.length === 0 ? 'Dismiss' : 'Drop it'}
            </button>
        </div>
    );
}

/** Signing in without leaving the sheet. */
function SignInAgain({ onEntered }: { onEntered: () => void }) {
    const queries = useQueryClient();
    const [email, setEmail] = useState(queries.getQueryData<Session>(['session'])?.person?.email ?? '');
    const [password, setPassword] = useState('');
    const enter = useMutation({
        mutationFn: () => answer(api.POST('/api/sign-in', { body: { email, password } })),
        onSuccess: (session) => {
            queries.setQueryData(['session'], session);
            onEntered();
        },
    });
    const problem =
        enter.error instanceof Problem ? (enter.error.for('email') ?? enter.error.for('password') ?? enter.error.message) : null;
    return (
        <form
            className="flex items-center gap-2"
            onSubmit={(event) => {
                event.preventDefault();
                enter.mutate();
            }}
        >
            {problem !== null && <span className="max-w-64 text-[12.5px] leading-snug text-brick">{problem}</span>}
            <input
                className="boxed w-52"
                type="email"
                aria-label="E-mail address"
                autoComplete="email"
                placeholder="E-mail address"
                required
                value={email}
                onChange={(event) => setEmail(event.target.value)}
            />
            <input
                className="boxed w-40"
                type="password"
                aria-label="Password"
                autoComplete="current-password"
                placeholder="Password"
                required
                value={password}
                onChange={(event) => setPassword(event.target.value)}
            />
            <button className="solid" disabled={enter.isPending}>
                Sign in
            </button>
        </form>
    );
}
