import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { answer, api, Problem, type Session } from '../api/client';
import { Form } from './Door';
import { DOOR_LINK, DoorPage } from './DoorPage';
import { Given, Otherwise } from './Given';

/** The account is opened by a press, not by opening the page: programs that look into letters open pages. */
export function Confirm() {
    const { token = '' } = useParams();
    const enter = useEntering(() => answer(api.POST('/api/confirm', { body: { token } })));
    if (enter.error instanceof Problem && enter.error.for('token') !== undefined) {
        return (
            <DoorPage title="Not by this link" says="An account that it opened before can be signed in to.">
                <Otherwise error={enter.error} />
                <p className="flex gap-x-6">
                    <Link className={DOOR_LINK} to="/sign-in">
                        Sign in
                    </Link>
                    <Link className={DOOR_LINK} to="/register">
                        Open an account
                    </Link>
                </p>
            </DoorPage>
        );
    }
    return (
        <DoorPage title="Welcome" says="The address is yours. All that is left is to come in.">
            <Form onSubmit={() => enter.mutate()}>
                <Otherwise error={enter.error} />
                <button className="solid self-start text-[15px]" autoFocus disabled={enter.isPending}>
                    Come in
                </button>
            </Form>
        </DoorPage>
    );
}

/** Another password for the account that a letter was about. */
export function Reset() {
    const { token = '' } = useParams();
    const [password, setPassword] = useState('');
    const enter = useEntering(() => answer(api.POST('/api/reset', { body: { token, password } })));
    return (
        <DoorPage title="Another password" says="All devices that are signed in will have to give it.">
            <Form onSubmit={() => enter.mutate()}>
                <Given
                    kind="new-password"
                    label="New password"
                    value={password}
                    error={enter.error}
                    hint="At least 10 characters."
                    onChange={setPassword}
                />
                <Otherwise error={enter.error} />
                <button className="solid mt-1 self-start text-[15px]" disabled={enter.isPending}>
                    Set it and come in
                </button>
            </Form>
            <Link className={DOOR_LINK} to="/forgot">
                Ask for another letter
            </Link>
        </DoorPage>
    );
}

function useEntering(enter: () => Promise<Session>) {
    const queries = useQueryClient();
    const go = useNavigate();
    return useMutation({
        mutationFn: enter,
        onSuccess: (session) => {
            // What another person looked at in this browser is not this one's.
            queries.removeQueries({ predicate: ({ queryKey }) => queryKey[0] !== 'session' });
            queries.setQueryData(['session'], session);
            void go('/', { replace: true });
        },
    });
}
