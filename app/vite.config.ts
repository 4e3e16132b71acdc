import { sveltekit } from '@sveltejs/kit/vite';
import tailwindcss from '@tailwindcss/vite';
import { copyFileSync, mkdirSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname } from 'node:path';
import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vite';

const { resolve } = createRequire(import.meta.url);

// Under a name of its own: files of WebAssembly the adapter packs so hard that it takes more than a minute.
const grammar = fileURLToPath(new URL('.svelte-kit/grammar.bin', import.meta.url));
mkdirSync(dirname(grammar), { recursive: true });
copyFileSync(new URL('harper_wasm_slim_bg.wasm', import.meta.resolve('harper.js')), grammar);

// The packages of dictionaries export how Node reads them, not their files.
const filesOf = (name: string) => ({ find: `${name}/files`, replacement: dirname(resolve(name)) });

export default defineConfig({
  plugins: [tailwindcss(), sveltekit()],
  worker: { format: 'es' },
  resolve: { alias: [filesOf('dictionary-en-gb'), filesOf('dictionary-en'), { find: /^grammar\.bin/, replacement: grammar }] },
});
