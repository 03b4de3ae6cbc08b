import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vite';
import { VitePWA } from 'vite-plugin-pwa';
import { screens } from './screen-scripts.ts';

/** Drawn on the first screen; all others come in a file of their own. */
const FIRST_ICONS =
  'arrow-right|bell-ring|camera|circle-check|circle-dot|clock-3|hourglass|layout-list|list-plus|list-todo|' +
  'package-plus|rows-3|scan-line|search|timer|triangle-alert';

/** What the first screen needs, in one file that stays in the browser. */
const KIT = new RegExp(
  [
    'web/src/features/(aftercare/DueAgain|bench/(bench-rows|useBenchView))\\.',
    'web/src/ui/(Answer|Button|Few|KeptFile|Late|PowerBadge|StageWheel|TitleOf|dates|useKeys|useNow|work)\\.',
    'web/src/data/(?!useContractForm|useDraft|unsent-file|two-states)',
    'core/src/(days|units)',
    'contract/src/names-given',
    'node_modules/(react|react-dom|scheduler|clsx|zustand|idb-keyval|get-nonce)/',
    'node_modules/@tanstack/(react-query|query-core)/',
    `node_modules/lucide-react/dist/esm/(?!icons/|DynamicIcon|dynamicIcon)`,
    `node_modules/lucide-react/dist/esm/icons/(${FIRST_ICONS})\\.`,
  ].join('|'),
);
/** What nearly every other screen needs: fields, forms, sheets, menus. */
const FORMS = new RegExp(
  [
    'web/src/ui/(Choice|Field|FormFoot|LengthField|Sheet|WhichUnit)\\.',
    'web/src/data/(useContractForm|useDraft)',
    'node_modules/(radix-ui|@radix-ui|@floating-ui|react-remove-scroll|react-hook-form|@hookform)/',
  ].join('|'),
);

/** What a visit is reckoned from. Sound, trains and the workings come with the screens that reckon with them. */
const CLOCKS = new RegExp(
  'core/src/(aftercare|assess|benches|casework|cautions|checks|cleaning|conservation|days|delivery|electric|estimate|' +
    'history|intake|movement|oiling|pivots|rules|stores|strip|strike|tasks|torsion|units|visit|weight|workflow)/',
);

const offline = VitePWA({
  strategies: 'injectManifest',
  srcDir: 'src/app',
  filename: 'offline.worker.ts',
  injectRegister: null,
  injectManifest: {
    globPatterns: ['index.html', 'mark.svg', 'assets/**/*.{js,css,woff2,wasm,svg,png}'],
    maximumFileSizeToCacheInBytes: 4_000_000,
  },
  manifest: {
    id: '/',
    name: 'Eclat',
    short_name: 'Eclat',
    description: 'The workshop record for clock repairers.',
    start_url: '/',
    display: 'standalone',
    background_color: '#f7f9fc',
    theme_color: '#1f3f86',
    icons: [
      { src: '/icon-192.png', sizes: '192x192', type: 'image/png' },
      { src: '/icon-512.png', sizes: '512x512', type: 'image/png' },
      { src: '/icon-full-512.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
    ],
    shortcuts: [
      { name: 'Which clock is this?', url: '/which' },
      { name: 'Take a clock in', url: '/intake' },
      { name: 'On test', url: '/on-test' },
    ],
  },
});

export default defineConfig({
  plugins: [react(), tailwindcss(), screens(fileURLToPath(new URL('src/app/router.tsx', import.meta.url))), offline],
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
            { name: 'kit', test: KIT },
            { name: 'icons', test: /node_modules\/lucide-react\/dist\/esm\/icons\// },
            { name: 'forms', test: FORMS },
            {
              name: 'contract',
              test: /contract\/src\/(?!addresses|reply-in-visit|foreseen|names-given)|node_modules\/zod\//,
            },
            { name: 'clocks', test: CLOCKS },
          ],
        },
      },
    },
  },
});
