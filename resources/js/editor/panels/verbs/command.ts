/** What can be said beside the verbs: of what is picked, of the view, of panels and the sheet, and what mends what was found. */
export interface Command {
    name: string;
    label: string;
    words: string[];
    /** Where it belongs, as the list says it. */
    of: string;
    /** That does the same, as menus show it. */
    key?: string | undefined;
    run: () => void;
}

export function command(name: string, of: string, label: string, words: string, run: () => unknown, key?: string): Command {
    return { name, of, label, words: words.split(', '), key, run: () => void run() };
}
