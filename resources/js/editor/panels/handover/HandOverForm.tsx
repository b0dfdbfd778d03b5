import { useMutation } from '@tanstack/react-query';
import { Dialog } from 'radix-ui';
import { useEffect, useState } from 'react';
import { answer, api, Problem, type Scene } from '../../../api/client';
import { bundlePlan, isBundle } from '../../../files/bringDrawing';
import { Making } from '../../../files/Making';
import { save } from '../../../files/save';
import { useOrder } from '../../../files/useOrder';
import { answered, asking, sent } from '../../model/handover/options';
import { stepOf } from '../../model/scene/steps';
import { useSheet } from '../../state/sheet';
import { OptionField } from './OptionField';
import { type FileForm, useEstimate, useForms } from './useForms';

type Options = Record<string, unknown>;

interface Props {
    /** The form that is asked for. */
    chosen: string;
    choose: (form: string) => void;
    bring: (plan: string) => Promise<Problem | null>;
    onDone: () => void;
}

/** Taking the sheet home, and bringing a plan in. What can be made, and what each form can be asked, the server says. */
export function HandOverForm({ chosen, choose, bring, onDone }: Props) {
    const { page, scene } = useSheet();
    const [answers, setAnswers] = useState<Record<string, Options>>({});
    const [brought, setBrought] = useState<string | null>(null);
    const forms = useForms(page.id, page.revision, true).data?.forms ?? [];
    const form = forms.find(({ name }) => name === chosen) ?? forms[0];
    const options = form === undefined ? {} : answered(form, answers[form.name] ?? {});
    const asked = form === undefined ? {} : sent(form, options);
    const put = (change: Options) => form !== undefined && setAnswers({ ...answers, [form.name]: { ...answers[form.name], ...change } });
    const told = useEstimate(page.id, page.revision, form, asked);
    const atOnce = useMutation({
        mutationFn: ({ name }: FileForm) =>
            save(`/api/sheets/${page.id}/file?${new URLSearchParams({ format: name, ...texts(asked) }).toString()}`, `sheet.${name}`),
        onSuccess: onDone,
    });
    const inTurn = useOrder(onDone);
    const { giveUp } = inTurn;
    // Whoever leaves the dialog does not wait for its file.
    useEffect(() => giveUp, [giveUp]);
    const error = atOnce.error ?? inTurn.error ?? told.estimate.error;
    const isMaking = atOnce.isPending || inTurn.isMaking;
    function begin(): void {
        atOnce.reset();
        inTurn.reset();
        if (form === undefined) return;
        if (form.quick) atOnce.mutate(form);
        else
            inTurn.begin(() =>
                answer(
                    api.POST('/api/sheets/{sheet}/exports', {
                        params: { path: { sheet: page.id } },
                        body: { format: form.name, ...asked },
                    }),
                ),
            );
    }

    return (
        <form
            className="mt-6 flex flex-col gap-4"
            onSubmit={(event) => {
                event.preventDefault();
                begin();
            }}
        >
            <fieldset className="grid min-h-11 grid-cols-5 gap-2">
                <legend className="sr-only">Form of the file</legend>
                {forms.map(({ name, label }) => (
                    <label
                        key={name}
                        className={`rounded border px-2 py-2.5 text-center font-medium ${form?.name === name ? 'border-amber bg-honey' : 'border-rule bg-card hover:border-amber'} has-focus-visible:outline-2 has-focus-visible:outline-offset-2 has-focus-visible:outline-ink`}
                    >
                        <input
                            type="radio"
                            className="sr-only"
                            name="format"
                            autoFocus={form?.name === name}
                            checked={form?.name === name}
                            onChange={() => choose(name)}
                        />
                        {label}
                    </label>
                ))}
            </fieldset>
            <p className="min-h-[22px] font-serif text-[16px] leading-snug text-slate italic">{form?.says}</p>
            {form !== undefined && form.options.length > 0 && (
                <div className="flex flex-wrap items-center gap-x-6 gap-y-3">
                    {asking(form, options).map((field) => (
                        <OptionField
                            key={`${form.name} ${field.name}`}
                            field={field}
                            value={options[field.name]}
                            onChange={(value) => put({ [field.name]: value })}
                        />
                    ))}
                </div>
            )}
            {!told.estimate.isError && (
                <Told
                    told={[...(told.estimate.data?.told ?? []), ...(told.proof.data?.told ?? [])]}
                    instead={told.estimate.data?.instead ?? []}
                    onTake={put}
                />
            )}
            <Unsaid scene={scene} />
            {error !== null && (
                <p role="alert" className="rounded bg-blush px-3 py-2 text-brick">
                    {error instanceof Problem ? wrong(error) : 'The file could not be made.'}
                </p>
            )}
            {inTurn.order !== null && <Making order={inTurn.order} />}
            {brought !== null && (
                <p role="alert" className="rounded bg-blush px-3 py-2 break-words text-brick">
                    {brought}
                </p>
            )}
            <div className="flex items-center gap-2 border-t border-hairline pt-4">
                <BringPlan
                    bring={bring}
                    onBrought={(refused) => {
                        setBrought(refused);
                        if (refused === null) onDone();
                    }}
                />
                <span className="flex-1" />
                {inTurn.isMaking ? (
                    <button className="quiet" type="button" onClick={inTurn.giveUp}>
                        Cancel
                    </button>
                ) : (
                    <Dialog.Close className="quiet" type="button">
                        Leave
                    </Dialog.Close>
                )}
                <button className="solid" disabled={isMaking || form === undefined}>
                    {isMaking ? 'Making it …' : 'Save the file'}
                </button>
            </div>
        </form>
    );
}

