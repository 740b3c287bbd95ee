import tailwindcss from '@tailwindcss/vite';
import react from '@vitejs/plugin-react';
import { defineConfig } from 'vite';

export default defineConfig({
  base: './',
  plugins: [react(), tailwindcss()],
  build: { assetsInlineLimit: 0, chunkSizeWarningLimit: 900 },
  server: { fs: { allow: ['..'] }, proxy: { '/api': 'http://127.0.0.1:5080' } },
});
