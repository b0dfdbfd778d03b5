import createClient from 'openapi-fetch';
import type { components, paths } from './schema';

/** What the API document describes, by name. */
export type Schemas = components['schemas'];
export type Session = Schemas['Session'];
export type SheetEntry = Schemas['SheetEntry'];
/** A sentence, with the hash of what it comes to on the sheet. */
export type Step = Schemas['Step'] & { geometry: string | null };
export type Sentence = Schemas['Step'];
export type Handles = Schemas['Handles'];
export type Section = Schemas['Section'];
export type Piece = Schemas['Piece'];
export type Kind = Schemas['Kind'];
export type Field = Schemas['Field'];
export type Offer = Schemas['Offer'];
export type Operation = Schemas['Operation'];
export type Finding = Schemas['Finding'];
export type Style = Schemas['Style'];
export type Drawn = Schemas['Drawn'];
export type Seams = Schemas['Seams'];
export type SheetSentences = Schemas['SheetSentences'];
export type PlanStep = Schemas['PlanStep'];
export type GridGeometry = Schemas['GridGeometry'];
export type GridTopology = Schemas['GridTopology'];
export type PartGeometry = Schemas['PartGeometry'];
export type GuideGeometry = Schemas['GuideGeometry'];
export type Candidate = Schemas['Candidate'];
export type Snap = Schemas['Snap'];
export type Settled = Schemas['Settled'];
export type CloseUp = Schemas['CloseUp'];
/** A file that is made in turn. */
export type Export = Schemas['Export'];
export type Construction = Schemas['Construction'];

/** As answers say them, with what was said by its hash alone put in. */
export type Scene = Omit<Schemas['Scene'], 'steps' | 'drawing' | 'inside' | 'cells' | 'seams' | 'said'> & {
    steps: Step[];
    drawing: Drawn[];
    inside: Drawn[];
    cells: Drawn[];
    seams: Seams;
    said: SheetSentences;
};
export type Plan = Omit<Schemas['Plan'], 'steps'> & { steps: PlanStep[] };
export type SheetPage = Omit<Schemas['SheetPage'], 'plan' | 'scene'> & { plan: Plan; scene: Scene };

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

/** The API as its document describes it. `answer` takes out of what its calls give what is wanted. */
export const api = createClient<paths>({ baseUrl: globalThis.location?.origin ?? '', fetch: reach });

/**
 * What a call gave.
 *
 * @throws Problem
 */
export async function answer<T>(call: Promise<{ data?: T; error?: unknown; response: Response }>): Promise<T> {
    const { data, error, response } = await call;
    if (!response.ok || data === undefined) throw refused(response, error);
    return data;
}

/**
 * For calls that give nothing.
 *
 * @throws Problem
 */
export async function done(call: Promise<{ error?: unknown; response: Response }>): Promise<void> {
    const { error, response } = await call;
    if (!response.ok) throw refused(response, error);
}

function refused(response: Response, error: unknown): Problem {
    const body: ProblemBody = isProblem(error) ? error : {};
    // What a server that broke says of itself helps nobody.
    return new Problem(response.status, response.status >= 500 && body.problem === undefined ? {} : body);
}

function isProblem(error: unknown): error is ProblemBody {
    return error !== null && typeof error === 'object' && 'message' in error;
}

/** So often a request comes back when it is told to, if that is soon: seconds. */
const MOST_TURNS = 6;
const SOON = 5;

/**
 * One request, with the token of the session; once more where that was another one than when the page was opened, and again where the
 * server says that its turn is soon.
 */
export async function reach(request: Request): Promise<Response> {
    const send = (): Promise<Response> => {
        const sent = new Request(request.clone(), {
            headers: { Accept: 'application/json', 'Content-Type': 'application/json', 'X-XSRF-TOKEN': csrfToken() },
        });
        return fetch(sent);
    };
    try {
        let response = await send();
        if (response.status === 419) {
            await fetch('/api/session', { headers: { Accept: 'application/json' } });
            response = await send();
        }
        for (let turn = 1; turn < MOST_TURNS && response.status === 429; turn++) {
            const wait = Number(response.headers.get('Retry-After'));
            if (!(wait > 0 && wait <= SOON)) break;
            await new Promise((go) => setTimeout(go, wait * 1000));
            response = await send();
        }
        return response;
    } catch (fault) {
        if (request.signal.aborted) throw fault;
        throw new Problem(0, {});
    }
}

/** What tells that a request comes from a page of ours. */
export function csrfToken(): string {
    const found = /(?:^|; )XSRF-TOKEN=([^;]*)/.exec(document.cookie);
    return found?.[1] === undefined ? '' : decodeURIComponent(found[1]);
}
