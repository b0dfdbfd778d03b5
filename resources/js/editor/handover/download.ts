import { Problem } from '../../api/client';

/**
 * Saves a file of the server, under the name that it gives.
 *
 * @throws Problem
 */
export async function download(path: string, fallback: string): Promise<void> {
    const response = await inTurn(path);
    if (response === null) throw new Problem(0, {});
    if (!response.ok) throw new Problem(response.status, response.headers.get('Content-Type')?.includes('json') ? ((await response.json()) as Problem['body']) : {});
    const link = document.createElement('a');
    link.href = URL.createObjectURL(await response.blob());
    link.download = /filename="([^"]+)"/.exec(response.headers.get('Content-Disposition') ?? '')?.[1] ?? fallback;
    link.click();
    setTimeout(() => URL.revokeObjectURL(link.href), 60_000);
}

/** How often a picture comes back for its turn. */
const MOST_TURNS = 25;

/** Pictures are made a few at a time: whoever is told to come back does so, when told. */
async function inTurn(path: string): Promise<Response | null> {
    for (let turn = 1; ; turn++) {
        const response = await fetch(path, { headers: { Accept: 'application/json' } }).catch(() => null);
        const wait = Number(response?.headers.get('Retry-After'));
        if (response?.status !== 503 || !(wait > 0) || turn === MOST_TURNS) return response;
        await new Promise((go) => setTimeout(go, wait * 1000));
    }
}
