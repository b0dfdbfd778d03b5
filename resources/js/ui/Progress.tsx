/** How far something has come. @param value of `max`; undefined where that cannot be told */
export function Progress({ label, max, value }: { label: string; max: number; value: number | undefined }) {
    return <progress className="h-1.5 w-40 overflow-hidden rounded-full bg-hairline [&::-webkit-progress-bar]:bg-hairline [&::-webkit-progress-value]:bg-amber" aria-label={label} max={max} value={value} />;
}
