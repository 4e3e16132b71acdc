import adapter from '@sveltejs/adapter-node';
import { vitePreprocess } from '@sveltejs/vite-plugin-svelte';

/** @type {import('@sveltejs/kit').Config} */
export default {
  preprocess: vitePreprocess(),
  kit: {
    adapter: adapter(),
    // It is for one screen, which registers it itself.
    serviceWorker: { register: false },
    typescript: {
      config: (config) => ({
        ...config,
        include: [...config.include.filter((path) => !path.startsWith('../test')), '../drizzle.config.ts'],
      }),
    },
    // The page never runs what a source brought along: scripts come from here alone.
    csp: {
      mode: 'hash',
      directives: {
        'default-src': ['self'],
        // What reads grammar is compiled from WebAssembly.
        'script-src': ['self', 'wasm-unsafe-eval'],
        'style-src': ['self', 'unsafe-inline'],
        'img-src': ['self', 'data:', 'blob:'],
        'object-src': ['none'],
        'base-uri': ['none'],
        'form-action': ['self'],
        'frame-ancestors': ['none'],
      },
    },
  },
};
