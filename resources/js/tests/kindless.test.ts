import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { describedKinds } from './kinds';

const kinds = describedKinds();
const ROOT = join(import.meta.dirname, '..');

/** Written by hand, and part of what the browser gets. */
const files = readdirSync(ROOT, { recursive: true, encoding: 'utf8' }).filter(
    (file) => /\.tsx?$/.test(file) && !file.startsWith('tests') && !file.endsWith('schema.ts'),
);

describe('the interface', () => {
    it.each(files)('%s names no kind of step', (file) => {
        const text = readFileSync(join(ROOT, file), 'utf8');
        for (const { kind } of kinds) {
            const name = kind.replace('.', '\\.');
            const forms = kind.includes('.') ? [`['"\`]${name}['"\`]`] : [`kind: ['"\`]${name}['"\`]`, `kind [!=]== ['"\`]${name}['"\`]`];
            for (const form of forms) expect(text).not.toMatch(new RegExp(form));
        }
    });
});
