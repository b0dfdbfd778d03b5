import type { Field } from '../../../api/client';

/** Letters that choices have together, up to which they stand side by side. */
const SHORT = 36;

interface Props {
    field: Field;
    value: unknown;
    onChange: (value: unknown) => void;
}

/** An option of a file, with the editor that its type asks for. */
export function OptionField(props: Props) {
    const { field } = props;
    if (field.type === 'choice' && field.choices?.length === 1) return <Said {...props} />;
    if (field.type === 'choice')
        return (field.choices ?? []).reduce((letters, { text }) => letters + text.length, 0) > SHORT ? (
            <Listed {...props} />
        ) : (
            <OneOf {...props} />
        );
    if (field.type === 'many') return <Several {...props} />;
    if (field.type === 'switch') return <Switch {...props} />;
    return <Typed {...props} />;
}

function named(label: string): string {
    return `${label.slice(0, 1).toUpperCase()}${label.slice(1)}`;
}

/** What cannot be chosen otherwise is said, not asked for. */
function Said({ field }: Props) {
    return (
        <span>
            {named(field.label)} {field.choices?.[0]?.text}
        </span>
    );
}

function Listed({ field, value, onChange }: Props) {
    return (
        <label className="flex items-center gap-2">
            {named(field.label)}
            <select className="boxed" value={String(value)} onChange={(event) => onChange(event.target.value)}>
                {field.choices?.map((choice) => (
                    <option key={choice.value} value={choice.value}>
                        {choice.text}
                    </option>
                ))}
            </select>
        </label>
    );
}

function OneOf({ field, value, onChange }: Props) {
    const choices = field.choices ?? [];
    return (
        <fieldset className="flex items-center gap-1">
            <legend className="float-left mr-2 leading-[30px]">{named(field.label)}</legend>
            {choices.map((choice) => (
                <label
                    key={choice.value}
                    className={`choice ${value === choice.value ? 'border-amber bg-honey font-medium' : 'border-rule bg-card'}`}
                >
                    <input
                        type="radio"
                        className="sr-only"
                        name={`option ${field.name}`}
                        checked={value === choice.value}
                        onChange={() => onChange(choice.value)}
                    />
                    {choice.text}
                </label>
            ))}
        </fieldset>
    );
}

function Several({ field, value, onChange }: Props) {
    const chosen = Array.isArray(value) ? value.map(String) : [];
    return (
        <fieldset className="flex flex-wrap items-center gap-x-4 gap-y-2">
            <legend className="float-left mr-1 leading-6">{named(field.label)}</legend>
            {field.none !== undefined && (
                <label className="flex items-center gap-1.5">
                    <input
                        type="radio"
                        className="size-4 accent-ink"
                        name={`option ${field.name}`}
                        checked={chosen.length === 0}
                        onChange={() => onChange([])}
                    />
                    {field.none}
                </label>
            )}
            {field.choices?.map((choice) => (
                <label key={choice.value} className="flex items-center gap-1.5">
                    <input
                        type="checkbox"
                        className="size-4 accent-ink"
                        checked={chosen.includes(choice.value)}
                        onChange={() =>
                            onChange(
                                chosen.includes(choice.value) ? chosen.filter((one) => one !== choice.value) : [...chosen, choice.value],
                            )
                        }
                    />
                    <span className="font-serif text-[15px] italic">{choice.text}</span>
                </label>
            ))}
        </fieldset>
    );
}

function Switch({ field, value, onChange }: Props) {
    return (
        <label className="flex items-center gap-2">
            <input type="checkbox" className="size-4 accent-ink" checked={value === true} onChange={() => onChange(value !== true)} />
            {named(field.label)}
        </label>
    );
}

/** Numbers, and lists of them, are sent as they were typed; what is none is refused by its name. */
function Typed({ field, value, onChange }: Props) {
    return (
        <label className="flex items-center gap-2">
            {named(field.label)}
            <input
                className={`boxed tabular-nums ${field.type === 'sizes' ? 'w-32' : 'w-20'}`}
                inputMode={field.type === 'number' ? 'decimal' : undefined}
                value={
                    Array.isArray(value) ? value.join(', ') : typeof value === 'number' || typeof value === 'string' ? String(value) : ''
                }
                onChange={(event) => onChange(event.target.value)}
            />
        </label>
    );
}
