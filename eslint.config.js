import reactHooks from 'eslint-plugin-react-hooks';
import globals from 'globals';
import tseslint from 'typescript-eslint';

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
        // One table of keys, and one listener: what is heard beside it is in no page of keys, and in no test against doublings.
        files: ['resources/js/editor/**/*.{ts,tsx}'],
        ignores: ['resources/js/editor/keys/Keyboard.ts'],
        rules: {
            'no-restricted-syntax': ['error', { selector: "CallExpression[callee.property.name='addEventListener'] > Literal[value=/^key/]", message: 'Keys stand in keys/table.ts, and are heard by useKeys().' }],
        },
    },
    {
        // What a hand would type is typed: filling a field in hides what people meet.
        files: ['e2e/**/*.ts'],
        rules: {
            'no-restricted-syntax': ['error', { selector: "CallExpression[callee.property.name='fill']", message: 'Type with real keys: type() of e2e/type.ts.' }],
        },
    },
    {
        files: ['bench/**/*.mjs', '*.js'],
        languageOptions: { globals: globals.node },
    },
);
