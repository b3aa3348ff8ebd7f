import { sveltekit } from '@sveltejs/kit/vite';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig } from 'vite';

export default defineConfig({
  plugins: [tailwindcss(), sveltekit()],
  // Dictionaries are shipped as the files they are.
  resolve: { alias: { '@dictionaries': new URL('./node_modules', import.meta.url).pathname } },
  worker: { format: 'es' },
  build: { chunkSizeWarningLimit: 1500 },
});
