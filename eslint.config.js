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
        files: ['bench/**/*.mjs', '*.js'],
        languageOptions: { globals: globals.node },
    },
);
