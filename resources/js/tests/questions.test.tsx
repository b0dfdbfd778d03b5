// @vitest-environment jsdom
import './browser';
import { cleanup, fireEvent, render, screen, within } from '@testing-library/react';
import { type ReactNode, useState } from 'react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Scene, SheetPage } from '../api/client';
import { Questions } from '../editor/ask/Questions';
import { TypedColour } from '../editor/ask/fields/TypedColour';
import { Picking } from '../editor/model/pick/Picking';
import { Store } from '../editor/model/Store';
import { nested, type Verb } from '../editor/model/verbs/verb';
import { verbsFor } from '../editor/model/verbs/verbs';
import { type Acts, ActsContext, PaletteContext } from '../editor/state/acts';
import { PickContext, type PickState } from '../editor/state/pick';
import { SheetContext, type SheetState } from '../editor/state/sheet';
import { selectOnFocus } from '../ui/selectOnFocus';
import { describedKinds } from './kinds';
import { typed } from './typed';

const kinds = describedKinds();
const scene = { steps: [], sheet: { width: 800, height: 800, unit: 'px' } } as unknown as Scene;
const page = { plan: { palette: { ink: '#1b2140' }, steps: [] }, scene, revision: 1 } as unknown as SheetPage;
const picking = new Picking();

let end: () => void;
beforeEach(() => {
    end = selectOnFocus(document);
});
afterEach(() => {
    end();
    cleanup();
});

function Editor({ children }: { children: ReactNode }) {
    return (
        <SheetContext value={{ page, scene, kinds, snapPlaces: null } as unknown as SheetState}>
            <PickContext value={{ picking, selected: null, pointed: new Store(null) } as unknown as PickState}>
                <ActsContext
                    value={
                        {
                            askPlace: () => undefined,
                            toSheet: () => undefined,
                            now: () => ({ page, scene, asking: null }),
                        } as unknown as Acts
                    }
                >
                    <PaletteContext value={{ ink: '#1b2140', lagoon: '#0f6e84' }}>{children}</PaletteContext>
                </ActsContext>
            </PickContext>
        </SheetContext>
    );
}

/** Every verb that there is, whatever is to be picked for it. */
function everyVerb(): Verb[] {
    return [
        ...new Map(
            kinds
                .flatMap((kind) => kind.offers.map((offer) => `${kind.kind} ${offer.label}`))
                .flatMap((asked) => verbsFor({ page, scene, kinds, pick: picking.get(), picking, selected: null, colour: null, asked }))
                .map((verb) => [verb.name, verb]),
        ).values(),
    ];
}

function Asked({ verb }: { verb: Verb }) {
    const [answers, setAnswers] = useState(verb.start);
    return (
        <Editor>
            <Questions verb={verb} answers={answers} onAnswer={(more) => setAnswers((old) => ({ ...old, ...more }))} />
            <output>{JSON.stringify(answers)}</output>
        </Editor>
    );
}

const NUMBERS = new Set(['number', 'pair', 'span', 'lengths']);
const asking = everyVerb().filter((verb) =>
    verb.asks.some((name) => NUMBERS.has(verb.kind?.fields.find((field) => field.name === name)?.type ?? '')),
);

describe('every verb that asks for numbers', () => {
    it('is looked at', () => {
        expect(asking.length).toBeGreaterThan(50);
    });

    it.each(asking.map((verb) => [verb.name, verb] as const))('%s takes them as they are typed, key by key', (_, verb) => {
        render(<Asked verb={verb} />);
        let typedInto = 0;
        const answer = (): Record<string, unknown> => JSON.parse(screen.getByRole('status').textContent) as Record<string, unknown>;
        for (const name of verb.asks) {
            const field = verb.kind?.fields.find((one) => one.name === name);
            if (field === undefined || !NUMBERS.has(field.type) || (field.when !== null && answer()[field.when.field] !== field.when.is))
                continue;
            const label = field.type === 'pair' ? `${field.label}, across` : field.type === 'span' ? `${field.label}, column` : field.label;
            const [input] = screen.queryAllByLabelText<HTMLInputElement>(label, { exact: true }).filter((one) => one.tagName === 'INPUT');
            typedInto += 1;
            if (input === undefined) throw new Error(`${verb.name} asks for ${label}, and there is no field.`);
            for (const [text, value] of [['0.25', 0.25], ['.25', 0.25], ['20%', '20%'], ['2*3', '2*3']] as const) {
                fireEvent.mouseDown(input);
                input.focus();
                fireEvent.mouseUp(input);
                input.setSelectionRange(0, input.value.length);
                typed(input, text);
                expect(input.value, `${name} while it is typed`).toBe(text);
                const given = answer()[name];
                expect(Array.isArray(given) ? given[0] : given, name).toBe(value);
                fireEvent.blur(input);
                input.blur();
            }
        }
        expect(typedInto).toBeGreaterThan(0);
    });

    it('gives what was answered to its step', () => {
        const inset = asking.find(({ label, from }) => label === 'Inset…' && from === 'parts');
        const [field = ''] = inset?.asks ?? [];
        const [operation] = inset?.operations({ ...inset.start, [field]: '2*3' }) ?? [];
        expect(operation?.op === 'add' ? nested(operation.step, field) : undefined).toBe('2*3');
    });
});

describe('a colour in figures', () => {
    it('is taken with Enter, and by going on; what is none is told and stays', () => {
        const onColour = vi.fn();
        render(
            <Editor>
                <TypedColour label="fill, in figures" value="ink" onColour={onColour} />
            </Editor>,
        );
        const input = screen.getByLabelText<HTMLInputElement>('fill, in figures');
        expect(input.value, 'Its figures stand there.').toBe('#1b2140');
        input.focus();
        typed(input, '#f2b33d');
        expect(onColour).not.toHaveBeenCalled();
        fireEvent.keyDown(input, { key: 'Enter' });
        expect(onColour).toHaveBeenLastCalledWith('#f2b33d');
        input.setSelectionRange(0, input.value.length);
        typed(input, 'lagoon');
        fireEvent.blur(input);
        expect(onColour).toHaveBeenLastCalledWith('lagoon');
        input.setSelectionRange(0, input.value.length);
        typed(input, 'lagon');
        fireEvent.keyDown(input, { key: 'Enter' });
        expect(onColour).toHaveBeenCalledTimes(2);
        expect(within(document.body).getByRole('alert').textContent).toContain('Expected a colour such as');
        expect(input.value).toBe('lagon');
    });
});
