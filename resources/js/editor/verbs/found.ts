/** How well a word of a label does beside the label itself: what is called so comes before what is also called so. */
const ALSO = 0.9;

/** How well what is typed fits, from 0 to 1; the better the more of a word it is, and the nearer to its beginning. The label is the first of the words. */
export function found(_: string, search: string, words: string[]): number {
    const wanted = search.trim().toLowerCase();
    const scores = words.map((written, number) => {
        const word = written.toLowerCase().replace('…', '');
        const at = word.indexOf(wanted);
        const much = wanted.length / Math.max(1, word.length);
        return at < 0 ? 0 : ((at === 0 ? 0.7 : word[at - 1] === ' ' ? 0.5 : 0.2) + 0.3 * much) * (number === 0 ? 1 : ALSO);
    });
    return Math.max(0, ...scores);
}
