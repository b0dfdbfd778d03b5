/** What an editor shares; outside of one there is none. */
export function inEditor<T>(given: T | null): T {
    if (given === null) {
        throw new Error('This belongs into the editor.');
    }
    return given;
}
