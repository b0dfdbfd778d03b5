// @vitest-environment jsdom
import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { TypedInput } from '../editor/ask/fields/asked';
import { isUnfinished } from '../editor/model/fields/number';
import { SheetContext, type SheetState } from '../editor/state/sheet';
import { selectOnFocus } from '../ui/selectOnFocus';
import { typed } from './typed';

let end: () => void;
beforeEach(() => {
    end = selectOnFocus(document);
});
afterEach(() => {
    end();
    cleanup();
});

function Asked({ begin }: { begin: number | string }) {
    const [value, setValue] = useState<number | string | null>(begin);
    return (
        <SheetContext value={{ scene: { steps: [] } } as unknown as SheetState}>
            <TypedInput label="radius" value={value} optional={false} onChange={setValue} />
            <output>{JSON.stringify(value)}</output>
        </SheetContext>
    );
}

describe('a number that is asked for', () => {
    it.each([
        ['12.5', 12.5],
        ['0.25', 0.25],
        ['.25', 0.25],
        ['20%', '20%'],
        ['2*3', '2*3'],
        ['sheet.width/4', 'sheet.width/4'],
        ['1e3', 1000],
        ['-.5', -0.5],
    ])('typed as %s is taken as it is typed', (text, value) => {
        render(<Asked begin="sheet.width/10" />);
        const input = screen.getByLabelText<HTMLInputElement>('radius');
        input.focus();
        expect([input.selectionStart, input.selectionEnd], 'What stands there goes.').toEqual([0, 'sheet.width/10'.length]);
        typed(input, text);
        expect(input.value).toBe(text);
        expect(screen.getByRole('status').textContent).toBe(JSON.stringify(value));
        fireEvent.blur(input);
        expect(input.value).toBe(String(value));
    });
});

describe('a field', () => {
    it('that is clicked is selected, and clicked once more is not; across what is drawn over stays', () => {
        render(<input aria-label="name" defaultValue="disc 1" />);
        const input = screen.getByLabelText<HTMLInputElement>('name');
        const selection = () => [input.selectionStart, input.selectionEnd];
        fireEvent.mouseDown(input);
        input.focus();
        input.setSelectionRange(2, 2);
        fireEvent.mouseUp(input);
        expect(selection()).toEqual([0, 6]);
        fireEvent.mouseDown(input);
        input.setSelectionRange(3, 3);
        fireEvent.mouseUp(input);
        expect(selection(), 'The second click puts the caret.').toEqual([3, 3]);
        fireEvent.keyDown(input, { key: 'Enter' });
        expect(selection(), 'What is refused is typed over.').toEqual([0, 6]);
        input.blur();
        fireEvent.mouseDown(input);
        input.focus();
        input.setSelectionRange(1, 4);
        fireEvent.mouseUp(input);
        expect(selection()).toEqual([1, 4]);
    });
});

describe('arithmetic that is being typed', () => {
    it('goes on behind an operator and in brackets that are open', () => {
        for (const text of ['4*', '360/', '(2+3', 'bar -', 'max(4,']) expect(isUnfinished(text)).toBe(true);
        for (const value of ['4*2', '-3', '(2+3)', 'bar', '20%', 4, null, '']) expect(isUnfinished(value)).toBe(false);
        expect(isUnfinished([4, '2*'])).toBe(true);
    });
});
