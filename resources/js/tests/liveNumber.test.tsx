// @vitest-environment jsdom
import { act, cleanup, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { LiveNumber } from '../editor/ask/fields/LiveNumber';
import { type Acts, ActsContext } from '../editor/state/acts';
import { numberAtHand } from '../editor/state/numberAtHand';
import { typed } from './typed';

afterEach(() => {
    cleanup();
    vi.unstubAllGlobals();
});

function number(raw: unknown) {
    const [preview, commit] = [vi.fn(() => Promise.resolve(null)), vi.fn(() => Promise.resolve(null))];
    render(
        <ActsContext value={{ toSheet: () => undefined } as unknown as Acts}>
            <LiveNumber label="radius of disc 1" raw={raw} value={40} measure="length" onPreview={preview} onCommit={commit} />
        </ActsContext>,
    );
    const input = screen.getByLabelText<HTMLInputElement>('radius of disc 1');
    input.focus();
    input.setSelectionRange(0, input.value.length);
    return { input, preview, commit };
}

describe('a number of a sentence', () => {
    it.each([
        ['0.25', 0.25],
        ['.25', 0.25],
        ['20%', '20%'],
        ['2*3', '2*3'],
        ['45°', 45],
    ])('typed as %s is given on so', async (text, value) => {
        const { input, commit } = number(40);
        typed(input, text);
        expect(input.value).toBe(text);
        fireEvent.keyDown(input, { key: 'Enter' });
        await waitFor(() => expect(commit).toHaveBeenLastCalledWith(value));
    });

    it('has a comma where people write so', async () => {
        vi.stubGlobal('navigator', { language: 'de' });
        const { input, preview, commit } = number(40);
        typed(input, '1,5');
        expect(preview).toHaveBeenLastCalledWith(1.5);
        fireEvent.keyDown(input, { key: 'Enter' });
        await waitFor(() => expect(commit).toHaveBeenLastCalledWith(1.5));
    });

    it('asks nothing as long as its arithmetic goes on, and is stepped from what stands there', () => {
        const { input, preview } = number(40);
        typed(input, '4*');
        expect(preview).toHaveBeenCalledTimes(1);
        expect(preview).toHaveBeenLastCalledWith(4);
        input.setSelectionRange(0, input.value.length);
        typed(input, '7');
        fireEvent.keyDown(input, { key: 'ArrowUp' });
        expect(preview).toHaveBeenLastCalledWith(8);
    });

    it('takes a name in the place of what is selected, and more behind it, also where the focus was told twice', () => {
        const { input } = number(40);
        // Told once more that it has the focus, with nothing to be drawn anew.
        fireEvent.focusIn(input);
        fireEvent.focusIn(input);
        input.setSelectionRange(0, input.value.length);
        act(() => numberAtHand.get()?.('a'));
        expect(input.value).toBe('a');
        expect([input.selectionStart, input.selectionEnd]).toEqual([1, 1]);
    });
});
