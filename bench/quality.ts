import { readFileSync } from 'node:fs';
import type { Source } from '../core/src/gather/source.ts';
import { findEdits } from '../core/src/tidy/finders.ts';
import { readModel } from '../core/src/tidy/marks/model.ts';
import { textOf, toldTalks } from '../core/training/told.ts';
import { fillerScore } from './fillers.ts';
import { markScores, simpleScores, unseenDocuments, unseenGenres, type MarkScores } from './marks.ts';
import { medianMs, type Figure } from './measure.ts';
import { nameScore } from './names.ts';
import type { Score } from './score.ts';

const percent = (part: number) => part * 100;
const beside = ({ precision, recall }: Score) => `precision ${percent(precision).toFixed(1)}, recall ${percent(recall).toFixed(1)}`;

/** How well Tidy puts back what was taken out, on material it was not made with, and how fast it is. */
export async function qualityFigures(): Promise<Figure[]> {
  const model = readModel(readFileSync(new URL('../core/data/marks.bin', import.meta.url)));
  const figures: Figure[] = [];
  const f1 = (what: string, found: Score, least: number | undefined, more = '') =>
    figures.push({
      what,
      value: percent(found.f1),
      unit: '% F1',
      ...(least === undefined ? {} : { least }),
      against: beside(found) + more,
    });
  for (const [kind, texts, aims] of [
    ['unseen documents', unseenDocuments(), { end: [59, 73], comma: [undefined, undefined], question: [undefined, undefined] }],
    ['unseen genres', unseenGenres(), { end: [62, 80], comma: [46, 55], question: [40, 55] }],
  ] as const) {
    const plain = markScores(texts, model);
    const heard = markScores(texts, model, { pauses: true });
    const simple = simpleScores(texts);
    const others = `; cutting every 15 words ${percent(simple.every15.f1).toFixed(1)}, before so/and/but/now ${percent(simple.beforeWords.f1).toFixed(1)}`;
    for (const [mark, name] of [
      ['end', 'sentence ends'],
      ['comma', 'commas'],
      ['question', 'question marks'],
    ] as const satisfies readonly [keyof MarkScores, string][]) {
      f1(`${kind}: ${name}, without pauses`, plain[mark], aims[mark][0], mark === 'end' ? others : '');
      f1(`${kind}: ${name}, with pauses`, heard[mark], aims[mark][1]);
    }
    f1(`${kind}: names inside sentences`, plain.name, kind === 'unseen genres' ? 80 : undefined);
    if (kind === 'unseen genres') f1(`${kind}: names, those of the document known`, markScores(texts, model, { known: true }).name, 85);
  }
  const told = toldTalks('measured').map(textOf);
  for (const pauses of [false, true]) {
    const found = markScores(told, model, { pauses });
    const how = pauses ? 'with pauses' : 'without pauses';
    f1(`talk (12 told talks, only measured): sentence ends, ${how}`, found.end, pauses ? undefined : 58);
    f1(`talk: commas, ${how}`, found.comma, pauses ? undefined : 54);
    f1(`talk: names inside sentences, ${how}`, found.name, pauses ? undefined : 62);
    figures.push({
      what: `talk: question marks, ${how}, precision`,
      value: percent(found.question.precision),
      unit: '%',
      ...(pauses ? {} : { least: 60 }),
      against: `recall ${percent(found.question.recall).toFixed(1)}`,
    });
  }
  const fillers = fillerScore();
  figures.push({
    what: `Fillers in ${fillers.words} hand-marked words: precision`,
    value: percent(fillers.precision),
    unit: '%',
    least: 97,
    against: '',
  });
  figures.push({ what: 'Fillers: recall', value: percent(fillers.recall), unit: '%', least: 95, against: '' });
  const names = nameScore(model);
  figures.push({
    what: `Names in ${names.places} places, heard wrong by a script: precision`,
    value: percent(names.precision),
    unit: '%',
    least: 90,
    against: '',
  });
  figures.push({ what: 'Names: recall', value: percent(names.recall), unit: '%', least: 85, against: '' });

  const said = unseenGenres()
    .join(' ')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}'’\s-]/gu, ' ')
    .split(/\s+/);
  const talk = (words: number): Source => ({
    kind: 'transcript',
    passages: Array.from({ length: words / 10 }, (_, i) => ({
      text: said.slice(i * 10, i * 10 + 10).join(' '),
      startMs: i * 4000,
      endMs: i * 4000 + 3900,
    })),
  });
  const [one, ten] = [talk(9000), talk(90_000)];
  findEdits(one, { model });
  const oneMs = await medianMs(5, () => findEdits(one, { model }));
  const tenMs = await medianMs(3, () => findEdits(ten, { model }));
  // The same words cut by the platform's own segmenter: what the machine makes of it at the time.
  const cutter = new Intl.Segmenter('en', { granularity: 'word' });
  const cutMs = await medianMs(3, () => ten.passages.reduce((n, { text }) => n + Array.from(cutter.segment(text)).length, 0));
  figures.push({
    what: 'The whole of Tidy over 90,000 bare words',
    value: 90_000_000 / tenMs,
    unit: 'words/s',
    least: 50_000,
    against: `${tenMs.toFixed(0)} ms; Intl.Segmenter alone, words: ${cutMs.toFixed(0)} ms`,
  });
  figures.push({
    what: 'Ten times the words',
    value: tenMs / oneMs,
    unit: 'times',
    most: 12,
    against: `9,000 words: ${oneMs.toFixed(0)} ms`,
  });
  return figures;
}
