// @vitest-environment jsdom
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, describe, expect, it } from 'vitest';
import type { Field, Operation, SheetSentences } from '../api/client';
import { LiveProperties } from '../editor/ask/fields/LiveProperty';
import { ActsContext, type Acts } from '../editor/state/acts';
import { SheetContext, type SheetState } from '../editor/state/sheet';
import { asked, EVALUATED, plan } from './core';

afterEach(cleanup);

const disc = { id: 'p1', kind: 'part.circle', center: [400, 400], radius: 90 };

/** What the core says of a sheet. */
function said(steps: Record<string, unknown>[], sheet: Record<string, unknown> = {}): { said: SheetSentences; properties: Field[] } {
    const given = plan(steps);
    return asked(
        `${EVALUATED} return ["said" => Sternbild\\Core\\Plan\\Reading\\SheetProperties::sentences($plan), "properties" => array_map(fn ($field) => Sternbild\\Desk\\Desk::field($field), Sternbild\\Core\\Plan\\Reading\\SheetProperties::fields())];`,
        { plan: { ...given, sheet: { ...(given['sheet'] as object), ...sheet } } },
    );
}

function shown(sentence: keyof Omit<SheetSentences, 'hash'>, of: ReturnType<typeof said>) {
    const made: Operation[][] = [];
    const change = (operations: Operation[]) => {
        made.push(operations);
        return Promise.resolve(null);
    };
    const scene = { steps: [], drawing: [], sheet: { unit: 'px' } };
    const state = {
        page: { plan: { steps: [], palette: {}, values: {} } },
        scene,
        properties: of.properties,
        change,
        preview: () => Promise.resolve(null),
    } as unknown as SheetState;
    const { container } = render(
        <ActsContext value={{ now: () => state } as unknown as Acts}>
            <SheetContext value={state}>
                <LiveProperties pieces={of.said[sentence]} />
            </SheetContext>
        </ActsContext>,
    );
    return { made, text: () => container.textContent };
}

describe('the sentence of the sheet', () => {
    it('has a switch for its seams beside its colours', async () => {
        const { made } = shown('colours', said([disc]));
        const seams = screen.getByLabelText<HTMLSelectElement>('seams of the sheet');
        expect(seams.value).toBe('closed');
        await act(async () => {
            fireEvent.change(seams, { target: { value: 'open' } });
            await Promise.resolve();
        });
        expect(made).toEqual([[{ op: 'sheet', field: 'seams', value: 'open' }]]);
    });

    it('says where light comes from where something is lit, or where it is written', () => {
        shown('ground', said([disc]));
        expect(screen.queryByLabelText('light of the sheet')).toBeNull();
        cleanup();
        shown('ground', said([disc], { light: 45 }));
        expect(screen.getByLabelText<HTMLInputElement>('light of the sheet').value).toContain('45');
    });

    it('holds colours to so many, and to as many as there are drawn at first', async () => {
        const { made } = shown('colours', said([disc], { colours: 'palette' }));
        const held = screen.getByLabelText<HTMLSelectElement>('colours of the sheet');
        expect(held.value).toBe('palette');
        await act(async () => {
            fireEvent.change(held, { target: { value: 'number' } });
            await Promise.resolve();
        });
        expect(made).toEqual([[{ op: 'sheet', field: 'colours', value: 1 }]]);
    });

    it('has every limit of the checks, and says which never speaks', () => {
        const { text } = shown('checks', said([disc], { checks: { small: 0 } }));
        expect(text()).toMatch(
            /^Named are cells thinner than .* px, misses below .* px, corners sharper than .* and details lost at .* px \(never\)\.$/,
        );
        for (const limit of ['thinnest cell', 'widest miss', 'sharpest corner', 'smallest size in pixels'])
            expect(screen.getByLabelText(`${limit} of the sheet`)).toBeTruthy();
    });
});
