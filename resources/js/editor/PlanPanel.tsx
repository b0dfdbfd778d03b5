import { Fragment, useState } from 'react';
import { useDesk } from './desk';
import { LiveColour } from './LiveColour';
import { LiveNumber } from './LiveNumber';
import { StepRow } from './StepRow';
import { ValueRows } from './ValueRows';

/** The plan: its sentences in order, in chapters. */
export function PlanPanel() {
    const { scene, page, kinds, change, preview } = useDesk();
    const [unitProblem, setUnitProblem] = useState<string | null>(null);
    const { sheet } = page.plan as unknown as { sheet: { width: number | string; height: number | string; unit: string; background: string | null } };
    const steps = scene.steps;
    const side = (field: 'width' | 'height') => (
        <LiveNumber
            label={`${field} of the sheet`}
            raw={sheet[field]}
            value={scene.sheet[field]}
            measure="length"
            onPreview={(value) => preview(value === null ? null : [{ op: 'sheet', field, value }])}
            onCommit={(value) => change([{ op: 'sheet', field, value }])}
        />
    );

    return (
        <nav aria-label="Plan" className="min-h-0 overflow-x-hidden overflow-y-auto border-r border-rule bg-paper pb-6">
            <h2 className="heading pt-5 pb-2 pl-[50px]">Ground</h2>
            <div className="py-[5px] pr-4 pl-[50px] font-serif text-[16px] leading-[1.55]">
                Sheet {side('width')} × {side('height')}{' '}
                <select
                    className="live"
                    aria-label="Unit of the sheet"
                    value={sheet.unit}
                    onChange={(event) => void change([{ op: 'sheet', field: 'unit', value: event.target.value }]).then((problem) => setUnitProblem(problem?.message ?? null))}
                >
                    {['px', 'mm', 'cm', 'in', 'pt'].map((unit) => (
                        <option key={unit}>{unit}</option>
                    ))}
                </select>{' '}
                on{' '}
                <LiveColour
                    label="Background of the sheet"
                    raw={sheet.background ?? 'none'}
                    onPreview={(colour) => void preview(colour === null ? null : [{ op: 'sheet', field: 'background', value: colour === 'none' ? null : colour }])}
                    onCommit={(colour) => void change([{ op: 'sheet', field: 'background', value: colour === 'none' ? null : colour }])}
                />
                .{unitProblem !== null && <p className="text-brick">{unitProblem}</p>}
            </div>
            <ValueRows />
            <ol>
                {steps.map((step, k) => (
                    <Fragment key={step.id}>
                        {(steps[k - 1]?.chapter ?? 'Ground') !== step.chapter && <li className="heading pt-4 pb-2 pl-[50px]">{step.chapter}</li>}
                        <StepRow
                            step={step}
                            number={k + 1}
                            kind={kinds.find((kind) => kind.kind === step.kind)}
                            findings={scene.findings.filter((finding) => finding.step === step.id)}
                            before={steps[k - 1]?.id ?? null}
                            afterNext={steps[k + 2]?.id ?? null}
                            isFirst={k === 0}
                            isLast={k === steps.length - 1}
                        />
                    </Fragment>
                ))}
            </ol>
            {steps.length === 0 && (
                <p className="py-3 pr-6 pl-[50px] font-serif text-[16px] leading-snug text-slate italic">
                    The plan is empty. Lay a grid below the sheet; every step then becomes a sentence here, and every number in it stays live.
                </p>
            )}
        </nav>
    );
}
