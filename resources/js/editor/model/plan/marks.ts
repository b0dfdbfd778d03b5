import type { Piece } from '../../../api/client';

/** Longer ones may be broken over two lines, and the mark behind them as well. */
const SHORT = 16;

/** Pieces of a sentence; a comma or a full stop stays on the line of the short parameter before it. */
export function withMarks(pieces: Piece[]): { piece: Piece; mark: string }[] {
    const marked: { piece: Piece; mark: string }[] = [];
    for (const piece of pieces) {
        const before = marked.at(-1);
        const mark =
            piece.field === null && before !== undefined && before.piece.field !== null && before.piece.text.length <= SHORT
                ? (/^[.,;:]+/.exec(piece.text)?.[0] ?? '')
                : '';
        if (before !== undefined && mark !== '') before.mark = mark;
        marked.push({ piece: mark === '' ? piece : { ...piece, text: piece.text.slice(mark.length) }, mark: '' });
    }
    return marked;
}
