import type { Page } from '@playwright/test';

const KEPT = 'sternbild-actions';

/**
 * Counts in the page what a hand does there: a click, a key, a double click and a pull are one each; whatever is typed into one field until
 * it is left is one; Enter and Tab are one each; a modifier held, hovering and the wheel are none.
 */
export async function countActions(page: Page): Promise<void> {
    await page.addInitScript((kept) => {
        const add = (more: number): void => sessionStorage.setItem(kept, String(Number(sessionStorage.getItem(kept) ?? 0) + more));
        const isField = (at: EventTarget | null): boolean =>
            at instanceof HTMLElement && at.matches('input:not([type=radio], [type=checkbox]), textarea, [contenteditable]');
        let typedInto: EventTarget | null = null;
        addEventListener('pointerdown', () => add(1), true);
        addEventListener('dblclick', () => add(-1), true);
        addEventListener('focusout', () => (typedInto = null), true);
        addEventListener(
            'keydown',
            (event) => {
                if (event.repeat || ['Shift', 'Control', 'Alt', 'Meta'].includes(event.key)) return;
                const isTyped = isField(event.target) && !['Enter', 'Tab', 'Escape'].includes(event.key);
                if (isTyped && typedInto === event.target) return;
                if (isTyped) typedInto = event.target;
                add(1);
            },
            true,
        );
        // Chosen from a list of the browser's own, which has no events of its pointer: to open it, and to choose.
        addEventListener('change', (event) => event.target instanceof HTMLSelectElement && add(2), true);
    }, KEPT);
}

export async function actionsOn(page: Page): Promise<number> {
    return page.isClosed() || !page.url().startsWith('http')
        ? 0
        : Number(await page.evaluate((kept) => sessionStorage.getItem(kept) ?? '0', KEPT));
}
