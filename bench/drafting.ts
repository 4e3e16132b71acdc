// How fast requests are put together, held against the material, and drafted by the stand-in; and what the guard finds.
import { readFileSync } from 'node:fs';
import { createParser } from 'eventsource-parser';
import { emptyDetails } from '@even-page/core/post/details';
import { withIds } from '@even-page/core/post/ids';
import { postFromMarkdown } from '@even-page/core/post/markdown';
import { emptyDoc, schema } from '@even-page/core/post/schema';
import { readSubjects, shapeOf, writeSections } from '@even-page/core/shape';
import { editsForSections, findEdits, proseOf, readModel, usualHouse } from '@even-page/core/tidy';
import {
  doubtsOf,
  draftRequest,
  filledBrief,
  givenPassages,
  guard,
  knownFacts,
  messagesOf,
  type RequestGround,
} from '@even-page/core/write';
import { drafter } from '../standins/drafter/src/drafter.ts';
import { readText } from '../core/test/gather/read-text.ts';
import { PARTS } from '../core/training/told.ts';
import { medianMs, type Figure } from './measure.ts';
import { statements } from './statements.ts';
import { talkOfHours } from './talk.ts';

const data = (name: string) => new Uint8Array(readFileSync(new URL(`../core/data/${name}`, import.meta.url)));
const SECTIONS = 60;
const GUARDED_WORDS = 2000;
const house = usualHouse();

function materialOf(hours: number) {
  const { source } = readText(talkOfHours(hours), 'talk.srt');
  const edits = findEdits(source, { house, model: readModel(data('marks.bin')) });
  return { source, materials: [{ source: 's', paragraphs: proseOf(source, editsForSections(edits, [])) }] };
}

function groundOf({ materials }: ReturnType<typeof materialOf>, headings: readonly string[], words: number): RequestGround {
  let n = 0;
  const doc = withIds(postFromMarkdown(headings.map((h) => `## ${h}`).join('\n\n')), () => `b${n++}`);
  const { brief } = filledBrief({}, { details: { ...emptyDetails(), title: 'A talk' }, doc, titles: [], house });
  return {
    doc,
    own: {},
    brief,
    words,
    never: house.never,
    passages: givenPassages(materials),
    nameOf: () => 'talk',
    placeOf: () => '1:00',
  };
}

