import { Store } from '../model/Store';

/** Puts a name into the number that is being typed; null while none is. */
export const numberAtHand = new Store<((name: string) => void) | null>(null);
