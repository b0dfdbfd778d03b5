/** So many requests of one person the server works on at once. */
const AT_ONCE = 2;

let under = 0;
const waiting: (() => void)[] = [];

function next(): void {
    if (under >= AT_ONCE) return;
    const go = waiting.shift();
    if (go === undefined) return;
    under++;
    go();
}

/** Asks for a turn; `go` is called when it comes. Returns what ends it, or gives it up; ended twice it ends once. */
export function inTurn(go: () => void): () => void {
    let state: 'waits' | 'goes' | 'ended' = 'waits';
    const begin = (): void => {
        state = 'goes';
        go();
    };
    waiting.push(begin);
    next();
    return () => {
        if (state === 'waits') waiting.splice(waiting.indexOf(begin), 1);
        else if (state === 'goes') under--;
        state = 'ended';
        next();
    };
}
