import type { Camera } from '../model/camera';

type Place = [number, number];

/** The way that is pulled along a line, and where the keyboard stands. */
export function TraceLayer({ view, way, cursor }: { view: Camera; way: readonly Place[]; cursor: Place | null }) {
    const seen = ([x, y]: Place): string => `${x * view.scale + view.x} ${y * view.scale + view.y}`;
    return (
        <svg className="pointer-events-none absolute inset-0 h-full w-full fill-none stroke-amber" aria-hidden="true">
            {way.length > 0 && (
                <path d={`M${way.map(seen).join('L')}`} strokeWidth="9" strokeLinecap="round" strokeLinejoin="round" opacity="0.28" />
            )}
            {way.length > 0 && <path d={`M${way.map(seen).join('L')}`} strokeWidth="1.5" strokeLinejoin="round" />}
            {cursor !== null && <path d={`M${seen(cursor)}m-8 0h16m-8 -8v16`} strokeWidth="1.5" />}
        </svg>
    );
}
