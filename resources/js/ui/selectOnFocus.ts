const TYPED = new Set(['text', 'number', 'email', 'password', 'search', '']);

function isTyped(target: EventTarget | null): target is HTMLInputElement {
    return target instanceof HTMLInputElement && TYPED.has(target.getAttribute('type') ?? '');
}

/**
 * In every field: what stands there is selected when it gets the focus, and after Enter, so that what is typed takes its place. Returns
 * what ends that.
 */
export function selectOnFocus(page: Document): () => void {
    let pressed: EventTarget | null = null;
    function down(event: Event): void {
        pressed = event.target === page.activeElement ? null : event.target;
    }
    function focused(event: Event): void {
        if (isTyped(event.target)) event.target.select();
    }
    // The press that gave the focus put the caret somewhere; one that drew across some of it is left as it is.
    function up(event: Event): void {
        if (
            isTyped(pressed) &&
            pressed === event.target &&
            pressed === page.activeElement &&
            pressed.selectionStart === pressed.selectionEnd
        )
            pressed.select();
        pressed = null;
    }
    function entered(event: Event): void {
        if (event instanceof KeyboardEvent && event.key === 'Enter') focused(event);
    }
    const heard = [['mousedown', down], ['focusin', focused], ['mouseup', up], ['keydown', entered]] as const;
    // Whoever hears a key first may keep it to itself.
    for (const [name, listener] of heard) page.addEventListener(name, listener, true);
    return () => {
        for (const [name, listener] of heard) page.removeEventListener(name, listener, true);
    };
}
