import { useDesk } from './desk';

/** What the checks found. */
export function Findings() {
    const { scene, select, lookAt, selected } = useDesk();
    return (
        <section aria-label="Findings" className="flex flex-col gap-1.5">
            <h2 className="heading mb-1">Findings</h2>
            {scene.findings.length === 0 && <p className="font-serif text-[15px] leading-snug text-slate italic">Nothing is wrong.</p>}
            <ul>
                {scene.findings.map((finding) => (
                    <li key={`${finding.step} ${finding.field} ${finding.message}`} className="border-t border-hairline py-2">
                        <p className="font-serif text-[15px] leading-snug break-words">{finding.message}</p>
                        <button
                            className="mt-1 font-medium text-umber hover:underline"
                            onClick={() => {
                                select(selected === finding.step ? null : finding.step);
                                document.querySelector(`[data-step="${finding.step}"]`)?.scrollIntoView({ block: 'nearest' });
                                const [x, y] = finding.at ?? [];
                                if (x !== undefined && y !== undefined) lookAt(x, y);
                            }}
                        >
                            Show
                        </button>
                    </li>
                ))}
            </ul>
        </section>
    );
}
