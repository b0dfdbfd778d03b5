import type { ReactNode } from 'react';
import { Mark } from '../ui/Mark';
import { Plate } from './Plate';

/** A page for people who are not signed in: what it asks on one side, a construction on the other. */
export function DoorPage({ title, says, children }: { title: string; says: ReactNode; children: ReactNode }) {
    return (
        <div className="grid h-full grid-cols-[minmax(380px,5fr)_7fr] bg-paper">
            <main className="flex flex-col justify-center gap-7 overflow-auto px-[clamp(2.5rem,7vw,7rem)] py-10">
                <div className="flex items-center gap-3">
                    <Mark size={26} />
                    <span className="font-serif text-2xl font-semibold tracking-[.01em]">Sternbild</span>
                </div>
                <div>
                    <h1 className="font-serif text-[28px] leading-tight font-semibold">{title}</h1>
                    <p className="mt-2 max-w-sm font-serif text-[17px] leading-snug text-slate">{says}</p>
                </div>
                {children}
            </main>
            <Plate />
        </div>
    );
}

/** The way to another page of the door. */
export const DOOR_LINK = 'font-medium text-umber underline decoration-amber underline-offset-4';
