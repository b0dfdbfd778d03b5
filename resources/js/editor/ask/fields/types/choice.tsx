import { useSheet } from '../../../state/sheet';
import type { Asked } from '../asked';
import type { Edited } from '../edited';
import { alsoSet, PicturedChoice } from '../PicturedChoice';

export function Edit({ step, label, piece, field, commit }: Edited) {
    const { page, change } = useSheet();
    const choices = field.choices ?? [];
    const written = page.plan.steps.find((one) => one.id === step.id) ?? {};
    if (choices.some((choice) => choice.picture !== undefined)) {
        return (
            <PicturedChoice
                label={label}
                choices={choices}
                chosen={typeof piece.raw === 'string' ? piece.raw : null}
                now={written}
                shown={piece.text}
                onChoose={(choice) => {
                    const also = Object.entries(alsoSet(choice, written));
                    if (also.length === 0) void commit(choice.value);
                    else
                        void change(
                            [[field.name, choice.value] as const, ...also].map(([name, value]) => ({
                                op: 'set',
                                id: step.id,
                                field: name,
                                value,
                            })),
                        );
                }}
            />
        );
    }
    return (
        <select
            className="live"
            aria-label={label}
            value={typeof piece.raw === 'string' ? piece.raw : ''}
            onChange={(event) => void commit(event.target.value)}
        >
            {piece.raw === null && <option value="">not given</option>}
            {choices.map((choice) => (
                <option key={choice.value} value={choice.value}>
                    {choice.text}
                </option>
            ))}
        </select>
    );
}

/** More than stand side by side are chosen from a list. */
const MOST_BESIDE = 5;

export function Ask({ field, value, answers, onChange, onAlso }: Asked) {
    const choices = field.choices ?? [];
    if (choices.some((choice) => choice.picture !== undefined)) {
        const shown = choices.find((choice) => choice.value === value)?.text ?? 'not given';
        return (
            <span className="font-serif text-[16px]">
                {field.label}:{' '}
                <PicturedChoice
                    label={field.label}
                    choices={choices}
                    chosen={typeof value === 'string' ? value : null}
                    now={answers}
                    shown={shown}
                    onChoose={(choice) => onAlso({ [field.name]: choice.value, ...alsoSet(choice, answers) })}
                />
            </span>
        );
    }
    if (choices.length > MOST_BESIDE) {
        return (
            <label className="flex items-center gap-2">
                {field.label}
                <select
                    className="boxed px-2"
                    aria-label={field.label}
                    value={typeof value === 'string' ? value : ''}
                    onChange={(event) => onChange(event.target.value)}
                >
                    {choices.map((choice) => (
                        <option key={choice.value} value={choice.value}>
                            {choice.text}
                        </option>
                    ))}
                </select>
            </label>
        );
    }
    return (
        <fieldset className="flex items-center gap-1">
            <legend className="float-left mr-2 leading-[30px]">{field.label}</legend>
            {choices.map((choice) => (
                <label
                    key={choice.value}
                    className={`choice ${value === choice.value ? 'border-amber bg-honey font-medium' : 'border-rule bg-card'}`}
                >
                    <input
                        type="radio"
                        className="sr-only"
                        name={field.name}
                        checked={value === choice.value}
                        onChange={() => onChange(choice.value)}
                    />
                    {choice.text}
                </label>
            ))}
        </fieldset>
    );
}
