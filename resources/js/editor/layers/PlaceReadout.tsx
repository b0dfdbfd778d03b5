import type { Scene } from '../../api/client';
import type { Seen } from '../model/camera';

/** How near the two curves in the middle of the view come to one another, in numbers. */
export function PlaceReadout({ seen, scene }: { seen: Seen | null; scene: Scene }) {
    if (seen === null) return null;
    const { gaps, more } = seen.closeUp;
    const said = gaps.map(({ distance, labels }) =>
        distance === 0 ? `${pair(labels)} meet` : `${pair(labels)} are ${length(distance)} ${scene.sheet.unit} apart`,
    );
    const text = more
        ? 'Too many outlines here to compare; zoom in'
        : said.length === 0
          ? 'No two outlines come near one another here'
          : said.join('; ');
    return (
        <p role="status" data-distance={gaps[0]?.distance} className="pointer-events-none absolute top-3 left-1/2 max-w-[94%] -translate-x-1/2 truncate rounded bg-paper/95 px-3 py-1.5 font-serif text-[16px] leading-snug first-letter:uppercase shadow-[0_2px_10px_-4px_rgba(27,33,64,.4)]">
            {text}
        </p>
    );
}

function pair([one = '', other = '']: string[]): string {
    return one === other ? `two outlines of ${one}` : `${one} and ${other}`;
}

function length(distance: number): string {
    return distance >= 0.001
        ? String(Number(distance.toPrecision(4)))
        : distance
              .toExponential(2)
              .replace('e-', ' · 10⁻')
              .replace(/⁻(\d+)$/, (_, digits: string) => `⁻${[...digits].map((digit) => '⁰¹²³⁴⁵⁶⁷⁸⁹'[Number(digit)]).join('')}`);
}
