import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vite';

const here = (path: string) => fileURLToPath(new URL(path, import.meta.url));

/** The server and the demo loader, bundled from the workspaces; packages stay outside. */
export default defineConfig({
  build: {
    ssr: true,
    outDir: 'dist/server',
    emptyOutDir: true,
    sourcemap: true,
    target: 'node20',
    rollupOptions: {
      input: {
        main: here('server/src/main.ts'),
        demo: here('demo/main.ts'),
        migrate: here('server/src/migrate.ts'),
        verify: here('server/src/verify.ts'),
        aside: here('server/src/platform/aside/aside.worker.ts'),
      },
      // All in one folder: what runs beside is found there.
      output: { entryFileNames: '[name].js', chunkFileNames: '[name]-[hash].js' },
    },
  },
});
