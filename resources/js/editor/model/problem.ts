import type { Problem } from '../../api/client';

/** What a plan's file calls something, and what it is called to whoever works on the sheet. */
const WORDS: [RegExp, string][] = [
    [/^a place for (.+?): \[x, y\].*$/, 'a place for “$1”: click one on the sheet, or choose one'],
    [/^two numbers for (.+)$/, 'two numbers for “$1”, across and down'],
    [/^a (?:number or arithmetic|finite number) for (.+)$/, 'a number for “$1”, or arithmetic such as 2 * 3'],
    [/^the id of an earlier (\w+)(.*)$/, 'a $1 that stands earlier in the plan$2'],
    [/^the id of one of the earlier (.+)$/, 'one of the $1 that stand earlier in the plan'],
    [/ ids of earlier /, ' earlier '],
    [/^a list of (1 to \d+|at most \d+|\d+ to \d+) /, '$1 '],
    [/^the id of (a|another) step of the plan; “.*” is none$/, '$1 step that is in the plan; this one is gone'],
    [/^the id of (a|another) step/, '$1 step'],
    [/^(?:a list of )?step ids$|^ids of steps, each once$/, 'steps of the plan, each once'],
    [/places, each \[x, y\] or an address$/, 'places'],
    [
        /^a place that an outline.*$/,
        'a place with which an outline, a run or a line is drawn; corners that came out of an operation follow what they were made of',
    ],
    [/^the address of a cell.*$/, 'a cell: click one on the sheet'],
    [/^addresses of cells.*$|^.* cell addresses$/, 'cells: click them on the sheet'],
    [/^cells by colour.*$/, 'cells with a colour each'],
    [/^null for straight, or one of .*$/, 'a straight way, or a bend'],
    [/^a composed place.*$/, 'a place: so far from another one, or between two'],
    [/^the (.+), which is missing$/, 'something for “$1”: it is not said yet'],
    [/, \[across, down\]$/, ', across and down'],
    [/^null, /, 'none, '],
    [/, or null for the end$/, ', or the end'],
    [/, such as \[.*\]$/, ''],
    [/: \[x, y\] in pixels$/, ', in pixels'],
    [/^a step with a kind.*$/, 'a step'],
    [/^sha256:… .*$/, 'a picture that was brought in'],
];

/** What was expected, in the words of the sheet. */
export function inWords(expected: string): string {
    return WORDS.reduce((text, [pattern, words]) => text.replace(pattern, words), expected);
}

/** What such words begin with where somebody did something that cannot be. */
export const NO = 'That cannot be: expected ';

/** What was expected in the place of what was refused, with these words before it; else what the server says of it. */
export function expectedText({ message, body: { expected } }: Problem, before = 'Expected '): string {
    return expected === undefined ? message : before + inWords(expected);
}

/** What to say of a refused change. */
export function problemText(problem: Problem): string {
    return problem.body.findings?.[0]?.message ?? expectedText(problem);
}

/** The number that would do in the place of the one that was refused; null where none is known. */
export function wouldDo(problem: Problem): number | null {
    const [operation] = problem.body.findings?.[0]?.remedy?.operations ?? [];
    return operation?.op === 'set' && typeof operation.value === 'number' ? operation.value : null;
}
