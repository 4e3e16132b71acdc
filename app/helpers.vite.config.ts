import { defineConfig } from 'vite';

const HELPERS = ['reader', 'pictures', 'looks', 'reference-pages'];

// The programs that work beside the application, in its build.
export default defineConfig({
  publicDir: false,
  build: {
    ssr: true,
    outDir: 'build/helpers',
    rollupOptions: { input: Object.fromEntries(HELPERS.map((name) => [name, `src/lib/server/helpers/${name}.ts`])) },
  },
});
