/**
 * Where keys are heard: on the sheet alone; wherever what is picked is at hand, on the sheet and in the plan; on the sheet and on what
 * stands above and below it; anywhere but in a field; and anywhere.
 */
export type Where = 'sheet' | 'pick' | 'verbs' | 'fieldless' | 'anywhere';

/** With what the pointer does: in the place of the verbs there are the brush, or the tracer. */
export type When = 'always' | 'verbs' | 'paint' | 'trace';

export interface Row {
    /** By which those register who do it. */
    id: string;
    title: Title;
    where: Where;
    when: When;
    /** As `comboOf` writes them; `1-9` is any digit but nought. */
    combos: readonly string[];
    /** As the page of keys shows them. */
    shown: readonly string[];
    does: string;
}

export type Title = 'On the sheet' | 'What is picked' | 'Verbs' | 'Painting' | 'Tracing' | 'Anywhere';

const ARROWS = ['ArrowRight', 'ArrowLeft', 'ArrowUp', 'ArrowDown'];

function row(title: Title, where: Where, when: When, id: string, combos: readonly string[], shown: readonly string[], does: string): Row {
    return { id, title, where, when, combos, shown, does };
}

/** All single keys and combinations of the editor but those within a field, a list or a handle, which are heard there alone. */
export const TABLE = [
    row(
        'On the sheet',
        'sheet',
        'always',
        'walk',
        [...ARROWS, ...ARROWS.map((one) => `Shift+${one}`)],
        ['←', '↑', '↓', '→'],
        'walk over cells, points, lines or parts; with Shift pick cells on the way',
    ),
    row(
        'On the sheet',
        'sheet',
        'always',
        'press',
        ['Enter', 'Shift+Enter'],
        ['Enter'],
        'pick what the walk stands on; do what is asked for',
    ),
    row('On the sheet', 'anywhere', 'always', 'unasked', ['Escape'], ['Esc'], 'click no place after all'),
    row('On the sheet', 'verbs', 'always', 'leave', ['Escape'], ['Esc'], 'pick nothing; leave what is asked or kept on'),
    row('On the sheet', 'sheet', 'always', 'fit', ['F'], ['F'], 'fit the view'),
    row('On the sheet', 'sheet', 'always', 'in', ['+', 'Shift++', '=', 'Shift+='], ['+'], 'zoom in'),
    row('On the sheet', 'sheet', 'always', 'out', ['-', 'Shift+-'], ['−'], 'zoom out'),
    row('On the sheet', 'sheet', 'always', 'hand', ['Space'], ['Space', 'drag'], 'move the view'),
    row(
        'On the sheet',
        'sheet',
        'always',
        'nudge',
        [...ARROWS.map((one) => `Alt+${one}`), ...ARROWS.map((one) => `Alt+Shift+${one}`)],
        ['Alt', 'arrow'],
        'move picked parts by a tenth of a step of their grid; with Shift alone by a whole one',
    ),
    row('What is picked', 'pick', 'always', 'remove', ['Delete', 'Backspace'], ['Delete'], 'delete it; what is built on it is told'),
    row('What is picked', 'pick', 'verbs', 'all', ['Ctrl+A'], ['Ctrl', 'A'], 'pick all of what is being picked'),
    row('What is picked', 'pick', 'verbs', 'copy', ['Ctrl+C'], ['Ctrl', 'C'], 'take a copy of it along'),
    row('What is picked', 'pick', 'verbs', 'cut', ['Ctrl+X'], ['Ctrl', 'X'], 'take it along itself'),
    row('What is picked', 'pick', 'verbs', 'paste', ['Ctrl+V'], ['Ctrl', 'V'], 'lay down what was taken along'),
    row('What is picked', 'pick', 'verbs', 'duplicate', ['Ctrl+D'], ['Ctrl', 'D'], 'a copy beside it'),
    row('What is picked', 'pick', 'always', 'rename', ['F2'], ['F2'], 'give it another name'),
    row('Verbs', 'verbs', 'verbs', 'verb', ['1-9'], ['1', '…', '9'], 'the verb with this number'),
    row('Verbs', 'verbs', 'verbs', 'families', ['0'], ['0', '1', '…', '9'], 'another family of verbs; 0 twice what there is beyond nine'),
    row('Verbs', 'verbs', 'verbs', 'draw', ['D'], ['D'], 'what can be drawn, and back to what fits the pick'),
    row('Verbs', 'verbs', 'verbs', 'looks', ['T'], ['T'], 'take up the looks of a part; each one clicked then looks so'),
    row('Verbs', 'verbs', 'always', 'say', ['/', 'Shift+/'], ['/'], 'say it: find a verb by any word for it'),
    row('Verbs', 'verbs', 'verbs', 'again', ['.'], ['.'], 'the last verb again, with this pick'),
    row('Verbs', 'verbs', 'verbs', 'keep', ['K', 'Shift+K'], ['K'], 'keep the last verb on, for every new pick'),
    row('Painting', 'verbs', 'paint', 'colour', ['1-9'], ['1', '…', '9'], 'a colour'),
    row('Painting', 'verbs', 'paint', 'ways', ['0'], ['0', '1', '…', '8'], 'another way to paint'),
    row('Tracing', 'verbs', 'trace', 'lays', ['1-9'], ['1', '…', '4'], 'another sort of line to be laid'),
    row('Anywhere', 'fieldless', 'always', 'undo', ['Ctrl+Z'], ['Ctrl', 'Z'], 'undo'),
    row('Anywhere', 'fieldless', 'always', 'redo', ['Ctrl+Shift+Z', 'Ctrl+Y'], ['Ctrl', 'Y'], 'redo'),
    row('Anywhere', 'anywhere', 'always', 'save', ['Ctrl+S'], ['Ctrl', 'S'], 'say that it is saved; all is, always'),
    row('Anywhere', 'fieldless', 'always', 'plan', ['Ctrl+\\'], ['Ctrl', '\\'], 'fold the plan away, and back'),
    row(
        'Anywhere',
        'fieldless',
        'always',
        'proofs',
        ['Ctrl+Shift+\\', 'Ctrl+Shift+|'],
        ['Ctrl', 'Shift', '\\'],
        'fold proofs and palette away, and back',
    ),
    row('Anywhere', 'verbs', 'always', 'keys', ['?', 'Shift+?'], ['?'], 'this page'),
] as const satisfies readonly Row[];

export type KeyId = (typeof TABLE)[number]['id'];

/** What is pressed, in one way of writing: `Ctrl+Shift+Z`, `Delete`, `a` as `A`. Ctrl and Cmd are one. */
export function comboOf(event: Pick<KeyboardEvent, 'key' | 'ctrlKey' | 'metaKey' | 'altKey' | 'shiftKey'>): string {
    const key = event.key === ' ' ? 'Space' : event.key.length === 1 ? event.key.toUpperCase() : event.key;
    return `${event.ctrlKey || event.metaKey ? 'Ctrl+' : ''}${event.altKey ? 'Alt+' : ''}${event.shiftKey ? 'Shift+' : ''}${key}`;
}

/** The rows that a combination is in, in a place and with what the pointer does: the next one where that before has nothing to do. */
export function rowsOf(combo: string, isHeard: (where: Where) => boolean, now: When): Row[] {
    return (TABLE as readonly Row[]).filter(
        (one) =>
            (one.when === 'always' || one.when === now) &&
            isHeard(one.where) &&
            one.combos.some((written) => written === combo || (written === '1-9' && /^[1-9]$/.test(combo))),
    );
}
