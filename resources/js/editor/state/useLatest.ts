import { useCallback, useRef } from 'react';

/**
 * Questions to the server of which only the last one counts: one is on its way at a time, and of those asked meanwhile the last one goes
 * next. An answer that is overtaken, or that does not come, is null.
 */
export function useLatest<Question, Answer>(ask: (question: Question) => Promise<Answer>): (question: Question) => Promise<Answer | null> {
    const running = useRef(false);
    const waiting = useRef<{ question: Question; tell: (answer: Answer | null) => void } | null>(null);

    return useCallback(
        (question: Question) =>
            new Promise<Answer | null>((tell) => {
                waiting.current?.tell(null);
                waiting.current = { question, tell };
                const go = async (): Promise<void> => {
                    while (waiting.current !== null) {
                        const now = waiting.current;
                        waiting.current = null;
                        const answer = await ask(now.question).catch(() => null);
                        now.tell(waiting.current === null ? answer : null);
                    }
                };
                if (!running.current) {
                    running.current = true;
                    void go().finally(() => (running.current = false));
                }
            }),
        [ask],
    );
}
