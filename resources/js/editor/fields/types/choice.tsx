import type { Asked } from '../asked';
import type { Edited } from '../LiveField';

export function Edit({ label, piece, field, commit }: Edited) {
    return (
        <select className="live" aria-label={label} value={typeof piece.raw === 'string' ? piece.raw : ''} onChange={(event) => void commit(event.target.value)}>
            {piece.raw === null && <option value="">not given</option>}
            {field.choices?.map((choice) => (
                <option key={choice.value} value={choice.value}>
                    {choice.text}
                </option>
            ))}
        </select>
    );
}

/** More than stand side by side are chosen from a list. */
const MOST_BESIDE = 5;

export function Ask({ field, value, onChange }: Asked) {
    if ((field.choices?.length ?? 0) > MOST_BESIDE) {
        return (
            <label className="flex items-center gap-2">
                {field.label}
                <select className="boxed px-2" aria-label={field.label} value={typeof value === 'string' ? value : ''} onChange={(event) => onChange(event.target.value)}>
                    {field.choices?.map((choice) => (
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
            {field.choices?.map((choice) => (
                <label key={choice.value} className={`choice ${value === choice.value ? 'border-amber bg-honey font-medium' : 'border-rule bg-card'}`}>
                    <input type="radio" className="sr-only" name={field.name} checked={value === choice.value} onChange={() => onChange(choice.value)} />
                    {choice.text}
                </label>
            ))}
        </fieldset>
    );
}
