/** How numbers are written: with a point, and with a comma too where people write so. */

/** Whether the language writes 1,5 for one and a half. */
export function writesComma(language: string): boolean {
    return new Intl.NumberFormat(language).formatToParts(1.5).some(({ type, value }) => type === 'decimal' && value === ',');
}

/** Arithmetic with decimal commas as points; those between what a function takes stay. */
export function withPoints(text: string): string {
    const open: boolean[] = [];
    let result = '';
    for (const [k, one] of [...text].entries()) {
        if (one === '(') open.push(/[a-z]\s*$/i.test(text.slice(0, k)));
        if (one === ')') open.pop();
        const isDecimal = one === ',' && open.at(-1) !== true && /\d$/.test(text.slice(0, k)) && /^\d/.test(text.slice(k + 1));
        result += isDecimal ? '.' : one;
    }
    return result;
}

/** A number where it is one, nothing where nothing stands, else arithmetic; degrees may be said with their sign. */
export function readNumber(text: string, language = navigator.language): number | string | null {
    const given = text.trim().replace(/\s*°$/, '');
    const trimmed = writesComma(language) ? withPoints(given) : given;
    if (trimmed === '') return null;
    return Number.isNaN(Number(trimmed)) ? trimmed : Number(trimmed);
}

/** Numbers one after another, with blanks or semicolons between, and with commas where none of them is a decimal one. */
export function readNumbers(text: string, language = navigator.language): (number | string)[] {
    return text
        .trim()
        .split(writesComma(language) ? /[\s;]+|,\s+/ : /[\s,;]+/)
        .map((one) => readNumber(one, language))
        .filter((one) => one !== null);
}

/** Whether arithmetic goes on: nothing is asked of it yet. */
export function isUnfinished(value: unknown): boolean {
    if (Array.isArray(value)) return value.some(isUnfinished);
    if (typeof value !== 'string') return false;
    const open = [...value].reduce((deep, one) => deep + (one === '(' ? 1 : one === ')' ? -1 : 0), 0);
    return open > 0 || /[-+*/^(,]\s*$/.test(value);
}
