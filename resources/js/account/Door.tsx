import { useMutation, useQueryClient } from '@tanstack/react-query';
import { type FormEvent, useState } from 'react';
import { Link } from 'react-router';
import { answer, api, Problem } from '../api/client';
import { Mark } from '../ui/Mark';
import { Plate } from './Plate';

/** Sign-in and registration. */
export function Door({ way }: { way: 'sign-in' | 'register' }) {
    const queries = useQueryClient();
    const [given, setGiven] = useState({ name: '', email: '', password: '' });
    const enter = useMutation({
        mutationFn: () => answer(way === 'register' ? api.POST('/api/register', { body: given }) : api.POST('/api/sign-in', { body: given })),
        onSuccess: (session) => queries.setQueryData(['session'], session),
    });
    const problem = enter.error instanceof Problem ? enter.error : undefined;
    const register = way === 'register';

    function submit(event: FormEvent) {
        event.preventDefault();
        enter.mutate();
    }

    function input(name: 'name' | 'email' | 'password', label: string, type: string, complete: string, hint?: string) {
        const wrong = problem?.for(name);
        return (
            <label className="flex flex-col gap-1.5 font-medium">
                {label}
                <input
                    className="boxed text-[15px] font-normal"
                    name={name}
                    type={type}
                    autoComplete={complete}
                    required
                    value={given[name]}
                    aria-invalid={wrong !== undefined}
                    aria-describedby={`${name}-note`}
                    onChange={(event) => setGiven({ ...given, [name]: event.target.value })}
                />
                <span id={`${name}-note`} className={wrong === undefined ? 'text-[12.5px] font-normal text-slate' : 'text-[12.5px] font-normal text-brick'}>
                    {wrong ?? hint ?? ''}
                </span>
            </label>
        );
    }

    return (
        <div className="grid h-full grid-cols-[minmax(380px,5fr)_7fr] bg-paper">
            <main className="flex flex-col justify-center gap-7 overflow-auto px-[clamp(2.5rem,7vw,7rem)] py-10">
                <div className="flex items-center gap-3">
                    <Mark size={26} />
                    <span className="font-serif text-2xl font-semibold tracking-[.01em]">Sternbild</span>
                </div>
                <div>
                    <h1 className="font-serif text-[28px] leading-tight font-semibold">{register ? 'Open an account' : 'Sign in'}</h1>
                    <p className="mt-2 max-w-sm font-serif text-[17px] leading-snug text-slate">
                        Construct on grids, and keep the construction.
                    </p>
                </div>
                <form className="flex max-w-sm flex-col gap-3" onSubmit={submit}>
                    {register && input('name', 'Name', 'text', 'name')}
                    {input('email', 'E-mail address', 'email', 'email')}
                    {input('password', 'Password', 'password', register ? 'new-password' : 'current-password', register ? 'At least 10 characters.' : undefined)}
                    {problem !== undefined && problem.body.errors === undefined && (
                        <p role="alert" className="text-brick">
                            {problem.status === 429 ? 'That was too often in one minute. Please wait a little and try again.' : problem.message}
                        </p>
                    )}
                    <button className="solid mt-1 self-start text-[15px]" disabled={enter.isPending}>
                        {register ? 'Open the account' : 'Sign in'}
                    </button>
                </form>
                <p>
                    {register ? 'You have an account? ' : 'New here? '}
                    <Link className="font-medium text-umber underline decoration-amber underline-offset-4" to={register ? '/sign-in' : '/register'} onClick={() => enter.reset()}>
                        {register ? 'Sign in' : 'Open an account'}
                    </Link>
                </p>
            </main>
            <Plate />
        </div>
    );
}
