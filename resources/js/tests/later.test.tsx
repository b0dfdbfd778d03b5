// @vitest-environment jsdom
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { fetchAhead, later } from '../ui/later';

afterEach(() => {
    vi.useRealTimers();
    cleanup();
});

function Said({ words }: { words: string }) {
    return <output>{words}</output>;
}

function Opened({ open }: { open: boolean }) {
    return open ? <output>open</output> : null;
}

describe('what is fetched when it is shown', () => {
    it('is shown with what it was given once it is there, and is fetched once', async () => {
        const load = vi.fn(() => Promise.resolve(Said));
        const Late = later(load, false);
        expect(load).not.toHaveBeenCalled();
        const { rerender } = render(<Late words="first" />);
        rerender(<Late words="second" />);
        expect((await screen.findByRole('status')).textContent).toBe('second');
        render(<Late words="third" />);
        expect(screen.getAllByRole('status').map((one) => one.textContent)).toEqual(['second', 'third']);
        expect(load).toHaveBeenCalledTimes(1);
    });

    it('is not fetched as long as it is not opened', async () => {
        const load = vi.fn(() => Promise.resolve(Opened));
        const Late = later(load, false);
        const { rerender } = render(<Late open={false} />);
        expect(load).not.toHaveBeenCalled();
        rerender(<Late open />);
        expect((await screen.findByRole('status')).textContent).toBe('open');
    });

    it('says so where it cannot be had, and can be asked for again', async () => {
        const load = vi.fn(() => Promise.resolve(Said));
        load.mockRejectedValueOnce(new Error('away'));
        const Late = later(load, false);
        render(<Late words="here" />);
        expect((await screen.findByRole('alert')).textContent).toContain('could not be fetched');
        fireEvent.click(screen.getByRole('button', { name: 'Try again' }));
        expect((await screen.findByRole('status')).textContent).toBe('here');
        expect(load).toHaveBeenCalledTimes(2);
    });

    it('is fetched ahead one after another, also behind one that cannot be had', async () => {
        vi.useFakeTimers();
        const first = vi.fn((): Promise<typeof Said> => Promise.reject(new Error('away')));
        const [second, unlikely] = [vi.fn(() => Promise.resolve(Said)), vi.fn(() => Promise.resolve(Said))];
        later(first);
        later(second);
        later(unlikely, false);
        fetchAhead();
        await act(() => vi.advanceTimersByTimeAsync(1000));
        expect(first).toHaveBeenCalledTimes(1);
        expect(second).not.toHaveBeenCalled();
        await act(() => vi.advanceTimersByTimeAsync(5000));
        expect(second).toHaveBeenCalledTimes(1);
        expect(unlikely).not.toHaveBeenCalled();
    });
});
