import { useCallback, useRef } from 'react';
import { request } from '../api/client';

/**
 * Questions to the server of which only the last one counts: one is on its way at a time, and of those asked meanwhile the last one goes next.
 * An answer that is overtaken, or that does not come, is null.
 */
export function useLatest<T>(path: string): (body: object) => Promise<T | null> {
    const running = useRef(false);
    const waiting = useRef<{ body: object; tell: (answer: T | null) => void } | null>(null);

    return useCallback(
        (body: object) =>
            new Promise<T | null>((tell) => {
                waiting.current?.tell(null);
                waiting.current = { body, tell };
                const go = async (): Promise<void> => {
                    while (waiting.current !== null) {
                        const now = waiting.current;
                        waiting.current = null;
                        const answer = await request<T>('POST', path, now.body).catch(() => null);
                        now.tell(waiting.current === null ? answer : null);
                    }
                };
                if (!running.current) {
                    running.current = true;
                    void go().finally(() => (running.current = false));
                }
            }),
        [path],
    );
}
