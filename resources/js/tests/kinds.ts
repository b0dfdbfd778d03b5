import type { Kind } from '../api/client';
import { asked } from './core';

/** The kinds as the core describes them to the interface. */
export function describedKinds(): Kind[] {
    return asked<Kind[]>('return Sternbild\\Desk\\Desk::describe(Sternbild\\Core\\Plan\\Kind\\Kinds::all());');
}
