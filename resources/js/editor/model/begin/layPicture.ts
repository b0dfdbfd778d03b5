import type { Kind, Operation, SheetPage } from '../../../api/client';

/** The field of a kind of step that says which picture it places. */
export function sourceOf(kinds: Kind[]): { kind: Kind; field: string } {
    for (const kind of kinds) {
        const field = kind.fields.find((one) => one.type === 'source');
        if (field !== undefined) return { kind, field: field.name };
    }
    throw new Error('No kind of step places a picture.');
}

/** The change that lays a picture under all that is there. */
export function layPicture({ page, kinds }: { page: SheetPage; kinds: Kind[] }, said: Record<string, unknown>): Operation[] {
    const { kind } = sourceOf(kinds);
    const preset = kind.offers.find((offer) => offer.from === 'ground')?.preset ?? {};
    return [{ op: 'add', step: { kind: kind.kind, ...preset, ...said }, before: page.plan.steps[0]?.id ?? null }];
}
