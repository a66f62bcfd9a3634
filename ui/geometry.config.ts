import { defineConfig } from 'vite';

// The geometry of the mat as one script, which its tests load into a browser.
export default defineConfig({
  publicDir: false,
  build: {
    outDir: '.geometry',
    target: 'es2022',
    lib: {
      entry: 'src/geometry.ts',
      formats: ['iife'],
      name: 'Geometry',
      fileName: () => 'geometry.js',
    },
  },
});
