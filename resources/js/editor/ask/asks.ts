import type { Asking } from '../model/verbs/asking';
import type { Verb } from '../model/verbs/verb';

/** A verb that is asked for, and what becomes of the answers. */
export interface Asks {
    asking: Asking;
    /** The verb with the pick as it is now. */
    verb: Verb;
    /** The verb with what is pointed at picked, too; undefined where that is not more. */
    pointed: () => Verb | undefined;
    problem: string | null;
    onAnswer: (answers: Record<string, unknown>) => void;
    onDo: () => void;
    onLeave: () => void;
}
