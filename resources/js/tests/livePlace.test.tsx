// @vitest-environment jsdom
import './browser';
import { cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { Problem, Schemas, SheetPage } from '../api/client';
import { LivePlace } from '../editor/ask/fields/LivePlace';
import { Store } from '../editor/model/Store';
import { Picking } from '../editor/model/pick/Picking';
import type { Hover } from '../editor/model/pick/hover';
import { Answers } from '../editor/model/scene/answers';
import { type Acts, ActsContext } from '../editor/state/acts';
import type { PlaceWanted } from '../editor/state/asking';
import { PickContext, type PickState } from '../editor/state/pick';
import { SheetContext, type SheetState } from '../editor/state/sheet';
import { asked, EVALUATED, plan } from './core';
import { typed } from './typed';

afterEach(cleanup);

const STEPS = [
    { id: 'g1', kind: 'grid.rectangular', origin: [80, 80], columns: 8, rows: 8, cell: [80, 80] },
    { id: 'p1', kind: 'part.circle', center: [600, 600], radius: 30 },
    { id: 'r1', kind: 'repeat.around', of: ['p1'], center: 'g1@4,4', count: 5 },
    { id: 'p2', kind: 'part.circle', center: [200, 200], radius: 30 },
    { id: 't1', kind: 'turn', of: ['p2'], about: [400, 400], angle: 30 },
];
const written = plan(STEPS);
const scene = new Answers().scene(
    asked<Schemas['Scene']>(
        `${EVALUATED} return Sternbild\\Core\\View\\SceneView::describe($scene, [], asking: new Sternbild\\Desk\\Desk);`,
        { plan: written },
    ),
    'page',
);

function place(refused: Problem | null = null) {
    const commit = vi.fn(() => Promise.resolve(refused));
    const wanted = new Store<PlaceWanted | null>(null);
    const pointed = new Store<Hover | null>(null);
    const sheet = { page: { plan: written, scene, revision: 1 } as unknown as SheetPage, scene, snapPlaces: null } as unknown as SheetState;
    render(
        <SheetContext value={sheet}>
            <PickContext value={{ picking: new Picking(), pointed } as unknown as PickState}>
                <ActsContext value={{ askPlace: (one: PlaceWanted | null) => wanted.set(one) } as unknown as Acts}>
                    <LivePlace piece={{ text: '400, 400', raw: [400, 400], label: 'about of disc 2' }} step="t1" onCommit={commit} />
                </ActsContext>
            </PickContext>
        </SheetContext>,
    );
    return { commit, wanted, pointed, open: () => fireEvent.click(screen.getByRole('button', { name: 'about of disc 2: 400, 400' })) };
}

describe('a place of a sentence', () => {
    it('is asked for on the sheet as soon as its list is open, and the first click gives it', () => {
        const { commit, wanted, open } = place();
        open();
        expect(wanted.get()?.before).toBe('t1');
        wanted.get()?.take('g1@2,2', [240, 240]);
        expect(commit).toHaveBeenCalledWith('g1@2,2');
    });

    it('is chosen from those that fit, in words, each shown while it is pointed at', async () => {
        const { commit, wanted, pointed, open } = place();
        open();
        const own = screen.getByRole('button', { name: 'the centre of disc 2' });
        fireEvent.pointerEnter(own);
        expect(pointed.get()).toMatchObject({ point: { raw: 'p2!' }, name: 'the centre of disc 2' });
        expect(screen.getByRole('button', { name: 'where repeat 1 turns' })).toBeDefined();
        expect(screen.queryByText(/[a-z]\d[@!#]/)).toBeNull();
        fireEvent.click(own);
        await waitFor(() => expect(commit).toHaveBeenCalledWith('p2!'));
        // With the list the asking ends.
        await waitFor(() => expect(wanted.get()).toBeNull());
    });

    it('is typed, and what is refused is told there, in words of the field', async () => {
        const { commit, open } = place({
            message: 'It cannot be.',
            body: { problem: 'invalid', pointer: '/operations/0/value', expected: 'a place for about: [x, y] or an address' },
        } as unknown as Problem);
        open();
        const across = screen.getByLabelText<HTMLInputElement>('Across');
        across.focus();
        across.setSelectionRange(0, across.value.length);
        typed(across, '2*40');
        fireEvent.submit(across.closest('form') as HTMLFormElement);
        await waitFor(() => expect(commit).toHaveBeenCalledWith(['2*40', 400]));
        const said = (await screen.findByRole('alert')).textContent;
        expect(said).toContain('a place for “about”');
        expect(said).not.toMatch(/operations|\[x, y\]/);
    });
});
