// @vitest-environment jsdom
import { act, cleanup, render, screen } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { useSettled } from '../editor/panels/handover/useSettled';

beforeEach(() => {
    vi.useFakeTimers();
});
afterEach(() => {
    vi.useRealTimers();
    cleanup();
});

function Said({ text }: { text: string }) {
    return <output>{useSettled(text)}</output>;
}

describe('a text that is typed', () => {
    it('is asked about when it stands still, and not letter by letter', () => {
        const { rerender } = render(<Said text="1" />);
        for (const text of ['12', '128', '1280']) {
            rerender(<Said text={text} />);
            act(() => {
                vi.advanceTimersByTime(150);
            });
            expect(screen.getByRole('status').textContent).toBe('1');
        }
        act(() => {
            vi.advanceTimersByTime(60);
        });
        expect(screen.getByRole('status').textContent).toBe('1280');
    });
});
