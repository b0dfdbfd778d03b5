/** What of a long list is shown. */
const LISTED = 200;

/** What of a drawing could not be kept, each with its place in the file. */
export function LeftOut({ left }: { left: readonly string[] }) {
    return (
        <section aria-label="What is left out" className="flex min-h-0 flex-col gap-1.5">
            <h3 className="font-medium">
                {left.length === 1 ? 'One thing is left out or changed' : `${left.length} things are left out or changed`}
            </h3>
            <ul className="max-h-52 overflow-auto rounded border border-rule bg-card px-3 py-2 text-[13px] leading-relaxed">
                {left.slice(0, LISTED).map((one, number) => (
                    <li key={number}>{one}</li>
                ))}
                {left.length > LISTED && <li className="text-slate">and {left.length - LISTED} more</li>}
            </ul>
        </section>
    );
}
