import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { Problem, reach } from '../api/client';

describe('a request', () => {
    const asked: Request[] = [];
    let answers: (Response | Error)[] = [];

    beforeEach(() => {
        vi.useFakeTimers();
        asked.length = 0;
        vi.stubGlobal('document', { cookie: 'other=1; XSRF-TOKEN=a%3Db' });
        vi.stubGlobal('fetch', (request: Request | string) => {
            if (typeof request === 'string') return Promise.resolve(new Response('{}'));
            asked.push(request);
            const answer = answers.shift() ?? new Response('done');
            return answer instanceof Error ? Promise.reject(answer) : Promise.resolve(answer);
        });
    });

    afterEach(() => {
        vi.useRealTimers();
        vi.unstubAllGlobals();
    });

    const post = (signal?: AbortSignal) =>
        new Request('http://sternbild.test/api/x', { method: 'POST', body: '{"a":1}', ...(signal === undefined ? {} : { signal }) });
    const later = (seconds: string) => new Response('', { status: 429, headers: { 'Retry-After': seconds } });

    async function settled(sent: Promise<Response>): Promise<Response> {
        const watched = sent.catch((fault: unknown) => fault);
        await vi.runAllTimersAsync();
        const came = await watched;
        if (came instanceof Response) return came;
        throw came;
    }

    it('carries the token of the session', async () => {
        answers = [];
        expect((await settled(reach(post()))).status).toBe(200);
        expect(asked[0]?.headers.get('X-XSRF-TOKEN')).toBe('a=b');
    });

    it('comes back when it is told to, with what it asked', async () => {
        answers = [later('1'), later('2')];
        expect((await settled(reach(post()))).status).toBe(200);
        expect(asked).toHaveLength(3);
        expect(await asked[2]?.text()).toBe('{"a":1}');
    });

    it('gives up after some turns, and at once where it is told to wait long, or not for how long', async () => {
        answers = Array.from({ length: 9 }, () => later('1'));
        expect((await settled(reach(post()))).status).toBe(429);
        expect(asked).toHaveLength(6);
        for (const wait of ['60', '0', '']) {
            asked.length = 0;
            answers = [later(wait)];
            expect((await settled(reach(post()))).status).toBe(429);
            expect(asked).toHaveLength(1);
        }
    });

    it('is sent once more where the session is another one', async () => {
        answers = [new Response('', { status: 419 })];
        expect((await settled(reach(post()))).status).toBe(200);
        expect(asked).toHaveLength(2);
    });

    it('says that nobody answered, but not of one that was called off', async () => {
        answers = [new TypeError('gone')];
        await expect(settled(reach(post()))).rejects.toEqual(new Problem(0, {}));
        answers = [new TypeError('called off')];
        await expect(settled(reach(post(AbortSignal.abort())))).rejects.toThrow('called off');
    });
});
