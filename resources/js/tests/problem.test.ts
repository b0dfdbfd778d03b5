import { describe, expect, it } from 'vitest';
import type { Problem } from '../api/client';
import { expectedText, inWords, problemText } from '../editor/model/problem';
import { asked } from './core';

/** Whatever the core says was expected, as its source has it, with what stands in braces left out. */
const PHRASES = asked<string[]>(`
    $found = [];
    foreach (new RecursiveIteratorIterator(new RecursiveDirectoryIterator("core/src/Plan")) as $file) {
        if (! str_ends_with((string) $file, ".php")) continue;
        preg_match_all('/Unusable::at\\\\((?:[^,()]|\\\\([^()]*\\\\))+, (["\\'])(.+?)\\\\1/', file_get_contents((string) $file), $all);
        array_push($found, ...$all[2]);
    }
    return array_values(array_unique($found));
`).map((phrase) => phrase.replace(/\{[^{}]*\}/g, 'x'));

const problem = (body: Record<string, unknown>): Problem => ({ message: 'It cannot be.', body }) as unknown as Problem;

describe('what was expected', () => {
    it('is said in the words of the sheet', () => {
        expect(inWords('a place for from: [x, y] or an address')).toBe('a place for “from”: click one on the sheet, or choose one');
        expect(inWords('the id of an earlier part')).toBe('a part that stands earlier in the plan');
        expect(inWords('a list of 1 to 100 ids of earlier parts')).toBe('1 to 100 earlier parts');
        expect(inWords('a number or arithmetic for radius')).toBe('a number for “radius”, or arithmetic such as 2 * 3');
        expect(inWords('the id of a step of the plan; “p9” is none')).toBe('a step that is in the plan; this one is gone');
        expect(inWords('a name')).toBe('a name');
    });

    it('never speaks of addresses, ids or coordinates in brackets where a place, a step or a cell was', () => {
        expect(PHRASES.length).toBeGreaterThan(40);
        const about = PHRASES.filter((phrase) =>
            /^(a place|the id of|ids of|a list of|the address|addresses|two numbers|a composed)/.test(phrase),
        );
        expect(about.length).toBeGreaterThan(8);
        for (const phrase of about) expect(inWords(phrase), phrase).not.toMatch(/\[x, y\]|\bids?\b|\baddress|g1[@#]/);
    });

    it('comes after what was found wrong, and before what the server says', () => {
        expect(problemText(problem({ findings: [{ message: 'Too large.', remedy: null }], expected: 'a name' }))).toBe('Too large.');
        expect(problemText(problem({ expected: 'a name' }))).toBe('Expected a name');
        expect(expectedText(problem({ expected: 'a name' }), 'No: expected ')).toBe('No: expected a name');
        expect(problemText(problem({}))).toBe('It cannot be.');
    });
});
