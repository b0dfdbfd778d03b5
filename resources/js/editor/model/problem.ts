import type { Problem } from '../../api/client';

/** What to say of a refused change. */
export function problemText(problem: Problem): string {
    return problem.body.findings?.[0]?.message ?? (problem.body.expected === undefined ? problem.message : `Expected ${problem.body.expected}`);
}

/** The number that would do in the place of the one that was refused; null where none is known. */
export function wouldDo(problem: Problem): number | null {
    const [operation] = problem.body.findings?.[0]?.remedy?.operations ?? [];
    return operation?.op === 'set' && typeof operation.value === 'number' ? operation.value : null;
}
