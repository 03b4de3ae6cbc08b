import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vite';
import { screens } from './screen-scripts.ts';

/** What every screen needs, in one file that stays in the browser. */
const KIT = new RegExp(
  [
    'web/src/(ui/(?!LineChart|chartTheme|SecretAddress|Conflict)|data/)',
    'node_modules/(lucide-react|radix-ui|@radix-ui|clsx|zustand|@tanstack/react-query|@tanstack/query-core)/',
  ].join('|'),
);

export default defineConfig({
  plugins: [react(), tailwindcss(), screens(fileURLToPath(new URL('src/app/router.tsx', import.meta.url)))],
  html: { cspNonce: '__NONCE__' },
  server: { proxy: { '/api': { target: 'http://127.0.0.1:4080', changeOrigin: false } } },
  build: {
    outDir: '../dist/web',
    emptyOutDir: true,
    assetsInlineLimit: 0,
    target: 'es2023',
    // What nearly every screen shares comes in a few files: over HTTP/1.1 fifty small ones are waited for one after
    // another.
    rollupOptions: {
      output: {
        codeSplitting: {
          groups: [
            {
              name: 'kit',
              test: KIT,
            },
            {
              name: 'clocks',
              test: /core\/src\/(movement|workflow|units|cautions|rules|cleaning|strip|pivots|estimate)\//,
            },
          ],
        },
      },
    },
  },
});
