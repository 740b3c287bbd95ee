import { defineConfig } from 'vite';

/** The slate's geometry alone, as one script for an engine without a page. */
export default defineConfig({
  build: {
    lib: { entry: 'src/geometry/settle.ts', name: 'geometry', formats: ['iife'], fileName: () => 'geometry.js' },
    outDir: '../src/BlueSlate.Drafting/Geometry',
    emptyOutDir: false,
    copyPublicDir: false,
    minify: false,
  },
});
