import type { Field } from '../../../api/client';
import { answersOf, type Asking, isDrawn } from './asking';
import type { Verb } from './verb';

/** A place that a question asks for: of several in one field, which; `several` where any number does. */
export interface Slot {
    field: string;
    index: number | null;
    label: string;
    several: boolean;
}

/**
 * What a click on the sheet does while something is asked: it picks, answers with a place, answers with what lies there, or does nothing.
 */
export type Hears = { sort: 'picks' } | { sort: 'place'; slot: Slot } | { sort: 'step'; field: Field } | { sort: 'nothing' };

export const PICKS: Hears = { sort: 'picks' };

/** The questions that are to be answered as others are answered now. */
export function questions(verb: Verb, answers: Record<string, unknown>): Field[] {
    return verb.asks.flatMap((name) => {
        const field = verb.kind?.fields.find((one) => one.name === name);
        return field === undefined || (field.when !== null && answers[field.when.field] !== field.when.is) ? [] : [field];
    });
}

/** All places that are asked for, in the order of the questions. */
export function slotsOf(verb: Verb, answers: Record<string, unknown>): Slot[] {
    return questions(verb, answers).flatMap(({ name, label, type, each = [], most }): Slot[] => {
        if (type === 'place') return [{ field: name, index: null, label, several: false }];
        if (type !== 'places') return [];
        return most === each.length
            ? each.map((one, index) => ({ field: name, index, label: one, several: false }))
            : [{ field: name, index: null, label, several: true }];
    });
}

/**
 * What a pick means while a verb is asked for, given as it is with the pick now. What the verb is about is not picked anew once it has all
 * that it takes.
 */
export function hearsOf(asking: Asking | null, now: Verb | null): Hears {
    if (asking === null || now === null || now.needs > 0 || now.asks.length === 0 || isDrawn(asking)) return PICKS;
    const slots = slotsOf(now, asking.answers);
    const slot = slots[asking.slot % Math.max(1, slots.length)];
    if (slot !== undefined) return { sort: 'place', slot };
    const field = questions(now, asking.answers).find(({ type }) => type === 'step' || type === 'steps');
    return field === undefined ? { sort: 'nothing' } : { sort: 'step', field };
}

/** The answers with a place in its slot; of any number of places it comes to the others, or goes from them. */
export function placed(answers: Record<string, unknown>, { field, index, several }: Slot, raw: unknown): Record<string, unknown> {
    const before: unknown[] = Array.isArray(answers[field]) ? answers[field] : [];
    if (several) {
        const same = before.findIndex((one) => JSON.stringify(one) === JSON.stringify(raw));
        return { ...answers, [field]: same < 0 ? [...before, raw] : before.toSpliced(same, 1) };
    }
    if (index === null) return { ...answers, [field]: raw };
    return { ...answers, [field]: Array.from({ length: Math.max(before.length, index + 1) }, (_, k) => (k === index ? raw : before[k])) };
}

/** The answers with a step that was clicked: the one, or one more or less of them. */
export function named(answers: Record<string, unknown>, { name, type }: Field, id: string): Record<string, unknown> {
    if (type === 'step') return { ...answers, [name]: id };
    const before: unknown[] = Array.isArray(answers[name]) ? answers[name] : [];
    return { ...answers, [name]: before.includes(id) ? before.filter((one) => one !== id) : [...before, id] };
}

/** What is asked, answered by a place that was clicked, or by the step that lies there, as is heard just now. */
export function answeredBy(asking: Asking, hears: Hears, place: unknown, step: string): Asking {
    switch (hears.sort) {
        case 'place':
            return { ...asking, answers: placed(asking.answers, hears.slot, place), slot: asking.slot + (hears.slot.several ? 0 : 1) };
        case 'step':
            return { ...asking, answers: named(asking.answers, hears.field, step) };
        default:
            return asking;
    }
}

/** What is asked with what is pointed at put where a click would put it; null where that changes nothing. */
export function withHovered(asking: Asking, hears: Hears, raw: unknown): Record<string, unknown> | null {
    return hears.sort === 'place' && raw !== undefined ? answersOf({ ...asking, answers: placed(asking.answers, hears.slot, raw) }) : null;
}
