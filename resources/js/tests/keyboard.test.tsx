// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { Keyboard, KeyboardContext, useHearing, useKeys } from '../editor/keys/Keyboard';
import { Picking } from '../editor/model/pick/Picking';

afterEach(cleanup);

function Bench({
    keyboard,
    picking,
    acts,
    others = {},
}: {
    keyboard: Keyboard;
    picking: Picking;
    acts: Parameters<typeof useKeys>[0];
    others?: Parameters<typeof useKeys>[0];
}) {
    useHearing(keyboard, picking);
    return (
        <KeyboardContext value={keyboard}>
            <Acting acts={acts} />
            <Acting acts={others} />
            <main data-keys>
                <div role="application" tabIndex={0} aria-label="Sheet" />
                <button>Verb</button>
                <input aria-label="Number" />
            </main>
            <nav aria-label="Plan">
                <button>Step 1</button>
            </nav>
        </KeyboardContext>
    );
}

function Acting({ acts }: { acts: Parameters<typeof useKeys>[0] }) {
    useKeys(acts);
    return null;
}

function bench(acts: Parameters<typeof useKeys>[0], others?: Parameters<typeof useKeys>[0]): Picking {
    const picking = new Picking();
    render(<Bench keyboard={new Keyboard()} picking={picking} acts={acts} {...(others === undefined ? {} : { others })} />);
    return picking;
}

const sheet = (): HTMLElement => screen.getByRole('application');
const field = (): HTMLElement => screen.getByLabelText('Number');

describe('the keyboard of an editor', () => {
    it('hears single keys on the sheet and beside it, and in no field', () => {
        const verb = vi.fn();
        bench({ verb });
        fireEvent.keyDown(sheet(), { key: '3' });
        fireEvent.keyDown(screen.getByText('Verb'), { key: '4' });
        fireEvent.keyDown(field(), { key: '5' });
        expect(verb.mock.calls.map(([event]) => (event as KeyboardEvent).key)).toEqual(['3', '4']);
    });

    it('hears what is for the pick in the plan as well, and what is for anywhere in a field, without the browser', () => {
        const [remove, save, undo] = [vi.fn(), vi.fn(), vi.fn()];
        bench({ remove, save, undo });
        fireEvent.keyDown(screen.getByText('Step 1'), { key: 'Delete' });
        expect(remove).toHaveBeenCalledOnce();
        expect(fireEvent.keyDown(field(), { key: 's', ctrlKey: true })).toBe(false);
        expect(save).toHaveBeenCalledOnce();
        expect(fireEvent.keyDown(field(), { key: 'z', ctrlKey: true })).toBe(true);
        expect(undo).not.toHaveBeenCalled();
        fireEvent.keyDown(sheet(), { key: 'z', metaKey: true });
        expect(undo).toHaveBeenCalledOnce();
    });

    it('lets a key go on, to who else does it and to the browser, where there is nothing to do', () => {
        const [first, second] = [vi.fn(() => true), vi.fn(() => false)];
        bench({ leave: first }, { leave: second });
        expect(fireEvent.keyDown(sheet(), { key: 'Escape' })).toBe(false);
        expect([first.mock.calls.length, second.mock.calls.length]).toEqual([1, 1]);
        expect(fireEvent.keyDown(sheet(), { key: 'F2' })).toBe(true);
    });

    it('gives digits to the brush while there is one', () => {
        const [verb, colour] = [vi.fn(), vi.fn()];
        const picking = bench({ verb, colour });
        picking.setMode('paint');
        fireEvent.keyDown(sheet(), { key: '2' });
        expect([verb.mock.calls.length, colour.mock.calls.length]).toEqual([0, 1]);
    });

    it('leaves a key to whoever took it before', () => {
        const remove = vi.fn();
        bench({ remove });
        sheet().addEventListener('keydown', (event) => event.preventDefault());
        fireEvent.keyDown(sheet(), { key: 'Delete' });
        expect(remove).not.toHaveBeenCalled();
    });
});
