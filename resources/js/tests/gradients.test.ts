import { interpolate, rgb } from 'culori';
import { describe, expect, it } from 'vitest';
import { asked, EVALUATED, plan } from './core';

interface Written {
    stops: [number, string, number][];
}

/** The stops that the core writes for a gradient, and what it mixes halfway. */
function written(stops: [number, string][]): Written {
    const steps = [
        { id: 'p1', kind: 'part.rectangle', corners: [[100, 100], [200, 140]] },
        { id: 's1', kind: 'style', of: ['p1'], fill: { gradient: 'linear', stops } },
    ];
    return asked<Written>(`${EVALUATED} return ["stops" => $scene->drawing[0]->styles[0]->gradient->written()];`, { plan: plan(steps) });
}

function channels(hex: string): number[] {
    return [1, 3, 5].map((at) => parseInt(hex.slice(at, at + 2), 16));
}

/** As SVG, PDF and the canvas mix: sRGB evenly between two stops. */
function shown(stops: Written['stops'], at: number): number[] {
    const next = Math.max(1, stops.findIndex(([position]) => position >= at));
    const [before, after] = [stops[next - 1], stops[next]];
    if (before === undefined || after === undefined) throw new Error('There are two stops at least.');
    const share = after[0] === before[0] ? 1 : (at - before[0]) / (after[0] - before[0]);
    const from = channels(before[1]);
    return channels(after[1]).map((channel, k) => (from[k] ?? 0) + share * (channel - (from[k] ?? 0)));
}

describe('gradients', () => {
    // The reference is culori, a general-purpose colour library, and its own Oklab.
    it.each([
        ['#0f6e84', '#e5c78f'],
        ['#1b2140', '#c65d3b'],
        ['#000000', '#ffffff'],
        ['#ff0000', '#0000ff'],
        ['#7b2f8a', '#d9f03c'],
    ])('from %s to %s are within a 255th of what culori mixes in Oklab', (one, other) => {
        const { stops } = written([[0, one], [1, other]]);
        const mixed = interpolate([one, other], 'oklab');
        for (let k = 0; k <= 200; k++) {
            const right = rgb(mixed(k / 200));
            [right.r, right.g, right.b].forEach((channel, index) => {
                expect(Math.abs(255 * Math.min(1, Math.max(0, channel)) - (shown(stops, k / 200)[index] ?? NaN))).toBeLessThanOrEqual(
                    1.001,
                );
            });
        }
        expect(stops.length).toBeLessThan(40);
    });

    it('keep the colours that are said where they are said', () => {
        const { stops } = written([[0.2, '#0f6e84'], [0.5, '#e5c78f'], [0.9, '#1b2140']]);
        expect(shown(stops, 0.2)).toEqual(channels('#0f6e84'));
        expect(shown(stops, 0.5)).toEqual(channels('#e5c78f'));
        expect(shown(stops, 0.9)).toEqual(channels('#1b2140'));
    });
});
