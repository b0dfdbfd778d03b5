// @vitest-environment jsdom
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, renderHook } from '@testing-library/react';
import type { ReactNode } from 'react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Export } from '../api/client';
import { useOrder } from '../files/useOrder';

const { asked } = vi.hoisted(() => ({ asked: [] as string[] }));
let states: Export['state'][] = [];
let saved: string[] = [];

vi.mock('../files/save', () => ({
    save: (address: string) => {
        saved.push(address);
        return Promise.resolve();
    },
}));
vi.mock('../api/client', async (original) => ({
    ...(await original<object>()),
    api: {
        GET: () => {
            asked.push('GET');
            return Promise.resolve({ data: order(states.shift() ?? 'working'), response: new Response() });
        },
        DELETE: () => {
            asked.push('DELETE');
            return Promise.resolve({ data: undefined, response: new Response(null, { status: 204 }) });
        },
    },
}));

function order(state: Export['state']): Export {
    return { id: 'e1', name: 'sheet.png', state, made: 0, pieces: 1, message: null };
}

function wrapper({ children }: { children: ReactNode }) {
    return <QueryClientProvider client={new QueryClient()}>{children}</QueryClientProvider>;
}

beforeEach(() => {
    vi.useFakeTimers();
    [states, saved] = [[], []];
    asked.length = 0;
});
afterEach(() => {
    vi.useRealTimers();
    cleanup();
});

describe('a file that is made in turn', () => {
    it('is looked after until it is there, and saved', async () => {
        states = ['working', 'ready'];
        const onSaved = vi.fn();
        const { result } = renderHook(() => useOrder(onSaved), { wrapper });
        act(() => result.current.begin(() => Promise.resolve(order('waiting'))));
        await act(() => vi.advanceTimersByTimeAsync(2000));
        expect(saved).toEqual(['/api/exports/e1/file']);
        expect(onSaved).toHaveBeenCalledTimes(1);
        expect(result.current.isMaking).toBe(false);
    });

    it('is neither waited for nor saved once it was given up, and the server is told', async () => {
        const { result } = renderHook(() => useOrder(), { wrapper });
        act(() => result.current.begin(() => Promise.resolve(order('waiting'))));
        await act(() => vi.advanceTimersByTimeAsync(10));
        expect(result.current.order).not.toBeNull();
        act(() => result.current.giveUp());
        await act(() => vi.advanceTimersByTimeAsync(10));
        expect(asked).toEqual(['DELETE']);
        expect(saved).toEqual([]);
        expect(result.current.isMaking).toBe(false);
    });

    it('is not made for somebody who gave it up before the server had answered', async () => {
        let tell: (one: Export) => void = () => undefined;
        const { result } = renderHook(() => useOrder(), { wrapper });
        act(() => result.current.begin(() => new Promise((answer) => (tell = answer))));
        await act(() => vi.advanceTimersByTimeAsync(10));
        act(() => result.current.giveUp());
        tell(order('waiting'));
        await act(() => vi.advanceTimersByTimeAsync(5000));
        expect(asked).toEqual(['DELETE']);
        expect(saved).toEqual([]);
    });
});
