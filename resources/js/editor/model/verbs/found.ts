/** How well a word of a label does beside the label itself: what is called so comes before what is also called so. */
const ALSO = 0.9;

/** The same of a word that is typed as a whole: who says just that means it, even where something else has to be picked first. */
const JUST = 0.97;

/** The same of what a label begins with, before it says how. */
const HEAD = 0.99;

/**
 * How well what is typed fits, from 0 to 1; the better the more of a word it is, and the nearer to its beginning; within a word nothing is
 * found. The label is the first of the words.
 */
export function found(_: string, search: string, words: string[]): number {
    const wanted = search.trim().toLowerCase();
    const scores = words.map((written, number) => {
        const word = written.toLowerCase().replace('…', '');
        if (word === wanted) return number === 0 ? 1 : JUST;
        // “Disc, centre and point” is a disc.
        if (number === 0 && word.split(',')[0] === wanted) return HEAD;
        const at = word.startsWith(wanted) ? 0 : word.search(new RegExp(`(?<=[\\s-])${wanted.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}`));
        const much = wanted.length / Math.max(1, word.length);
        return at < 0 ? 0 : ((at === 0 ? 0.7 : 0.5) + 0.3 * much) * (number === 0 ? 1 : ALSO);
    });
    return Math.max(0, ...scores);
}
