import { createElement } from 'react';
import { questions, type Slot } from '../model/verbs/hears';
import type { Verb } from '../model/verbs/verb';
import { questionOf } from './fields/types';

interface Props {
    verb: Verb;
    answers: Record<string, unknown>;
    /** The place that a click on the sheet answers. */
    standing?: Slot | null;
    onAnswer: (answers: Record<string, unknown>) => void;
    /** Told which question is being answered. */
    onFocus?: (field: string) => void;
}

/** The questions of a verb, each as its type of field asks it. */
export function Questions({ verb, answers, standing = null, onAnswer, onFocus }: Props) {
    return (
        <div data-questions className="contents">
            {questions(verb, answers).map((field) => {
                const stands = standing?.field === field.name;
                return (
                    <span
                        key={field.name}
                        title={field.says}
                        onFocus={() => onFocus?.(field.name)}
                        data-stands={stands ? '' : undefined}
                        className={stands ? 'inline-flex items-center rounded bg-honey px-2 py-1' : 'contents'}
                    >
                        {createElement(questionOf(field.type), {
                            field,
                            value: answers[field.name],
                            answers,
                            onChange: (value: unknown) => onAnswer({ [field.name]: value }),
                            onAlso: onAnswer,
                        })}
                    </span>
                );
            })}
        </div>
    );
}
