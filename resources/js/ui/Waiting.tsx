import { useEffect, useState } from 'react';
import { Mark } from './Mark';

/** Shown while a page loads, once that takes longer than is felt. */
export function Waiting({ what }: { what: string }) {
    const [late, setLate] = useState(false);
    useEffect(() => {
        const timer = setTimeout(() => setLate(true), 300);
        return () => clearTimeout(timer);
    }, []);
    return (
        <main className="grid h-full place-items-center bg-paper" aria-busy="true">
            {late && (
                <p role="status" className="appear flex items-center gap-3 font-serif text-lg text-slate italic">
                    <Mark /> {what} …
                </p>
            )}
        </main>
    );
}
