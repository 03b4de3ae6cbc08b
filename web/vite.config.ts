import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

export default defineConfig({
  plugins: [react(), tailwindcss()],
  html: { cspNonce: '__NONCE__' },
  server: { proxy: { '/api': { target: 'http://127.0.0.1:4080', changeOrigin: false } } },
  build: { outDir: '../dist/web', emptyOutDir: true, assetsInlineLimit: 0, target: 'es2023' },
});
