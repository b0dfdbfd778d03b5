import { useMutation, useQuery } from '@tanstack/react-query';
import { Dialog } from 'radix-ui';
import { type FormEvent, type ReactNode, useId, useState } from 'react';
import { answer, api, done, Problem, type Schemas, type Session } from '../api/client';
import { Making } from '../files/Making';
import { useOrder } from '../files/useOrder';

type Person = NonNullable<Session['person']>;

/** What people do with their own account: another password, signing out everywhere, taking everything home, leaving. */
export function Account({
    person,
    open,
    onOpenChange,
    onLeft,
}: {
    person: Person;
    open: boolean;
    onOpenChange: (open: boolean) => void;
    onLeft: () => void;
}) {
    return (
        <Dialog.Root open={open} onOpenChange={onOpenChange}>
            <Dialog.Portal>
                <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/30" />
                <Dialog.Content
                    aria-describedby={undefined}
                    className="appear fixed top-1/2 left-1/2 z-50 max-h-[92vh] w-[560px] max-w-[94vw] -translate-x-1/2 -translate-y-1/2 overflow-auto rounded-lg bg-paper px-7 py-6 shadow-2xl"
                >
                    <div className="flex items-start justify-between">
                        <Dialog.Title className="font-serif text-2xl leading-none font-semibold">{person.name}</Dialog.Title>
                        <Dialog.Close className="quiet -mt-1.5 -mr-2.5">Close</Dialog.Close>
                    </div>
                    <p className="mt-2 text-slate">{person.email}</p>
                    <OtherPassword />
                    <Sheets />
                    <Everywhere onLeft={onLeft} />
                    <Leave onLeft={onLeft} />
                </Dialog.Content>
            </Dialog.Portal>
        </Dialog.Root>
    );
}

function Part({ title, says, children }: { title: string; says: string; children: ReactNode }) {
    return (
        <section className="mt-4 border-t border-rule pt-3.5">
            <h2 className="font-serif text-[17px] leading-none font-semibold">{title}</h2>
            <p className="mt-1.5 mb-2.5 text-slate">{says}</p>
            {children}
        </section>
    );
}

function Secret({
    label,
    name,
    complete,
    value,
    wrong,
    onChange,
}: {
    label: string;
    name: string;
    complete: string;
    value: string;
    wrong: string | undefined;
    onChange: (value: string) => void;
}) {
    const note = useId();
    return (
        <label className="flex flex-1 flex-col gap-1.5 font-medium">
            {label}
            <input
                className="boxed font-normal"
                type="password"
                name={name}
                autoComplete={complete}
                required
                value={value}
                aria-invalid={wrong !== undefined}
                aria-describedby={note}
                onChange={(event) => onChange(event.target.value)}
            />
            <span id={note} className="text-[12.5px] font-normal text-brick">
                {wrong ?? ''}
            </span>
        </label>
    );
}

/** What went wrong that belongs to no field. */
function Trouble({ error }: { error: Error | null }) {
    if (error === null || (error instanceof Problem && error.body.errors !== undefined)) {
        return null;
    }
    return (
        <p role="alert" className="mt-2 text-brick">
            {error instanceof Problem && error.status === 429
                ? 'That was too often in one minute. Please wait a little and try again.'
                : error.message}
        </p>
    );
}

const wrongIn = (error: Error | null, field: string) => (error instanceof Problem ? error.for(field) : undefined);

function OtherPassword() {
    const [given, setGiven] = useState({ current: '', password: '' });
    const change = useMutation({
        mutationFn: () => done(api.PUT('/api/account/password', { body: given })),
        onSuccess: () => setGiven({ current: '', password: '' }),
    });

    function submit(event: FormEvent) {
        event.preventDefault();
        change.mutate();
    }

    return (
        <Part title="Password" says="At least 10 characters. Other devices that are signed in will have to give it.">
            <form onSubmit={submit}>
                <div className="flex gap-4">
                    <Secret
                        label="Password so far"
                        name="current"
                        complete="current-password"
                        value={given.current}
                        wrong={wrongIn(change.error, 'current')}
                        onChange={(current) => setGiven({ ...given, current })}
                    />
                    <Secret
                        label="New password"
                        name="password"
                        complete="new-password"
                        value={given.password}
                        wrong={wrongIn(change.error, 'password')}
                        onChange={(password) => setGiven({ ...given, password })}
                    />
                </div>
                <div className="mt-1.5 flex items-center gap-3">
                    <button className="verb inline-flex" disabled={change.isPending}>
                        Change the password
                    </button>
                    {change.isSuccess && <span role="status">The password is changed.</span>}
                </div>
                <Trouble error={change.error} />
            </form>
        </Part>
    );
}

