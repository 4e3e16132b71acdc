import { writeFileSync } from 'node:fs';
import { BROWN_DOCUMENTS, brownText } from './brown.ts';
import { markedWords } from '../core/training/marks.ts';
const lines = BROWN_DOCUMENTS.map((name) => {
  const m = markedWords(brownText(name));
  return JSON.stringify({
    genre: 'brown',
    name,
    words: m.map((w) => w.word).join(' '),
    marks: m.map((w) => w.mark),
    names: m.map((w) => w.name),
  });
});
writeFileSync('/tmp/corp/out/brown.jsonl', lines.join('\n'));
console.log(BROWN_DOCUMENTS.length, brownText('ca01').slice(0, 1500));
console.log(brownText('cn05').slice(0, 900));
