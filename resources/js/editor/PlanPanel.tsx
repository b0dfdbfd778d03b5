import { Fragment, useState } from 'react';
import type { Step } from '../api/client';
import { useDesk } from './desk';
import { LiveColour } from './LiveColour';
import { LiveNumber } from './LiveNumber';
import { StepRow } from './StepRow';
import { ValueRows } from './ValueRows';

/** A plan of so many steps is seen at once. */
const MANY = 8;

/** The plan: its sentences in order, in chapters. */
export function PlanPanel() {
    const { scene, page, kinds, change, preview } = useDesk();
    const [unitProblem, setUnitProblem] = useState<string | null>(null);
    const { sheet } = page.plan as unknown as { sheet: { width: number | string; height: number | string; unit: string; background: string | null } };
    const [sought, setSought] = useState('');
    const wanted = sought.trim().toLowerCase();
    const numbered = scene.steps.map((step, k) => ({ step, k }));
    const steps = wanted === '' ? numbered : numbered.filter(({ step }) => said(step).includes(wanted));
    const at = (k: number): string | null => scene.steps[k]?.id ?? null;
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
            <div className="flex items-center justify-between pt-5 pr-4 pb-2 pl-[50px]">
                <h2 className="heading">Ground</h2>
                {scene.steps.length > MANY && (
                    <input
                        type="search"
                        aria-label="Find in the plan"
                        placeholder="Find"
                        className="boxed -my-1.5 w-28 py-1 text-[13px] [&::-webkit-search-cancel-button]:hidden"
                        value={sought}
                        onChange={(event) => setSought(event.target.value)}
                        onKeyDown={(event) => event.key === 'Escape' && setSought('')}
                    />
                )}
            </div>
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
                {steps.map(({ step, k }, row) => (
                    <Fragment key={step.id}>
                        {(steps[row - 1]?.step.chapter ?? 'Ground') !== step.chapter && <li className="heading pt-4 pb-2 pl-[50px]">{step.chapter}</li>}
                        <StepRow
                            step={step}
                            number={k + 1}
                            kind={kinds.find((kind) => kind.kind === step.kind)}
                            findings={scene.findings.filter((finding) => finding.step === step.id)}
                            before={at(k - 1)}
                            afterNext={at(k + 2)}
                            isFirst={k === 0}
                            isLast={k === scene.steps.length - 1}
                        />
                    </Fragment>
                ))}
            </ol>
            {wanted !== '' && (
                <p role="status" className="py-3 pr-6 pl-[50px] text-[12.5px] text-slate">
                    {steps.length === 0 ? 'No sentence says that.' : `${steps.length} of ${scene.steps.length} sentences`}
                </p>
            )}
            {scene.steps.length === 0 && (
                <p className="py-3 pr-6 pl-[50px] font-serif text-[16px] leading-snug text-slate italic">
                    The plan is empty. Lay a grid below the sheet; every step then becomes a sentence here, and every number in it stays live.
                </p>
            )}
        </nav>
    );
}

/** What a sentence says, to be searched. */
function said(step: Step): string {
    return [step.name ?? '', step.label, ...step.sentence.filter((piece) => piece.said).map((piece) => piece.text)].join(' ').toLowerCase();
}
