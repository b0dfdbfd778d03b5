import { fireEvent } from '@testing-library/react';

/** Key by key, into what is selected, or behind it; what a key gives is what stands there then. */
export function typed(input: HTMLInputElement, text: string): void {
    for (const key of text) {
        const [from, to] = [input.selectionStart ?? 0, input.selectionEnd ?? 0];
        fireEvent.change(input, { target: { value: input.value.slice(0, from) + key + input.value.slice(to) } });
        input.setSelectionRange(from + 1, from + 1);
    }
}
