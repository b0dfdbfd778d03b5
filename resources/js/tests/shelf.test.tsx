// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { Store } from '../editor/model/Store';
import { Picking } from '../editor/model/pick/Picking';
import type { Verb } from '../editor/model/verbs/verb';
import { VerbShelf } from '../editor/panels/verbs/VerbShelf';
import type { Doing } from '../editor/panels/verbs/useDoing';
import { digitOf, type Shelf } from '../editor/panels/verbs/useShelf';
import { PickContext, type PickState } from '../editor/state/pick';
import { SheetContext, type SheetState } from '../editor/state/sheet';

afterEach(cleanup);

const verb = (key: number, label: string, picture: string | null = null): Verb => ({
    name: label,
    label,
    family: 'copy',
    key,
    picture,
    says: '',
    asks: [],
    start: {},
    operations: () => [],
    from: 'parts',
    needs: 0,
    wants: null,
    full: false,
    bends: null,
    places: [],
});

function shelf(shown: Verb[], more: Partial<Shelf> = {}, doing: Partial<Doing> = {}) {
    const begin = vi.fn();
    const turnToRest = vi.fn();
    const picking = new Picking();
    picking.pickParts(['p1']);
    const given = {
        verbs: shown,
        count: 1,
        groups: ['shape', 'copy'],
        group: 'copy',
        shown,
        hasRest: false,
        inRest: false,
        turnToRest,
        draws: false,
        open: vi.fn(),
        turnToDrawing: vi.fn(),
        verbOf: () => undefined,
        ...more,
    } as unknown as Shelf;
    render(
        <SheetContext value={{ scene: { steps: [{ id: 'p1', label: 'disc 1' }] } } as unknown as SheetState}>
            <PickContext value={{ picking, pointed: new Store(null) } as unknown as PickState}>
                <VerbShelf
                    shelf={given}
                    doing={{ begin, problem: null, again: undefined, doAgain: vi.fn(), leave: vi.fn(), ...doing } as unknown as Doing}
                    naming={false}
                    drawn={null}
                    onDone={() => undefined}
                >
                    {null}
                </VerbShelf>
            </PickContext>
        </SheetContext>,
    );
    return { begin, turnToRest };
}

describe('the verbs below the sheet', () => {
    it('print the number that is pressed for each, also behind the tenth place', () => {
        const verbs = [verb(1, 'Around…'), verb(9, 'Frieze…'), verb(11, 'Copy beside it')];
        shelf(verbs);
        for (const one of verbs) {
            const button = screen.getByRole('button', { name: new RegExp(`${one.label}$`) });
            expect(button.querySelector('kbd')?.textContent).toBe(String(digitOf(one)));
        }
        expect(verbs.map(digitOf)).toEqual([1, 9, 1]);
    });

    it('begin what is pressed, and open the rest by its arrow', () => {
        const { begin, turnToRest } = shelf([verb(1, 'Around…')], { hasRest: true });
        fireEvent.click(screen.getByRole('button', { name: /Around/ }));
        expect(begin).toHaveBeenCalledWith(expect.objectContaining({ name: 'Around…' }));
        fireEvent.click(screen.getByRole('button', { name: /More/ }));
        expect(turnToRest).toHaveBeenCalled();
    });

    it('keep their pictures where two rows have room for them, and give them up where they have not', () => {
        const many = (count: number): Verb[] =>
            Array.from({ length: count }, (_, k) => verb(k + 1, `Verb of some length ${k}…`, 'M0 0L1 1'));
        shelf(many(3));
        expect(document.querySelectorAll('button svg')).toHaveLength(3);
        cleanup();
        shelf(many(9));
        expect(document.querySelectorAll('button svg')).toHaveLength(0);
    });

    it('say what is picked, what is done again, and why something was refused', () => {
        const doAgain = vi.fn();
        shelf([verb(1, 'Around…')], {}, { again: verb(1, 'Around…'), doAgain, problem: 'The count is missing.' });
        expect(screen.getByText('With disc 1')).toBeDefined();
        expect(screen.getByRole('alert').textContent).toBe('The count is missing.');
        fireEvent.click(screen.getByRole('button', { name: /Again$/ }));
        expect(doAgain).toHaveBeenCalled();
    });
});
