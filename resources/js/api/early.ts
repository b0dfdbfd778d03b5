import { answer, api, type Schemas } from './client';

/** Sheets that were asked for before the page knew who asks, by id. */
const asked = new Map<string, Promise<Schemas['SheetPage']>>();

/** Asks for a sheet at once: the answer comes while the editor itself is still fetched. */
export function askEarly(id: string): void {
    const coming = answer(api.GET('/api/sheets/{sheet}', { params: { path: { sheet: id } } }));
    asked.set(id, coming);
    // What does not come, for one because nobody is signed in yet, is asked for again.
    coming.catch(() => asked.delete(id));
}

/** A sheet from the server, the first time from what was asked for early. */
export function sheetPage(id: string): Promise<Schemas['SheetPage']> {
    const early = asked.get(id);
    asked.delete(id);
    return early ?? answer(api.GET('/api/sheets/{sheet}', { params: { path: { sheet: id } } }));
}