/** What the file will be, and options that would do better. */
function Told({
    told,
    instead,
    onTake,
}: {
    told: string[];
    instead: { label: string; options: Options }[];
    onTake: (options: Options) => void;
}) {
    if (told.length === 0) return null;
    return (
        <p className="text-[13px] leading-snug text-slate tabular-nums">
            {told[0]}{' '}
            {instead.map(({ label, options }) => (
                <button
                    key={label}
                    type="button"
                    className="mr-2.5 font-medium whitespace-nowrap text-umber underline"
                    onClick={() => onTake(options)}
                >
                    {label}
                </button>
            ))}
            {told.slice(1).map((sentence) => (
                <span key={sentence} className="block">
                    {sentence}
                </span>
            ))}
        </p>
    );
}

function BringPlan({
    bring,
    onBrought,
}: {
    bring: (plan: string) => Promise<Problem | null>;
    onBrought: (refused: string | null) => void;
}) {
    async function take(file: File): Promise<string | null> {
        const problem = await bring(await planText(file));
        return problem === null ? null : problem.status === 413 ? 'A plan can have at most 5 MB.' : problem.message;
    }
    return (
        <label className="quiet -ml-2.5 cursor-pointer text-umber has-focus-visible:outline-2 has-focus-visible:outline-ink">
            Bring in a plan
            <input
                type="file"
                accept=".json,application/json,.zip,application/zip"
                className="sr-only"
                onChange={(event) => {
                    const file = event.target.files?.[0];
                    event.target.value = '';
                    if (file !== undefined)
                        void take(file).then(onBrought, (fault: unknown) =>
                            onBrought(fault instanceof Error ? fault.message : 'The file could not be read.'),
                        );
                }}
            />
        </label>
    );
}

/** What the file will show otherwise than the screen does. */
function Unsaid({ scene }: { scene: Scene }) {
    const bare = scene.drawing
        .filter((drawn) => drawn.styles.some((style) => style.bare === true))
        .map(({ id }) => stepOf(scene, id)?.label ?? id);
    if (bare.length === 0) return null;
    const [first = '', ...rest] = bare;
    return (
        <p role="note" className="rounded bg-honey px-3 py-2 leading-snug text-umber">
            {rest.length === 0 ? `${first.slice(0, 1).toUpperCase()}${first.slice(1)} was` : `${bare.length} parts were`} given no look yet:
            black in the file.
        </p>
    );
}

/** Options as an address has them. */
function texts(options: Options): Record<string, string> {
    return Object.fromEntries(Object.entries(options).map(([name, value]) => [name, String(value)]));
}

/** What of the answers was wrong. */
function wrong(problem: Problem): string {
    return Object.values(problem.body.errors ?? {})[0]?.[0] ?? problem.message;
}

/** The plan that a file is, or that a zip holds beside its pictures. */
async function planText(file: File): Promise<string> {
    return isBundle(file) ? JSON.stringify((await bundlePlan(file)).plan) : file.text();
}
