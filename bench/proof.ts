// How fast a page is proofed, whole and after a changed paragraph, and the reading levels beside a library that counts the same.
import { readFileSync } from 'node:fs';
import readabilityOf from 'text-readability';
import { emptyDetails } from '@even-page/core/post/details';
import { withIds } from '@even-page/core/post/ids';
import { docFromJSON, schema, type PostNode } from '@even-page/core/post/schema';
import { readingCounts, readingLevels } from '@even-page/core/language/reading-levels';
import { wordCount } from '@even-page/core/language/words';
import { figuresOf, proof } from '@even-page/core/proof';
import { editsForSections, findEdits, proseOf, readModel, usualHouse } from '@even-page/core/tidy';
import { knownFacts } from '@even-page/core/write';
import { speller } from '../core/test/language/english.ts';
import { readText } from '../core/test/gather/read-text.ts';
import { medianMs, type Figure } from './measure.ts';
import { talkOfHours } from './talk.ts';

const WORDS = 10_000;
const SECTION = 12;
const house = usualHouse();

/** Figures of Proof. */
export async function proofFigures(): Promise<Figure[]> {
  const { source } = readText(talkOfHours(2), 'talk.srt');
  const model = readModel(new Uint8Array(readFileSync(new URL('../core/data/marks.bin', import.meta.url))));
  const materials = [{ source: 's', paragraphs: proseOf(source, editsForSections(findEdits(source, { house, model }), [])) }];
  const known = knownFacts(materials);
  const texts: string[] = [];
  for (let count = 0, n = 0; count < WORDS; n++) {
    const text = materials[0]!.paragraphs[n]!.sentences.map((s) => s.text).join(' ');
    texts.push(text);
    count += wordCount(text);
  }
  let id = 0;
  const blocks = texts.flatMap((text, n) => [
    ...(n % SECTION ? [] : [schema.node('heading', { level: 2 }, schema.text(`Part ${n / SECTION + 1}`))]),
    schema.node('paragraph', null, schema.text(text)),
  ]);
  const json = withIds(schema.node('doc', null, blocks), () => `b${id++}`).toJSON() as object;
  const details = { ...emptyDetails(), title: 'A talk of two hours', brief: { phrase: 'kitchen knife' } };
  const look = (doc: PostNode) => [proof({ doc, details, house, known, speller }), figuresOf(doc)];

  const segmenter = new Intl.Segmenter('en', { granularity: 'word' });
  const cut = await medianMs(5, () => texts.reduce((sum, text) => sum + [...segmenter.segment(text)].length, 0));
  const whole = await medianMs(5, () => look(docFromJSON(json)));
  let doc = docFromJSON(json);
  look(doc);
  let turn = 0;
  const changed = await medianMs(20, () => {
    const at = (turn++ * 7) % doc.childCount;
    const block = doc.child(at);
    const content = schema.text(`${block.textContent} And ${turn} more.`);
    doc = doc.copy(doc.content.replaceChild(at, block.type.create(block.attrs, content)));
    return look(doc);
  });

  const text = texts.join('\n\n');
  const ours = await medianMs(7, () => readingLevels(readingCounts(text)));
  const theirs = await medianMs(7, () => [
    readabilityOf.fleschReadingEase(text),
    readabilityOf.fleschKincaidGrade(text),
    readabilityOf.gunningFog(text),
    readabilityOf.smogIndex(text),
    readabilityOf.colemanLiauIndex(text),
    readabilityOf.automatedReadabilityIndex(text),
    readabilityOf.daleChallReadabilityScore(text),
  ]);
  const beside = `Intl.Segmenter alone, those words: ${cut.toFixed(0)} ms`;
  return [
    {
      what: `Every check and figure of a page of ${WORDS.toLocaleString('en')} words, against two hours of talk`,
      value: whole,
      unit: 'ms',
      most: 1500,
      against: `${beside}, ${(whole / cut).toFixed(0)} times`,
    },
    {
      what: 'The same after one paragraph was changed',
      value: changed,
      unit: 'ms',
      most: 50,
      against: `${beside}, ${(changed / cut).toFixed(1)} times`,
    },
    {
      what: 'Seven reading levels of those words, speed beside text-readability',
      value: theirs / ours,
      unit: 'times',
      least: 3,
      against: `ours ${ours.toFixed(0)} ms, text-readability ${theirs.toFixed(0)} ms`,
    },
  ];
}
