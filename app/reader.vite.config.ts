import { defineConfig } from 'vite';

// The program that reads material on a thread of its own, beside the application in its build.
export default defineConfig({
  publicDir: false,
  build: {
    ssr: 'src/lib/server/reader.worker.ts',
    outDir: 'build',
    emptyOutDir: false,
    rollupOptions: { output: { entryFileNames: 'reader.js' } },
  },
});