/** What is kept, how much of it there may be, and all of it to take home. */
function Sheets() {
    const kept = useQuery({ queryKey: ['kept'], queryFn: () => answer(api.GET('/api/account')), staleTime: 0 });
    const order = useOrder();
    const forget = useMutation({ mutationFn: () => answer(api.DELETE('/api/pictures/unused')), onSuccess: () => kept.refetch() });
    return (
        <Part title="Your sheets" says="The plan of each, in one archive. Each can be opened again as a new sheet.">
            <div className="flex min-h-9 items-center gap-3">
                <button
                    className="verb inline-flex"
                    disabled={order.isMaking}
                    onClick={() => order.begin(() => answer(api.POST('/api/account/exports')))}
                >
                    Take all sheets home
                </button>
                {order.order !== null && <Making order={order.order} />}
                {order.isMaking && (
                    <button className="quiet" onClick={order.giveUp}>
                        Cancel
                    </button>
                )}
            </div>
            <Trouble error={order.error} />
            {kept.data !== undefined && <Room kept={kept.data} onForget={() => forget.mutate()} forgotten={forget.data?.deleted ?? null} />}
            <Trouble error={forget.error} />
        </Part>
    );
}

function Room({ kept, onForget, forgotten }: { kept: Schemas['Kept']; onForget: () => void; forgotten: number | null }) {
    const megabytes = (bytes: number) => (Math.ceil(bytes / 1e5) / 10).toLocaleString('en', { maximumFractionDigits: bytes < 1e7 ? 1 : 0 });
    return (
        <dl className="mt-2.5 grid grid-cols-[auto_1fr_auto] items-center gap-x-4 gap-y-1.5">
            <Measure
                name="Sheets"
                value={kept.sheets}
                most={kept.most_sheets}
                says={`${String(kept.sheets)} of ${String(kept.most_sheets)}`}
            />
            <Measure
                name="Room"
                value={kept.bytes}
                most={kept.most_bytes}
                says={`${megabytes(kept.bytes)} of ${megabytes(kept.most_bytes)} MB`}
            />
            <dt>Pictures</dt>
            <dd className="col-span-2 flex items-baseline gap-3 tabular-nums">
                {kept.pictures.toLocaleString('en')}, {megabytes(kept.picture_bytes)} MB of it
                {kept.pictures > 0 && (
                    <button className="font-medium text-umber hover:underline" onClick={onForget}>
                        Delete those that no sheet has
                    </button>
                )}
                {forgotten !== null && <span role="status">{forgotten === 1 ? 'One is deleted.' : `${forgotten} are deleted.`}</span>}
            </dd>
            <dt className="self-start">Changes</dt>
            <dd className="col-span-2 text-slate">
                The last {kept.revisions.toLocaleString('en')} of a sheet are kept, and all of {kept.days} days that led to it; of the days
                before, the last of each.
            </dd>
        </dl>
    );
}

function Measure({ name, value, most, says }: { name: string; value: number; most: number; says: string }) {
    return (
        <>
            <dt>{name}</dt>
            <dd aria-hidden className="h-1.5 overflow-hidden rounded-full bg-hairline">
                <div
                    className={`h-full ${value > 0.9 * most ? 'bg-brick' : 'bg-amber'}`}
                    style={{ width: `${String(Math.min(100, Math.max(value > 0 ? 1 : 0, (100 * value) / most)))}%` }}
                />
            </dd>
            <dd className="text-right text-slate tabular-nums">{says}</dd>
        </>
    );
}

function Everywhere({ onLeft }: { onLeft: () => void }) {
    const leave = useMutation({ mutationFn: () => done(api.POST('/api/account/sign-out-everywhere')), onSuccess: onLeft });
    return (
        <Part title="Devices" says="Ends every session of this account, this one too.">
            <button className="verb inline-flex" disabled={leave.isPending} onClick={() => leave.mutate()}>
                Sign out everywhere
            </button>
            <Trouble error={leave.error} />
        </Part>
    );
}

function Leave({ onLeft }: { onLeft: () => void }) {
    const [asked, setAsked] = useState(false);
    const [current, setCurrent] = useState('');
    const leave = useMutation({ mutationFn: () => done(api.DELETE('/api/account', { body: { current } })), onSuccess: onLeft });

    function submit(event: FormEvent) {
        event.preventDefault();
        leave.mutate();
    }

    return (
        <Part title="Leave" says="Deletes the account and every sheet in it, for good. Take your sheets home first.">
            {asked ? (
                <form className="flex items-start gap-3" onSubmit={submit}>
                    <Secret
                        label="Your password, to be sure"
                        name="leaving"
                        complete="current-password"
                        value={current}
                        wrong={wrongIn(leave.error, 'current')}
                        onChange={setCurrent}
                    />
                    <button className="verb mt-[27px] text-brick" disabled={leave.isPending}>
                        Delete everything
                    </button>
                    <button type="button" className="quiet mt-[27px]" onClick={() => setAsked(false)}>
                        Keep it
                    </button>
                </form>
            ) : (
                <button className="verb text-brick" onClick={() => setAsked(true)}>
                    Delete the account…
                </button>
            )}
            <Trouble error={leave.error} />
        </Part>
    );
}
