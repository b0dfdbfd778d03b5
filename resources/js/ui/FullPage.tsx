import type { ReactNode } from 'react';
import { Link } from 'react-router';
import { Mark } from './Mark';

/** A page that says one thing: a failure, or that something is not there. */
export function FullPage({ title, children }: { title: string; children: ReactNode }) {
    return (
        <main className="grid h-full place-items-center bg-paper p-8">
            <div className="flex max-w-md flex-col items-start gap-4">
                <Mark size={30} />
                <h1 className="font-serif text-2xl leading-tight font-semibold">{title}</h1>
                <div className="flex flex-col items-start gap-5 text-[15px] leading-relaxed">{children}</div>
                <Link to="/" className="font-medium text-umber underline decoration-amber underline-offset-4">
                    To your sheets
                </Link>
            </div>
        </main>
    );
}
