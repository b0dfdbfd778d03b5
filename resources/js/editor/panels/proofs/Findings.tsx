import { useMemo, useState } from 'react';
import type { Finding, Scene } from '../../../api/client';
import { problemText } from '../../model/problem';
import { usePicks } from '../../state/pick';
import { useSheet } from '../../state/sheet';
import { useView } from '../../state/view';
import { LiveProperties } from '../../ask/fields/LiveProperty';

/** Pixels of the screen that what was found is shown at, at least. */
const SHOWN_AT = 60;

/** What the checks found, what mends it, and from which measure on they speak up. */
export function Findings() {
    const { page, scene } = useSheet();
    // Of what is being drawn nothing is found before it is done, nor of what is hidden, unless it went wrong.
    const causes = useMemo(() => byCause(page.scene), [page.scene]);
    return (
        <section aria-label="Findings" className="flex flex-col gap-1.5">
            <h2 className="heading mb-1">Findings</h2>
            {causes.length === 0 && <p className="font-serif text-[15px] leading-snug text-slate italic">Nothing is wrong.</p>}
            <ul>
                {causes.map((cause) => (
                    <Cause key={`${cause[0].step} ${cause[0].code}`} findings={cause} />
                ))}
            </ul>
            {scene.steps.some((step) => step.role === 'guide' || step.role === 'overlay' || step.role === 'part') && <Limits />}
        </section>
    );
}

type Some = readonly [Finding, ...Finding[]];

const GRAVITY = { error: 0, warning: 1, note: 2 };

/** What was found by the step that it is about and what is wrong there, the worst first. */
function byCause(scene: Scene): Some[] {
    const unseen = new Set(scene.steps.filter((step) => step.hidden || step.muted).map(({ id }) => id));
    const causes = new Map<string, [Finding, ...Finding[]]>();
    for (const finding of [...scene.findings]
        .filter((one) => one.level === 'error' || !unseen.has(one.step))
        .sort((a, b) => GRAVITY[a.level] - GRAVITY[b.level])) {
        const cause = `${finding.step} ${finding.code}`;
        const known = causes.get(cause);
        if (known === undefined) causes.set(cause, [finding]);
        else known.push(finding);
    }
    return [...causes.values()];
}

/** One line for one cause; where else it is so is told when that is asked for. */
function Cause({ findings: [first, ...others] }: { findings: Some }) {
    const [all, setAll] = useState(false);
    return (
        <>
            <One finding={first} />
            {all && others.map((finding) => <One key={`${finding.field} ${finding.message}`} finding={finding} />)}
            {others.length > 0 && (
                <li className="pb-2">
                    <button
                        className="text-[12.5px] text-slate hover:text-ink hover:underline"
                        aria-expanded={all}
                        onClick={() => setAll(!all)}
                    >
                        {all ? 'Only the first' : `${others.length} more like it`}
                    </button>
                </li>
            )}
        </>
    );
}

function One({ finding }: { finding: Finding }) {
    const { scene, change } = useSheet();
    const { select, selected } = usePicks();
    const { lookAt } = useView();
    const [refused, setRefused] = useState<string | null>(null);
    const { remedy } = finding;
    return (
        <li className="border-t border-hairline py-2">
            <p className="font-serif text-[15px] leading-snug break-words">{finding.message}</p>
            <div className="mt-1 flex gap-4 font-medium text-umber">
                <button
                    className="hover:underline"
                    onClick={() => {
                        select(selected === finding.step ? null : finding.step);
                        document.querySelector(`[data-step="${finding.step}"]`)?.scrollIntoView({ block: 'nearest' });
                        const [x, y] = finding.at ?? [];
                        const least = Math.max(finding.measure ?? 0, Math.max(scene.sheet.width, scene.sheet.height) / 1e5);
                        if (x !== undefined && y !== undefined) lookAt(x, y, Math.min(SHOWN_AT / least, 2000));
                    }}
                >
                    Show
                </button>
                {remedy !== null && (
                    <button
                        className="hover:underline"
                        onClick={() =>
                            void change(remedy.operations).then((problem) => setRefused(problem === null ? null : problemText(problem)))
                        }
                    >
                        {remedy.label}
                    </button>
                )}
            </div>
            {refused !== null && (
                <p role="alert" className="mt-1 rounded bg-blush px-1.5 py-1 text-[12.5px] leading-snug text-brick">
                    {refused}
                </p>
            )}
        </li>
    );
}

function Limits() {
    const { scene } = useSheet();
    return (
        <p className="border-t border-hairline pt-2 font-serif text-[14px] leading-[26px] text-slate">
            <LiveProperties pieces={scene.said.checks} />
        </p>
    );
}
