import type { Field } from '../../../api/client';

type Options = Record<string, unknown>;

/** A form of a file, as far as its options go. */
interface Form {
    options: Field[];
    proposed: Options;
}

/** What its options are: as answered, else as proposed, else as usual. */
export function answered(form: Form, answers: Options): Options {
    return Object.fromEntries(form.options.map((field) => [field.name, answers[field.name] ?? form.proposed[field.name] ?? field.default]));
}

/** The options that mean anything as the others are, each with the choices that there are beside them. */
export function asking(form: Form, options: Options): Field[] {
    return form.options
        .filter(({ when }) => when === null || options[when.field] === when.is)
        .map((field) =>
            field.but === undefined ? field : { ...field, choices: field.choices?.filter(({ value }) => value !== options[field.but ?? '']) },
        );
}

/** What is sent: numbers as numbers, lists that were typed as lists, and what was left open not at all. */
export function sent(form: Form, options: Options): Options {
    const said = asking(form, options).map(({ name, type }): [string, unknown] => {
        const value = options[name];
        if (typeof value !== 'string') return [name, value];
        if (type === 'sizes') return [name, value.split(/[\s,;]+/).filter(Boolean).map(numbered)];
        return [name, type === 'number' ? numbered(value.trim()) : value];
    });
    return Object.fromEntries(said.filter(([, value]) => value !== null && value !== undefined && value !== ''));
}

function numbered(text: string): number | string {
    const number = Number(text);
    return text === '' || Number.isNaN(number) ? text : number;
}
