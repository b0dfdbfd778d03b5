import type { ComponentPropsWithRef, KeyboardEvent } from 'react';

/** A button that breaks over lines like the words around it, which a button element cannot. */
export function InlineButton({ className = '', onKeyDown, ...rest }: ComponentPropsWithRef<'span'>) {
    function press(event: KeyboardEvent<HTMLSpanElement>): void {
        onKeyDown?.(event);
        if (event.key === 'Enter' || event.key === ' ') {
            event.preventDefault();
            event.currentTarget.click();
        }
    }
    return <span role="button" tabIndex={0} className={`cursor-pointer ${className}`} onKeyDown={press} {...rest} />;
}
