import { type ComponentType, createElement, type FunctionComponent, useEffect, useReducer, useState } from 'react';

/** What is fetched when it is first shown. */
export type Later<P extends object> = FunctionComponent<P> & {
    /** Fetches it now, so that it is there when it is shown. */
    fetched: () => Promise<void>;
};

const ahead: (() => Promise<void>)[] = [];

/**
 * A component that is not loaded with the page. One that has an `open` is fetched when it is opened.
 *
 * @param isLikely whether it is fetched once the browser has nothing else to do
 */
export function later<P extends object>(load: () => Promise<ComponentType<P>>, isLikely = true): Later<P> {
    let found: ComponentType<P> | null = null;
    async function fetched(): Promise<void> {
        found ??= await load();
    }
    function Later(props: P) {
        const [, drawAgain] = useReducer((count: number) => count + 1, 0);
        const [failed, setFailed] = useState(false);
        const isWanted = !('open' in props) || props.open === true;
        useEffect(() => {
            if (found !== null || failed || !isWanted) return;
            let isGone = false;
            fetched().then(
                () => !isGone && drawAgain(),
                () => !isGone && setFailed(true),
            );
            return () => {
                isGone = true;
            };
        }, [failed, isWanted]);
        if (found !== null) return createElement(found, props);
        return failed ? (
            <p role="alert" className="flex items-center gap-2 rounded bg-blush px-3 py-2 text-brick">
                This part could not be fetched: the server does not answer.
                <button type="button" className="quiet" onClick={() => setFailed(false)}>
                    Try again
                </button>
            </p>
        ) : null;
    }
    Later.fetched = fetched;
    if (isLikely) ahead.push(fetched);
    return Later;
}

/** Fetches what is likely to be shown next, one after another, whenever the browser has nothing else to do. */
export function fetchAhead(): void {
    const next = ahead.shift();
    if (next === undefined) return;
    whenIdle(() => {
        // What cannot be had now is fetched when it is shown.
        next().then(fetchAhead, fetchAhead);
    });
}

function whenIdle(act: () => void): void {
    if ('requestIdleCallback' in window) window.requestIdleCallback(act, { timeout: 10_000 });
    else setTimeout(act, 1000);
}
