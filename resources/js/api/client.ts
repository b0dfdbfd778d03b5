import type { components } from './schema';

type Schemas = components['schemas'];
export type Session = Schemas['Session'];
export type SheetEntry = Schemas['SheetEntry'];
export type SheetPage = Schemas['SheetPage'];
export type Preview = Schemas['Preview'];
export type Scene = Schemas['Scene'];
export type Step = Schemas['Step'];
export type Piece = Schemas['Piece'];
export type Kind = Schemas['Kind'];
export type Field = Schemas['Field'];
export type Offer = Schemas['Offer'];
export type Operation = Schemas['Operation'];
export type Finding = Schemas['Finding'];
export type Style = Schemas['Style'];
export type Drawn = Schemas['Drawn'];
export type GridGeometry = Schemas['GridGeometry'];
export type GridTopology = Schemas['GridTopology'];
export type PartGeometry = Schemas['PartGeometry'];
export type GuideGeometry = Schemas['GuideGeometry'];
export type Candidate = Schemas['Candidate'];
export type Snap = Schemas['Snap'];
export type Settled = Schemas['Settled'];
export type CloseUp = Schemas['CloseUp'];
export type Construction = Schemas['Construction'];
type ProblemBody = Partial<Schemas['Problem']>;

/** What the server said went wrong, or that it said nothing (`status` 0). */
export class Problem extends Error {
    constructor(
        readonly status: number,
        readonly body: ProblemBody,
    ) {
        super(body.message ?? 'The server does not answer.');
    }

    /** Whether the same request may work later, unchanged. */
    get isOutage(): boolean {
        return this.status === 0 || this.status >= 500 || this.status === 419;
    }

    /** The messages for one field of a form. */
    for(field: string): string | undefined {
        return this.body.errors?.[field]?.[0];
    }
}

function csrfToken(): string {
    const found = /(?:^|; )XSRF-TOKEN=([^;]*)/.exec(document.cookie);
    return found?.[1] === undefined ? '' : decodeURIComponent(found[1]);
}

/**
 * One request to the API.
 *
 * @throws Problem
 */
export async function request<T>(method: string, path: string, body?: unknown, signal?: AbortSignal): Promise<T> {
    const send = () =>
        fetch(`/api/${path}`, {
            method,
            signal,
            headers: { Accept: 'application/json', 'Content-Type': 'application/json', 'X-XSRF-TOKEN': csrfToken() },
            body: body === undefined ? undefined : JSON.stringify(body),
        });
    let response: Response;
    try {
        response = await send();
        if (response.status === 419) {
            // The session is another one than when the page was opened; any answer brings its token.
            await fetch('/api/session', { signal, headers: { Accept: 'application/json' } });
            response = await send();
        }
    } catch (fault) {
        if (signal?.aborted) {
            throw fault;
        }
        throw new Problem(0, {});
    }
    if (response.status === 204) {
        return undefined as T;
    }
    const isJson = response.headers.get('Content-Type')?.includes('json') ?? false;
    const answer: unknown = isJson ? await response.json() : {};
    if (!response.ok) {
        const given = answer as ProblemBody;
        throw new Problem(response.status, response.status >= 500 && given.problem === undefined ? {} : given);
    }
    return answer as T;
}
