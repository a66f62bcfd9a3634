import { svelte } from '@sveltejs/vite-plugin-svelte';
import { defineConfig } from 'vite';

export default defineConfig({
  plugins: [svelte()],
  // Nothing is inlined: the content security policy knows no data: addresses.
  build: { assetsInlineLimit: 0, target: 'es2022', modulePreload: { polyfill: false } },
});
