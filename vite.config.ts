import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { gzipSync } from 'node:zlib';
import { defineConfig, type Plugin } from 'vite';

/** Bytes of JavaScript, gzipped, that the first sheet may need. It goes down only: what makes it more is fetched when it is opened. */
const FIRST_SHEET = 282_000;

/** What the first sheet is drawn with. */
const NEEDED = ['resources/js/main.tsx', 'resources/js/editor/Editor.tsx'];

/** A build that would make people wait longer for their first sheet fails. */
function budget(): Plugin {
    return {
        name: 'budget',
        apply: 'build',
        generateBundle(_options, bundle) {
            const chunks = Object.values(bundle).filter((one) => one.type === 'chunk');
            const needed = new Set<string>();
            const take = (file: string): void => {
                if (needed.has(file)) return;
                needed.add(file);
                chunks.find(({ fileName }) => fileName === file)?.imports.forEach(take);
            };
            for (const { fileName, facadeModuleId } of chunks) if (NEEDED.some((file) => facadeModuleId?.endsWith(file))) take(fileName);
            const bytes = chunks
                .filter(({ fileName }) => needed.has(fileName))
                .reduce((sum, { code }) => sum + gzipSync(code).length, 0);
            this.info(`The first sheet needs ${(bytes / 1000).toFixed(1)} kB of JavaScript, gzipped.`);
            if (bytes > FIRST_SHEET)
                this.error(`The first sheet would need ${bytes} bytes of JavaScript, gzipped; at most ${FIRST_SHEET} are allowed.`);
        },
    };
}

export default defineConfig({
    plugins: [react(), tailwindcss(), budget()],
    publicDir: false,
    build: {
        outDir: 'public/build',
        manifest: 'manifest.json',
        rollupOptions: { input: 'resources/js/main.tsx' },
    },
    base: '/build/',
});
