import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

/** Builds the page of bench/slate with the very components of the application. */
export default defineConfig({
  root: '../bench/slate-page',
  publicDir: false,
  plugins: [react(), tailwindcss()],
  resolve: {
    alias: {
      react: new URL('./node_modules/react', import.meta.url).pathname,
      'react-dom': new URL('./node_modules/react-dom', import.meta.url).pathname,
    },
  },
  build: { outDir: '../out/slate-page', emptyOutDir: true, assetsInlineLimit: 0 },
});
