import { defineConfig } from 'vitest/config';

export default defineConfig({
    test: {
        include: ['resources/js/tests/**/*.test.{ts,tsx}'],
        setupFiles: ['resources/js/tests/browser.ts'],
    },
});