/** Figures of drafting. */
export async function draftingFigures(): Promise<Figure[]> {
  const ten = materialOf(10);
  const one = materialOf(1);
  const known = shapeOf(one.materials, readSubjects(data('subjects.bin')));
  const ground = groundOf(
    ten,
    Array.from(
      { length: SECTIONS },
      (_, i) => ten.materials[0]!.paragraphs.flatMap((p) => p.sentences)[i * 40]?.text.slice(0, 50) ?? `Part ${i}`,
    ),
    0,
  );
  const segmenter = new Intl.Segmenter('en', { granularity: 'word' });
  const cut = (texts: readonly string[]) => medianMs(5, () => texts.reduce((sum, text) => sum + [...segmenter.segment(text)].length, 0));
  const words = await cut(ten.source.passages.map((p) => p.text));
  const outline = outlineOf(ground);
  const outlined = await medianMs(3, () => outlineOf(ground));
  let letters = 0;
  const texts = await medianMs(5, () => {
    letters = ground.doc.children.reduce(
      (sum, block) =>
        sum +
        messagesOf(draftRequest({ task: 'section', section: block.attrs.id as string }, ground, outline)).reduce(
          (s, m) => s + m.content.length,
          0,
        ),
      0,
    );
  });

  const facts = knownFacts(ten.materials);
  // What a service may have written: the talk's own sentences, put in other words here and there.
  const said = one.materials[0]!.paragraphs.flatMap((p) =>
    p.sentences.map((s) => s.text.replace(/\bthe\b/g, 'a').replace(/\bis\b/g, 'would be')),
  );
  const paragraphs: string[] = [];
  for (let at = 0, count = 0; count < GUARDED_WORDS && at < said.length; at += 4) {
    paragraphs.push(said.slice(at, at + 4).join(' '));
    count += paragraphs.at(-1)!.split(/\s+/).length;
  }
  const proposed = {
    doc: schema.node(
      'doc',
      null,
      paragraphs.map((text) => schema.node('paragraph', null, schema.text(text))),
    ),
    was: emptyDoc(),
    others: [],
    known: facts,
    asked: { form: 'paragraphs' as const, words: 0, never: house.never, links: [], keepLinks: true, headings: [] },
    unknown: [],
    missing: [],
  };
  const guarded = await medianMs(5, () => guard(proposed));
  const page = await cut(paragraphs);

  const sections = known.sections().filter((s) => s.heading);
  const short = groundOf(
    one,
    sections.map((s) => s.heading),
    1200,
  );
  const whole = draftRequest({ task: 'whole' }, { ...short, doc: withIds(writeSections(sections), ids()) });
  const [first, all] = await drafted(whole);
  const hour = await cut(one.source.passages.map((p) => p.text));

  const made = statements(['chosen on', 'measured'], 200);
  const every = statements(PARTS, 800);
  const share = (of: typeof made, isTrue: boolean) => {
    const own = of.filter((s) => (s.kind === null) === isTrue);
    return (100 * own.filter((s) => doubtsOf({ text: s.text, rests: s.rests }, s.known).length).length) / own.length;
  };
  return [
    {
      what: `Texts of requests, ${SECTIONS} sections over ten hours`,
      value: texts,
      unit: 'ms',
      most: 200,
      against: `Intl.Segmenter alone, words of the ten hours: ${words.toFixed(0)} ms, ${(texts / words).toFixed(2)} times; ${(letters / 1000).toFixed(0)} thousand letters; which passages feed which section before it, once: ${outlined.toFixed(0)} ms`,
    },
    {
      what: `The guard, ${GUARDED_WORDS} words against ten hours`,
      value: guarded,
      unit: 'ms',
      most: 100,
      against: `Intl.Segmenter alone, those words: ${page.toFixed(1)} ms, ${(guarded / page).toFixed(0)} times`,
    },
    {
      what: 'The stand-in’s first words',
      value: first,
      unit: 'ms',
      most: 300,
      against: `Intl.Segmenter alone, words of the hour: ${hour.toFixed(0)} ms`,
    },
    {
      what: 'The stand-in’s draft of 1,200 words of an hour’s talk',
      value: all,
      unit: 'ms',
      most: 3000,
      against: `${(all / hour).toFixed(0)} times the same`,
    },
    {
      what: 'Altered statements the guard finds, 200 of told talks',
      value: share(made, false),
      unit: '%',
      least: 95,
      against: `of all told talks, 800: ${share(every, false).toFixed(1)} %`,
    },
    {
      what: 'True statements it marks, 200',
      value: share(made, true),
      unit: '%',
      most: 5,
      against: `of all told talks, 800: ${share(every, true).toFixed(1)} %`,
    },
  ];
}

const outlineOf = (ground: RequestGround) => draftRequest({ task: 'whole' }, ground).outline;

const ids = () => {
  let n = 0;
  return () => `h${n++}`;
};

/** How long until the first words of a draft are there, and until all of it is, in milliseconds. */
async function drafted(request: ReturnType<typeof draftRequest>): Promise<[first: number, all: number]> {
  const app = drafter();
  const body = JSON.stringify(request);
  const times: [number, number][] = [];
  for (let run = 0; run < 5; run++) {
    const start = performance.now();
    const response = await app.request('/drafts', { method: 'POST', body });
    let first = 0;
    const parser = createParser({ onEvent: ({ event }) => event === 'text' && (first ||= performance.now() - start) });
    const decoder = new TextDecoder();
    for await (const part of response.body as unknown as AsyncIterable<Uint8Array>) parser.feed(decoder.decode(part, { stream: true }));
    times.push([first, performance.now() - start]);
  }
  times.sort((x, y) => x[1] - y[1]);
  return times[2]!;
}
