import js from '@eslint/js';
import globals from 'globals';

export default [
    js.configs.recommended,
    {
        files: ['**/*.mjs'],
        languageOptions: { ecmaVersion: 2022, sourceType: 'module' },
        rules: {
            complexity: ['error', 15],
            eqeqeq: 'error',
            'max-len': ['error', { code: 160, ignoreStrings: true, ignoreTemplateLiterals: true }],
            'max-params': ['error', 5],
            'no-implicit-globals': 'error',
            'no-magic-numbers': 'off',
            'no-shadow': 'error',
            'no-var': 'error',
            'prefer-const': 'error',
        },
    },
    { files: ['public/app/**/*.mjs'], languageOptions: { globals: { ...globals.browser, htmx: 'readonly' } } },
    { files: ['public/table-worker.js'], languageOptions: { sourceType: 'script', globals: globals.serviceworker } },
    { files: ['tests/Modules/*.mjs'], languageOptions: { globals: globals.node } },
];
