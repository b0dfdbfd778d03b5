import { useMutation } from '@tanstack/react-query';
import { Dialog } from 'radix-ui';
import { type FormEvent, useState } from 'react';
import { useNavigate } from 'react-router';
import { answer, api, Problem, type Schemas } from '../api/client';
import { bundlePlan, drawingPlan, isBundle, isDrawing } from '../files/bringDrawing';
import { LeftOut } from '../files/LeftOut';
import { PRESETS, UNITS } from './presets';

/** The dialog for a new sheet: a size, or a plan brought along as a file. */
export function NewSheet({ open, onOpenChange }: { open: boolean; onOpenChange: (open: boolean) => void }) {
    const navigate = useNavigate();
    const [given, setGiven] = useState({ name: '', width: '800', height: '800', unit: 'px' });
    const [file, setFile] = useState<File | null>(null);
    const [read, setRead] = useState<Schemas['DrawingPlan'] | null>(null);
    const create = useMutation({
        mutationFn: async () => {
            if (file === null) return answer(api.POST('/api/sheets', { body: { ...given, name: given.name || 'Untitled sheet' } }));
            const drawing = isDrawing(file) || isBundle(file) ? (read ?? (await (isBundle(file) ? bundlePlan : drawingPlan)(file))) : null;
            // What is left out of a drawing is told before there is a sheet.
            if (read === null && drawing !== null && drawing.left.length > 0) {
                setRead(drawing);
                return null;
            }
            const plan = drawing === null ? await file.text() : JSON.stringify(drawing.plan);
            return answer(api.POST('/api/sheets', { body: { name: given.name || file.name.replace(/\.(json|svg|zip)$/i, ''), plan } }));
        },
        onSuccess: (sheet) => sheet !== null && void navigate(`/sheets/${sheet.id}`),
    });
    const problem = create.error instanceof Problem ? create.error : undefined;

    function submit(event: FormEvent) {
        event.preventDefault();
        create.mutate();
    }

    return (
        <Dialog.Root
            open={open}
            onOpenChange={(next) => {
                create.reset();
                setRead(null);
                onOpenChange(next);
            }}
        >
            <Dialog.Portal>
                <Dialog.Overlay className="fixed inset-0 z-40 bg-ink/30" />
                <Dialog.Content aria-describedby={undefined} className="appear fixed top-1/2 left-1/2 z-50 max-h-[92vh] w-[560px] max-w-[94vw] -translate-x-1/2 -translate-y-1/2 overflow-auto rounded-lg bg-paper p-7 shadow-2xl">
                    <Dialog.Title className="font-serif text-2xl leading-none font-semibold">New sheet</Dialog.Title>
                    <form className="mt-6 flex flex-col gap-5" onSubmit={submit}>
                        <label className="flex flex-col gap-1.5 font-medium">
                            Name
                            <input
                                className="boxed text-[15px] font-normal"
                                autoFocus
                                maxLength={80}
                                placeholder="Untitled sheet"
                                value={given.name}
                                onChange={(event) => setGiven({ ...given, name: event.target.value })}
                            />
                            {problem?.for('name') && <span className="font-normal text-brick">{problem.for('name')}</span>}
                        </label>
                        <fieldset disabled={file !== null} className="flex flex-col gap-3 disabled:opacity-50">
                            <legend className="mb-1.5 font-medium">Size</legend>
                            <div className="grid grid-cols-3 gap-2">
                                {PRESETS.map((preset) => {
                                    const chosen =
                                        given.width === String(preset.width) &&
                                        given.height === String(preset.height) &&
                                        given.unit === preset.unit;
                                    return (
                                        <button
                                            key={preset.name}
                                            type="button"
                                            aria-pressed={chosen}
                                            className={`flex flex-col items-start gap-1 rounded border px-3 py-2.5 text-left ${chosen ? 'border-amber bg-honey' : 'border-rule bg-card hover:border-amber'}`}
                                            onClick={() =>
                                                setGiven({
                                                    ...given,
                                                    width: String(preset.width),
                                                    height: String(preset.height),
                                                    unit: preset.unit,
                                                })
                                            }
                                        >
                                            <span className="leading-none font-medium">{preset.name}</span>
                                            <span className="text-[12.5px] leading-none text-slate tabular-nums">
                                                {preset.width} × {preset.height} {preset.unit}
                                            </span>
                                        </button>
                                    );
                                })}
                            </div>
                            <div className="flex items-center gap-2">
                                <input
                                    className="boxed w-28"
                                    aria-label="Width"
                                    inputMode="decimal"
                                    value={given.width}
                                    onChange={(event) => setGiven({ ...given, width: event.target.value })}
                                />
                                ×
                                <input
                                    className="boxed w-28"
                                    aria-label="Height"
                                    inputMode="decimal"
                                    value={given.height}
                                    onChange={(event) => setGiven({ ...given, height: event.target.value })}
                                />
                                <select
                                    className="boxed"
                                    aria-label="Unit"
                                    value={given.unit}
                                    onChange={(event) => setGiven({ ...given, unit: event.target.value })}
                                >
                                    {UNITS.map((unit) => (
                                        <option key={unit}>{unit}</option>
                                    ))}
                                </select>
                            </div>
                            {(problem?.for('width') ?? problem?.for('height')) && (
                                <p className="text-brick">{problem?.for('width') ?? problem?.for('height')}</p>
                            )}
                        </fieldset>
                        <label className="flex items-center gap-3">
                            <span className="font-medium">Or bring a plan, or an SVG drawing</span>
                            <input type="file" accept=".json,application/json,.zip,application/zip,.svg,image/svg+xml" className="min-w-0 flex-1 text-slate file:mr-3 file:cursor-pointer file:rounded file:border file:border-rule file:bg-card file:px-3 file:py-1.5 file:font-medium file:text-ink" onChange={(event) => { setRead(null); setFile(event.target.files?.[0] ?? null); }} />
                        </label>
                        {read !== null && <LeftOut left={read.left} />}
                        {create.error !== null && problem === undefined && (
                            <p role="alert" className="rounded bg-blush px-3 py-2 break-words text-brick">
                                {create.error.message}
                            </p>
                        )}
                        {problem !== undefined && problem.body.errors === undefined && (
                            <p role="alert" className="rounded bg-blush px-3 py-2 break-words text-brick">
                                {problem.status === 413 ? 'A plan can have at most 5 MB.' : problem.message}
                            </p>
                        )}
                        <div className="flex justify-end gap-2">
                            <Dialog.Close className="quiet" type="button">
                                Leave
                            </Dialog.Close>
                            <button className="solid" disabled={create.isPending}>
                                {file === null
                                    ? 'Make the sheet'
                                    : read !== null
                                      ? 'Bring in the rest'
                                      : isDrawing(file)
                                        ? 'Bring in the drawing'
                                        : 'Bring in the plan'}
                            </button>
                        </div>
                    </form>
                </Dialog.Content>
            </Dialog.Portal>
        </Dialog.Root>
    );
}
