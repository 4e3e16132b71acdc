import { readFileSync } from 'node:fs';
import { findEdits } from '@even-page/core/tidy/finders';
import { readModel } from '@even-page/core/tidy/marks/model';
import { unseenGenres } from './marks.ts';
const model = readModel(readFileSync(new URL('../core/data/marks.bin', import.meta.url)));
const said = unseenGenres().join(' ').toLowerCase().replace(/[^\p{L}\p{N}'’\s-]/gu, ' ').split(/\s+/);
const talk = (words: number) => ({ kind: 'transcript' as const, passages: Array.from({ length: words / 10 }, (_, i) => ({ text: said.slice(i * 10, i * 10 + 10).join(' '), startMs: i * 4000, endMs: i * 4000 + 3900 })) });
const t = talk(90000); findEdits(talk(9000),{model});
for (const m of [model,null,model,null]) { const a=performance.now(); const e=findEdits(t as any,{model:m}); console.log(m?'model':'none', performance.now()-a, e.length); }
