import { useEffect, useState } from 'react';

/** Milliseconds without a change, after which somebody who types has come to an end. */
const STILL = 200;

/** A text as it was when it last stood still, so that not every letter of what is typed is asked about. */
export function useSettled(text: string): string {
    const [settled, settle] = useState(text);
    useEffect(() => {
        const waiting = setTimeout(() => settle(text), STILL);
        return () => clearTimeout(waiting);
    }, [text]);
    return settled;
}
