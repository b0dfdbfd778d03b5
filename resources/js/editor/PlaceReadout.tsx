import type { Scene } from '../api/client';
import type { Seen } from './useCloseUp';

/** How near the two curves in the middle of the view come to one another, in numbers. */
export function PlaceReadout({ seen, scene }: { seen: Seen | null; scene: Scene }) {
    if (seen === null) return null;
    const { nearest, more } = seen.closeUp;
    const text = more
        ? 'Too many outlines here to compare; zoom in'
        : nearest === null
          ? 'No two outlines in this view'
          : nearest.distance === 0
            ? `${sentence(nearest.labels)} meet`
            : `${sentence(nearest.labels)} are ${length(nearest.distance)} ${scene.sheet.unit} apart`;
    return (
        <p role="status" data-distance={nearest?.distance} className="pointer-events-none absolute top-3 left-1/2 -translate-x-1/2 rounded bg-paper/95 px-3 py-1.5 font-serif text-[16px] leading-snug whitespace-nowrap shadow-[0_2px_10px_-4px_rgba(27,33,64,.4)]">
            {text}
        </p>
    );
}

function sentence([one = '', other = '']: string[]): string {
    const first = one.charAt(0).toUpperCase() + one.slice(1);
    return one === other ? `Two outlines of ${one}` : `${first} and ${other}`;
}

function length(distance: number): string {
    return distance >= 0.001 ? String(Number(distance.toPrecision(4))) : distance.toExponential(2).replace('e-', ' · 10⁻').replace(/⁻(\d+)$/, (_, digits: string) => `⁻${[...digits].map((digit) => '⁰¹²³⁴⁵⁶⁷⁸⁹'[Number(digit)]).join('')}`);
}
