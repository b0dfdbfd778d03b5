import { useMutation, useQueryClient } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { Link } from 'react-router';
import { answer, api, done } from '../api/client';
import { DOOR_LINK, DoorPage } from './DoorPage';
import { Given, Otherwise } from './Given';
import { OnItsWay } from './Mailbox';

const LEAD = 'Construct on grids, and keep the construction.';

export function SignIn() {
    const queries = useQueryClient();
    const [given, setGiven] = useState({ email: '', password: '' });
    const enter = useMutation({
        mutationFn: () => answer(api.POST('/api/sign-in', { body: given })),
        onSuccess: (session) => queries.setQueryData(['session'], session),
    });
    return (
        <DoorPage title="Sign in" says={LEAD}>
            <Form onSubmit={() => enter.mutate()}>
                <Given kind="email" value={given.email} error={enter.error} onChange={(email) => setGiven({ ...given, email })} />
                <Given
                    kind="password"
                    value={given.password}
                    error={enter.error}
                    onChange={(password) => setGiven({ ...given, password })}
                />
                <Otherwise error={enter.error} />
                <button className="solid mt-1 self-start text-[15px]" disabled={enter.isPending}>
                    Sign in
                </button>
            </Form>
            <p className="flex gap-x-6">
                <span>
                    New here?{' '}
                    <Link className={DOOR_LINK} to="/register">
                        Open an account
                    </Link>
                </span>
                <Link className={DOOR_LINK} to="/forgot">
                    Forgot the password?
                </Link>
            </p>
        </DoorPage>
    );
}

export function Register() {
    const [given, setGiven] = useState({ name: '', email: '', password: '' });
    const ask = useMutation({ mutationFn: () => done(api.POST('/api/register', { body: given })) });
    if (ask.isSuccess) {
        return (
            <DoorPage title="Look into your mail" says="One more step, so that the address is yours.">
                <OnItsWay email={given.email}>A letter is on its way to {given.email}. Follow the link in it within a day.</OnItsWay>
            </DoorPage>
        );
    }
    return (
        <DoorPage title="Open an account" says={LEAD}>
            <Form onSubmit={() => ask.mutate()}>
                <Given kind="name" value={given.name} error={ask.error} onChange={(name) => setGiven({ ...given, name })} />
                <Given kind="email" value={given.email} error={ask.error} onChange={(email) => setGiven({ ...given, email })} />
                <Given
                    kind="new-password"
                    value={given.password}
                    error={ask.error}
                    hint="At least 10 characters."
                    onChange={(password) => setGiven({ ...given, password })}
                />
                <Otherwise error={ask.error} />
                <button className="solid mt-1 self-start text-[15px]" disabled={ask.isPending}>
                    Open the account
                </button>
            </Form>
            <BackToSignIn>You have an account? </BackToSignIn>
        </DoorPage>
    );
}

export function Forgot() {
    const [email, setEmail] = useState('');
    const ask = useMutation({ mutationFn: () => done(api.POST('/api/forgot', { body: { email } })) });
    if (ask.isSuccess) {
        return (
            <DoorPage title="Look into your mail" says="The password so far stays until then.">
                <OnItsWay email={email}>
                    If {email} has an account, a letter is on its way to it. Follow the link in it within the hour.
                </OnItsWay>
            </DoorPage>
        );
    }
    return (
        <DoorPage title="Another password" says="By a letter to the address of the account.">
            <Form onSubmit={() => ask.mutate()}>
                <Given kind="email" value={email} error={ask.error} onChange={setEmail} />
                <Otherwise error={ask.error} />
                <button className="solid mt-1 self-start text-[15px]" disabled={ask.isPending}>
                    Send the letter
                </button>
            </Form>
            <BackToSignIn>You know it again? </BackToSignIn>
        </DoorPage>
    );
}

export function Form({ onSubmit, children }: { onSubmit: () => void; children: React.ReactNode }) {
    return (
        <form
            className="flex max-w-sm flex-col gap-3"
            onSubmit={(event: FormEvent) => {
                event.preventDefault();
                onSubmit();
            }}
        >
            {children}
        </form>
    );
}

function BackToSignIn({ children }: { children: string }) {
    return (
        <p>
            {children}
            <Link className={DOOR_LINK} to="/sign-in">
                Sign in
            </Link>
        </p>
    );
}
