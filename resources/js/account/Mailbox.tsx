import { useQuery, useQueryClient } from '@tanstack/react-query';
import { type ReactNode, useState } from 'react';
import { Link, useSearchParams } from 'react-router';
import { answer, api, type Session } from '../api/client';
import { Form } from './Door';
import { DOOR_LINK, DoorPage } from './DoorPage';
import { Given, Otherwise } from './Given';

/** What to do now that a letter was sent. */
export function OnItsWay({ email, children }: { email: string; children: ReactNode }) {
    const simulated = useQueryClient().getQueryData<Session>(['session'])?.mailbox === true;
    return (
        <div className="flex max-w-sm flex-col items-start gap-5">
            <p role="status" className="text-[15px] leading-relaxed">
                {children}
            </p>
            {simulated && (
                <p className="rounded bg-honey px-4 py-3 leading-relaxed">
                    Here no letter leaves this machine.{' '}
                    <Link className={DOOR_LINK} to={`/mailbox?to=${encodeURIComponent(email.trim().toLowerCase())}`}>
                        Open the simulated mailbox
                    </Link>
                </p>
            )}
            <Link className={DOOR_LINK} to="/sign-in">
                Sign in
            </Link>
        </div>
    );
}

/** Between two looks for new letters, in milliseconds. */
const LOOKS = 2000;

/** The letters to an address, on a machine that sends none. */
export function Mailbox() {
    const [asked, setAsked] = useSearchParams();
    const to = asked.get('to') ?? '';
    const [email, setEmail] = useState(to);
    const letters = useQuery({
        queryKey: ['letters', to],
        queryFn: () => answer(api.GET('/api/mailbox', { params: { query: { email: to } } })),
        enabled: to !== '',
        refetchInterval: ({ state }) => (state.status === 'error' ? false : LOOKS),
    });
    return (
        <DoorPage title="Simulated mailbox" says="Letters that would be sent, on this machine instead.">
            <Form onSubmit={() => setAsked({ to: email })}>
                <Given kind="email" value={email} error={letters.error} onChange={setEmail} />
                <Otherwise error={letters.error} />
                <button className="verb self-start">Show its letters</button>
            </Form>
            {letters.data !== undefined && (
                <ol className="flex max-w-md flex-col gap-4" aria-label="Letters">
                    {letters.data.letters.length === 0 && <li className="text-slate">No letter yet. It looks again by itself.</li>}
                    {letters.data.letters.map(({ subject, body, at }) => (
                        <li key={at + subject} className="rounded border border-rule bg-card px-5 py-4">
                            <h2 className="font-serif text-[17px] leading-snug font-semibold">{subject}</h2>
                            <p className="mt-0.5 text-[12.5px] text-slate">
                                {new Date(at).toLocaleTimeString('en', { hour: '2-digit', minute: '2-digit', hourCycle: 'h23' })}
                            </p>
                            <Body text={body} />
                        </li>
                    ))}
                </ol>
            )}
        </DoorPage>
    );
}

/** Its paragraphs; links can be followed. */
function Body({ text }: { text: string }) {
    return text.trim().split(/\n\n+/).map((paragraph) => {
        const link = /^https?:\/\/[^/]+(\/\S+)$/.exec(paragraph)?.[1];
        return (
            <p key={paragraph} className="mt-2.5 break-words leading-relaxed">
                {link === undefined ? (
                    paragraph
                ) : (
                    <Link className={DOOR_LINK} to={link}>
                        {paragraph}
                    </Link>
                )}
            </p>
        );
    });
}
