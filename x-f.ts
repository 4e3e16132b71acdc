import { readFileSync } from 'node:fs';
import { gather } from './core/src/gather/formats.ts';
import { postToMarkdown } from './core/src/post/markdown.ts';
for (const f of process.argv.slice(2)) { console.log(`######## ${f}`); try { const g = await gather(readFileSync(f), f.split('/').at(-1)!); console.log(g.source.title, g.notes ?? ''); console.log(g.draft ? postToMarkdown(g.draft.doc) : g.source.passages.map((p) => p.text).join('\n')); } catch (e) { console.log('!!', (e as Error).message); } }
