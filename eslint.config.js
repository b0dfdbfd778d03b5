import boundaries from 'eslint-plugin-boundaries';
import reactHooks from 'eslint-plugin-react-hooks';
import globals from 'globals';
import tseslint from 'typescript-eslint';

/** Folders of the editor, each of which knows those before it alone. */
const FLOORS = ['model', 'state', 'keys', 'ask', 'layers', 'tools', 'panels'];

export default tseslint.config(
    { ignores: ['public/', 'vendor/', 'storage/', 'resources/js/api/schema.ts', 'e2e/.output/'] },
    ...tseslint.configs.strict,
    {
        files: ['resources/js/**/*.{ts,tsx}'],
        languageOptions: { globals: globals.browser },
        plugins: { 'react-hooks': reactHooks },
        rules: {
            ...reactHooks.configs.recommended.rules,
            '@typescript-eslint/no-explicit-any': 'error',
        },
    },
    {
        files: ['resources/js/editor/**/*.{ts,tsx}'],
        plugins: { boundaries },
        settings: {
            'import/resolver': { typescript: { alwaysTryTypes: true } },
            'boundaries/elements': FLOORS.map((type) => ({ type, pattern: `resources/js/editor/${type}` })),
        },
        rules: {
            'boundaries/dependencies': [
                'error',
                {
                    default: 'allow',
                    policies: FLOORS.map((type, floor) => ({
                        from: { element: { type } },
                        disallow: { to: { element: { type: FLOORS.slice(floor + 1) } } },
                    })).filter((_, floor) => floor < FLOORS.length - 1),
                },
            ],
        },
    },
    {
        // What is only worked out is worked out without anybody who shows it.
        files: ['resources/js/editor/model/**/*.{ts,tsx}'],
        rules: {
            '@typescript-eslint/no-restricted-imports': ['error', { patterns: ['react', 'react-*', 'radix-ui', '@tanstack/*', '**/ui/*'] }],
        },
    },
    {
        // One table of keys, and one listener: what is heard beside it is in no page of keys, and in no test against doublings.
        files: ['resources/js/editor/**/*.{ts,tsx}'],
        ignores: ['resources/js/editor/keys/Keyboard.ts'],
        rules: {
            'no-restricted-syntax': [
                'error',
                {
                    selector: "CallExpression[callee.property.name='addEventListener'] > Literal[value=/^key/]",
                    message: 'Keys stand in keys/table.ts, and are heard by useKeys().',
                },
            ],
        },
    },
    {
        // More is not read at a glance; what one string makes so long is let be.
        files: ['**/*.{ts,tsx,js}'],
        rules: { 'max-len': ['error', { code: 140, ignoreStrings: true, ignoreTemplateLiterals: true, ignoreRegExpLiterals: true, ignoreUrls: true }] },
    },
    {
        // What is longer holds more than one thing.
        files: ['resources/js/**/*.tsx'],
        ignores: ['resources/js/tests/**'],
        rules: { 'max-lines-per-function': ['error', { max: 220, skipBlankLines: true, skipComments: true }] },
    },
    {
        files: ['resources/js/**/*.ts'],
        ignores: ['resources/js/tests/**'],
        rules: { 'max-lines-per-function': ['error', { max: 140, skipBlankLines: true, skipComments: true }] },
    },
    {
        // What a hand would type is typed: filling a field in hides what people meet.
        files: ['e2e/**/*.ts'],
        rules: {
            'no-restricted-syntax': [
                'error',
                { selector: "CallExpression[callee.property.name='fill']", message: 'Type with real keys: type() of e2e/type.ts.' },
            ],
        },
    },
    {
        files: ['bench/**/*.mjs', '*.js'],
        languageOptions: { globals: globals.node },
    },
);
