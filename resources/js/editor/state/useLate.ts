import { useEffect, useState } from 'react';

/** True once something has been busy for longer than is felt. */
export function useLate(busy: boolean): boolean {
    const [late, setLate] = useState(false);
    useEffect(() => {
        const timer = setTimeout(() => setLate(busy), busy ? 300 : 0);
        return () => clearTimeout(timer);
    }, [busy]);
    return busy && late;
}
