import { csrfToken, Problem, type Schemas } from '../api/client';

/** What a drawing becomes on a sheet. */
export type DrawingForm = 'parts' | 'motif' | 'picture';

/** Whether a file says that it is an SVG drawing. */
export function isDrawing(file: File): boolean {
    return file.type === 'image/svg+xml' || /\.svg$/i.test(file.name);
}

/** Reads a drawing as steps for a sheet; nothing is changed by that. */
export function drawingSteps(sheet: string, file: Blob, as: DrawingForm): Promise<Schemas['DrawingSteps']> {
    return read(`/api/sheets/${sheet}/drawings`, file, as);
}

/** Reads a drawing as a plan of its own. */
export function drawingPlan(file: Blob): Promise<Schemas['DrawingPlan']> {
    return read('/api/drawings', file);
}

/** Whether a file says that it is a zip: a plan with its pictures. */
export function isBundle(file: File): boolean {
    return file.type.includes('zip') || /\.zip$/i.test(file.name);
}

/** Reads a plan with its pictures, which are kept from then on. */
export function bundlePlan(file: Blob): Promise<Schemas['DrawingPlan']> {
    return read('/api/bundles', file, undefined, 'bundle');
}

async function read<Answer>(path: string, file: Blob, as?: DrawingForm, name = 'drawing'): Promise<Answer> {
    const body = new FormData();
    body.append(name, file);
    if (as !== undefined) body.append('as', as);
    const response = await fetch(path, { method: 'POST', body, headers: { Accept: 'application/json', 'X-XSRF-TOKEN': csrfToken() } });
    if (response.status === 413) throw new Error(name === 'drawing' ? 'A drawing has at most 20 MB.' : 'A zip has at most 60 MB.');
    const answer: unknown = await response.json();
    if (response.ok) return answer as Answer;
    const problem = new Problem(response.status, answer as Problem['body']);
    throw new Error(Object.values(problem.body.errors ?? {})[0]?.[0] ?? problem.message);
}
