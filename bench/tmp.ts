import { readFileSync } from 'node:fs';
import { readModel } from '@even-page/core/tidy/marks/model';
import { nameScore } from './names.ts';
console.log(nameScore(readModel(readFileSync(new URL('../core/data/marks.bin', import.meta.url)))));
